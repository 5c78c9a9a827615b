import { fail, ok, type Outcome } from '../problem/problem';
import type { PriceEndings } from '../house/settings';

/** Room for rounding in the last digits, so that 85.00 computed as 84.99999 stays 85.00. */
const TOLERANCE = 1e-6;

/**
 * The house's charged price for a computed one: the next allowed ending at or above it, or the nearest.
 * @param grossMinor computed price in minor units, >= 0
 * @param endings `endingsMinor` within every `everyMinor`: every 10.00 with 0, 5.00 and 9.00, say
 * @returns minor units; a problem when no ending fits the rule
 * @example chargedPrice(6120, { everyMinor: 1000, endingsMinor: [0, 500, 900], rounding: 'up' }) // { ok: true, value: 6500 }
 * @see P5
 */
export function chargedPrice(grossMinor: number, endings: PriceEndings): Outcome<number> {
  const { everyMinor, endingsMinor, rounding } = endings;
  const fits = endingsMinor.every((ending) => ending >= 0 && ending < everyMinor);
  if (!(everyMinor > 0) || endingsMinor.length === 0 || !fits) {
    return fail(
      'ending-impossible',
      'Price endings must repeat after more than 0, and each must be smaller than that.',
      { settings: true, field: 'priceEndings' },
    );
  }
  const base = Math.floor(grossMinor / everyMinor) * everyMinor;
  /* Told apart without making lists: every price of a menu comes through here at every edit. */
  let above = Infinity;
  let below = -Infinity;
  for (let turn = -1; turn <= 1; turn += 1) {
    for (const ending of endingsMinor) {
      const price = base + turn * everyMinor + ending;
      if (price <= 0) continue;
      if (price >= grossMinor - TOLERANCE) above = Math.min(above, price);
      else below = Math.max(below, price);
    }
  }
  if (above === Infinity) above = base + everyMinor;
  if (rounding === 'up' || below === -Infinity) return ok(above);
  return ok(grossMinor - below < above - grossMinor ? below : above);
}
