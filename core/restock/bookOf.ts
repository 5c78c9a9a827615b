import type { Booking, House } from '../house/house';
import { asId, type BookingId, type ServiceId } from '../house/ids';

/** What is not in the book of a program has its slot from its service; this long where nothing is said. */
const BY_HAND_MINUTES = 60;

/**
 * The book as it goes: visits of the booking program, those that the house has placed where it placed them, and those
 * that it placed by hand, called as their services, and the add-ons of both, each for itself; the earliest first.
 */
export function bookOf({
  bookings,
  placed,
  services,
}: Pick<House, 'bookings' | 'placed' | 'services'>): readonly Booking[] {
  if (placed.length === 0) return bookings;
  const places = new Map(placed.map((visit) => [idInBook(visit), visit]));
  const nameOf = new Map(services.map(({ id, name }) => [id, name]));
  const byHand = placed.flatMap((visit): Booking[] => {
    const title = nameOf.get(visit.serviceId);
    return visit.bookingId !== undefined || title === undefined
      ? []
      : [{ id: idInBook(visit), title, at: visit.at, minutes: BY_HAND_MINUTES }];
  });
  const addOns = placed.flatMap((visit) =>
    (visit.addOnIds ?? []).flatMap((serviceId): Booking[] => {
      const title = nameOf.get(serviceId);
      const id = idOfAddOn(visit, serviceId);
      return title === undefined ? [] : [{ id, title, at: visit.at, minutes: BY_HAND_MINUTES }];
    }),
  );
  const moved = bookings.map((booking) => {
    const place = places.get(booking.id);
    return place && place.at !== booking.at ? { ...booking, at: place.at } : booking;
  });
  return [...moved, ...byHand, ...addOns].toSorted((a, b) =>
    a.at < b.at ? -1 : a.at > b.at ? 1 : 0,
  );
}

/** The longest part of each of two ids that are one together: an id of the book has 64 characters at most. */
const OF_VISIT = 40;
const OF_SERVICE = 23;

/** What an add-on of a placed visit is called in the book. */
export function idOfAddOn(visit: House['placed'][number], serviceId: ServiceId): BookingId {
  return asId(`${idInBook(visit).slice(-OF_VISIT)}+${serviceId.slice(-OF_SERVICE)}`);
}

/** What a placed visit is called in the book: by the booking that it is, else by itself. */
export function idInBook({ id, bookingId }: House['placed'][number]): BookingId {
  return bookingId ?? asId<BookingId>(id);
}
