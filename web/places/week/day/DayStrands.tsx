import type { Span } from '@bienestar/core/house/house';
import type { ReactNode } from 'react';
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

/**
 * The ribbon of a visit, drawn into it: set-up and reset shaded behind, a line while something lies on the skin, hands
 * solid where the therapist is needed, ruled where an assistant is.
 */
export function VisitStrands({ visit }: { readonly visit: DayVisit }) {
  const { slotMinutes, roomMinutes, stretches, contacts } = visit.need;
  const place = ({ from, to }: Span) => ({
    left: `${(from / slotMinutes) * 100}%`,
    width: `${((to - from) / slotMinutes) * 100}%`,
  });
  const hands = (['therapist', 'assistant'] as const).map((role) => (
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
          style={place({ from: from - visit.starts, to: to - visit.starts })}
        />
      ))}
    </span>
  ));
  return (
    <>
      {stretches.map(({ stretch, from, to }) =>
        stretch === 'visit' ? null : (
          <span
            key={stretch}
            aria-hidden
            className="absolute bottom-0 h-8 border-x border-line bg-sunk"
            style={place({ from, to })}
          />
        ),
      )}
      {contacts.map((contact) => (
        <span
          key={contact.from}
          aria-hidden
          className="absolute bottom-7 h-1 border-x border-ink bg-clay"
          style={place(contact)}
        />
      ))}
      {hands}
    </>
  );
}

/** How the ribbons of a day are read. */
export function DayLegend() {
  return (
    <p aria-hidden className="flex flex-wrap items-center gap-x-4 pt-2 text-xs text-ink-soft">
      <Sign look="h-2.5 border mark-hands-on">therapist’s hands</Sign>
      <Sign look="h-2.5 border mark-watching">assistant’s</Sign>
      <Sign look="h-2.5 border mark-free">free</Sign>
      <Sign look="h-3 border-x border-line bg-sunk">set-up, reset</Sign>
      <Sign look="h-1 border-x border-ink bg-clay">on the skin</Sign>
      <Sign look="h-2.5 border border-dashed border-line-strong">warming up, not kept yet</Sign>
    </p>
  );
}

function Sign({ look, children }: { readonly look: string; readonly children: ReactNode }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <span className={`inline-block w-6 ${look}`} />
      {children}
    </span>
  );
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
  /** when it warms up */
  readonly before?: readonly Span[];
}

/** A person or a device over the day: when they are there, and when they are needed. */
export function Strand({
  there,
  taken,
  faults,
  at,
  wide,
  ruled = false,
  before = [],
}: StrandProps) {
  return (
    <div className="relative h-6 border-b border-line">
      <Open spans={there} at={at} wide={wide} />
      {before.map(({ from, to }) => (
        <span
          key={from}
          title={`warming up from ${clock(from)}`}
          className="absolute inset-y-1.5 border border-dashed border-line-strong"
          style={{ left: at(from), width: wide(to - from) }}
        />
      ))}
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
