import type { PricePoint } from '@bienestar/core/house/pricePoint';
import type { Device } from '@bienestar/core/house/device';
import type { Edition } from '@bienestar/core/house/edition';
import type {
  Block,
  Booking,
  CountRound,
  Demand,
  GuestMenu,
  House,
  Material,
  Mix,
  Offer,
  Order,
  PlacedVisit,
  Person,
  Protocol,
  Room,
  Scenario,
  Service,
  SoldCourse,
  Supplier,
} from '@bienestar/core/house/house';
import type { JournalEntry } from '@bienestar/core/house/journal';
import type { HouseSettings } from '@bienestar/core/house/settings';
import type { CountedOn, VisitLog } from '@bienestar/core/house/visitLog';
import type { MaterialStock } from '@bienestar/core/house/stock';
import type { ProblemDocument } from './problems';

/** Where the API begins. */
export const API = '/api';

/**
 * The header in which a request names its write, by an id that its sender makes once: sent again with the
 * same id, it is not done again but answered as it was.
 */
export const WRITE_ID_HEADER = 'Idempotency-Key';

/** What every aggregate carries over the wire: the version that a write must name again. */
export type Versioned<T> = T & { readonly version: number };

/** The aggregates that are lists of things with an id. */
export interface Aggregates {
  rooms: Room;
  people: Person;
  suppliers: Supplier;
  materials: Material;
  mixes: Mix;
  devices: Device;
  blocks: Block;
  protocols: Protocol;
  services: Service;
  offers: Offer;
  menus: GuestMenu;
  scenarios: Scenario;
  placed: PlacedVisit;
  soldCourses: SoldCourse;
  orders: Order;
  counts: CountRound;
}
export type AggregateName = keyof Aggregates;

/** What happened or is agreed: a House has what goes on of it, and what has ended is read in pages. */
export const RECORDS = [
  'placed',
  'soldCourses',
  'orders',
  'counts',
] as const satisfies readonly AggregateName[];
export type RecordName = (typeof RECORDS)[number];

/** As many of the orders and counts that have ended as a House has at hand. */
export const ENDED_AT_HAND = 6;

/** Whether an aggregate is a record, and not of the model. */
export function isRecord(name: string): name is RecordName {
  return (RECORDS as readonly string[]).includes(name);
}

/** A page of records that have ended, the newest first: `GET /api/orders?ended`. */
export interface RecordPage<N extends RecordName = RecordName> {
  readonly things: readonly Versioned<Aggregates[N]>[];
  /** where the next page begins */
  readonly next?: number;
}

/** The figures kept beside a thing of another aggregate, one line each. */
export interface Lines {
  demand: Demand;
}

/** The whole House as the server has it; usable as a House as it is. */
export type HouseSnapshot = {
  readonly [K in AggregateName]: readonly Versioned<Aggregates[K]>[];
} & {
  readonly [K in keyof Lines]: readonly Versioned<Lines[K]>[];
} & {
  readonly settings: Versioned<HouseSettings>;
  /** the editions that services are worked by */
  readonly editions: readonly Edition[];
  /** every edition of every protocol, without what is in it */
  readonly editionHeads: readonly EditionHead[];
  readonly bookings: readonly Booking[];
  readonly log: VisitLog;
  readonly countedOn: CountedOn;
  /** what the ledger leaves, for every material that is kept in stock */
  readonly stock: readonly MaterialStock[];
};

/** An edition by its number, day and note: the body is at `GET /api/editions/:protocolId/:number`. */
export type EditionHead = Pick<Edition, 'protocolId' | 'number' | 'publishedAt' | 'note'>;

/** What `POST /api/editions` takes: the draft as it was read, and what is new in words. */
export interface Publishing {
  readonly protocolId: string;
  readonly version: number;
  readonly note: string;
}

/** A House without the versions of its aggregates. */
export function withoutVersions(snapshot: HouseSnapshot): House {
  const plain = <T extends object>(things: readonly Versioned<T>[]): T[] => things.map(unversioned);
  return {
    settings: unversioned(snapshot.settings),
    rooms: plain<Room>(snapshot.rooms),
    people: plain<Person>(snapshot.people),
    suppliers: plain<Supplier>(snapshot.suppliers),
    materials: plain<Material>(snapshot.materials),
    mixes: plain<Mix>(snapshot.mixes),
    devices: plain<Device>(snapshot.devices),
    blocks: plain<Block>(snapshot.blocks),
    editions: snapshot.editions,
    protocols: plain<Protocol>(snapshot.protocols),
    services: plain<Service>(snapshot.services),
    demand: plain<Demand>(snapshot.demand),
    offers: plain<Offer>(snapshot.offers),
    menus: plain<GuestMenu>(snapshot.menus),
    scenarios: plain<Scenario>(snapshot.scenarios),
    bookings: snapshot.bookings,
    log: snapshot.log,
    placed: plain<PlacedVisit>(snapshot.placed),
    soldCourses: plain<SoldCourse>(snapshot.soldCourses),
    orders: plain<Order>(snapshot.orders),
    counts: plain<CountRound>(snapshot.counts),
    countedOn: snapshot.countedOn,
    stock: snapshot.stock,
  };
}

/** An aggregate without its version. */
export function unversioned<T extends object>(value: Versioned<T>): T {
  const { version: _version, ...plain } = value;
  return plain as unknown as T;
}

/** A row of the audit trail: a write of one thing. */
export interface AuditEntry {
  /** ISO date and time */
  readonly at: string;
  /** who wrote it: until there is sign-in, the address of the window */
  readonly actor: string;
  readonly part: string;
  readonly id: string;
  /** a JSON Patch (RFC 6902) from before to after */
  readonly difference: readonly object[];
}

/** Why a safe copy was made as a file. */
export const COPY_REASONS = ['first', 'night', 'opening', 'upgrade', 'by-hand'] as const;
/** Why a house can be brought back; `aside`: it was put aside whole when another took its place. */
export type CopyReason = (typeof COPY_REASONS)[number] | 'aside';

/** A safe copy of the house: `GET /api/copies`. */
export interface SafeCopy {
  readonly name: string;
  /** when it was made, ISO 8601 in UTC */
  readonly at: string;
  readonly why: CopyReason;
  /** of its file, compressed; a house that was put aside has none */
  readonly bytes?: number;
}

/** How a house may begin where there is none: `POST /api/house`. */
export const BEGINNINGS = ['new', 'demo'] as const;
export type Beginning = (typeof BEGINNINGS)[number];

/** A line of the answer while a house file is opened: `PUT /api/house/file`. */
export type OpeningLine =
  | { readonly progress: number }
  | { readonly house: HouseSnapshot }
  | { readonly problem: ProblemDocument };

/** What `GET /api/health` says. */
export interface Health {
  readonly status: 'ok' | 'degraded';
  readonly database: 'up' | 'away';
  /** said when nothing can be written any more */
  readonly disk?: 'full';
}

/** Several materials written at once, all or none: `PUT /api/materials`. */
export interface MaterialBatch {
  readonly materials: readonly Versioned<Material>[];
  /** where new prices come from */
  readonly from: 'hand' | 'price-list';
}

/** The parts that may be written together. */
export interface Several {
  readonly settings?: Versioned<HouseSettings>;
  readonly suppliers?: readonly Versioned<Supplier>[];
  readonly rooms?: readonly Versioned<Room>[];
  readonly people?: readonly Versioned<Person>[];
  readonly devices?: readonly Versioned<Device>[];
  readonly materials?: readonly Versioned<Material>[];
  readonly mixes?: readonly Versioned<Mix>[];
  readonly blocks?: readonly Versioned<Block>[];
  readonly protocols?: readonly Versioned<Protocol>[];
  readonly services?: readonly Versioned<Service>[];
  readonly demand?: readonly Versioned<Demand>[];
  readonly scenarios?: readonly Versioned<Scenario>[];
  readonly placed?: readonly Versioned<PlacedVisit>[];
}

/** What was changed, as it was before, every edition, and what packs cost: `GET /api/journal`. */
export interface Journal {
  readonly entries: readonly JournalEntry[];
  readonly editions: readonly Edition[];
  readonly prices: readonly PricePoint[];
}

/** A supplier's price list as fetched: `GET /api/price-lists/:supplierId`. */
export interface FetchedList {
  readonly name: string;
  readonly text: string;
}

/** What the bench scale says: `GET /api/scale`. */
export type ScaleState =
  | { readonly state: 'stable' | 'settling'; readonly grams: number; readonly simulated: boolean }
  | { readonly state: 'overload'; readonly simulated: boolean }
  | { readonly state: 'away'; readonly message: string };

/** What can be told to the simulated scale: `POST /api/scale/stand-in`. */
export type StandInOrder =
  | { readonly put: number }
  | { readonly add: number }
  | { readonly fault: 'none' | 'unplugged' | 'overload' | 'unstable' };

/** The lists that can be taken out, as `GET /api/exports/:list.csv` or `.xlsx`. */
export const SHELF_LISTS = ['materials', 'packs', 'prices', 'ledger', 'stock'] as const;
export const MENU_LISTS = ['menu'] as const;
export const LOGBOOK_LISTS = ['logbook', 'steps'] as const;
export const EXPORTS = [...SHELF_LISTS, ...MENU_LISTS, ...LOGBOOK_LISTS] as const;
export type ExportName = (typeof EXPORTS)[number];
