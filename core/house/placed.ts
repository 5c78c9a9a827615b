import type { BookingId, PersonId, PlacedVisitId, RoomId, ServiceId, SoldCourseId } from './ids';

/** A visit as the house has placed it: when, in which room, by whom. */
export interface PlacedVisit {
  readonly id: PlacedVisitId;
  /** for whom, in the house's words */
  readonly name: string;
  readonly serviceId: ServiceId;
  /** when its room is taken, ISO 8601 in UTC */
  readonly at: string;
  readonly roomId?: RoomId;
  readonly therapistId?: PersonId;
  readonly assistantId?: PersonId;
  /** the visit of the book that it is, and when the book had it then */
  readonly bookingId?: BookingId;
  readonly bookedAt?: string;
  /** the course of which it is the next visit */
  readonly soldCourseId?: SoldCourseId;
  /** add-ons that are worked within it */
  readonly addOnIds?: readonly ServiceId[];
}
