import type { Minutes } from '../house/house';

/** A figure that is written is worth as much as so many visits. @see L1 */
const WRITTEN_IS_WORTH = 8;

/**
 * How far a written figure goes towards what was logged: n / (n + 8).
 * @param n logged values, 0 or more
 * @example weightOfLog(8) // 0.5
 * @see L1
 */
export function weightOfLog(n: number): number {
  return n / (n + WRITTEN_IS_WORTH);
}

/** The mean of some values; 0 of none. */
export function meanOf(values: readonly number[]): number {
  return values.length === 0 ? 0 : values.reduce((sum, each) => sum + each, 0) / values.length;
}

/** How far values lie apart: their standard deviation, by n - 1; 0 of fewer than two. */
export function spreadOf(values: readonly number[]): number {
  if (values.length < 2) return 0;
  const mean = meanOf(values);
  const squares = values.reduce((sum, each) => sum + (each - mean) ** 2, 0);
  return Math.sqrt(squares / (values.length - 1));
}

/**
 * A written mean, corrected towards the mean of the log.
 * @param written as it is expected by what is written
 * @param values as they were logged, in the same unit
 * @example correctedMean(10, [12, 12, 12, 12, 12, 12, 12, 12]) // 11
 * @see L1
 */
export function correctedMean(written: number, values: readonly number[]): number {
  return written + weightOfLog(values.length) * (meanOf(values) - written);
}

/**
 * The value below which a share of all lies, linear between order statistics.
 * @param sorted in rising order, at least one
 * @param share from 0 to 1
 * @example quantileOf([6, 8], 0.25) // 6.5
 * @see L2
 */
export function quantileOf(sorted: readonly number[], share: number): number {
  const place = share * (sorted.length - 1);
  const below = Math.floor(place);
  const at = sorted[below] ?? 0;
  const next = sorted[below + 1] ?? at;
  return at + (place - below) * (next - at);
}

const LEAST_SHARE = 0.05;
const MOST_SHARE = 0.95;

/**
 * The minutes of a step as its log has them: least and most go towards the 5 % and 95 % points of the log, usual
 * follows from the corrected mean and stays between them.
 * @param values logged minutes; as it is written without any
 * @see L1 L2
 */
export function minutesByLog(written: Minutes, values: readonly number[]): Minutes {
  if (values.length === 0) return written;
  const sorted = values.toSorted((a, b) => a - b);
  const weight = weightOfLog(values.length);
  const mean = correctedMean((written.least + 4 * written.usual + written.most) / 6, values);
  const least = written.least + weight * (quantileOf(sorted, LEAST_SHARE) - written.least);
  const most = written.most + weight * (quantileOf(sorted, MOST_SHARE) - written.most);
  const usual = Math.min(most, Math.max(least, (6 * mean - least - most) / 4));
  return { least, usual, most };
}
