import { dayOf, daysAfter } from '../days/days';
import type { Around, Lasting } from '../house/around';

/** From when until when something holds after a visit: ISO dates. */
export interface UntilWhen {
  /** the day until which it holds at the least */
  readonly from: string;
  /** where it is said from so long to so long */
  readonly until: string;
}

const HOUR_MS = 3_600_000;
const WEEK_DAYS = 7;

/**
 * The days on which something ends that lasts so long from a visit on.
 * @param at when the visit was, ISO 8601
 * @param timeZone by whose clocks days go
 * @example endsOn({ amount: 2, upTo: 3, unit: 'days' }, '2026-11-28T10:00:00Z', 'Etc/UTC')
 */
export function endsOn({ amount, upTo, unit }: Lasting, at: string, timeZone: string): UntilWhen {
  const after = (so: number): string => {
    if (unit === 'hours') return dayOf(new Date(Date.parse(at) + so * HOUR_MS), timeZone);
    const days = unit === 'weeks' ? so * WEEK_DAYS : so;
    return daysAfter(dayOf(new Date(at), timeZone), Math.ceil(days));
  };
  return { from: after(amount), until: after(upTo ?? amount) };
}

/** When a guest may come again, and should at the latest: ISO dates. */
export interface NextVisit {
  readonly from: string;
  readonly until?: string;
  /** after a course is over, the day of the next visit to keep what was reached */
  readonly maintenanceOn?: string;
}

/**
 * When to come again by the spacing of a protocol; nothing where it says none.
 * @param at when the visit was, ISO 8601
 * @see K1
 */
export function nextVisit(
  around: Around | undefined,
  at: string,
  timeZone: string,
): NextVisit | undefined {
  const spacing = around?.spacing;
  if (!spacing) return undefined;
  const day = dayOf(new Date(at), timeZone);
  const { leastDays, mostDays, thenEveryDays } = spacing;
  return {
    from: daysAfter(day, Math.ceil(leastDays)),
    ...(mostDays !== undefined && { until: daysAfter(day, Math.floor(mostDays)) }),
    ...(thenEveryDays !== undefined && {
      maintenanceOn: daysAfter(day, Math.round(thenEveryDays)),
    }),
  };
}
