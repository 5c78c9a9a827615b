import type { CapEdge, Strands } from '@bienestar/core/time/strands';
import type { Tail } from '@bienestar/core/time/tail';
import { number, percent } from '../format/figures';

/** Where a minute lies along the ribbon, as a length of CSS. */
export type At = (minutes: number) => string;

const STRETCH_WORDS = { 'set-up': 'set-up', visit: 'visit', reset: 'reset' } as const;
const TICK_MINUTES = 10;

interface AxisProps {
  readonly longest: number;
  readonly at: At;
  readonly slotMinutes: number;
}

/** The minutes, with the slot. */
export function Axis({ longest, at, slotMinutes }: AxisProps) {
  const ticks = Array.from(
    { length: Math.floor(longest / TICK_MINUTES) + 1 },
    (_, tick) => tick * TICK_MINUTES,
  );
  return (
    <div aria-hidden className="relative h-4 text-ink-soft">
      {ticks
        .filter((tick) => Math.abs(tick - slotMinutes) > longest * 0.05 && tick < longest * 0.98)
        .map((tick) => (
          <span
            key={tick}
            className="absolute -translate-x-1/2 first:translate-x-0"
            style={{ left: at(tick) }}
          >
            {tick}
            {tick === 0 && <span className="max-sm:hidden"> min</span>}
          </span>
        ))}
      <span
        className="absolute -translate-x-1/2 font-semibold whitespace-nowrap text-clay"
        style={{ left: at(slotMinutes) }}
      >
        slot {number(slotMinutes)}
      </span>
    </div>
  );
}

/** A leash above the client: from where a contact time begins to the edge at which it must end. */
export function Caps({ caps, at }: { readonly caps: readonly CapEdge[]; readonly at: At }) {
  return caps.map((cap, order) => (
    <span
      key={`${cap.stepId}-${order}`}
      title={`At most ${number(cap.capMinutes)} min of contact; ${percent(cap.chancePast)} of visits pass it`}
      className={`absolute -top-1.5 h-1.5 border-t-2 border-r-2 ${cap.passed ? 'border-clay' : 'border-ink-soft'}`}
      style={{ left: at(cap.at - cap.capMinutes), width: at(cap.capMinutes) }}
    >
      {cap.passed && (
        <span className="absolute -top-4 right-0 bg-sheet px-1 font-bold whitespace-nowrap text-clay">
          ▲ past the cap of {number(cap.capMinutes)} min
        </span>
      )}
    </span>
  ));
}

/** When the room is set up, used and reset. */
export function RoomStrand({ strands, at }: { readonly strands: Strands; readonly at: At }) {
  return strands.room.map(({ stretch, from, to }) => (
    <span
      key={stretch}
      className={`absolute inset-y-0 overflow-hidden border-b-2 px-1 text-ink-soft ${stretch === 'visit' ? 'border-palm' : 'border-line-strong'}`}
      style={{ left: at(from), width: at(to - from) }}
    >
      {STRETCH_WORDS[stretch]}
    </span>
  ));
}

/** The likely spread of the end. */
export function TailCurve({ tail, at }: { readonly tail: Tail; readonly at: At }) {
  const width = Math.max(tail.to - tail.from, 0.1);
  const line = tail.points.map(
    ({ minutes, height }) =>
      `${(((minutes - tail.from) / width) * 100).toFixed(2)},${(20 - height * 19).toFixed(2)}`,
  );
  return (
    <svg
      role="img"
      aria-label={`The room is most likely free between minute ${number(tail.from, 0)} and ${number(tail.to, 0)}`}
      className="absolute -top-1 h-[calc(100%+0.25rem)] overflow-visible"
      style={{ left: at(tail.from), width: at(width) }}
      viewBox="0 0 100 20"
      preserveAspectRatio="none"
    >
      <polygon
        points={`0,20 ${line.join(' ')} 100,20`}
        className="fill-clay/35 stroke-clay"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
