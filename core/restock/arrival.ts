import type { Supplier } from '../house/house';
import { daysAfter, weekdayOf } from '../days/days';

const DAYS_A_WEEK = 7;

/** The first day on which a supplier delivers, not before the lead time is over. ISO dates. */
export function arrivalOf(
  today: string,
  leadTimeDays: number,
  { deliveryDays }: Pick<Supplier, 'deliveryDays'>,
): string {
  let day = daysAfter(today, Math.ceil(leadTimeDays));
  if (!deliveryDays || deliveryDays.length === 0) return day;
  for (let tries = 0; tries < DAYS_A_WEEK; tries += 1) {
    if ((deliveryDays as readonly number[]).includes(weekdayOf(day))) return day;
    day = daysAfter(day, 1);
  }
  return day;
}
