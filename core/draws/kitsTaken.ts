import type { TakenOfKit } from '../dose/openKit';
import type { MaterialId } from '../house/ids';
import { addTriples, ZERO } from '../quantity/triple';
import type { Draw } from './draw';

/**
 * What a visit takes of each kit: of every part in its unit, and boxes.
 * @see D6
 */
export function kitsTaken(draws: readonly Draw[]): ReadonlyMap<MaterialId, TakenOfKit> {
  const kits = new Map<MaterialId, TakenOfKit>();
  for (const { materialId, part, resolved, consumed } of draws) {
    if (part === undefined) continue;
    const before = kits.get(materialId);
    const drawn = addTriples(before?.parts.get(part) ?? ZERO, resolved.drawn);
    kits.set(materialId, {
      parts: new Map(before?.parts).set(part, drawn),
      boxes: addTriples(before?.boxes ?? ZERO, consumed),
    });
  }
  return kits;
}
