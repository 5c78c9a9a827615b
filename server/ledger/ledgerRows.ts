import { toSecond } from '@bienestar/core/days/instants';
import { asId } from '@bienestar/core/house/ids';
import type { Lot, Movement } from '@bienestar/core/house/stock';
import { orNull, present } from '../db/optional';

/** A lot as a row. */
export interface LotRow {
  readonly id: string;
  readonly ordinal?: number;
  readonly materialId: string;
  readonly code: string;
  readonly packId: string | null;
  readonly content: number;
  readonly deliveredOn: string;
  readonly expiresOn: string | null;
  readonly paidMinor: number | null;
}

/** A movement as a row. */
export interface MovementRow {
  readonly ordinal?: number;
  readonly entryId: string;
  readonly line: number;
  readonly kind: Movement['kind'];
  readonly at: Date | string;
  readonly materialId: string;
  readonly lotId: string;
  /** empty for what is sealed */
  readonly containerId: string;
  readonly quantity: number;
  readonly reason: Movement['reason'] | null;
  readonly corrects: string | null;
  readonly note: string | null;
}

/** A lot as it is kept. */
export function lotRow(lot: Lot): LotRow {
  return {
    ...lot,
    packId: orNull(lot.packId),
    expiresOn: orNull(lot.expiresOn),
    paidMinor: orNull(lot.paidMinor),
  };
}

/** A lot as core knows it. */
export function lotOf({ ordinal: _ordinal, packId, expiresOn, paidMinor, ...row }: LotRow): Lot {
  return {
    ...row,
    id: asId(row.id),
    materialId: asId(row.materialId),
    ...(packId !== null && { packId: asId<NonNullable<Lot['packId']>>(packId) }),
    ...present({ expiresOn, paidMinor }),
  };
}

/** A movement as it is kept. */
export function movementRow(movement: Movement): MovementRow {
  return {
    ...movement,
    containerId: movement.containerId ?? '',
    reason: orNull(movement.reason),
    corrects: orNull(movement.corrects),
    note: orNull(movement.note),
  };
}

/** A movement as core knows it. */
export function movementOf(row: MovementRow): Movement {
  const { entryId, line, kind, at, materialId, lotId, containerId, quantity, corrects } = row;
  return {
    entryId: asId(entryId),
    line,
    kind,
    at: toSecond(at),
    materialId: asId(materialId),
    lotId: asId(lotId),
    ...(containerId !== '' && {
      containerId: asId<NonNullable<Movement['containerId']>>(containerId),
    }),
    quantity,
    ...present({ reason: row.reason }),
    ...(corrects !== null && { corrects: asId<Movement['entryId']>(corrects) }),
    ...present({ note: row.note }),
  };
}
