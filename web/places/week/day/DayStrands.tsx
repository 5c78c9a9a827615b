import type { Span } from '@bienestar/core/house/house';
import type { DayVisit } from '@bienestar/core/week/day/dayVisits';
import { stretchesOf } from '@bienestar/core/week/day/occupied';
import { clock } from '../weekWords';

/** How minutes of the day lie along the lanes. */
export interface Along {
  readonly at: (minute: number) => string;
  readonly wide: (minutes: number) => string;
}

/** The hours above the lanes. */
export function Hours({ range, at }: { readonly range: Span; readonly at: Along['at'] }) {
  const first = Math.ceil(range.from / 60);
  const count = Math.floor(range.to / 60) - first + 1;
  return (
    <div aria-hidden className="relative h-5 text-xs text-ink-soft">
      {Array.from({ length: count }, (_, each) => (first + each) * 60).map((minute) => (
        <span
          key={minute}
          className="absolute bottom-0 border-l border-line-strong pl-1"
          style={{ left: at(minute) }}
        >
          {clock(minute)}
        </span>
      ))}
    </div>
  );
}

/** When somebody or something is there. */
export function Open({ spans, at, wide }: Along & { readonly spans: readonly Span[] }) {
  return spans.map(({ from, to }) => (
    <span
      key={from}
      aria-hidden
      className="absolute inset-y-0 border-x border-line bg-sunk/50"
      style={{ left: at(from), width: wide(to - from) }}
    />
  ));
}

/** The hands of a visit, drawn into it: solid where the therapist is needed, ruled where an assistant is. */
export function VisitStrands({ visit }: { readonly visit: DayVisit }) {
  const { slotMinutes, roomMinutes } = visit.need;
  return (['therapist', 'assistant'] as const).map((role) => (
    <span
      key={role}
      aria-hidden
      className={`absolute inset-x-0 h-2.5 ${role === 'therapist' ? 'bottom-3.5' : 'bottom-0.5'}`}
    >
      {role === 'therapist' && (
        <span
          className="absolute inset-y-0 left-0 border mark-free"
          style={{ width: `${(roomMinutes / slotMinutes) * 100}%` }}
        />
      )}
      {stretchesOf(visit, role).map(({ from, to }) => (
        <span
          key={from}
          className={`absolute inset-y-0 border ${role === 'therapist' ? 'mark-hands-on' : 'mark-watching'}`}
          style={{
            left: `${((from - visit.starts) / slotMinutes) * 100}%`,
            width: `${((to - from) / slotMinutes) * 100}%`,
          }}
        />
      ))}
    </span>
  ));
}

/** What does not fit, at its place: ruled over whatever it is about. */
export function Faults({ spans, at, wide }: Along & { readonly spans: readonly Span[] }) {
  return spans.map(({ from, to }) => (
    <span
      key={from}
      aria-hidden
      className="pointer-events-none absolute inset-y-0 z-20 border-x-2 border-clay mark-watching opacity-60"
      style={{ left: at(from), width: wide(Math.max(1, to - from)) }}
    />
  ));
}

interface StrandProps extends Along {
  readonly there: readonly Span[];
  readonly taken: readonly (Span & { readonly words: string })[];
  readonly faults: readonly Span[];
  readonly ruled?: boolean;
}

/** A person or a device over the day: when they are there, and when they are needed. */
export function Strand({ there, taken, faults, at, wide, ruled = false }: StrandProps) {
  return (
    <div className="relative h-6 border-b border-line">
      <Open spans={there} at={at} wide={wide} />
      {taken.map(({ from, to, words }, order) => (
        <span
          key={order}
          title={words}
          className={`absolute inset-y-1 border ${ruled ? 'mark-watching' : 'mark-hands-on'}`}
          style={{ left: at(from), width: wide(to - from) }}
        />
      ))}
      <Faults spans={faults} at={at} wide={wide} />
    </div>
  );
}
