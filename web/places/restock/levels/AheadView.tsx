import { useState } from 'react';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { weeksOf, type LookAhead, type Ordering } from '@bienestar/core/restock/lookAhead';
import type { Restocking } from '@bienestar/core/restock/restocking';
import { daysAfter } from '@bienestar/core/days/days';
import { NotWorkedOut } from '../../../parts/NotWorkedOut';
import { amount, dayText, nearDay, number, percent } from '../../../format/figures';
import { Segments } from '../../../parts/Segments';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { AheadChart } from './AheadChart';
import { figures, names, TableHead } from '../../../parts/TableHead';
import { useLookAhead } from './useLookAhead';

interface AheadViewProps {
  readonly material: BoughtMaterial;
  readonly restocking: Restocking;
}

/** The twelve weeks ahead of a material, as many runs of what may come tell them. */
export function AheadView({ material, restocking }: AheadViewProps) {
  const house = useHouse();
  const { today } = useRestock();
  const [ordering, setOrdering] = useState<Ordering>('policy');
  const { answer: ahead, share, isWorking, hasFailed } = useLookAhead(house, material.id, ordering);
  const { unit, name } = material;
  return (
    <section aria-labelledby="ahead-title">
      <div className="flex items-end gap-4">
        <h3 id="ahead-title" className="flex-1 text-lg">
          Twelve weeks ahead
        </h3>
        <Segments<Ordering>
          label="With orders"
          labelHidden
          value={ordering}
          options={[
            { value: 'policy', label: 'ordered as said' },
            { value: 'none', label: 'no more orders' },
          ]}
          onChoose={setOrdering}
        />
      </div>
      {isWorking && (
        <p role="status" className="flex h-64 items-center gap-3 text-sm text-ink-soft">
          <progress aria-label={`Looking ahead for ${name}`} value={share} max={1} />
          Playing the weeks ahead through …
        </p>
      )}
      {hasFailed && <NotWorkedOut what="The weeks ahead" />}
      {!isWorking && !hasFailed && !ahead && (
        <p className="text-sm text-ink-soft">Nothing can be said of it yet.</p>
      )}
      {!isWorking && !hasFailed && ahead && (
        <>
          <AheadChart
            label={`Expected stock of ${name}`}
            ahead={ahead}
            dayNames={ahead.days.map(({ day }) => nearDay(daysAfter(today, day)))}
            orderAt={restocking.orderAt}
            textOf={(value) => amount(value, unit)}
          />
          <p className="py-2 text-sm">{runsOutWords(ahead, today)}</p>
          <WeekTable ahead={ahead} unit={unit} today={today} />
        </>
      )}
    </section>
  );
}

function runsOutWords({ runsOutIn, days, runs }: LookAhead, today: string): string {
  const last = days.at(-1)?.outBy ?? 0;
  const of = `Of ${number(runs)} runs of what may come, `;
  if (runsOutIn !== null) {
    return `${of}half are without by ${dayText(daysAfter(today, runsOutIn))}.`;
  }
  return last < 0.005
    ? `${of}none are without in these weeks.`
    : `${of}${percent(last, 0)} are without at some time in these weeks.`;
}

interface WeekTableProps {
  readonly ahead: LookAhead;
  readonly unit: string;
  readonly today: string;
}

function WeekTable({ ahead, unit, today }: WeekTableProps) {
  const CELL = 'py-1 pl-3 text-right first:pl-0 first:text-left';
  return (
    <table className="w-full text-sm">
      <TableHead
        columns={[
          ...names('End of'),
          ...figures('Expected', 'From', 'To', 'Comes', 'Over', 'Without by then'),
        ]}
      />
      <tbody>
        {weeksOf(ahead).map((week) => (
          <tr key={week.day} className="border-b border-line">
            <th scope="row" className={`${CELL} font-normal`}>
              {nearDay(daysAfter(today, week.day))}
            </th>
            <td className={CELL}>{amount(week.usual, unit)}</td>
            <td className={`${CELL} text-ink-soft`}>{amount(week.low, unit)}</td>
            <td className={`${CELL} text-ink-soft`}>{amount(week.high, unit)}</td>
            <td className={CELL}>{week.delivered > 0 ? amount(week.delivered, unit) : '–'}</td>
            <td className={CELL}>{week.over > 0 ? amount(week.over, unit) : '–'}</td>
            <td className={CELL}>{percent(week.outBy, 0)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
