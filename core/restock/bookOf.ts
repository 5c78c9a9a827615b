import type { Booking, House } from '../house/house';
import { asId, type BookingId } from '../house/ids';

/** What is not in the book of a program has its slot from its service; this long where nothing is said. */
const BY_HAND_MINUTES = 60;

/**
 * The book as it goes: visits of the booking program, those that the house has placed where it placed them, and those
 * that it placed by hand, called as their services; the earliest first.
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
  const moved = bookings.map((booking) => {
    const place = places.get(booking.id);
    return place && place.at !== booking.at ? { ...booking, at: place.at } : booking;
  });
  return [...moved, ...byHand].toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}

/** What a placed visit is called in the book: by the booking that it is, else by itself. */
export function idInBook({ id, bookingId }: House['placed'][number]): BookingId {
  return bookingId ?? asId<BookingId>(id);
}
