import { offeredOf } from '@bienestar/core/house/offered';
import { Check, Scale, Trash2 } from 'lucide-react';
import { Checkbox } from 'radix-ui';
import { Link, useNavigate } from 'react-router';
import { LIMITS, within } from '@bienestar/contract/limits';
import { untrainedFor } from '@bienestar/core/cost/performers';
import {
  ROOM_KINDS,
  roomKindOf,
  type Device,
  type Person,
  type RoomKind,
} from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { asId } from '@bienestar/core/house/ids';
import { money, number } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { Problems } from '../../parts/Problems';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { GuestFields } from './guests/GuestFields';
import { useFigures, useHouse, useSnapshot } from '../../store/house';
import { useNewestEdition } from '../../store/useNewestEdition';
import { useAddAndRemove, useChange, usePlan } from '../../store/useEditPart';

/** One service in hand: what it is made of, who performs it, its own margin, its demand. */
export function ServicePanel({ id }: { readonly id: string }) {
  const house = useHouse();
  const snapshot = useSnapshot();
  const navigate = useNavigate();
  const service = snapshot.services.find((each) => each.id === id);
  const line = snapshot.demand.find((each) => each.serviceId === id);
  const figures = useFigures().services.get(asId(id));
  const change = useChange('services', service);
  const newest = useNewestEdition(service?.protocolId ?? '');
  const { remove, busy } = useAddAndRemove('services');
  const plan = usePlan(service);
  if (!service) return null;

  const newestOf = (protocolId: string): number | undefined =>
    snapshot.editionHeads.findLast((head) => head.protocolId === protocolId)?.number;
  const price = figures?.price.ok ? figures.price.value : undefined;
  const worked = figures?.work.ok === true ? figures.work.value : undefined;
  const { devices } = indexHouse(house);
  const untrained = (person: Person): readonly Device[] =>
    worked ? untrainedFor(person, worked, devices) : [];
  return (
    <section aria-label={service.name} className="flex flex-col gap-3 px-5 py-6">
      <h2 className="text-xl break-words">{service.name}</h2>
      <Link
        to={`/menu/${service.id}/price`}
        className="inline-flex h-9 items-center gap-2 self-start rounded-sm border border-palm bg-palm px-3.5 text-sm font-semibold text-on-fill hover:brightness-110"
      >
        <Scale aria-hidden size={16} /> Cost and price
      </Link>
      {price && (
        <p className="text-sm text-ink-soft">
          One more guest adds {money(price.oneMore.contribution, house.settings.currency)}.
          Everything is paid from {money(price.evenGross, house.settings.currency)}.{' '}
          {price.oneMore.breakEvenVisits === null
            ? 'At this price no number of visits pays for a room and a therapist.'
            : `${number(Math.ceil(price.oneMore.breakEvenVisits), 0)} visits a month pay for one room and one therapist.`}
        </p>
      )}
      {figures && !figures.price.ok && <Problems problems={figures.price.problems} />}
      <TextField
        label="Name"
        needed
        commitOn="leaving"
        value={service.name}
        onCommit={(name) => change({ name })}
      />
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label="Planned visits"
          unit="a week"
          commitOn="leaving"
          value={line?.visitsPerWeek ?? 0}
          check={within(LIMITS.visitsPerWeek)}
          onCommit={(visitsPerWeek) => plan({ visitsPerWeek })}
        />
        <PercentField
          label="Its own target margin"
          to={0.99}
          commitOn="leaving"
          value={service.targetMargin}
          hint="empty: the house’s"
          onCommit={(targetMargin) => change({ targetMargin })}
          onClear={() => void change({ targetMargin: undefined })}
        />
      </div>
      <Choice
        label="Protocol"
        value={service.protocolId}
        options={offeredOf(house.protocols, [service.protocolId]).map((protocol) => ({
          value: protocol.id,
          label: protocol.name,
        }))}
        onChoose={(protocolId) =>
          void change({ protocolId: asId(protocolId), edition: newestOf(protocolId) })
        }
      />
      {newest !== undefined && newest > (service.edition ?? newest) && (
        <p className="border-l-2 border-palm pl-3 text-sm">
          Worked by edition {service.edition}; edition {newest} is published.{' '}
          <Link
            to={`/protocols/${service.protocolId}?editions=${newest}`}
            className="underline underline-offset-4"
          >
            See what it would change
          </Link>
        </p>
      )}
      <Segments
        label="Counted for"
        value={service.visitKind}
        options={[
          { value: 'first', label: 'a first visit' },
          { value: 'returning', label: 'later visits' },
        ]}
        onChoose={(visitKind) => void change({ visitKind })}
      />
      <Segments<RoomKind>
        label="Takes a room that is"
        value={roomKindOf(service)}
        options={ROOM_KINDS.map((value) => ({ value, label: value }))}
        onChoose={(roomKind) => void change({ roomKind })}
      />
      <fieldset className="flex flex-col gap-1">
        <legend className={`${LABEL_LOOK} mb-1`}>Performed by</legend>
        {house.people
          .filter((person) => person.role === 'therapist')
          .map((person) => (
            <label key={person.id} className="flex h-7 items-center gap-2 text-sm">
              <Checkbox.Root
                checked={service.therapistIds.includes(person.id)}
                onCheckedChange={(checked) =>
                  void change(({ therapistIds }) => ({
                    therapistIds:
                      checked === true
                        ? [...therapistIds, person.id]
                        : therapistIds.filter((each) => each !== person.id),
                  }))
                }
                className="flex size-4 items-center justify-center border border-line-strong bg-sheet data-[state=checked]:bg-palm"
              >
                <Checkbox.Indicator>
                  <Check aria-hidden size={12} className="text-on-fill" />
                </Checkbox.Indicator>
              </Checkbox.Root>
              {person.name}
              {service.therapistIds.includes(person.id) && (
                <Untrained devices={untrained(person)} />
              )}
            </label>
          ))}
      </fieldset>
      <GuestFields
        guest={service.guest}
        name={service.name}
        onChange={(guest) => change({ guest })}
      />
      <Button
        weight="remove"
        className="self-start"
        disabled={busy}
        onClick={() => void remove(service).then((gone) => gone && navigate('/menu'))}
      >
        <Trash2 aria-hidden size={16} /> Remove this service
      </Button>
    </section>
  );
}

/** Says for which devices of the service a person has not been trained. */
function Untrained({ devices }: { readonly devices: readonly Device[] }) {
  if (devices.length === 0) return null;
  return (
    <span className="text-clay">
      ▲ not trained for {devices.map(({ name }) => name).join(', ')}: does not count here
    </span>
  );
}
