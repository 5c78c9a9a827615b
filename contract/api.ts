import type {
  Demand,
  House,
  Material,
  Mix,
  Person,
  Protocol,
  Room,
  Service,
  StockOnHand,
  Supplier,
} from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import type { Fault } from './check';

/** Where the API begins. */
export const API = '/api';

/** What every aggregate carries over the wire: the version that a write must name again. */
export type Versioned<T> = T & { readonly version: number };

/** The aggregates that are lists of things with an id. */
export interface Aggregates {
  rooms: Room;
  people: Person;
  suppliers: Supplier;
  materials: Material;
  mixes: Mix;
  protocols: Protocol;
  services: Service;
}
export type AggregateName = keyof Aggregates;

/** The figures kept beside a thing of another aggregate, one line each. */
export interface Lines {
  demand: Demand;
  stock: StockOnHand;
}

/** The whole House as the server has it; usable as a House as it is. */
export type HouseSnapshot = {
  readonly [K in AggregateName]: readonly Versioned<Aggregates[K]>[];
} & {
  readonly [K in keyof Lines]: readonly Versioned<Lines[K]>[];
} & { readonly settings: Versioned<HouseSettings> };

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
  notJson: 'urn:bienestar:problem:not-json',
  databaseAway: 'urn:bienestar:problem:database-away',
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
    protocols: plain<Protocol>(snapshot.protocols),
    services: plain<Service>(snapshot.services),
    demand: plain<Demand>(snapshot.demand),
    stock: plain<StockOnHand>(snapshot.stock),
  };
}

/** An aggregate without its version. */
export function unversioned<T extends object>(value: Versioned<T>): T {
  const { version: _version, ...plain } = value;
  return plain as unknown as T;
}

/** What `GET /api/health` says. */
export interface Health {
  readonly status: 'ok' | 'degraded';
  readonly database: 'up' | 'away';
}
