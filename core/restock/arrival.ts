import type { Supplier } from '../house/house';
import { daysAfter, daysBetween, weekdayOf } from '../days/days';

const DAYS_A_WEEK = 7;

type Delivers = Pick<Supplier, 'deliveryDays' | 'closed'>;

/**
 * The first day on which a supplier delivers, not before the lead time is over. What is ordered while it is closed is
 * seen when it opens again, and nothing comes on a day on which it is closed. ISO dates.
 * @example arrivalOf('2026-08-01', 3, { closed: [{ from: '2026-08-01', to: '2026-08-31' }] }) // '2026-09-04'
 */
export function arrivalOf(
  today: string,
  leadTimeDays: number,
  { deliveryDays = [], closed = [] }: Delivers,
): string {
  let day = daysAfter(firstOpen(today, closed), Math.ceil(leadTimeDays));
  /* Once a week at the least, or after the last time that it is closed. */
  for (let tries = 0; tries <= (closed.length + 1) * DAYS_A_WEEK; tries += 1) {
    day = firstOpen(day, closed);
    const comes =
      deliveryDays.length === 0 || (deliveryDays as readonly number[]).includes(weekdayOf(day));
    if (comes) return day;
    day = daysAfter(day, 1);
  }
  return day;
}

/** The first day from one on at which nobody is away. */
export function firstOpen(day: string, closed: readonly { from: string; to: string }[]): string {
  let open = day;
  for (const _ of closed) {
    const away = closed.find(({ from, to }) => from <= open && open <= to);
    if (!away) return open;
    open = daysAfter(away.to, 1);
  }
  return open;
}

/**
 * How many days longer an order waits that is written today, or at the latest when the shelf is looked at next, because its
 * supplier is closed.
 * @param reviewDays days between looks at the shelf
 * @see S2
 */
export function closedDaysOf(
  today: string,
  leadTimeDays: number,
  reviewDays: number,
  supplier: Delivers,
): number {
  if (!supplier.closed || supplier.closed.length === 0) return 0;
  const { closed: _closed, ...open } = supplier;
  let longest = 0;
  for (let later = 0; later <= Math.max(1, Math.ceil(reviewDays)); later += 1) {
    const day = daysAfter(today, later);
    const longer = daysBetween(
      arrivalOf(day, leadTimeDays, open),
      arrivalOf(day, leadTimeDays, supplier),
    );
    longest = Math.max(longest, longer);
  }
  return longest;
}
