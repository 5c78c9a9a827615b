import { fail, type Outcome, type Where } from '../problem/problem';
import { convertUnit, type Dense } from '../quantity/density';
import { exactly } from '../quantity/triple';
import type { BaseUnit } from '../quantity/unit';
import { asKept } from '../house/stock';

/**
 * What is in a container by its weight: gross - tare, and over the density where it is kept in ml.
 * @param grossG what the scale says with the container on it
 * @param tareG the container alone, with its lid
 * @param pieceG of one piece, for what is kept in pieces
 * @returns the quantity in `unit`, >= 0; a problem for less than the tare or a missing density
 * @see Q2
 */
export function weighedQuantity(
  { grossG, tareG, pieceG }: { grossG: number; tareG: number; pieceG?: number },
  unit: BaseUnit,
  thing: Dense,
  where: Where,
): Outcome<number> {
  if (!(grossG >= tareG) || tareG < 0) {
    return fail(
      'weighs-less-than-empty',
      `${thing.name} weighs less than its empty container (${tareG} g): check what lies on the scale.`,
      { ...where, field: 'gross' },
    );
  }
  const netG = grossG - tareG;
  if (unit === 'piece') {
    if (pieceG === undefined || !(pieceG > 0)) {
      return fail(
        'piece-not-weighed',
        `Pieces of ${thing.name} are counted by weight only when one piece has been weighed.`,
        {
          ...where,
          field: 'piece',
        },
      );
    }
    return { ok: true, value: Math.round(netG / pieceG) };
  }
  const net = convertUnit(exactly(netG), 'g', unit, thing, where);
  return net.ok ? { ok: true, value: asKept(net.value.usual) } : net;
}

/**
 * What was taken out of a container by its weight before and after.
 * @returns the quantity in the unit of the thing, >= 0; a problem where it grew heavier, or its density is not known
 * @see R5 Q2
 */
export function takenByWeight(
  { beforeG, afterG }: { beforeG: number; afterG: number },
  thing: Dense & { readonly unit: BaseUnit },
  where: Where,
): Outcome<number> {
  if (afterG > beforeG) {
    return fail(
      'weighs-more-than-before',
      `${thing.name} weighs more than before (${beforeG} g): check what lies on the scale.`,
      { ...where, field: 'after' },
    );
  }
  return weighedQuantity({ grossG: beforeG, tareG: afterG }, thing.unit, thing, where);
}
