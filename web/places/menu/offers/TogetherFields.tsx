import { Plus, X } from 'lucide-react';
import type { Duo, Package } from '@bienestar/core/house/house';
import type { ServiceId } from '@bienestar/core/house/ids';
import { PHASES, type Phase } from '@bienestar/core/house/actions';
import { spoken } from '../../../format/protocolWords';
import { Button, IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Segments } from '../../../parts/Segments';
import { Toggles } from '../../../parts/Toggles';
import { useHouse } from '../../../store/house';
import type { OfferChange } from './offerChange';

const MOST_TOGETHER = 6;
/* Set-up and reset are always done once. */
const SHARED: readonly Phase[] = PHASES.filter((phase) => phase !== 'prepare' && phase !== 'reset');

interface TogetherFieldsProps extends OfferChange {
  readonly offer: Package | Duo;
}

/** The services of a package or of a visit for two. */
export function TogetherFields({ offer, put }: TogetherFieldsProps) {
  const { services } = useHouse();
  const { kind, serviceIds } = offer;
  const putServices = (ids: readonly ServiceId[]): Promise<string | undefined> =>
    put({ serviceIds: ids });
  const [first] = services;
  return (
    <>
      <ul
        aria-label={kind === 'duo' ? 'For whom' : 'One after the other'}
        className="flex flex-col gap-2"
      >
        {serviceIds.map((id, at) => (
          <li key={at} className="flex items-end gap-2">
            <Choice
              className="flex-1"
              label={kind === 'duo' ? (at === 0 ? 'One guest' : 'The other') : `${at + 1}`}
              value={id}
              options={services.map((service) => ({ value: service.id, label: service.name }))}
              onChoose={(serviceId) => void putServices(serviceIds.with(at, serviceId))}
            />
            {kind === 'package' && (
              <IconButton
                label={`Leave out the service ${at + 1}`}
                className="mb-0.5"
                disabled={serviceIds.length <= 2}
                onClick={() => void putServices(serviceIds.toSpliced(at, 1))}
              >
                <X aria-hidden size={16} />
              </IconButton>
            )}
          </li>
        ))}
      </ul>
      {offer.kind === 'package' ? (
        <>
          {first && serviceIds.length < MOST_TOGETHER && (
            <Button
              className="self-start"
              onClick={() => void putServices([...serviceIds, first.id])}
            >
              <Plus aria-hidden size={16} /> Another service
            </Button>
          )}
          <Toggles
            label="Done once, besides set-up and reset"
            values={offer.once}
            options={SHARED.map((phase) => ({ value: phase, label: spoken(phase) }))}
            onChange={(once) => void put({ once })}
          />
        </>
      ) : (
        <Segments
          label="Where"
          value={offer.rooms === 1 ? 'one' : 'two'}
          options={[
            { value: 'one', label: 'side by side in one room' },
            { value: 'two', label: 'in two rooms' },
          ]}
          onChoose={(rooms) => void put({ rooms: rooms === 'one' ? 1 : 2 })}
        />
      )}
    </>
  );
}
