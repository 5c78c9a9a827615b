import { X } from 'lucide-react';
import { useState } from 'react';
import type { PersonId, RoomId } from '@bienestar/core/house/ids';
import type { Role } from '@bienestar/core/house/house';
import type { DayVisit } from '@bienestar/core/week/day/dayVisits';
import { workName } from '@bienestar/core/week/needs';
import { number } from '../../../format/figures';
import { Button, IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { TextField } from '../../../parts/TextField';
import { useHouse } from '../../../store/house';
import { clock } from '../weekWords';
import { conflictWords } from './conflictWords';
import { ClockField } from './ClockField';
import type { DayInHand } from './useDay';
import { AddOnsOfVisit } from './AddOnsOfVisit';
import { WhereItFits } from './WhereItFits';

const NONE = 'none';

interface VisitInHandProps {
  readonly day: DayInHand;
  readonly visit: DayVisit;
  readonly onClose: () => void;
}

/** A visit of the day: for whom, when, where and by whom; what does not fit of it, and where else it would. */
export function VisitInHand({ day, visit, onClose }: VisitInHandProps) {
  const house = useHouse();
  const { need } = visit;
  const [searching, setSearching] = useState(false);
  const conflicts = day.conflicts.filter(({ visits }) =>
    visits.some(({ key }) => key === visit.key),
  );
  const may = (role: Role): readonly PersonId[] =>
    role === 'therapist' ? need.therapistIds : need.assistantIds;
  const whoOptions = (role: Role) => [
    { value: NONE, label: role === 'therapist' ? 'nobody yet' : 'nobody: the therapist does it' },
    ...house.people
      .filter((person) => person.role === role || may(role).includes(person.id))
      .map(({ id, name }) => ({
        value: id as string,
        label: may(role).includes(id) ? name : `${name}, may not`,
      })),
  ];
  return (
    <>
      <header className="flex items-start gap-2">
        <div className="flex-1">
          <h2 className="text-lg">{workName(need)}</h2>
          <p className="text-ink-soft">
            {clock(visit.starts)}–{clock(visit.starts + need.slotMinutes)}, slot of{' '}
            {number(need.slotMinutes)} min
            {visit.placed ? '' : visit.booking ? '; in the book, drawn where it fits' : ''}
          </p>
        </div>
        <IconButton label="Put it down" onClick={onClose}>
          <X aria-hidden size={16} />
        </IconButton>
      </header>
      {conflicts.length > 0 && (
        <ul className="flex flex-col gap-1 border-l-2 border-clay bg-clay-wash px-3 py-2">
          {conflicts.map((conflict) => (
            <li key={`${conflict.kind}/${conflict.span.from}/${conflict.name ?? ''}`}>
              <span className="text-clay">▲</span> {conflictWords(conflict)}
            </li>
          ))}
        </ul>
      )}
      <TextField
        label="For whom"
        commitOn="leaving"
        value={visit.name}
        onCommit={(name) => void day.place(visit, { name })}
      />
      <div className="grid grid-cols-2 gap-3">
        <ClockField
          label="Room from"
          minute={visit.starts}
          onCommit={(starts) => void day.place(visit, { starts })}
        />
        <Choice
          label="Room"
          value={visit.roomId ?? NONE}
          options={[
            { value: NONE, label: 'none yet' },
            ...house.rooms.map(({ id, name }) => ({ value: id as string, label: name })),
          ]}
          onChoose={(id) => void day.place(visit, { roomId: id === NONE ? null : (id as RoomId) })}
        />
        <Choice
          label="Therapist"
          value={visit.therapistId ?? NONE}
          options={whoOptions('therapist')}
          onChoose={(id) =>
            void day.place(visit, { therapistId: id === NONE ? null : (id as PersonId) })
          }
        />
        {need.hands.assistant.length > 0 && (
          <Choice
            label="Assistant"
            value={visit.assistantId ?? NONE}
            options={whoOptions('assistant')}
            onChoose={(id) =>
              void day.place(visit, { assistantId: id === NONE ? null : (id as PersonId) })
            }
          />
        )}
      </div>
      <AddOnsOfVisit day={day} visit={visit} />
      <div className="flex flex-wrap gap-2">
        {!visit.placed && (
          <Button weight="main" onClick={() => void day.place(visit, {})}>
            Keep it so
          </Button>
        )}
        <Button onClick={() => setSearching(!searching)} aria-expanded={searching}>
          Where does it fit?
        </Button>
        {visit.placed && (
          <Button weight="remove" onClick={() => void day.remove(visit).then(onClose)}>
            {visit.booking ? 'Back to the book' : 'Remove'}
          </Button>
        )}
      </div>
      {searching && (
        <WhereItFits
          day={day}
          need={need}
          moved={visit}
          name={visit.name}
          onPick={(fit) =>
            void day
              .place(
                visit,
                {
                  starts: fit.starts,
                  roomId: fit.roomId ?? null,
                  therapistId: fit.therapistId ?? null,
                  assistantId: fit.assistantId ?? null,
                },
                fit.day,
              )
              .then(() => {
                if (fit.day !== day.day) day.goTo(fit.day);
              })
          }
        />
      )}
    </>
  );
}
