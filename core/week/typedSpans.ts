import type { Span } from '../house/hours';
import { DAY_MINUTES, sharedMinutes } from './spans';

/** What was typed as hours: spans in the order of the day, or what is wrong with it in words. */
export type TypedSpans =
  | { readonly spans: readonly Span[]; readonly fault?: undefined }
  | { readonly spans?: undefined; readonly fault: string };

const SPAN = /^(\d{1,2})(?:[:.h](\d{2}))?\s*(?:-|–|—|to)\s*(\d{1,2})(?:[:.h](\d{2}))?$/i;
const NONE = ['', '-', '–', 'closed', 'off', 'free'];

/**
 * Hours as they are said: `10-14, 15-19`, `9:30–18:00`, nothing for a day off. 24 is midnight at the end of the day.
 * @example typedSpans('10-14, 15-19').spans // [{ from: 600, to: 840 }, { from: 900, to: 1140 }]
 */
export function typedSpans(text: string): TypedSpans {
  if (NONE.includes(text.trim().toLocaleLowerCase())) return { spans: [] };
  const spans: Span[] = [];
  for (const part of text.split(/[,;+&]|\band\b/)) {
    const said = SPAN.exec(part.trim());
    if (!said) return { fault: 'Write hours such as 10-14, 15-19; leave it empty for a day off.' };
    const from = minuteOf(said[1], said[2]);
    const to = minuteOf(said[3], said[4]);
    if (from === undefined || to === undefined) {
      return { fault: 'Times go from 0:00 to 24:00.' };
    }
    if (to <= from) {
      return {
        fault: 'It must end after it begins. What goes on past midnight stands on the next day.',
      };
    }
    spans.push({ from, to });
  }
  const inOrder = spans.toSorted((a, b) => a.from - b.from);
  const overlap = inOrder.some((span, at) => {
    const next = inOrder[at + 1];
    return next !== undefined && sharedMinutes(span, next) > 0;
  });
  return overlap
    ? { fault: 'These times overlap: each begins when the one before has ended.' }
    : { spans: inOrder };
}

function minuteOf(hour: string | undefined, minute = '0'): number | undefined {
  const minutes = Number(hour) * 60 + Number(minute);
  return Number(minute) < 60 && minutes <= DAY_MINUTES ? minutes : undefined;
}

/**
 * Hours as they are written: what `typedSpans` reads again.
 * @example spansText([{ from: 600, to: 870 }]) // '10–14:30'
 */
export function spansText(spans: readonly Span[]): string {
  return spans.map(({ from, to }) => `${timeText(from)}–${timeText(to)}`).join(', ');
}

function timeText(minute: number): string {
  const hour = Math.floor(minute / 60);
  const rest = minute - hour * 60;
  return rest === 0 ? `${hour}` : `${hour}:${String(rest).padStart(2, '0')}`;
}

/** A span with one of its ends pulled to another minute; it stays in its day and does not turn round. */
export function pulled(
  { from, to }: Span,
  end: 'from' | 'to',
  minute: number,
  {
    before,
    after,
    grid,
  }: { readonly before: number; readonly after: number; readonly grid: number },
): Span {
  const at = Math.round(minute / grid) * grid;
  return end === 'from'
    ? { from: Math.max(before, Math.min(at, to - grid)), to }
    : { from, to: Math.min(after, Math.max(at, from + grid)) };
}

/**
 * A time of the day as it is said: `14:05`, `9`, `14.30`.
 * @returns the minute of the day; nothing where it is no time
 * @example typedClock('14:05') // 845
 */
export function typedClock(text: string): number | undefined {
  const said = /^(\d{1,2})(?:[:.h](\d{2}))?$/i.exec(text.trim());
  const minute = said ? minuteOf(said[1], said[2]) : undefined;
  return minute !== undefined && minute < DAY_MINUTES ? minute : undefined;
}
