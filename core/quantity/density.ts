import { fail, ok, type Outcome, type Where } from '../problem/problem';
import { multiplyTriples, withSpread, type Triple } from './triple';
import type { BaseUnit } from './unit';

/** What must be known of a thing to change its ml into g. */
export interface Dense {
  readonly name: string;
  readonly density?: number;
  readonly densitySpread?: number;
}

/**
 * An amount in another base unit: g = ml x density (g/ml); the give or take of the density widens it.
 * @param amount the amount in `from`
 * @param thing its name, for the message, and its density in g/ml
 * @param where the place that the message points to
 * @returns the amount in `to`; a problem when the density is needed and missing, or pieces meet ml or g
 * @see Q2
 */
export function convertUnit(
  amount: Triple,
  from: BaseUnit,
  to: BaseUnit,
  thing: Dense,
  where: Where,
): Outcome<Triple> {
  if (from === to) return ok(amount);
  if (from === 'piece' || to === 'piece') {
    return fail(
      'unit-mismatch',
      `${thing.name} is kept in ${to === 'piece' ? 'pieces' : to}, so it cannot be stated in ${from === 'piece' ? 'pieces' : from}.`,
      where,
    );
  }
  if (thing.density === undefined || !(thing.density > 0)) {
    return fail(
      'density-missing',
      `${thing.name} is stated in ${from} but kept in ${to}: give its density (g per ml).`,
      { ...where, field: where.field ?? 'density', missing: { of: 'density' } },
    );
  }
  const density = withSpread(thing.density, thing.densitySpread);
  const factor =
    to === 'g'
      ? density
      : { low: 1 / density.high, usual: 1 / density.usual, high: 1 / density.low };
  return ok(multiplyTriples(amount, factor));
}
