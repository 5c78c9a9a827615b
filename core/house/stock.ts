import type { ContainerId, EntryId, LotId, MaterialId, PackId } from './ids';

/** What came in one delivery under one lot number. Days are ISO dates, instants ISO 8601 in UTC. */
export interface Lot {
  readonly id: LotId;
  readonly materialId: MaterialId;
  /** as printed on the container; empty where there is none */
  readonly code: string;
  readonly packId?: PackId;
  /** of one container, in the material's unit */
  readonly content: number;
  readonly deliveredOn: string;
  readonly expiresOn?: string;
  /** for the whole delivery */
  readonly paidMinor?: number;
}

export const DISCARD_REASONS = [
  'expired',
  'open-too-long',
  'spilled',
  'broken',
  'contaminated',
  'returned',
  'other',
] as const;
export type DiscardReason = (typeof DISCARD_REASONS)[number];

export const MOVEMENT_KINDS = [
  'delivery',
  'opening',
  'use',
  'discard',
  'count',
  'correction',
] as const;
export type MovementKind = (typeof MOVEMENT_KINDS)[number];

/**
 * One line of the ledger, never changed once written. What a lot holds is the sum of its movements:
 * those of a container for what is in it, those without one for what is sealed.
 */
export interface Movement {
  /** the entry it was made by; an entry may make several */
  readonly entryId: EntryId;
  /** its order within the entry */
  readonly line: number;
  readonly kind: MovementKind;
  /** when it happened, to the second */
  readonly at: string;
  readonly materialId: MaterialId;
  readonly lotId: LotId;
  readonly containerId?: ContainerId;
  /** added, or taken when below 0, in the material's unit */
  readonly quantity: number;
  readonly reason?: DiscardReason;
  /** the entry that a correction takes back */
  readonly corrects?: EntryId;
  readonly note?: string;
}

/** A container in use. */
export interface OpenContainer {
  readonly id: ContainerId;
  readonly openedAt: string;
  readonly remaining: number;
}

/** What is left of a lot. */
export interface LotOnHand extends Lot {
  /** in the material's unit, in containers that are still closed */
  readonly sealed: number;
  readonly open: readonly OpenContainer[];
}

/** What is left of a material, lot by lot, in the order in which it should be used. */
export interface MaterialStock {
  readonly materialId: MaterialId;
  readonly lots: readonly LotOnHand[];
}

/** All that is left of a material, in its unit. */
export function onHandOf({ lots }: Pick<MaterialStock, 'lots'>): number {
  return sumExactly(lots.map(lotOnHand));
}

/** All that is left of a lot, in the material's unit. */
export function lotOnHand({ sealed, open }: Pick<LotOnHand, 'sealed' | 'open'>): number {
  return sumExactly([sealed, ...open.map((container) => container.remaining)]);
}

const PER_UNIT = 1e6;

/**
 * A sum of quantities without the noise of binary fractions: they have at most six decimals.
 * @example sumExactly([0.1, 0.2]) // 0.3
 */
export function sumExactly(quantities: readonly number[]): number {
  return quantities.reduce((sum, quantity) => sum + Math.round(quantity * PER_UNIT), 0) / PER_UNIT;
}

/**
 * A quantity as the ledger keeps it, with six decimals.
 * @example asKept(1 / 3) // 0.333333
 */
export function asKept(quantity: number): number {
  return Math.round(quantity * PER_UNIT) / PER_UNIT;
}
