import type { Fault } from './check';

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
