import type { KitMaterial, KitPart } from '../house/material';
import { ZERO } from '../quantity/triple';
import type { TakenOfKit } from './openKit';

/** What is left of a part in the boxes that were opened. */
export interface LeftOfKit {
  readonly part: KitPart;
  /** in the part's unit, over all visits for which the box is */
  readonly left: number;
  /** of what the boxes held */
  readonly share: number;
}

/**
 * What of opened boxes is not used, part by part; of a box for several visits, if all are as this one.
 * @see D6
 */
export function leftOfKit(
  { parts, forVisits = 1 }: Pick<KitMaterial, 'parts' | 'forVisits'>,
  { parts: taken, boxes }: TakenOfKit,
): readonly LeftOfKit[] {
  return parts.map((part) => {
    const held = boxes.usual * forVisits * part.amount;
    const used = (taken.get(part.id) ?? ZERO).usual * forVisits;
    const left = Math.max(0, held - used);
    return { part, left, share: held > 0 ? left / held : 0 };
  });
}
