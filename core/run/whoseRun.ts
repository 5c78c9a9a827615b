import type { HouseClock } from '../days/days';
import { todayOf } from '../days/days';
import type { House, PlacedVisit, Service } from '../house/house';
import type { PersonId } from '../house/ids';
import { bookingNames, bookedService } from '../restock/forecast';
import { workOn } from '../week/roster';
import { minuteOfDay } from '../week/weekVisits';

/**
 * Whose run it is: who was placed for it, else the only one who performs it, else the only one of those who is there
 * by the roster now.
 * @returns nobody where it could be several
 */
export function whoseRun(
  { people, settings }: Pick<House, 'people' | 'settings'>,
  { therapistIds }: Pick<Service, 'therapistIds'>,
  placed: PlacedVisit | undefined,
  clock: HouseClock,
): PersonId | undefined {
  const given = placed?.therapistId;
  if (given && therapistIds.includes(given)) return given;
  if (therapistIds.length === 1) return therapistIds[0];
  const minute = minuteOfDay(clock.now, settings.timeZone);
  const here = people.filter(
    (person) =>
      therapistIds.includes(person.id) &&
      workOn(person, todayOf(clock)).spans.some(({ from, to }) => from <= minute && minute < to),
  );
  return here.length === 1 ? here[0]?.id : undefined;
}

/** For whom a placed visit is; nothing where it only goes by what the book or the service calls it. */
export function guestOf(
  placed: PlacedVisit | undefined,
  house: Pick<House, 'services' | 'settings'>,
): string {
  if (!placed) return '';
  return bookedService(placed.name, bookingNames(house)) === undefined ? placed.name : '';
}
