import type { Phase } from './actions';
import type { GuestWords } from './guest';
import type { OfferId, ServiceId } from './ids';
import type { VisitKind } from './ways';

interface Sold {
  readonly id: OfferId;
  readonly name: string;
  /** let off the sum of its single prices, below 1 */
  readonly discount: number;
  /** a price of its own, VAT included, in minor units; charged as it is */
  readonly ownMinor?: number;
  readonly guest?: GuestWords;
}

/** Visits of one kind within a course. */
export interface CourseVisits {
  readonly serviceId: ServiceId;
  readonly visitKind: VisitKind;
  readonly times: number;
}

/** Several visits sold at once. */
export interface Course extends Sold {
  readonly kind: 'course';
  readonly visits: readonly CourseVisits[];
  /** days between two visits */
  readonly everyDays: number;
  /** days after the sale within which all visits must be taken */
  readonly validDays: number;
  /** paid at the start: stock and slots are promised */
  readonly prepaid: boolean;
  /** whether a visit that a client misses may be made up, or is lost */
  readonly missed: 'made-up' | 'lost';
}

/** Services one after the other in one visit: what both need is done once. */
export interface Package extends Sold {
  readonly kind: 'package';
  readonly serviceIds: readonly ServiceId[];
  /** of these phases the later services leave out what an earlier one has done */
  readonly once: readonly Phase[];
}

/** Two guests at the same time, each with a therapist. */
export interface Duo extends Sold {
  readonly kind: 'duo';
  readonly serviceIds: readonly [ServiceId, ServiceId];
  /** side by side in one room, or in two */
  readonly rooms: 1 | 2;
}

/** Something sold that is more than one service at a time. */
export type Offer = Course | Package | Duo;

/** Every service of an offer, as often as it names it. */
export function servicesOf(offer: Offer): readonly ServiceId[] {
  return offer.kind === 'course'
    ? offer.visits.map(({ serviceId }) => serviceId)
    : offer.serviceIds;
}
