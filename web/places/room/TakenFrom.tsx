import { dayOf } from '@bienestar/core/days/days';
import type { ContainerId, MaterialId } from '@bienestar/core/house/ids';
import type { OpenToAsk } from '@bienestar/core/run/openToAsk';
import { amount, dayText } from '../../format/figures';
import { useHouse } from '../../store/house';
import { KnuckleButton } from './KnuckleButton';

interface TakenFromProps {
  /** the containers that may be meant, by material */
  readonly open: ReadonlyMap<MaterialId, readonly OpenToAsk[]>;
  readonly chosen: ReadonlyMap<MaterialId, OpenToAsk>;
  readonly onChoose: (id: MaterialId, container: OpenToAsk) => void;
}

/** Of what several containers are open: which it was taken of. Without an answer it is the one that ends first. */
export function TakenFrom({ open, chosen, onChoose }: TakenFromProps) {
  const { materials, settings } = useHouse();
  if (open.size === 0) return null;
  return (
    <section aria-label="Taken from" className="mt-5">
      <h2 className="text-xl">Which one was it taken from?</h2>
      {[...open].map(([id, containers]) => {
        const material = materials.find((each) => each.id === id);
        const inHand: ContainerId | undefined =
          chosen.get(id)?.containerId ?? containers[0]?.containerId;
        return (
          <div key={id} className="mt-2">
            <p className="text-lg">{material?.name}</p>
            <div className="mt-1 flex flex-wrap gap-3">
              {containers.map((each) => (
                <KnuckleButton
                  key={each.containerId}
                  aria-pressed={each.containerId === inHand}
                  look={each.containerId === inHand ? 'main' : 'plain'}
                  onClick={() => onChoose(id, each)}
                >
                  opened {dayText(dayOf(new Date(each.openedAt), settings.timeZone))},{' '}
                  {amount(each.remaining, material?.unit ?? '')} left
                  {each.code === '' ? '' : ` (${each.code})`}
                </KnuckleButton>
              ))}
            </div>
          </div>
        );
      })}
    </section>
  );
}
