import type { KitMaterial } from '../house/material';
import type { KitPartId } from '../house/ids';
import { addTriples, scaleTriple, ZERO, type Triple } from '../quantity/triple';
import { wholeAbove } from './openPacks';

/** What a visit has taken of a kit so far: of each part in its unit, and boxes. */
export interface TakenOfKit {
  readonly parts: ReadonlyMap<KitPartId, Triple>;
  readonly boxes: Triple;
}

export const NOTHING_TAKEN: TakenOfKit = { parts: new Map(), boxes: ZERO };

/**
 * Takes some of one part of a kit. The box is opened as one: as many as the part that runs out first needs, whole
 * ones; a box for several visits of one guest is used by each of them in equal shares.
 * @param drawn in the part's unit
 * @returns boxes newly opened, and what has then been taken
 * @see D6
 * @example
 * // Of a box with 6 g of powder, 6 g and then 2 g: a second box.
 * openKit(box, powder, exactly(2), before).boxes.usual // 1
 */
export function openKit(
  { parts, forVisits = 1 }: Pick<KitMaterial, 'parts' | 'forVisits'>,
  part: KitPartId,
  drawn: Triple,
  before: TakenOfKit = NOTHING_TAKEN,
): { readonly boxes: Triple; readonly taken: TakenOfKit } {
  const taken = new Map(before.parts).set(part, addTriples(before.parts.get(part) ?? ZERO, drawn));
  const boxes = { ...before.boxes };
  for (const { id, amount } of parts) {
    const used = taken.get(id) ?? ZERO;
    for (const end of ['low', 'usual', 'high'] as const)
      boxes[end] = Math.max(boxes[end], wholeAbove((used[end] * forVisits) / amount) / forVisits);
  }
  return {
    boxes: addTriples(boxes, scaleTriple(before.boxes, -1)),
    taken: { parts: taken, boxes },
  };
}
