import type { SkinType } from './traits';
import type {
  BookingId,
  CountId,
  EntryId,
  LotId,
  MaterialId,
  OfferId,
  OrderId,
  OrderLineId,
  PackId,
  ServiceId,
  SoldCourseId,
  SupplierId,
  TreatmentId,
} from './ids';
import type { VisitKind } from './ways';

/** The schools of looking at the shelf: an order any day, or on the supplier's delivery days. */
export const REVIEWS = ['any-day', 'delivery-day'] as const;
export type Review = (typeof REVIEWS)[number];

/** How much each source says about the visits to come; what is not there does not count. */
export interface Blend {
  readonly plan: number;
  readonly bookings: number;
  readonly log: number;
}

/** Who comes, as shares of all visits; the season is that of the day. */
export interface ClientMix {
  /** of the visits whose protocol tells first and returning clients apart */
  readonly firstVisits: number;
  readonly evenings: number;
  /** they sum to 1 */
  readonly skinTypes: Readonly<Record<SkinType, number>>;
  /** the rest is of the usual build */
  readonly smallBuilds: number;
  readonly largeBuilds: number;
}

/** What a calendar calls a service; nothing for what is no treatment. */
export interface BookingName {
  readonly title: string;
  readonly serviceId: ServiceId | null;
}

/** How the house counts demand and orders. */
export interface RestockSettings {
  /** for writing, receiving and shelving one order, in minor units */
  readonly orderCostMinor: number;
  /** what keeping stock costs a year, as a share of its value */
  readonly holdingRate: number;
  readonly blend: Blend;
  /** days ahead for which the book is read */
  readonly bookingDays: number;
  /** days back for which the log is read */
  readonly logDays: number;
  /** January to December, 1 is as planned */
  readonly months: readonly number[];
  /** growth a year of the plan, since a day */
  readonly trend?: { readonly perYear: number; readonly since: string };
  /** whether the plan already contains the visits of sold courses */
  readonly courses: 'within-plan' | 'besides-plan';
  /** who comes; without it everybody is as each service is shown */
  readonly clientMix?: ClientMix;
  readonly countEveryDays: number;
  readonly bookingNames: readonly BookingName[];
}

/** How one material is restocked, as far as it is not as the house does. */
export interface MaterialRestock {
  readonly serviceLevel?: number;
  /** as the supplier is looked at unless given: on delivery days where it has a review interval */
  readonly review?: Review;
  /** by hand, in the material's unit: order at the minimum, up to the maximum */
  readonly levels?: { readonly minimum: number; readonly maximum: number };
}

/** How linen goes round. */
export interface LinenLoop {
  readonly pieces: number;
  readonly washDays: number;
  readonly safetyDays: number;
}

/** A visit in the book. Instants ISO 8601 in UTC. */
export interface Booking {
  readonly id: BookingId;
  /** as the calendar says it; the mapping of the house says which service that is */
  readonly title: string;
  readonly at: string;
  readonly minutes: number;
}

/** A course that somebody has paid for. */
export interface SoldCourse {
  readonly id: SoldCourseId;
  /** for whom, in the house's words */
  readonly name: string;
  readonly offerId: OfferId;
  readonly soldOn: string;
  /** visits already taken, in the order of the course */
  readonly taken: number;
}

/** A treatment that was performed, and the entries by which it drew from the shelf. */
export interface Treatment {
  readonly id: TreatmentId;
  readonly serviceId: ServiceId;
  readonly at: string;
  readonly visitKind: VisitKind;
  readonly bookingId?: BookingId;
  readonly soldCourseId?: SoldCourseId;
  readonly entryIds: readonly EntryId[];
  /** when it was said not to have been performed: its entries have opposites then */
  readonly takenBackAt?: string;
}

/** Why a line stands in an order, with the figures of the day on which it was written. */
export type OrderReason =
  | { readonly kind: 'at-point'; readonly position: number; readonly point: number }
  | { readonly kind: 'promised'; readonly promised: number }
  | { readonly kind: 'soon'; readonly days: number }
  | { readonly kind: 'least-order' }
  /** it is more than half a year uses, and why it is not less */
  | { readonly kind: 'lasts'; readonly weeks: number; readonly by: SoManyBecause }
  /** packs of it that will be over before they are used, and why it is not less */
  | { readonly kind: 'too-many'; readonly packs: number; readonly by: SoManyBecause }
  | { readonly kind: 'by-hand' };

export const SIZED_BY = ['economic', 'break', 'least', 'life', 'one-pack'] as const;
/** What decides an order size: least yearly cost, a price break, the supplier's least, how long it keeps, the pack. */
export type SizedBy = (typeof SIZED_BY)[number];

export const SO_MANY_BECAUSE = [...SIZED_BY, 'levels', 'promised'] as const;
/** Why an order is not smaller: also the levels set by hand, and what is promised to courses. */
export type SoManyBecause = (typeof SO_MANY_BECAUSE)[number];

/** What came of a line, in one delivery. */
export interface Receipt {
  /** of the delivery in the ledger */
  readonly entryId: EntryId;
  readonly lotId: LotId;
  readonly on: string;
  readonly packId: PackId;
  readonly packs: number;
  /** on the invoice, for one pack, in minor units */
  readonly paidMinor?: number;
  /** the entry was taken back in the ledger */
  readonly takenBack?: true;
}

/** Packs of one material in an order. */
export interface OrderLine {
  readonly id: OrderLineId;
  readonly materialId: MaterialId;
  readonly packId: PackId;
  readonly packs: number;
  /** expected, for one pack with the break it reaches, in minor units */
  readonly priceMinor: number;
  readonly why: readonly OrderReason[];
  /** what the supplier says it will send */
  readonly confirmed?: {
    readonly packs: number;
    readonly packId?: PackId;
    readonly words?: string;
  };
  readonly received: readonly Receipt[];
  /** packs refused at the door: broken, past their date, not ordered */
  readonly refused: number;
}

export const ORDER_STATES = ['draft', 'sent', 'confirmed', 'closed', 'cancelled'] as const;
export type OrderState = (typeof ORDER_STATES)[number];
export const SENT_BY = ['supplier', 'print', 'file', 'phone'] as const;
export type SentBy = (typeof SENT_BY)[number];

/** An order to one supplier. Days are ISO dates. */
export interface Order {
  readonly id: OrderId;
  /** the house's number for it */
  readonly name: string;
  readonly supplierId: SupplierId;
  readonly state: OrderState;
  readonly writtenOn: string;
  readonly sent?: { readonly on: string; readonly by: SentBy };
  /** when it should be there: as the supplier says, or by its lead time */
  readonly dueOn?: string;
  /** the supplier's own number for it */
  readonly reference?: string;
  readonly lines: readonly OrderLine[];
  readonly note?: string;
  readonly closedOn?: string;
}

/** What was found of one material in a round of counting. */
export interface CountedLine {
  readonly materialId: MaterialId;
  /** when it was looked at */
  readonly at: string;
  readonly entryId: EntryId;
  /** as entered, in the material's unit */
  readonly found: number;
  readonly by: 'pieces' | 'scale';
}

/** A round of counting, along a place on the shelf or all of it. */
export interface CountRound {
  readonly id: CountId;
  readonly name: string;
  readonly startedOn: string;
  /** a place on the shelf; everything without one */
  readonly place?: string;
  /** what should be there is not shown while it is counted */
  readonly blind: boolean;
  readonly lines: readonly CountedLine[];
  readonly endedOn?: string;
}

/** How a house restocks until it says otherwise. */
export const USUAL_RESTOCK: RestockSettings = {
  orderCostMinor: 900,
  holdingRate: 0.2,
  blend: { plan: 1, bookings: 0, log: 0 },
  bookingDays: 14,
  logDays: 56,
  months: [1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1],
  courses: 'within-plan',
  countEveryDays: 28,
  bookingNames: [],
};
