import { useState } from 'react';
import type { Away, Person } from '@bienestar/core/house/house';
import { NO_WORK } from '@bienestar/core/week/roster';
import { FormFault } from '../../../parts/FormFault';
import { dayText } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { DayField } from '../../../parts/DayField';
import { TextField } from '../../../parts/TextField';
import { useRightForm } from '../../../parts/useRightForm';
import { useToday } from '../../../store/clock';
import { useSnapshot } from '../../../store/house';
import { useChange } from '../../../store/useEditPart';

/** Days on which somebody does not work. */
export function AwayFields({ personId }: { readonly personId: string }) {
  const person = useSnapshot().people.find(({ id }) => id === personId);
  const change = useChange('people', person);
  const today = useToday();
  const [from, setFrom] = useState(today);
  const [to, setTo] = useState(today);
  const [why, setWhy] = useState('');
  const { form, fault, isRight } = useRightForm();
  const away = person?.hours?.away ?? [];
  const set = (make: (away: readonly Away[]) => readonly Away[]): void => {
    void change(({ hours = { usually: NO_WORK } }) => withAway(hours, make(hours.away ?? [])));
  };
  return (
    <div ref={form} className="flex flex-col gap-2 pt-4">
      <h3 className="font-serif text-base">Away</h3>
      {away.map((each) => (
        <p key={`${each.from}/${each.to}`} className="flex items-center justify-between gap-2">
          <span>
            {dayText(each.from)} – {dayText(each.to)}
            {each.why !== undefined && `, ${each.why}`}
          </span>
          <Button
            weight="remove"
            className="h-7!"
            onClick={() => set((before) => before.filter((other) => !isSame(other, each)))}
          >
            Remove
          </Button>
        </p>
      ))}
      <div className="grid grid-cols-2 gap-2">
        <DayField label="From" value={from} onCommit={setFrom} />
        <DayField
          label="To"
          value={to}
          onCommit={setTo}
          hint={to < from ? 'Not before it begins.' : undefined}
        />
      </div>
      <TextField label="Why" value={why} onCommit={setWhy} />
      <FormFault fault={fault} className="" />
      <Button
        disabled={from === '' || to < from}
        onClick={() => {
          if (!isRight()) return;
          set((before) => [
            ...before.filter((other) => other.from !== from || other.to !== to),
            { from, to, ...(why.trim() !== '' && { why: why.trim() }) },
          ]);
          setWhy('');
        }}
      >
        Add days away
      </Button>
    </div>
  );
}

function isSame(a: Away, b: Away): boolean {
  return a.from === b.from && a.to === b.to;
}

function withAway(
  hours: NonNullable<Person['hours']>,
  away: readonly Away[],
): Pick<Person, 'hours'> {
  const { away: _before, ...rest } = hours;
  return { hours: { ...rest, ...(away.length > 0 && { away }) } };
}
