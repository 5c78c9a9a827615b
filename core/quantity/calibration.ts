import { fail, ok, type Outcome, type Where } from '../problem/problem';
import type { Calibrated } from './measures';

/** What the bench scale said after so many pumps, drops, sprays, dropperfuls or spatulas. */
export interface Weighing {
  readonly count: number;
  readonly grams: number;
}

/** A measure found by weighing. */
export interface Calibration {
  /** ml for one */
  readonly each: Calibrated;
  /** weighings it comes from */
  readonly weighings: number;
}

/** About 95 of 100 single pumps lie within twice the standard deviation. */
const SPREAD_IN_SD = 2;
const WIDEST_SPREAD = 0.99;
const KEPT_DIGITS = 1e6;

/**
 * What one pump gives, from weighings: ml = g / density / count, their mean weighed by count. The
 * give or take comes from how the weighings differ: a weighing of n pumps scatters like a single pump
 * over the root of n, so each difference counts n times; twice that standard deviation as a share of
 * the mean. One weighing alone tells no spread.
 * @param density g per ml
 * @param name of the material, for the message
 * @returns a problem without weighings, with a count or weight that is not above 0, without a density
 * @see Q2 Q3
 */
export function calibrate(
  weighings: readonly Weighing[],
  density: number | undefined,
  name: string,
  where: Where,
): Outcome<Calibration> {
  if (density === undefined || !(density > 0)) {
    return fail(
      'density-missing',
      `The scale weighs g and the measure is in ml: give the density of ${name} first.`,
      { ...where, field: 'density' },
    );
  }
  if (weighings.length === 0)
    return fail('weighings-missing', `Weigh ${name} at least once.`, where);
  if (weighings.some(({ count }) => !(Number.isInteger(count) && count > 0))) {
    return fail('count-missing', 'Count at least one for each weighing.', where);
  }
  if (weighings.some(({ grams }) => !(grams > 0 && Number.isFinite(grams)))) {
    return fail(
      'weight-missing',
      'A weighing must be more than 0 g: nothing came out, or the scale was not at zero.',
      where,
    );
  }
  const counted = weighings.reduce((sum, { count }) => sum + count, 0);
  const total = weighings.reduce((sum, { grams }) => sum + grams / density, 0);
  const usual = total / counted;
  const scatter = weighings.reduce(
    (sum, { count, grams }) => sum + count * (grams / density / count - usual) ** 2,
    0,
  );
  const spread =
    weighings.length < 2
      ? undefined
      : Math.min(
          WIDEST_SPREAD,
          (SPREAD_IN_SD * Math.sqrt(scatter / (weighings.length - 1))) / usual,
        );
  return ok({
    each: {
      usual: kept(usual),
      ...(spread === undefined ? {} : { spread: kept(spread) }),
    },
    weighings: weighings.length,
  });
}

/**
 * A measure as the shelf keeps it: drops are counted per ml, everything else is ml for one.
 * @example perMl({ usual: 0.05 }) // { usual: 20 }
 * @see Q3
 */
export function perMl({ usual, spread }: Calibrated): Calibrated {
  return { usual: kept(1 / usual), ...(spread === undefined ? {} : { spread }) };
}

function kept(value: number): number {
  return Math.round(value * KEPT_DIGITS) / KEPT_DIGITS;
}
