import { dayOf, todayOf, type HouseClock } from '../days/days';
import type { Booking, House, Service } from '../house/house';
import { bookedService, bookingNames } from '../restock/forecast';

/** A visit of the book that can be run today. */
export interface BookedToday {
  readonly booking: Booking;
  readonly service: Service;
}

/** The visits that the book has for today and that are not entered yet, in the order of the day. */
export function bookedToday(
  house: Pick<House, 'bookings' | 'services' | 'settings' | 'log'>,
  clock: HouseClock,
): BookedToday[] {
  const names = bookingNames(house);
  const entered = new Set(house.log.entered);
  const today = todayOf(clock);
  return house.bookings
    .flatMap((booking): BookedToday[] => {
      const id = bookedService(booking.title, names);
      const service = house.services.find((each) => each.id === id);
      const isToday = dayOf(new Date(booking.at), clock.timeZone) === today;
      return service && isToday && !entered.has(booking.id) ? [{ booking, service }] : [];
    })
    .toSorted((a, b) => (a.booking.at < b.booking.at ? -1 : 1));
}
