import { useEffect, useState } from 'react';
import type { Foresight } from '@bienestar/core/learn/foresight';
import { bookKept } from '@bienestar/core/learn/bookKept';
import type { TakenAlong } from '@bienestar/core/learn/takenAlong';
import type { SeenShare } from '@bienestar/core/learn/wilson';
import { counted, number, percent } from '../../format/figures';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { useHouseClock } from '../../store/clock';
import { useHouse } from '../../store/house';
import { LogbookHeader } from './LogbookHeader';
import { askLogbook, useLogbook } from './useLogbook';

const LAST = 100;
const BAR_PX = 180;

/** How well the figures of the house foresee its visits: of the last hundred, in slots, amounts, cost and forecasts. */
export function ForeseesPlace() {
  const { isWhole, rows, hasFailed } = useLogbook();
  const house = useHouse();
  const { protocols } = house;
  const [foresight, setForesight] = useState<Foresight>();
  const [along, setAlong] = useState<readonly TakenAlong[]>([]);
  const [couldNot, setCouldNot] = useState(false);
  useEffect(() => {
    if (!isWhole) return undefined;
    let isGone = false;
    const failed = (): void => {
      if (!isGone) setCouldNot(true);
    };
    setCouldNot(false);
    askLogbook((logbook) => logbook.foresee(LAST)).then((seen) => {
      if (!isGone) setForesight(seen);
    }, failed);
    askLogbook((logbook) => logbook.along(house)).then((taken) => {
      if (!isGone) setAlong(taken);
    }, failed);
    return () => {
      isGone = true;
    };
    /* Of the house only what protocols offer matters here. */
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [isWhole, rows, protocols]);
  return (
    <div className="flex h-full flex-col">
      <LogbookHeader title="How well the figures foresee">
        <p role="status" className="text-sm text-ink-soft">
          {(hasFailed || couldNot) && '▲ The logbook cannot be read just now.'}
          {!hasFailed && !couldNot && !foresight && 'Looking at the last visits …'}
          {foresight && `the last ${counted(foresight.visits, 'visit')}`}
        </p>
      </LogbookHeader>
      <div className="min-h-0 flex-1 overflow-y-auto px-6 py-5" tabIndex={0}>
        {foresight && foresight.visits === 0 ? (
          <EmptyPlace title="No visit to look at yet">
            Once visits are entered from the treatment room, this page says how often they ended in
            their slot, used what was planned and cost what was expected.
          </EmptyPlace>
        ) : (
          foresight && (
            <div className="flex max-w-5xl flex-col gap-6">
              <Seen foresight={foresight} />
              <Book />
              <Along along={along} />
            </div>
          )
        )}
      </div>
    </div>
  );
}

/** How many visits of the book were not entered. */
function Book() {
  const house = useHouse();
  const clock = useHouseClock();
  const kept = bookKept(house, clock);
  if (kept.of === 0) return null;
  return (
    <section aria-label="Kept visits">
      <h2 className="text-xl">Visits that the book had</h2>
      <p>
        {number(kept.hits, 0)} of {counted(kept.of, 'visit')} that are over by now were entered (
        {percent(kept.share, 0)}). Of the others nobody came, or nobody wrote it down.
      </p>
    </section>
  );
}

/** How often add-ons are taken. */
function Along({ along }: { readonly along: readonly TakenAlong[] }) {
  if (along.length === 0) return null;
  return (
    <section aria-label="Add-ons">
      <h2 className="text-xl">What is taken along</h2>
      <ul className="mt-1">
        {along.map(({ protocolId, name, taken }) => (
          <li key={protocolId}>
            {name}: {number(taken.hits, 0)} of {counted(taken.of, 'visit')} in which it is offered (
            {percent(taken.share, 0)})
          </li>
        ))}
      </ul>
    </section>
  );
}

function Seen({ foresight }: { readonly foresight: Foresight }) {
  const { inSlot, promised, withinAmounts, withinCost, late } = foresight;
  return (
    <div className="flex max-w-5xl flex-col gap-6">
      <section aria-label="In slots, amounts and cost" className="grid gap-4 sm:grid-cols-3">
        <Share
          title="ended within their slot"
          seen={inSlot}
          aim={`promised ${percent(promised, 0)}`}
        />
        <Share
          title="used what was planned"
          seen={withinAmounts}
          aim="of visits in which an amount was told"
        />
        <Share title="cost what was expected" seen={withinCost} aim="from low to high" />
      </section>
      <Tenths foresight={foresight} />
      {late && (
        <section aria-label="Lateness">
          <h2 className="text-xl">How late visits begin</h2>
          <p>
            Of {counted(late.of, 'booked visit')} the room was taken {number(late.mean, 1)} min
            after the book had it on average; nine in ten within {number(late.mostly, 0)} min;{' '}
            {percent(late.moreThanFive.share, 0)} more than five minutes late.
          </p>
        </section>
      )}
    </div>
  );
}

interface ShareProps {
  readonly title: string;
  readonly seen: SeenShare;
  readonly aim: string;
}

function Share({ title, seen, aim }: ShareProps) {
  return (
    <div className="border-l-2 border-line-strong pl-4">
      <p className="font-serif text-4xl">{seen.of === 0 ? '–' : percent(seen.share, 0)}</p>
      <p>{title}</p>
      <p className="text-sm text-ink-soft">
        {seen.of === 0
          ? 'nothing known yet'
          : `${number(seen.hits, 0)} of ${number(seen.of, 0)}; between ${percent(seen.low, 0)} and ${percent(seen.high, 0)}; ${aim}`}
      </p>
    </div>
  );
}

function Tenths({ foresight: { tenths, visits, isFlat } }: { readonly foresight: Foresight }) {
  const most = Math.max(1, ...tenths);
  const even = visits / tenths.length;
  const [first = 0] = tenths;
  const last = tenths.at(-1) ?? 0;
  const ends = first + last;
  const middle = visits - ends;
  const verdict = isFlat
    ? 'They are as even as chance makes them: the forecasts are right.'
    : ends / 2 > middle / (tenths.length - 2)
      ? 'Too many are much shorter or much longer than foreseen: visits differ more than is written.'
      : 'Too many lie in the middle: visits differ less than is written.';
  return (
    <section aria-label="Where visits fell in their forecasts">
      <h2 className="text-xl">Where each visit fell in its forecast</h2>
      <p className="max-w-prose">
        Each visit has a forecast of how long it takes. Where forecasts are right, as many visits
        are among the shortest tenth as among any other. {verdict}
      </p>
      <ol className="relative mt-4 flex items-end gap-1" style={{ height: BAR_PX }}>
        {tenths.map((count, at) => (
          <li key={at} className="flex flex-1 flex-col items-center justify-end text-sm">
            <span>{number(count, 0)}</span>
            <span
              aria-hidden
              className={`w-full border border-line-strong ${at === 0 || at === tenths.length - 1 ? 'bg-clay-wash' : 'bg-palm-wash'}`}
              style={{ height: (count / most) * (BAR_PX - 28) }}
            />
          </li>
        ))}
        <li
          aria-hidden
          className="absolute inset-x-0 border-t border-dashed border-ink"
          style={{ bottom: (even / most) * (BAR_PX - 28) }}
        />
      </ol>
      <p aria-hidden className="mt-1 flex justify-between text-xs text-ink-soft">
        <span>shorter than foreseen</span>
        <span>as foreseen</span>
        <span>longer than foreseen</span>
      </p>
    </section>
  );
}
