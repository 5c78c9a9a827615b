import type { HouseClock } from '../days/days';
import type { House } from '../house/house';
import type { LogbookEntry } from '../house/logbook';
import { lateMinutes } from '../logbook/cameOut';
import type { GuestHabits } from '../week/play/dayToPlay';
import { bookKept } from './bookKept';

/** Of fewer visits of the book it is not known how many do not come. */
const LEAST_TO_KNOW = 20;

/**
 * What is known of guests for a day that is played through: by how many minutes visits of the logbook began later
 * than the book had them, each once, and the share of the book that was not entered: nobody came, or nobody wrote it
 * down. Of a short book it is none.
 * @see W3
 */
export function guestHabits(
  entries: readonly Pick<LogbookEntry, 'at' | 'bookedAt'>[],
  house: Pick<House, 'bookings' | 'placed' | 'log' | 'services' | 'settings'>,
  clock: Pick<HouseClock, 'now'>,
): GuestHabits {
  const kept = bookKept(house, clock);
  return {
    lateness: entries.flatMap((entry) => {
      const late = lateMinutes(entry);
      return late === undefined ? [] : [Math.max(0, late)];
    }),
    noShows: kept.of >= LEAST_TO_KNOW ? 1 - kept.share : 0,
  };
}
