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
  Run,
  RunLogEntry,
  Treatment,
} from '@bienestar/core/house/house';
import type { LogbookEntry, LogbookPlan } from '@bienestar/core/house/logbook';
import type { JournalEntry } from '@bienestar/core/house/journal';
import type { MaterialId } from '@bienestar/core/house/ids';
import type { HouseSettings } from '@bienestar/core/house/settings';
import type { CountedOn, VisitLog } from '@bienestar/core/house/visitLog';
import type { Lot, MaterialStock, Movement } from '@bienestar/core/house/stock';
import type { Fault } from './check';

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

/** A thing that uses another, where a deletion is refused. */
export interface Use {
  readonly kind: string;
  readonly id: string;
  readonly name: string;
}

/** A refusal in the form of RFC 9457, served as `application/problem+json`. */
export interface ProblemDocument {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly instance: string;
  /** faults of the input, each at its place */
  readonly errors?: readonly Fault[];
  /** on a stale write: what the server has, for the person to choose; null when it is gone */
  readonly current?: unknown;
  /** on a stale write: what was sent */
  readonly yours?: unknown;
  /** on a refused deletion: where it is used */
  readonly usedBy?: readonly Use[];
}

/** The kinds of refusal, as the `type` of a problem document. */
export const PROBLEM_TYPES = {
  invalid: 'urn:bienestar:problem:invalid-input',
  notFound: 'urn:bienestar:problem:not-found',
  stale: 'urn:bienestar:problem:stale-write',
  taken: 'urn:bienestar:problem:id-taken',
  inUse: 'urn:bienestar:problem:in-use',
  tooLarge: 'urn:bienestar:problem:too-large',
  bookingsAway: 'urn:bienestar:problem:bookings-away',
  supplierAway: 'urn:bienestar:problem:supplier-away',
  scaleAway: 'urn:bienestar:problem:scale-away',
  notJson: 'urn:bienestar:problem:not-json',
  databaseAway: 'urn:bienestar:problem:database-away',
  diskFull: 'urn:bienestar:problem:disk-full',
  damaged: 'urn:bienestar:problem:damaged',
  internal: 'urn:bienestar:problem:internal',
} as const;

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

/** What an entry into the ledger changed: `POST /api/ledger`. */
export interface Posted {
  readonly stock: MaterialStock;
  readonly movements: readonly Movement[];
  /** of which a delivery was taken back, so that it is due again */
  readonly order?: Versioned<Order>;
}

/** What receiving did: `POST /api/orders/:id/receive`. */
export interface OrderReceived {
  readonly order: Versioned<Order>;
  readonly stock: readonly MaterialStock[];
}

/** What entering a treatment did: `POST /api/treatments`. */
export interface Performed {
  readonly treatment: Treatment;
  readonly stock: readonly MaterialStock[];
  /** used, and not on the shelf by the ledger: count these */
  readonly missing: readonly { readonly materialId: MaterialId; readonly quantity: number }[];
  /** counted after the treatment, and so not drawn again */
  readonly counted: readonly MaterialId[];
}

/** A run and all that happened in it: `GET /api/runs/:id`. */
export interface RunSoFar {
  readonly run: Run;
  /** in the order in which it came in */
  readonly events: readonly RunLogEntry[];
}

/** What went wrong in any run, and what was asked after: `GET /api/runs/incidents`. */
export interface Incidents {
  readonly events: readonly RunLogEntry[];
}

/**
 * The runs that are neither entered nor put away, `GET /api/runs`; a page of those that are over,
 * `GET /api/runs?ended&before=`.
 */
export interface RunPage {
  readonly runs: readonly Run[];
  /** where the next page begins */
  readonly next?: number;
}

/** A visit of the logbook, and when it was taken back, if it was. */
export type LoggedNow = LogbookEntry & { readonly takenBackAt?: string };

/** A page of the logbook, the newest first: `GET /api/logbook?before=&most=`. */
export interface LogbookPage {
  readonly entries: readonly LoggedNow[];
  /** every plan that the entries name */
  readonly plans: readonly LogbookPlan[];
  /** how many visits the whole logbook has at the most */
  readonly all: number;
  /** where the next page begins */
  readonly next?: number;
}

/** One visit of the logbook: `GET /api/logbook/:id`. */
export interface LoggedVisitRead {
  readonly entry: LoggedNow;
  readonly plan: LogbookPlan;
}

/** What a correction did: `POST /api/logbook/:id/corrections`. */
export interface LogbookCorrected extends LoggedVisitRead {
  readonly stock: readonly MaterialStock[];
}

/** What a line of a count did: `POST /api/counts/:id/lines`. */
export interface CountEntered extends Posted {
  readonly round: Versioned<CountRound>;
}

/** The history of a material: `GET /api/ledger/:materialId`, the newest first. */
export interface LedgerPage {
  readonly movements: readonly Movement[];
  /** every lot that the movements name, also those that are used up */
  readonly lots: readonly Lot[];
  /** of `before` for the next page; none on the last */
  readonly next?: number;
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
