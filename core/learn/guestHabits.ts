import type { HouseClock } from '../days/days';
import type { House } from '../house/house';
import type { LogbookEntry } from '../house/logbook';
import { lateMinutes } from '../logbook/cameOut';
import type { GuestHabits } from '../week/dayToPlay';
import { bookKept } from './bookKept';

/**
 * What is known of guests for a day that is played through: by how many minutes visits of the logbook began later
 * than the book had them, each once, and the share of the book that nobody came for.
 * @see W3
 */
export function guestHabits(
  entries: readonly Pick<LogbookEntry, 'at' | 'bookedAt'>[],
  house: Pick<House, 'bookings' | 'log' | 'services' | 'settings'>,
  clock: Pick<HouseClock, 'now'>,
): GuestHabits {
  const kept = bookKept(house, clock);
  return {
    lateness: entries.flatMap((entry) => {
      const late = lateMinutes(entry);
      return late === undefined ? [] : [Math.max(0, late)];
    }),
    noShows: kept.of > 0 ? 1 - kept.share : 0,
  };
}
