import type { Remote } from 'comlink';
import {
  useCallback,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
} from 'react';
import type { WeekWorker } from '../../workers/week.worker';
import type { ServiceId } from '@bienestar/core/house/ids';
import { weekSettingsOf } from '@bienestar/core/week/capacity';
import { handsIn, type VisitNeed } from '@bienestar/core/week/needs';
import {
  pairingsOf,
  pairingOf,
  sharedMeets,
  type Pairing,
} from '@bienestar/core/week/play/stagger';
import { money, number, percent } from '../../format/figures';
import { Choice } from '../../parts/Choice';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { Segments } from '../../parts/Segments';
import { useHouse } from '../../store/house';
import { NeedsHours } from './NeedsHours';
import { PairingsTable } from './PairingsTable';
import { useWeekInHand, useWeekOfHouse } from './useWeek';
import { useWeekWorked } from './useWeekWorked';
import { WeekHeader } from './WeekHeader';

type Helped = 'helped' | 'alone';

/** Two visits in two rooms with one pair of hands: how far apart they begin, and what an hour then carries. */
export function PairsPlace() {
  const week = useWeekInHand();
  const of = useWeekOfHouse(week.monday);
  const [helped, setHelped] = useState<Helped>('helped');
  const visits = of.ok ? of.value.needs.filter(({ isAddOn }) => !isAddOn) : [];
  return (
    <div className="flex h-full flex-col">
      <WeekHeader title="Two rooms, one pair of hands">
        <Segments<Helped>
          labelHidden
          label="Who works"
          value={helped}
          options={[
            { value: 'helped', label: 'with an assistant' },
            { value: 'alone', label: 'alone' },
          ]}
          onChoose={setHelped}
        />
      </WeekHeader>
      {!of.ok ? (
        <NeedsHours problems={of.problems} />
      ) : visits.length === 0 ? (
        <div className="px-6 py-6">
          <EmptyPlace title="No service can be counted yet">
            Put services on the menu whose protocols have minutes and hands; then they can be laid
            beside each other.
          </EmptyPlace>
        </div>
      ) : (
        <Paired visits={visits} helped={helped} />
      )}
    </div>
  );
}

function Paired({
  visits,
  helped,
}: {
  readonly visits: readonly VisitNeed[];
  readonly helped: Helped;
}) {
  const house = useHouse();
  const { devices, settings } = house;
  const { walkMinutes } = weekSettingsOf(house);
  const by = useMemo(
    () => ({ walkMinutes, gridMinutes: settings.slotGridMinutes, helped }),
    [walkMinutes, settings.slotGridMinutes, helped],
  );
  const pairings = useMemo(
    () => pairingsOf(visits, devices, by).toSorted((a, b) => b.perHour - a.perHour),
    [visits, devices, by],
  );
  const [best] = pairings;
  const [chosen, setChosen] = useState<readonly [ServiceId, ServiceId]>();
  const [firstId, secondId] = chosen ?? [best?.first.service.id, best?.second.service.id];
  const first = visits.find(({ service }) => service.id === firstId) ?? visits[0];
  const second = visits.find(({ service }) => service.id === secondId) ?? first;
  if (!first || !second) return null;
  const pairing = pairingOf(first, second, devices, by);
  return (
    <div
      role="region"
      aria-label="Two visits"
      tabIndex={0}
      className="min-h-0 flex-1 overflow-y-auto px-3 py-4 sm:px-6"
    >
      <div className="grid max-w-5xl gap-3 pb-3 sm:grid-cols-2">
        <ServiceChoice
          label="First"
          visits={visits}
          value={first.service.id}
          onChoose={(id) => setChosen([id, second.service.id])}
        />
        <ServiceChoice
          label="Second, in the other room"
          visits={visits}
          value={second.service.id}
          onChoose={(id) => setChosen([first.service.id, id])}
        />
      </div>
      <Pulled
        key={`${first.service.id}/${second.service.id}/${helped}`}
        of={pairing}
        helped={helped}
      />
      <PairingsTable pairings={pairings} onChoose={setChosen} />
    </div>
  );
}

interface ServiceChoiceProps {
  readonly label: string;
  readonly visits: readonly VisitNeed[];
  readonly value: ServiceId;
  readonly onChoose: (id: ServiceId) => void;
}

function ServiceChoice({ label, visits, value, onChoose }: ServiceChoiceProps) {
  return (
    <Choice
      label={label}
      value={value}
      options={visits.map(({ service }) => ({ value: service.id, label: service.name }))}
      onChoose={onChoose}
    />
  );
}

/** The two ribbons; the second is pulled along the first, or moved by arrow keys. */
function Pulled({ of, helped }: { readonly of: Pairing; readonly helped: Helped }) {
  const house = useHouse();
  const { monday, today, source } = useWeekInHand();
  const grid = house.settings.slotGridMinutes;
  const { walkMinutes, waitMinutes } = weekSettingsOf(house);
  const [offset, setOffset] = useState(of.offset.minutes);
  const strip = useRef<HTMLDivElement>(null);
  const [pulledFrom, setPulledFrom] = useState<{ readonly x: number; readonly offset: number }>();
  const { first, second } = of;
  const most = Math.ceil(first.roomMinutes / grid) * grid + grid * 4;
  const longest = Math.max(first.slotMinutes, most + second.slotMinutes);
  const put = (minutes: number): void =>
    setOffset(Math.min(most, Math.max(0, Math.round(minutes / grid) * grid)));
  const meets = sharedMeets(first, second, offset, house.devices, walkMinutes, helped);
  const pair = useMemo(
    () => [first.service.id, second.service.id] as const,
    [first.service.id, second.service.id],
  );
  const ask = useCallback(
    (worker: Remote<WeekWorker>) =>
      worker.waits({ house, monday, today, source }, pair, offset, helped),
    [house, monday, today, source, pair, offset, helped],
  );
  const { answer, isWorking } = useWeekWorked(ask);
  const at = (minutes: number): string => `${(minutes / longest) * 100}%`;
  const onKey = (event: KeyboardEvent): void => {
    const by = {
      ArrowLeft: -grid,
      ArrowRight: grid,
      Home: -offset,
      End: of.offset.minutes - offset,
    }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    put(offset + by);
  };
  const pull = (event: PointerEvent): void => {
    if (!pulledFrom) return;
    const perPixel = longest / Math.max(1, strip.current?.clientWidth ?? 1);
    put(pulledFrom.offset + (event.clientX - pulledFrom.x) * perPixel);
  };
  const waits = answer?.ok ? answer.value : undefined;
  return (
    <section
      aria-label="Laid beside each other"
      className="max-w-5xl border-y border-line bg-sheet py-3"
    >
      <div ref={strip} className="relative mx-3 grid gap-y-2 select-none">
        <Marks longest={longest} at={at} />
        <VisitRibbon need={first} helped={helped} starts={0} at={at} />
        <div
          role="slider"
          tabIndex={0}
          aria-label={`${second.service.name} begins after`}
          aria-valuemin={0}
          aria-valuemax={most}
          aria-valuenow={offset}
          aria-valuetext={`${number(offset)} minutes`}
          className="cursor-ew-resize touch-none"
          onKeyDown={onKey}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            setPulledFrom({ x: event.clientX, offset });
          }}
          onPointerMove={pull}
          onPointerUp={() => setPulledFrom(undefined)}
        >
          <VisitRibbon need={second} helped={helped} starts={offset} at={at} />
        </div>
        {meets.map((span) => (
          <span
            key={`${span.from}`}
            aria-hidden
            className="pointer-events-none absolute inset-y-0 border-x border-clay mark-watching opacity-50"
            style={{ left: at(span.from), width: at(span.to - span.from) }}
          />
        ))}
      </div>
      <p className="px-3 pt-3" aria-live="polite">
        The second begins <strong>{number(offset)} min</strong> after the first:{' '}
        {meets.length > 0 ? (
          <span className="text-clay">
            ▲ hands are wanted twice for{' '}
            {number(
              meets.reduce((sum, { from, to }) => sum + to - from, 0),
              0,
            )}{' '}
            min
          </span>
        ) : (
          <>the same hands never meet</>
        )}
        .{' '}
        <span aria-busy={isWorking}>
          {waits &&
            `In ${percent(waits.chance, 0)} of pairs somebody waits longer than ${number(waitMinutes)} min.`}
        </span>
      </p>
      <p className="px-3 pt-1 text-sm text-ink-soft">
        The least is {number(of.offset.minutes)} min
        {of.offset.isNested
          ? ', inside the first visit'
          : ', when the first needs no hands any more'}
        ; then an hour of the therapist carries {number(of.visitsPerHour, 2)} visits and brings{' '}
        {money(of.perHour, house.settings.currency)}. Both take {number(of.together, 0)} min of
        hands from beginning to end, {number(of.inOneRoom, 0)} min in one room, one after the other.
        Pull the second, or use the arrow keys.
      </p>
    </section>
  );
}

function Marks({ longest, at }: { readonly longest: number; readonly at: (m: number) => string }) {
  const marks = Array.from({ length: Math.floor(longest / 15) + 1 }, (_, each) => each * 15);
  return (
    <div aria-hidden className="relative h-4 text-xs text-ink-soft">
      {marks.map((minute) => (
        <span
          key={minute}
          className="absolute border-l border-line-strong pl-1"
          style={{ left: at(minute) }}
        >
          {minute}
        </span>
      ))}
    </div>
  );
}

interface VisitRibbonProps {
  readonly need: VisitNeed;
  readonly helped: Helped;
  readonly starts: number;
  readonly at: (minutes: number) => string;
}

/** A visit as its room, and in it the hands that it needs. */
function VisitRibbon({ need, helped, starts, at }: VisitRibbonProps) {
  const strand = (role: 'therapist' | 'assistant', look: string) =>
    handsIn(need, role, helped).map(({ from, to }) => (
      <span
        key={`${role}-${from}`}
        className={`absolute inset-y-0 border ${look}`}
        style={{ left: at(starts + from), width: at(to - from) }}
      />
    ));
  return (
    <div className="relative">
      <span
        className="absolute inset-y-0 border border-line-strong bg-paper"
        style={{ left: at(starts), width: at(need.slotMinutes) }}
      />
      <span
        className="relative block truncate px-1 pt-0.5 text-xs"
        style={{ marginLeft: at(starts), width: at(need.slotMinutes) }}
      >
        {need.service.name}
      </span>
      <div className="relative h-4">{strand('therapist', 'mark-hands-on')}</div>
      <div className="relative mt-0.5 h-2.5">{strand('assistant', 'mark-watching')}</div>
    </div>
  );
}
