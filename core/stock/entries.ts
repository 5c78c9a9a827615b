import type { ContainerId, EntryId, LotId, MaterialId, PackId } from '../house/ids';
import type { DiscardReason } from '../house/stock';

interface EntryBase {
  /** made by whoever enters it, so that an entry sent twice counts once */
  readonly id: EntryId;
  readonly materialId: MaterialId;
  /** when it happened, ISO 8601 in UTC; now unless given */
  readonly at?: string;
  readonly note?: string;
}

/** Packs that came in, under one lot number. */
export interface DeliveryEntry extends EntryBase {
  readonly kind: 'delivery';
  readonly lotId: LotId;
  readonly packId: PackId;
  readonly packs: number;
  readonly code: string;
  readonly deliveredOn: string;
  readonly expiresOn?: string;
  readonly paidMinor?: number;
}

/** A container that is opened; of the lot that expires first unless said. */
export interface OpeningEntry extends EntryBase {
  readonly kind: 'opening';
  readonly lotId?: LotId;
}

/** Something used; from what is open and expires first unless said. */
export interface UseEntry extends EntryBase {
  readonly kind: 'use';
  readonly quantity: number;
  readonly lotId?: LotId;
  readonly containerId?: ContainerId;
}

/** Something thrown away or sent back. */
export interface DiscardEntry extends EntryBase {
  readonly kind: 'discard';
  readonly lotId: LotId;
  readonly containerId?: ContainerId;
  readonly quantity: number;
  readonly reason: DiscardReason;
}

/** What was found, container by container. */
export interface CountEntry extends EntryBase {
  readonly kind: 'count';
  readonly found: readonly {
    readonly lotId: LotId;
    readonly containerId?: ContainerId;
    readonly quantity: number;
  }[];
}

/** What was found of a material in all, without looking at lots. */
export interface TotalCountEntry extends EntryBase {
  readonly kind: 'total-count';
  readonly quantity: number;
  /** for what is found where the ledger knows of no lot */
  readonly lotId: LotId;
}

/** Takes an earlier entry back by its opposite; the note says why. */
export interface CorrectionEntry extends EntryBase {
  readonly kind: 'correction';
  readonly corrects: EntryId;
  readonly note: string;
}

/** What a person enters into the ledger. */
export type StockEntry =
  | DeliveryEntry
  | OpeningEntry
  | UseEntry
  | DiscardEntry
  | CountEntry
  | TotalCountEntry
  | CorrectionEntry;
