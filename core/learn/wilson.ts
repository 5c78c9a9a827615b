/** Of a normal spread, 95 % lie within so many standard deviations. */
export const Z_95 = 1.959964;

/** A share that was seen, and between what it lies with a certainty of 95 %. */
export interface SeenShare {
  readonly hits: number;
  readonly of: number;
  /** hits / of; 0 of none */
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/**
 * The share of visits for which something was so, with Wilson's 95 % interval.
 * @param of 0 or more; nothing is known of none, so that all from 0 to 1 may be
 * @example seenShare(0, 0) // { hits: 0, of: 0, share: 0, low: 0, high: 1 }
 * @see L3; Wilson, 1927
 */
export function seenShare(hits: number, of: number): SeenShare {
  if (of === 0) return { hits, of, share: 0, low: 0, high: 1 };
  const share = hits / of;
  const z2 = Z_95 ** 2;
  const middle = (share + z2 / (2 * of)) / (1 + z2 / of);
  const half = (Z_95 / (1 + z2 / of)) * Math.sqrt((share * (1 - share)) / of + z2 / (4 * of * of));
  return { hits, of, share, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** Whether what was promised lies outside of what was seen. @see L3 */
export function isQuestioned({ low, high }: SeenShare, promised: number): boolean {
  return promised < low || promised > high;
}
