import type { ContainerId, LotId, MaterialId } from '../house/ids';
import type { Lot, LotOnHand, MaterialStock, Movement, OpenContainer } from '../house/stock';

/** The sum of the movements of one container, or of what is sealed of a lot. */
export interface Balance {
  readonly lotId: LotId;
  readonly containerId?: ContainerId;
  readonly quantity: number;
  /** when its first movement happened: of a container, its opening */
  readonly firstAt: string;
}

const PER_UNIT = 1e6;

/**
 * The balances of a ledger: what its movements leave in every lot and container, to the last digit.
 * @see S5
 */
export function balancesOf(movements: readonly Movement[]): Balance[] {
  interface Sum {
    readonly lotId: LotId;
    readonly containerId?: ContainerId;
    millionths: number;
    firstAt: string;
  }
  const sums = new Map<string, Sum>();
  for (const { lotId, containerId, quantity, at } of movements) {
    const key = `${lotId}/${containerId ?? ''}`;
    const sum = sums.get(key);
    const millionths = Math.round(quantity * PER_UNIT);
    if (sum) {
      sum.millionths += millionths;
      if (at < sum.firstAt) sum.firstAt = at;
    } else {
      sums.set(key, { lotId, ...(containerId && { containerId }), millionths, firstAt: at });
    }
  }
  return [...sums.values()].map(({ millionths, ...sum }) => ({
    ...sum,
    quantity: millionths / PER_UNIT,
  }));
}

/**
 * What is on the shelf: lots by material with what is sealed and open of them, first expired first;
 * what is used up is left out.
 * @param materialIds the materials that are kept in stock, each with an answer
 */
export function stockFrom(
  materialIds: readonly MaterialId[],
  lots: readonly Lot[],
  balances: readonly Balance[],
): MaterialStock[] {
  const sealed = new Map<LotId, number>();
  const open = new Map<LotId, OpenContainer[]>();
  for (const { lotId, containerId, quantity, firstAt } of balances) {
    if (quantity === 0) continue;
    if (containerId === undefined) {
      sealed.set(lotId, quantity);
      continue;
    }
    const container = { id: containerId, openedAt: firstAt, remaining: quantity };
    const known = open.get(lotId);
    if (known) known.push(container);
    else open.set(lotId, [container]);
  }
  const byMaterial = new Map<MaterialId, LotOnHand[]>(materialIds.map((id) => [id, []]));
  for (const lot of lots) {
    const inLot = { sealed: sealed.get(lot.id) ?? 0, open: open.get(lot.id) ?? [] };
    if (inLot.sealed === 0 && inLot.open.length === 0) continue;
    byMaterial.get(lot.materialId)?.push({
      ...lot,
      sealed: inLot.sealed,
      open: inLot.open.toSorted((a, b) => compare(a.openedAt, b.openedAt) || compare(a.id, b.id)),
    });
  }
  return [...byMaterial].map(([materialId, of]) => ({
    materialId,
    lots: of.toSorted(firstExpiredFirst),
  }));
}

const NEVER = '9999-12-31';

/**
 * The order in which lots are used: what expires first, then what came first.
 * @see S5
 */
export function firstExpiredFirst(a: Lot, b: Lot): number {
  return (
    compare(a.expiresOn ?? NEVER, b.expiresOn ?? NEVER) ||
    compare(a.deliveredOn, b.deliveredOn) ||
    compare(a.id, b.id)
  );
}

function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
