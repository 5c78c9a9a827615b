import { gammaln } from 'simple-statistics';

const MOST_STEPS = 500;
const CLOSE_ENOUGH = 1e-15;
const TINY = 1e-300;

/**
 * The regularised incomplete gamma function P(a, x): the distribution function of a gamma variable of shape a and
 * scale 1 at x; by its series below a + 1, by Lentz's continued fraction above.
 * @param a > 0
 * @returns a probability; 0 at 0 and below
 * @see Abramowitz and Stegun, Handbook of Mathematical Functions, 6.5.29 and 6.5.31
 */
export function incompleteGamma(a: number, x: number): number {
  if (x <= 0) return 0;
  const front = Math.exp(a * Math.log(x) - x - gammaln(a));
  if (x < a + 1) {
    let term = 1 / a;
    let sum = term;
    for (let n = 1; n <= MOST_STEPS && term > sum * CLOSE_ENOUGH; n += 1) {
      term *= x / (a + n);
      sum += term;
    }
    return Math.min(1, front * sum);
  }
  let b = x + 1 - a;
  let c = 1 / TINY;
  let d = 1 / b;
  let product = d;
  for (let n = 1; n <= MOST_STEPS; n += 1) {
    const by = -n * (n - a);
    b += 2;
    d = 1 / nonZero(by * d + b);
    c = nonZero(b + by / c);
    product *= d * c;
    if (Math.abs(d * c - 1) < CLOSE_ENOUGH) break;
  }
  return Math.max(0, 1 - front * product);
}

/**
 * The chance that a lead time is over by a day. It follows a gamma distribution, which is never below 0.
 * @param days >= 0
 * @param mean of the lead time, days
 * @param sd its standard deviation, days; 0 where it is certain
 * @example leadTimeOverBy(6, 6, 0) // 1
 * @see S2
 */
export function leadTimeOverBy(days: number, mean: number, sd: number): number {
  if (!(sd > 0) || !(mean > 0)) return days >= mean - 1e-9 ? 1 : 0;
  return incompleteGamma((mean / sd) ** 2, (days * mean) / sd ** 2);
}

function nonZero(value: number): number {
  return Math.abs(value) < TINY ? TINY : value;
}
