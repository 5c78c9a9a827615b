import { LIMITS, within } from '@bienestar/contract/limits';
import type { Weekday } from '@bienestar/core/days/days';
import { ROOM_KINDS, type Change, type RoomKind } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { number, weekdayName } from '../../../format/figures';
import { Choice } from '../../../parts/Choice';
import { NumberField } from '../../../parts/NumberField';
import { Segments } from '../../../parts/Segments';
import { TextField } from '../../../parts/TextField';
import { useHouse } from '../../../store/house';
import { hoursNow, openNow } from './newChange';
import { TimesField } from '../../week/roster/TimesField';

type WeekChange = Extract<
  Change,
  { kind: 'work-hours' | 'open-hours' | 'hire' | 'room' | 'device-count' }
>;

interface WeekChangeFieldsProps {
  readonly change: WeekChange;
  readonly onChange: (change: Change) => Promise<string | undefined>;
}

const WEEKDAYS: readonly Weekday[] = [1, 2, 3, 4, 5, 6, 7];

/** The fields of a change to hours, people, rooms or devices. */
export function WeekChangeFields({ change, onChange }: WeekChangeFieldsProps) {
  const house = useHouse();
  const people = house.people.map(({ id, name }) => ({ value: id, label: name }));
  switch (change.kind) {
    case 'work-hours':
    case 'open-hours':
      return (
        <>
          {change.kind === 'work-hours' && (
            <Choice
              label="Who"
              value={change.personId}
              options={people}
              onChoose={(personId) =>
                void onChange({
                  ...change,
                  personId,
                  spans: hoursNow(house, personId, change.weekday),
                })
              }
            />
          )}
          <Choice
            label="Day of the week"
            value={String(change.weekday)}
            options={WEEKDAYS.map((day) => ({
              value: String(day),
              label: weekdayName(day, 'long'),
            }))}
            onChoose={(day) => {
              const weekday = WEEKDAYS.find((each) => String(each) === day);
              if (!weekday) return;
              const spans =
                change.kind === 'open-hours'
                  ? openNow(house, weekday)
                  : hoursNow(house, change.personId, weekday);
              void onChange({ ...change, weekday, spans });
            }}
          />
          <TimesField
            label="Hours"
            spans={change.spans}
            onCommit={(spans) => onChange({ ...change, spans })}
          />
        </>
      );
    case 'hire':
      return (
        <>
          <Choice
            label="May do and earns as"
            value={change.likeId}
            options={people}
            onChoose={(likeId) => void onChange({ ...change, likeId })}
          />
          <NameField value={change.name} onCommit={(name) => onChange({ ...change, name })} />
        </>
      );
    case 'room':
      return (
        <>
          <NameField value={change.name} onCommit={(name) => onChange({ ...change, name })} />
          <Segments<RoomKind>
            label="Kind"
            value={change.roomKind}
            options={ROOM_KINDS.map((value) => ({ value, label: value }))}
            onChoose={(roomKind) => void onChange({ ...change, roomKind })}
          />
        </>
      );
    case 'device-count':
      return (
        <>
          <Choice
            label="Device"
            value={change.deviceId}
            options={house.devices.map(({ id, name, count }) => ({
              value: id,
              label: `${name}, now ${number(count)}`,
            }))}
            onChoose={(deviceId) => {
              const count = house.devices.find(({ id }) => id === deviceId)?.count ?? 0;
              void onChange({ ...change, deviceId: asId(deviceId), count: count + 1 });
            }}
          />
          <NumberField
            commitOn="leaving"
            label="Would be"
            value={change.count}
            check={within(LIMITS.deviceCount)}
            onCommit={(count) => onChange({ ...change, count })}
          />
        </>
      );
  }
}

interface NameFieldProps {
  readonly value: string;
  readonly onCommit: (name: string) => Promise<string | undefined>;
}

function NameField(props: NameFieldProps) {
  return <TextField label="Name" needed commitOn="leaving" {...props} />;
}
