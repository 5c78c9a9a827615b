import type { Span } from '../house/hours';

/** A day by the clock, in minutes. */
export const DAY_MINUTES = 1440;

/**
 * The minutes of spans that do not overlap.
 * @example spanMinutes([{ from: 600, to: 840 }, { from: 900, to: 1140 }]) // 480
 */
export function spanMinutes(spans: readonly Span[]): number {
  return spans.reduce((sum, { from, to }) => sum + to - from, 0);
}

/** What two spans share, in minutes; 0 where they only touch. */
export function sharedMinutes(a: Span, b: Span): number {
  return Math.max(0, Math.min(a.to, b.to) - Math.max(a.from, b.from));
}

/** What lies in both lists of spans. Minutes; each list in the order of the day. */
export function within(a: readonly Span[], b: readonly Span[]): Span[] {
  return a.flatMap((one) =>
    b.flatMap((other): Span[] => {
      const from = Math.max(one.from, other.from);
      const to = Math.min(one.to, other.to);
      return to > from ? [{ from, to }] : [];
    }),
  );
}

/** What is left of spans where others are taken out; both in the order of the day. */
export function without(spans: readonly Span[], taken: readonly Span[]): Span[] {
  return spans.flatMap((span): Span[] => {
    const left: Span[] = [];
    let { from } = span;
    for (const each of taken.toSorted(byStart)) {
      if (each.to <= from || each.from >= span.to) continue;
      if (each.from > from) left.push({ from, to: each.from });
      from = Math.max(from, each.to);
    }
    if (from < span.to) left.push({ from, to: span.to });
    return left;
  });
}

/** Spans that touch or overlap as one, in the order of the day. */
export function joined(spans: readonly Span[]): Span[] {
  const together: { from: number; to: number }[] = [];
  for (const { from, to } of spans.toSorted(byStart)) {
    const last = together.at(-1);
    if (last && from <= last.to) last.to = Math.max(last.to, to);
    else together.push({ from, to });
  }
  return together;
}

/** Whether all of a span lies in one of several. */
export function isWithin(span: Span, spans: readonly Span[]): boolean {
  return spans.some(({ from, to }) => from <= span.from && span.to <= to);
}

function byStart(a: Span, b: Span): number {
  return a.from - b.from;
}
