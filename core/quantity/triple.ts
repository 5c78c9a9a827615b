/**
 * An amount as it is known: the likely low, the usual and the likely high. A single figure is all three.
 * @see Q5
 */
export interface Triple {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
}

export const ZERO: Triple = { low: 0, usual: 0, high: 0 };

/**
 * A figure without spread.
 * @example exactly(5) // { low: 5, usual: 5, high: 5 }
 * @see Q5
 */
export function exactly(value: number): Triple {
  return { low: value, usual: value, high: value };
}

/**
 * `usual` give or take `spread`, a share of it (0.1 is +-10 %).
 * @example withSpread(10, 0.25) // { low: 7.5, usual: 10, high: 12.5 }
 * @see Q3 for where spreads come from
 */
export function withSpread(usual: number, spread = 0): Triple {
  return { low: usual * (1 - spread), usual, high: usual * (1 + spread) };
}

/**
 * Bounds around a usual figure as a person would write them down: with two digits of how far they are apart.
 * @param spread share of the usual figure
 * @example usualRange(7, 0.2) // { low: 5.6, usual: 7, high: 8.4 }
 * @see Q3
 */
export function usualRange(usual: number, spread: number): Triple {
  const apart = Number((usual * spread).toPrecision(2));
  const rounded = (value: number): number => Number(value.toPrecision(12));
  return { low: rounded(usual - apart), usual, high: rounded(usual + apart) };
}

/**
 * What is expected of an amount that lies between low and high, mostly at usual.
 * @example expectedOf({ low: 2, usual: 3, high: 10 }) // 4
 * @see Q5 T1
 */
export function expectedOf({ low, usual, high }: Triple): number {
  /* From usual, so that a single figure is itself to the last digit. */
  return usual + (low - usual + (high - usual)) / 6;
}

/** `make` applied to low, usual and high; `make` must not decrease. */
export function mapTriple(triple: Triple, make: (value: number) => number): Triple {
  return { low: make(triple.low), usual: make(triple.usual), high: make(triple.high) };
}

/**
 * Every bound times `factor` (>= 0).
 * @example scaleTriple({ low: 1, usual: 2, high: 4 }, 3) // { low: 3, usual: 6, high: 12 }
 */
export function scaleTriple(triple: Triple, factor: number): Triple {
  return { low: triple.low * factor, usual: triple.usual * factor, high: triple.high * factor };
}

/**
 * Low with low, usual with usual, high with high.
 * @example addTriples(exactly(1), withSpread(2, 0.5)) // { low: 2, usual: 3, high: 4 }
 */
export function addTriples(a: Triple, b: Triple): Triple {
  return { low: a.low + b.low, usual: a.usual + b.usual, high: a.high + b.high };
}

/** The sum of all, `ZERO` for none. */
export function sumTriples(triples: readonly Triple[]): Triple {
  return triples.reduce(addTriples, ZERO);
}

/**
 * Product of two spreads of non-negative figures: the bounds multiply.
 * @example multiplyTriples(exactly(2), { low: 1, usual: 2, high: 3 }) // { low: 2, usual: 4, high: 6 }
 */
export function multiplyTriples(a: Triple, b: Triple): Triple {
  return { low: a.low * b.low, usual: a.usual * b.usual, high: a.high * b.high };
}

/**
 * True for finite, non-negative bounds in order.
 * @example isOrdered({ low: 2, usual: 1, high: 3 }) // false
 */
export function isOrdered(triple: Triple): boolean {
  const { low, usual, high } = triple;
  return Number.isFinite(low) && Number.isFinite(high) && 0 <= low && low <= usual && usual <= high;
}
