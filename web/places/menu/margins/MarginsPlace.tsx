import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { daysAfter } from '@bienestar/core/days/days';
import type { Watched } from '@bienestar/core/watch/history';
import { dayText, money, percent } from '../../../format/figures';
import { DayField } from '../../../parts/DayField';
import { EmptyPlace } from '../../../parts/EmptyPlace';
import { Loading } from '../../../parts/Loading';
import { Segments } from '../../../parts/Segments';
import { useHouse } from '../../../store/house';
import { MenuHeader } from '../MenuHeader';
import { BridgeView } from './BridgeView';
import { points } from './bridgeWords';
import { useMarginWatch, useMemory } from './useMemory';
import { figures, names, TableHead } from '../../../parts/TableHead';
import { useToday } from '../../../store/clock';

const SPANS = { month: 30, quarter: 91, year: 365 } as const;
type Span = keyof typeof SPANS | 'day';

/** What moved the margins since a day, and which services are under their target. */
export function MarginsPlace() {
  const house = useHouse();
  const { serviceId } = useParams();
  const { memory, failed } = useMemory();
  const today = useToday();
  const [span, setSpan] = useState<Span>('year');
  const [day, setDay] = useState(daysAfter(today, -SPANS.year));
  const since = span === 'day' ? day : daysAfter(today, -SPANS[span]);
  const { answer: watched, hasFailed } = useMarginWatch(house, memory, since);
  const ofAddress = house.services.find(({ id }) => id === serviceId);
  const chosen = ofAddress ?? watched?.[0]?.bridge.service;
  return (
    <div className="flex h-full flex-col">
      <MenuHeader title="What moved the margins">
        <Segments
          label="Since"
          labelHidden
          value={span}
          options={[
            { value: 'month', label: '30 days' },
            { value: 'quarter', label: '3 months' },
            { value: 'year', label: 'a year' },
            { value: 'day', label: 'a day' },
          ]}
          onChoose={setSpan}
        />
        {span === 'day' && (
          <DayField
            label="Since the day"
            labelHidden
            value={day}
            onCommit={(next) => {
              if (next !== '') setDay(next);
            }}
          />
        )}
      </MenuHeader>
      {!watched && <Loading what="Going back" failed={failed || hasFailed} />}
      {watched?.length === 0 && !chosen && (
        <div className="px-6 py-8">
          <EmptyPlace title={`Nothing has moved since ${dayText(since)}`}>
            Every service reaches its target margin, and neither prices, pay nor protocols have
            changed what it leaves.
          </EmptyPlace>
        </div>
      )}
      {chosen && watched && (
        <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_30rem]">
          <div
            className="min-h-0 overflow-y-auto"
            tabIndex={0}
            role="group"
            aria-label="Services that moved"
          >
            <WatchTable watched={watched} chosenId={chosen.id} since={since} />
          </div>
          <aside
            aria-label={chosen.name}
            className="min-h-0 overflow-y-auto border-l border-line bg-sheet px-6 py-5"
          >
            <BridgeView
              service={chosen}
              bridge={watched.find(({ bridge }) => bridge.service.id === chosen.id)?.bridge}
              since={since}
              memory={memory}
            />
          </aside>
        </div>
      )}
    </div>
  );
}

interface WatchTableProps {
  readonly watched: readonly Watched[];
  readonly chosenId: string;
  readonly since: string;
}

const CELL = 'px-3 py-1.5 text-right align-baseline whitespace-nowrap last:pr-6';

function WatchTable({ watched, chosenId, since }: WatchTableProps) {
  const { currency } = useHouse().settings;
  return (
    <table className="w-full text-sm">
      <TableHead
        columns={[
          ...names('Service'),
          ...figures(dayText(since), 'Now', 'Target', 'Moved by', 'Price now'),
        ]}
        cell="px-3 py-2 first:pl-6 last:pr-6"
        isSticky
      />
      <tbody>
        {watched.map(({ bridge, underTarget, fell }) => {
          const { service, before, after } = bridge;
          const inHand = service.id === chosenId;
          return (
            <tr
              key={service.id}
              className={`border-b border-line ${inHand ? 'bg-sheet shadow-[inset_3px_0_0_var(--color-clay)]' : 'hover:bg-sunk/60'}`}
            >
              <th scope="row" className="px-3 py-1.5 pl-6 text-left font-normal">
                <Link
                  to={`/menu/margins/${service.id}`}
                  aria-current={inHand ? 'true' : undefined}
                  className="font-serif text-base hover:text-clay hover:underline"
                >
                  {service.name}
                </Link>
                {underTarget && (
                  <span className="ml-2 text-clay">
                    ▲ {fell ? 'fell under its target' : 'under its target'}
                  </span>
                )}
              </th>
              <td className={CELL}>{percent(before.margin)}</td>
              <td className={`${CELL} font-semibold ${underTarget ? 'text-clay' : ''}`}>
                {percent(after.margin)}
              </td>
              <td className={`${CELL} text-ink-soft`}>{percent(after.targetMargin)}</td>
              <td className={CELL}>{points(after.margin - before.margin)}</td>
              <td className={CELL}>{money(after.gross, currency)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
