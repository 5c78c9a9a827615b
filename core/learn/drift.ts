/** How much the newest value weighs. @see L4 */
const WEIGHT = 0.2;
const SIGMAS = 3;

/** A weighted mean as it stood after one visit, and the limit that it must not pass. */
export interface DriftPoint {
  readonly mean: number;
  /** so far from the centre it may be */
  readonly limit: number;
  readonly isOutside: boolean;
}

/**
 * Whether values wander off: their exponentially weighted mean (weight 0.2), from the centre on, with limits of
 * 3 sigma sqrt(0.2/1.8 (1 - 0.8^(2t))).
 * @param values in the order of visits
 * @param centre where they should lie
 * @param sigma how far single values lie apart, above 0
 * @returns a point for each value
 * @see L4; Roberts, 1959
 */
export function driftOf(values: readonly number[], centre: number, sigma: number): DriftPoint[] {
  let mean = centre;
  return values.map((value, at) => {
    mean = WEIGHT * value + (1 - WEIGHT) * mean;
    const sure = 1 - (1 - WEIGHT) ** (2 * (at + 1));
    const limit = SIGMAS * sigma * Math.sqrt((WEIGHT / (2 - WEIGHT)) * sure);
    return { mean, limit, isOutside: Math.abs(mean - centre) > limit };
  });
}

/** Of a normal spread, the mean distance of two values that follow each other, in standard deviations. */
const MOVING_RANGE = 1.128;

/**
 * How far single values lie apart, by those that follow each other: what wanders off does not widen it.
 * @param least that it is taken for
 */
export function sigmaOf(values: readonly number[], least: number): number {
  if (values.length < 2) return least;
  let sum = 0;
  for (let at = 1; at < values.length; at += 1)
    sum += Math.abs((values[at] ?? 0) - (values[at - 1] ?? 0));
  return Math.max(least, sum / (values.length - 1) / MOVING_RANGE);
}
