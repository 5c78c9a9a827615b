import type { Dose, KitMaterial, Material } from '../house/house';
import type { KitPartId, MaterialId } from '../house/ids';
import { preferredPack } from '../house/packs';
import { openKit, type TakenOfKit } from '../dose/openKit';
import { openPacks } from '../dose/openPacks';
import type { ResolvedAmount } from '../dose/resolveAmount';
import { addTriples, scaleTriple, ZERO, type Triple } from '../quantity/triple';
import type { Draw } from './draw';

/** What was opened in the visit: of single doses what is left, of kits what was taken. */
export interface Opened {
  readonly packs: Map<MaterialId, Triple>;
  readonly kits: Map<MaterialId, TakenOfKit>;
  /** all that was drawn so far, which can be used again */
  readonly pieces: Map<MaterialId, Triple>;
}

/** A visit in which nothing was opened yet. */
export function noneOpened(): Opened {
  return { packs: new Map(), kits: new Map(), pieces: new Map() };
}

/** The part of a kit that a dose takes, if it takes of a kit. */
export function partOf({ source }: Dose): KitPartId | undefined {
  return source.kind === 'material' ? source.part : undefined;
}

/** Boxes that are newly opened when some of a part of a kit is taken. @see D6 */
export function takenOfKit(
  kit: KitMaterial,
  part: KitPartId,
  drawn: Triple,
  { kits }: Opened,
): Triple {
  const { boxes, taken } = openKit(kit, part, drawn, kits.get(kit.id));
  kits.set(kit.id, taken);
  return boxes;
}

/** Counts what is there from now on. */
export function isThere({ materialId, consumed }: Draw, { pieces }: Opened): void {
  pieces.set(materialId, addTriples(pieces.get(materialId) ?? ZERO, consumed));
}

/** Of pieces that are used again, those that were not there. @see D7 */
export function newOf(drawn: Triple, id: MaterialId, { pieces }: Opened): Triple {
  const there = pieces.get(id) ?? ZERO;
  return {
    low: Math.max(0, drawn.low - there.low),
    usual: Math.max(0, drawn.usual - there.usual),
    high: Math.max(0, drawn.high - there.high),
  };
}

/** What an amount of a material takes from the shelf, after what was opened before it. @see D3 D5 D6 D7 */
export function takeFromShelf(
  dose: Dose,
  material: Material,
  resolved: ResolvedAmount,
  opened: Opened,
  persons: number,
): Omit<Draw, 'stepId' | 'doseId'> {
  const materialId = material.id;
  if (dose.again && material.unit === 'piece') {
    const consumed = newOf(resolved.drawn, materialId, opened);
    return { materialId, resolved, consumed, leftOver: ZERO };
  }
  if (material.kind === 'consumable' && material.countedPer === 'person') {
    const consumed = scaleTriple(resolved.drawn, persons);
    return { materialId, resolved, consumed, persons, leftOver: ZERO };
  }
  const part = partOf(dose);
  if (material.kind === 'kit' && part !== undefined) {
    const consumed = takenOfKit(material, part, resolved.drawn, opened);
    return { materialId, part, resolved, consumed, leftOver: ZERO };
  }
  if (material.kind !== 'single-dose') {
    return { materialId, resolved, consumed: resolved.drawn, leftOver: ZERO };
  }
  const before = opened.packs.get(materialId) ?? ZERO;
  const usesLeftOver = dose.opening === 'left-over-first';
  const available = usesLeftOver ? before : ZERO;
  const { consumed, leftOver } = openPacks(
    resolved.drawn,
    preferredPack(material).content,
    available,
  );
  opened.packs.set(materialId, usesLeftOver ? leftOver : addTriples(before, leftOver));
  return { materialId, resolved, consumed, leftOver };
}
