import type { MaterialStock } from './stock';
import type { ClientTraits } from './client';
import type { Device } from './device';
import type { Edition } from './edition';
import type { GuestMenu, GuestWords } from './guest';
import type { WorkHours } from './hours';
import type { PersonId, ProtocolId, ServiceId } from './ids';
import type { Material } from './material';
import type { Mix } from './mix';
import type { Offer } from './offer';
import type { Block, Protocol, Role } from './protocol';
import type { VisitKind } from './ways';
import type { PlacedVisit } from './placed';
import type { Room, RoomKind } from './room';
import type { Scenario } from './scenario';
import type { Supplier } from './supplier';
import type { Booking, CountRound, Order, SoldCourse } from './restock';
import type { HouseSettings } from './settings';
import type { CountedOn, VisitLog } from './visitLog';

export type * from './amount';
export type * from './around';
export type * from './material';
export type * from './mix';
export type * from './protocol';
export type * from './ways';
export type { Hands, Stretch } from './actions';
export type { Device } from './device';
export type { Edition } from './edition';
export type * from './guest';
export type * from './hours';
export type * from './offer';
export type * from './placed';
export type * from './restock';
export { ROOM_KINDS, type Room, type RoomKind } from './room';
export type { Run, RunLogEntry } from './run';
export type * from './scenario';
export type { Supplier } from './supplier';

export interface Person {
  readonly id: PersonId;
  readonly name: string;
  readonly role: Role;
  /** by the hour, where no grade says it */
  readonly hourlyPayMinor: number;
  /** paid by a grade of the house, by its name */
  readonly grade?: string;
  /** the employer's cost on top of this pay; the house's unless given */
  readonly onCost?: number;
  /** that are paid, whether or not somebody comes; the house's open hours unless given */
  readonly hoursPerWeek?: number;
  /** the hourly pay is for hours of work, not for those that are agreed */
  readonly paidWhenWorking?: true;
  /** besides, by the month, whether or not somebody comes */
  readonly monthlyPayMinor?: number;
  /** besides, of the net price of the visits that they perform or help in */
  readonly shareOfPrice?: number;
  /** when they work; who has none is not on the roster */
  readonly hours?: WorkHours;
}

/** A protocol as it is sold. */
export interface Service {
  readonly id: ServiceId;
  readonly name: string;
  readonly protocolId: ProtocolId;
  /** the published edition it is worked by; the draft while none is published */
  readonly edition?: number;
  /** the visit whose layers, minutes and cost are meant */
  readonly visitKind: VisitKind;
  /** whose figures are meant, as far as it is not the usual client */
  readonly shownFor?: Partial<Omit<ClientTraits, 'visitKind'>>;
  /** who may perform it; their mean pay is charged */
  readonly therapistIds: readonly PersonId[];
  /** the kind of room it takes; see `roomKindOf` */
  readonly roomKind?: RoomKind;
  /** the house's target margin unless given */
  readonly targetMargin?: number;
  /** cost plus unless given */
  readonly pricing?: Pricing;
  readonly guest?: GuestWords;
}

/** What is asked for the same elsewhere, VAT included, in minor units. */
export interface Neighbourhood {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
}

/** The schools of pricing. */
export const LADDERS = ['cost-plus', 'room-hour', 'neighbourhood'] as const;
export type Ladder = (typeof LADDERS)[number];

/** How the price of a service is found. */
export interface Pricing {
  /** the ladder whose price is charged, or a price of its own */
  readonly by: Ladder | 'own';
  /** a price of its own, VAT included, in minor units; charged as it is */
  readonly ownMinor?: number;
  /** why it may be below the floor */
  readonly reason?: string;
  readonly neighbourhood?: Neighbourhood;
}

export interface Demand {
  readonly serviceId: ServiceId;
  readonly visitsPerWeek: number;
  /** January to December, 1 is as planned; the house's unless given */
  readonly months?: readonly number[];
  /** growth a year; the house's unless given */
  readonly trendPerYear?: number;
  /** so many visits a week are kept in any case */
  readonly leastPerWeek?: number;
  /** more guests than this do not ask for it */
  readonly mostPerWeek?: number;
}

/** The kind of room that a service takes: a dry one unless it says otherwise. */
export function roomKindOf({ roomKind = 'dry' }: Pick<Service, 'roomKind'>): RoomKind {
  return roomKind;
}

/** The whole spa as one plain value; `core` turns it into figures and knows nothing else. */
export interface House {
  readonly settings: HouseSettings;
  readonly rooms: readonly Room[];
  readonly people: readonly Person[];
  readonly suppliers: readonly Supplier[];
  readonly materials: readonly Material[];
  readonly mixes: readonly Mix[];
  readonly devices: readonly Device[];
  readonly blocks: readonly Block[];
  readonly protocols: readonly Protocol[];
  /** the published editions that services are worked by; others may be left out */
  readonly editions: readonly Edition[];
  readonly services: readonly Service[];
  readonly demand: readonly Demand[];
  /** courses, packages and duo visits */
  readonly offers: readonly Offer[];
  /** as guests read them */
  readonly menus: readonly GuestMenu[];
  readonly scenarios: readonly Scenario[];
  /** the book, as it was read last */
  readonly bookings: readonly Booking[];
  /** visits that the house has placed itself; those long past may be left out */
  readonly placed: readonly PlacedVisit[];
  /** what was performed, added up */
  readonly log: VisitLog;
  /** courses that still may promise visits; others may be left out */
  readonly soldCourses: readonly SoldCourse[];
  /** drafts and what is under way; others may be left out */
  readonly orders: readonly Order[];
  /** rounds of counting that go on; others may be left out */
  readonly counts: readonly CountRound[];
  /** when each material was counted last */
  readonly countedOn: CountedOn;
  /** what the ledger leaves on the shelf, by material */
  readonly stock: readonly MaterialStock[];
}
