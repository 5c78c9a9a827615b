import { dayOf } from '../../days/days';
import { instantAt, wallOf } from '../../days/timeZones';
import { toSecond } from '../../days/instants';
import type { Booking, House, PlacedVisit } from '../../house/house';
import type { PersonId, RoomId, ServiceId, SoldCourseId } from '../../house/ids';
import { bookedService, bookingNames, dueVisits } from '../../restock/forecast';
import type { VisitNeed } from '../needs';
import { minuteOfDay } from '../weekVisits';

/** A visit of a day: where it stands in it, and what it takes. Minutes of the day by the clocks of the house. */
export interface DayVisit {
  readonly key: string;
  /** for whom, in the house's words; nothing where nobody has said */
  readonly name: string;
  readonly need: VisitNeed;
  readonly starts: number;
  readonly roomId?: RoomId;
  readonly therapistId?: PersonId;
  readonly assistantId?: PersonId;
  /** as the house has placed it; what is only in the book, or promised, has no place yet */
  readonly placed?: PlacedVisit;
  readonly booking?: Booking;
  readonly soldCourseId?: SoldCourseId;
  /** worked within it; what they take is in its need */
  readonly addOnIds?: readonly ServiceId[];
  /** what became of it in the book since it was placed: it is there at another time, or no more */
  readonly inBookNow?: { readonly at: string } | 'gone';
}

/** What a visit goes by while it is in hand: of the book it stays the same when it is placed. */
export function keyInHand({ key, booking }: Pick<DayVisit, 'key' | 'booking'>): string {
  return booking?.id ?? key;
}

/** The visits of a day, and those of courses that are due on it and that nobody has booked. */
export interface VisitsOfDay {
  readonly visits: readonly DayVisit[];
  readonly due: readonly {
    readonly soldCourseId: SoldCourseId;
    readonly name: string;
    readonly need: VisitNeed;
  }[];
  /** in the book, and no service of the house is called so */
  readonly unknown: readonly Booking[];
}

/**
 * The visits of a day: as the house has placed them, and what else is in the book. Each visit stands once; what was
 * placed on another day is not there.
 * @param day ISO date
 * @param today ISO date
 */
export function visitsOfDay(
  house: House,
  needs: readonly VisitNeed[],
  day: string,
  today: string,
): VisitsOfDay {
  const { timeZone } = house.settings;
  const byService = new Map(needs.map((need) => [need.service.id, need]));
  const names = bookingNames(house);
  const bookings = new Map(house.bookings.map((booking) => [booking.id, booking]));
  const isOn = (at: string): boolean => dayOf(new Date(at), timeZone) === day;
  const startsAt = (at: string): number => minuteOfDay(new Date(at), timeZone);
  const placed = house.placed.flatMap((visit): DayVisit[] => {
    const need = byService.get(visit.serviceId);
    if (!need || !isOn(visit.at)) return [];
    const booking = visit.bookingId && bookings.get(visit.bookingId);
    const isMoved = booking && visit.bookedAt !== undefined && booking.at !== visit.bookedAt;
    const isGone = visit.bookingId !== undefined && !booking;
    /* What only goes by what the book or the menu calls it has no name yet. */
    const isNameless = visit.name === need.service.name || visit.name === booking?.title;
    return [
      {
        key: visit.id,
        name: isNameless ? '' : visit.name,
        need,
        starts: startsAt(visit.at),
        ...(visit.roomId && { roomId: visit.roomId }),
        ...(visit.therapistId && { therapistId: visit.therapistId }),
        ...(visit.assistantId && { assistantId: visit.assistantId }),
        ...(visit.soldCourseId && { soldCourseId: visit.soldCourseId }),
        ...(visit.addOnIds && { addOnIds: visit.addOnIds }),
        placed: visit,
        ...(booking && { booking }),
        ...(isMoved && { inBookNow: { at: booking.at } }),
        ...(isGone && { inBookNow: 'gone' as const }),
      },
    ];
  });
  const placedAnywhere = new Set(house.placed.flatMap(({ bookingId }) => bookingId ?? []));
  const booked: DayVisit[] = [];
  const unknown: Booking[] = [];
  for (const booking of house.bookings) {
    if (placedAnywhere.has(booking.id) || !isOn(booking.at)) continue;
    const serviceId = bookedService(booking.title, names);
    const need = serviceId && byService.get(serviceId);
    if (need)
      booked.push({ key: booking.id, name: '', need, starts: startsAt(booking.at), booking });
    else if (serviceId === undefined) unknown.push(booking);
  }
  const courses = new Set(house.placed.flatMap(({ soldCourseId }) => soldCourseId ?? []));
  return {
    visits: [...placed, ...booked].toSorted((a, b) => a.starts - b.starts),
    due: dueVisits(house, today).flatMap(({ soldCourse, serviceId, day: dueOn }) => {
      const need = byService.get(serviceId);
      return need && dueOn === day && !courses.has(soldCourse.id)
        ? [{ soldCourseId: soldCourse.id, name: soldCourse.name, need }]
        : [];
    }),
    unknown,
  };
}

/**
 * The instant of a minute of a day by the clocks of the house, as it is kept.
 * @param day ISO date
 * @example atMinute('2026-07-01', 630, 'Atlantic/Canary') // '2026-07-01T09:30:00Z'
 */
export function atMinute(day: string, minute: number, timeZone: string): string {
  return toSecond(instantAt(Date.parse(`${day}T00:00Z`) + minute * 60_000, timeZone));
}

/** Whether clocks skip a minute of a day: nobody can come then. @param day ISO date */
export function isSkipped(day: string, minute: number, timeZone: string): boolean {
  const wall = Date.parse(`${day}T00:00Z`) + minute * 60_000;
  return wallOf(instantAt(wall, timeZone), timeZone) !== wall;
}
