import { dayOf, todayOf, type HouseClock } from '../days/days';
import type { Booking, House, PlacedVisit, Service } from '../house/house';
import { bookOf, idInBook, idOfAddOn } from '../restock/bookOf';
import { bookedService, bookingNames } from '../restock/forecast';

/** A visit of the book that can be run today. */
export interface BookedToday {
  readonly booking: Booking;
  readonly service: Service;
  /** in which room, by whom and for whom, where the house has said */
  readonly placed?: PlacedVisit;
}

/** The visits that the book has for today and that are not entered yet, in the order of the day. */
export function bookedToday(
  house: Pick<House, 'bookings' | 'placed' | 'services' | 'settings' | 'log'>,
  clock: HouseClock,
): BookedToday[] {
  const names = bookingNames(house);
  const entered = new Set(house.log.entered);
  const today = todayOf(clock);
  const places = new Map(
    house.placed.flatMap((visit) => [
      [idInBook(visit), visit] as const,
      ...(visit.addOnIds ?? []).map((id) => [idOfAddOn(visit, id), visit] as const),
    ]),
  );
  return bookOf(house)
    .flatMap((booking): BookedToday[] => {
      const id = bookedService(booking.title, names);
      const service = house.services.find((each) => each.id === id);
      const isToday = dayOf(new Date(booking.at), clock.timeZone) === today;
      if (!service || !isToday || entered.has(booking.id)) return [];
      const placed = places.get(booking.id);
      return [{ booking, service, ...(placed && { placed }) }];
    })
    .toSorted((a, b) => (a.booking.at < b.booking.at ? -1 : 1));
}
