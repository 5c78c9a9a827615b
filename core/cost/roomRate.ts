import { fail, ok, type Outcome } from '../problem/problem';
import type { HouseSettings } from '../house/settings';

/**
 * What a minute of a room costs: fixed cost a month / (rooms x open minutes a month x planned occupancy).
 * @returns minor units per minute; a problem for no rooms, no open hours or no occupancy
 * @see C4
 */
export function roomRatePerMinute(
  { fixedPerMonthMinor, openDaysPerMonth, openHoursPerDay, occupancy }: HouseSettings['roomCost'],
  rooms: number,
): Outcome<number> {
  if (rooms < 1) {
    return fail(
      'rooms-missing',
      'The house has no room yet: add one, so that room time has a price.',
      {
        settings: true,
        field: 'rooms',
      },
    );
  }
  const bookedMinutes = rooms * openDaysPerMonth * openHoursPerDay * 60 * occupancy;
  if (!(bookedMinutes > 0)) {
    return fail(
      'room-never-booked',
      'Open days, open hours and planned occupancy must be above 0.',
      {
        settings: true,
        field: 'roomCost',
      },
    );
  }
  return ok(fixedPerMonthMinor / bookedMinutes);
}
