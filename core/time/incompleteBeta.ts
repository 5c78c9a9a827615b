import { gammaln } from 'simple-statistics';

const LARGEST_STEPS = 200;
const CLOSE_ENOUGH = 1e-15;
const TINY = 1e-300;

/**
 * The regularised incomplete beta function I_x(a, b): the distribution function of a beta(a, b)
 * variable at x, by Lentz's continued fraction.
 * @param x from 0 to 1
 * @param a > 0
 * @param b > 0
 * @returns a probability; 0 below and 1 above the range of x
 * @see Abramowitz and Stegun, Handbook of Mathematical Functions, 26.5.8
 */
export function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(
    gammaln(a + b) - gammaln(a) - gammaln(b) + a * Math.log(x) + b * Math.log1p(-x),
  );
  return x < (a + 1) / (a + b + 2)
    ? (front * continuedFraction(x, a, b)) / a
    : 1 - (front * continuedFraction(1 - x, b, a)) / b;
}

function continuedFraction(x: number, a: number, b: number): number {
  let c = 1;
  let d = 1 / nonZero(1 - ((a + b) * x) / (a + 1));
  let product = d;
  for (let m = 1; m <= LARGEST_STEPS; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / nonZero(1 + even * d);
    c = nonZero(1 + even / c);
    product *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / nonZero(1 + odd * d);
    c = nonZero(1 + odd / c);
    product *= d * c;
    if (Math.abs(d * c - 1) < CLOSE_ENOUGH) break;
  }
  return product;
}

function nonZero(value: number): number {
  return Math.abs(value) < TINY ? TINY : value;
}
