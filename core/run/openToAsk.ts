import type { ContainerId, LotId, MaterialId } from '../house/ids';
import type { MaterialStock } from '../house/stock';
import type { UsedOfMaterial } from './used';

/** A container that is open, and has as much as was used. */
export interface OpenToAsk {
  readonly lotId: LotId;
  readonly containerId: ContainerId;
  /** number on it */
  readonly code: string;
  /** ISO 8601 */
  readonly openedAt: string;
  readonly remaining: number;
}

/**
 * Of which materials it cannot be known which container they were taken of: several are open, and each has as much as
 * was used. Of all others the one that ends first is meant.
 */
export function openToAsk(
  used: readonly UsedOfMaterial[],
  stock: readonly MaterialStock[],
): ReadonlyMap<MaterialId, readonly OpenToAsk[]> {
  const amounts = new Map(used.map(({ materialId, quantity }) => [materialId, quantity]));
  return new Map(
    stock.flatMap(({ materialId, lots }) => {
      const needed = amounts.get(materialId) ?? 0;
      const open = lots.flatMap(({ id: lotId, code, open: containers }): OpenToAsk[] =>
        containers
          .filter(({ remaining }) => remaining >= needed)
          .map(({ id: containerId, openedAt, remaining }) => ({
            lotId,
            containerId,
            code,
            openedAt,
            remaining,
          })),
      );
      return needed > 0 && open.length > 1 ? [[materialId, open] as const] : [];
    }),
  );
}
