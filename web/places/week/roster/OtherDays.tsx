import { useState } from 'react';
import { spansText, typedSpans } from '@bienestar/core/week/typedSpans';
import { withOtherDays, withoutOtherDays } from '@bienestar/core/week/openTimes';
import { FormFault } from '../../../parts/FormFault';
import { dayText } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { DayField } from '../../../parts/DayField';
import { TextField } from '../../../parts/TextField';
import { useRightForm } from '../../../parts/useRightForm';
import { useToday } from '../../../store/clock';
import { useHouse } from '../../../store/house';
import { useChangeSettings } from '../../../store/useEditPart';

/** Days on which the house is open otherwise than usual: holidays, fairs, a short season. */
export function OtherDays() {
  const { openHours } = useHouse().settings;
  const change = useChangeSettings();
  const today = useToday();
  const [from, setFrom] = useState(today);
  const [to, setTo] = useState(today);
  const [name, setName] = useState('');
  const [times, setTimes] = useState('');
  const { form, fault, isRight } = useRightForm<HTMLElement>();
  const typed = typedSpans(times);
  const ready = from !== '' && to >= from && name.trim() !== '' && typed.spans !== undefined;
  const others = (openHours?.otherwise ?? []).filter((each) => each.to >= today);
  return (
    <section ref={form} className="flex flex-col gap-2 border-t border-line pt-4">
      <h2 className="text-lg">Holidays and other days</h2>
      {others.map((each) => (
        <p
          key={`${each.from}/${each.to}/${each.name}`}
          className="flex items-center justify-between gap-2"
        >
          <span>
            {dayText(each.from)}
            {each.to !== each.from && ` – ${dayText(each.to)}`}, {each.name}:{' '}
            {each.spans.length === 0 ? 'closed' : spansText(each.spans)}
          </span>
          <Button
            weight="remove"
            className="h-7!"
            onClick={() =>
              void change(({ openHours: latest }) =>
                latest ? { openHours: withoutOtherDays(latest, each) } : {},
              )
            }
          >
            Remove
          </Button>
        </p>
      ))}
      <TextField label="What" value={name} onCommit={setName} />
      <div className="grid grid-cols-2 gap-2">
        <DayField label="First day" value={from} onCommit={setFrom} />
        <DayField
          label="Last day"
          value={to}
          onCommit={setTo}
          hint={to < from ? 'Not before the first.' : undefined}
        />
      </div>
      <TextField
        label="Hours"
        value={times}
        onCommit={setTimes}
        hint={typed.fault ?? 'Empty where it is closed.'}
      />
      <FormFault fault={fault} className="" />
      <Button
        disabled={!ready}
        onClick={() => {
          if (!typed.spans || !isRight()) return;
          const other = { from, to, name: name.trim(), spans: typed.spans };
          void change(({ openHours: latest }) => ({ openHours: withOtherDays(latest, other) }));
          setName('');
          setTimes('');
        }}
      >
        Add these days
      </Button>
    </section>
  );
}
