import type { Remote } from 'comlink';
import { useCallback, useState } from 'react';
import type { WeekWorker } from '../../workers/week.worker';
import { daysAfter } from '@bienestar/core/days/days';
import {
  daysOfLoad,
  freeOf,
  type DayLoad,
  type HourLoad,
  type PoolLoad,
} from '@bienestar/core/week/poolLoad';
import { poolsToShow, type WeekLoad } from '@bienestar/core/week/weekLoad';
import { counted, number, percent, shortDay } from '../../format/figures';
import { Loading } from '../../parts/Loading';
import { Sheet } from '../../parts/Sheet';
import { figures, names, TableHead } from '../../parts/TableHead';
import { useWeekHouse } from './useWeekHouse';
import { useHouse } from '../../store/house';
import { NeedsHours } from './NeedsHours';
import { SourceChoice } from './SourceChoice';
import { useWeekInHand, type WeekInHand } from './useWeek';
import { useWeekWorked } from './useWeekWorked';
import { WeekHeader } from './WeekHeader';
import { dayName, poolName, poolNote, poolUnit, SOURCE_WORDS } from './weekWords';

/** What the visits of a week take of rooms, hands, devices and linen, hour by hour, and what gives out first. */
export function CarriesPlace() {
  const { house, choice } = useWeekHouse();
  const week = useWeekInHand();
  const { monday, today, source } = week;
  const ask = useCallback(
    (worker: Remote<WeekWorker>) => worker.load({ house, monday, today, source }),
    [house, monday, today, source],
  );
  const { answer, isWorking, hasFailed } = useWeekWorked(ask);
  return (
    <div className="flex h-full flex-col">
      <WeekHeader title="What the week carries" week={week}>
        {choice}
        <SourceChoice week={week} />
      </WeekHeader>
      {!answer ? (
        <Loading what="Counting the week" failed={hasFailed} />
      ) : !answer.ok ? (
        <NeedsHours problems={answer.problems} />
      ) : (
        <div
          role="region"
          aria-label="The week"
          aria-busy={isWorking}
          tabIndex={0}
          className="min-h-0 flex-1 overflow-auto px-3 py-4 sm:px-6"
        >
          <Carried load={answer.value} week={week} />
        </div>
      )}
    </div>
  );
}

function Carried({ load, week }: { readonly load: WeekLoad; readonly week: WeekInHand }) {
  const house = useHouse();
  const [opened, setOpened] = useState<PoolLoad>();
  const pools = poolsToShow(load).filter(({ carries }) => carries !== null);
  const idle = poolsToShow(load).filter(({ carries }) => carries === null);
  const [first] = pools;
  if (!first) {
    return (
      <p className="max-w-prose text-ink-soft">
        No visit of this week is known this way. Plan visits on the menu, read the book, or look at
        another week.
      </p>
    );
  }
  const most = first.carries ?? 0;
  return (
    <>
      <p className="max-w-[70ch] pb-1 text-lg">
        {counted(Math.round(load.visits * 10) / 10, 'visit')} {SOURCE_WORDS[week.source]}.{' '}
        {most >= load.visits ? (
          <>
            The week carries {number(most, 1)} that come like these; then{' '}
            <strong>{poolName(first, house)}</strong> gives out first, on {dayName(first.firstDay)}.
          </>
        ) : (
          <>
            <strong className="text-clay">They do not all fit</strong>: on {dayName(first.firstDay)}{' '}
            <strong>{poolName(first, house)}</strong> gives out at {number(most, 1)} visits.
          </>
        )}
      </p>
      {load.nowhere.length > 0 && (
        <p className="max-w-[70ch] text-sm text-clay">
          ▲ Nobody, no room or no time for:{' '}
          {load.nowhere.map(({ need }) => need.service.name).join(', ')}.
        </p>
      )}
      {idle.length > 0 && (
        <p className="max-w-[70ch] text-sm text-ink-soft">
          None of these visits needs: {idle.map((each) => poolName(each, house)).join(', ')}.
        </p>
      )}
      <p className="pb-3 text-sm text-ink-soft">
        Each hour is a vessel: as high as what is there, filled with what is taken. What runs over
        is ruled. Press a line for its figures.
      </p>
      <table className="w-full min-w-[62rem] border-collapse text-sm">
        <thead>
          <tr className="text-xs text-ink-soft">
            <th scope="col" className="w-52 pb-1 text-left font-semibold">
              What
            </th>
            {first.load.map((_, day) => (
              <th key={day} scope="col" className="pb-1 text-left font-semibold">
                {shortDay(daysAfter(week.monday, day))}
              </th>
            ))}
            <th scope="col" className="w-24 pb-1 text-right font-semibold">
              carries
            </th>
            <th scope="col" className="w-24 pb-1 text-right font-semibold">
              free
            </th>
          </tr>
        </thead>
        <tbody>
          {pools.map((each) => (
            <PoolRow
              key={JSON.stringify(each.pool)}
              of={each}
              isFirst={each === first}
              onOpen={() => setOpened(each)}
            />
          ))}
          <tr>
            <th scope="colgroup" colSpan={10} className="pt-5 pb-1 text-left font-normal">
              <span className="font-serif text-base">Each person</span>{' '}
              <span className="text-ink-soft">
                if the work is spread as evenly as those who may do it allow
              </span>
            </th>
          </tr>
          {load.people.map((each) => (
            <PoolRow
              key={JSON.stringify(each.pool)}
              of={each}
              isFirst={false}
              onOpen={() => setOpened(each)}
            />
          ))}
        </tbody>
      </table>
      <Sheet
        open={opened !== undefined}
        onClose={() => setOpened(undefined)}
        title={opened ? poolName(opened, house) : ''}
        description="What is there, what visits can fill of it, and what these visits take."
        wide
      >
        {opened && <PoolFigures of={opened} visits={load.visits} />}
      </Sheet>
    </>
  );
}

interface PoolRowProps {
  readonly of: PoolLoad;
  readonly isFirst: boolean;
  readonly onOpen: () => void;
}

function PoolRow({ of, isFirst, onOpen }: PoolRowProps) {
  const house = useHouse();
  const name = poolName(of, house);
  return (
    <tr className={`border-t border-line ${isFirst ? 'bg-clay-wash' : ''}`}>
      <th scope="row" className="py-1.5 pr-3 text-left align-middle font-normal">
        <button
          type="button"
          onClick={onOpen}
          className="block text-left font-serif text-base leading-tight hover:underline"
          aria-label={`${name}: show its figures`}
        >
          {name}
        </button>
        <span className="block text-xs text-ink-soft">{poolNote(of, house)}</span>
      </th>
      {daysOfLoad(of).map((ofDay, day) => (
        <td key={day} className="py-1.5 pr-2 align-bottom">
          <DayVessels
            of={ofDay}
            hours={of.hours?.[day]}
            isFirstOut={isFirst && of.firstDay === day}
          />
        </td>
      ))}
      <td className="text-right align-middle">
        {of.carries === null ? '–' : number(of.carries, 0)}
      </td>
      <td className="text-right align-middle whitespace-nowrap">
        {number(freeOf(of), 0)} <span className="text-xs text-ink-soft">{poolUnit(of)}</span>
      </td>
    </tr>
  );
}

interface DayVesselsProps {
  readonly of: DayLoad;
  readonly hours?: readonly HourLoad[];
  readonly isFirstOut: boolean;
}

const HEIGHT = 30;

/** A day as a row of vessels, an hour each; of linen one for the day. */
function DayVessels({ of: { taken, there, share }, hours, isFirstOut }: DayVesselsProps) {
  const isNothing = share === null && taken === 0;
  const words = isNothing
    ? 'nothing is there'
    : `${number(taken, 0)} of ${number(there, 0)}, ${share === null ? 'nothing is there' : percent(share, 0)}`;
  const cells = hours
    ? hours.flatMap((hour, at) => (hour.there > 0 || hour.taken > 0.05 ? [{ ...hour, at }] : []))
    : [{ there, taken, at: 0 }];
  const most = Math.max(...cells.map((cell) => Math.max(cell.there, cell.taken)), 1e-9);
  return (
    <div>
      <div
        role="img"
        aria-label={words}
        title={words}
        className={`flex items-end gap-px ${isFirstOut ? 'border-b-2 border-clay' : 'border-b border-line-strong'}`}
        style={{ height: HEIGHT }}
      >
        {cells.map((cell) => (
          <Vessel key={cell.at} there={cell.there / most} taken={cell.taken / most} />
        ))}
      </div>
      <span
        className={`block pt-0.5 text-xs ${(share ?? taken) > 1 ? 'font-semibold text-clay' : 'text-ink-soft'}`}
      >
        {isNothing ? '–' : share === null ? '▲' : percent(share, 0)}
      </span>
    </div>
  );
}

/** What is there as an outline, what is taken as its filling; what runs over stands above it, ruled. */
function Vessel({ there, taken }: { readonly there: number; readonly taken: number }) {
  const px = (part: number): string => `${part * (HEIGHT - 3)}px`;
  return (
    <span className="relative min-w-1.5 flex-1" style={{ height: px(Math.max(there, taken)) }}>
      <span
        className="absolute inset-x-0 bottom-0 border border-b-0 border-line-strong"
        style={{ height: px(there) }}
      />
      <span
        className="absolute inset-x-0 bottom-0 bg-palm"
        style={{ height: px(Math.min(there, taken)) }}
      />
      {taken > there && (
        <span
          className="absolute inset-x-0 mark-watching"
          style={{ bottom: px(there), height: px(taken - there) }}
        />
      )}
    </span>
  );
}

const COLUMNS = [...names('Day'), ...figures('Taken', 'Can be filled', 'Of it', 'Still free')];

function PoolFigures({ of, visits }: { readonly of: PoolLoad; readonly visits: number }) {
  const unit = poolUnit(of);
  return (
    <div className="flex flex-col gap-3 text-sm">
      <table className="w-full">
        <TableHead columns={COLUMNS} />
        <tbody>
          {daysOfLoad(of).map(({ taken, there, share, free }, day) => (
            <tr key={day} className="border-b border-line">
              <td className="py-1">{dayName(day)}</td>
              <td className="text-right">
                {number(taken, 1)} {unit}
              </td>
              <td className="text-right">
                {number(there, 1)} {unit}
              </td>
              <td className="text-right">{share === null ? '–' : percent(share, 0)}</td>
              <td className="text-right">{number(free, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {of.carries !== null && (
        <p>
          On {dayName(of.firstDay)} it is full first: {number(of.capacity[of.firstDay] ?? 0, 1)}{' '}
          {unit} for {number(of.load[of.firstDay] ?? 0, 1)} {unit} of {number(visits, 1)} visits, so
          it carries {number(of.carries, 1)} visits a week that come like these.
        </p>
      )}
      <p className="text-ink-soft">
        Visits come at the hours of the book of eight weeks back and ahead, at times when somebody
        who may perform them is there and the house is open until their slot ends. Rooms and devices
        can be filled to the share of their open time that the house plans with, hands to their
        bookable share, linen as it comes back from the laundry.
      </p>
    </div>
  );
}
