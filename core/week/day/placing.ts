import type { PlacedVisit } from '../../house/house';
import {
  asId,
  type PersonId,
  type PlacedVisitId,
  type RoomId,
  type ServiceId,
} from '../../house/ids';
import { atMinute, type DayVisit } from './dayVisits';

/** Where a visit is put: what is not said stays as it is. */
export interface Place {
  /** minutes of the day */
  readonly starts?: number;
  readonly roomId?: RoomId | null;
  readonly therapistId?: PersonId | null;
  readonly assistantId?: PersonId | null;
  readonly name?: string;
  /** in the place of those that it has */
  readonly addOnIds?: readonly ServiceId[];
}

/**
 * A visit of a day as it is kept once the house has placed it. What the book has keeps its booking; its id is made of
 * that, so that two who place it at once place one visit.
 * @param day ISO date on which it stands then
 * @param newId for a visit that is in no book
 */
export function placedAt(
  visit: DayVisit,
  place: Place,
  day: string,
  timeZone: string,
  newId: () => PlacedVisitId,
): PlacedVisit {
  const { placed, booking, need, soldCourseId } = visit;
  const given = <V>(said: V | null | undefined, before: V | undefined): V | undefined =>
    said === undefined ? before : (said ?? undefined);
  const roomId = given(place.roomId, visit.roomId);
  const therapistId = given(place.therapistId, visit.therapistId);
  const assistantId = given(place.assistantId, visit.assistantId);
  const addOnIds = place.addOnIds ?? visit.addOnIds ?? [];
  const name = (place.name ?? visit.name).trim();
  return {
    id: placed?.id ?? (booking ? idOfBooking(booking.id) : newId()),
    name: name === '' ? (booking?.title ?? need.service.name) : name,
    serviceId: need.service.id,
    at: atMinute(day, place.starts ?? visit.starts, timeZone),
    ...(roomId && { roomId }),
    ...(therapistId && { therapistId }),
    ...(assistantId && { assistantId }),
    ...(booking && { bookingId: booking.id, bookedAt: booking.at }),
    ...(soldCourseId && { soldCourseId }),
    ...(addOnIds.length > 0 && { addOnIds }),
  };
}

const LONGEST_ID = 62;

function idOfBooking(id: string): PlacedVisitId {
  return asId(`b-${id.replaceAll(/[^A-Za-z0-9_-]/g, '_').slice(-LONGEST_ID)}`);
}
