import type { MaterialId } from '../house/ids';
import { addTriples, type Triple } from '../quantity/triple';
import type { Draw } from './draw';

/**
 * What one visit consumes of each material, added up over its doses, in the material's unit and in
 * the order of first use. Single doses count whole packs.
 * @see D3 S1
 */
export function consumptionByMaterial(draws: readonly Draw[]): ReadonlyMap<MaterialId, Triple> {
  const total = new Map<MaterialId, Triple>();
  for (const { materialId, consumed } of draws) {
    const before = total.get(materialId);
    total.set(materialId, before ? addTriples(before, consumed) : consumed);
  }
  return total;
}
