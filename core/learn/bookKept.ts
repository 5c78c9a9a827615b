import type { HouseClock } from '../days/days';
import type { House } from '../house/house';
import { bookOf } from '../restock/bookOf';
import { bookedService, bookingNames } from '../restock/forecast';
import { toEnter } from '../restock/performed';
import { seenShare, type SeenShare } from './wilson';

/**
 * How many visits that the book had and that are over by now were entered: of the others nobody came, or nobody wrote
 * it down.
 * @see L3
 */
export function bookKept(
  house: Pick<House, 'bookings' | 'placed' | 'log' | 'services' | 'settings'>,
  { now }: Pick<HouseClock, 'now'>,
): SeenShare {
  const names = bookingNames(house);
  const over = bookOf(house).filter(
    ({ title, at, minutes }) =>
      bookedService(title, names) && Date.parse(at) + minutes * 60_000 <= now.getTime(),
  );
  const missing = toEnter(house, names, now);
  return seenShare(over.length - missing.length, over.length);
}
