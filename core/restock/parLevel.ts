import { wholeAbove } from '../dose/openPacks';

/**
 * Linen goes round instead of being used up: par = pieces a day x (days at the wash + days of safety),
 * rounded up.
 * @returns whole pieces that the house must own
 * @see S7
 */
export function parLevel(piecesPerDay: number, washDays: number, safetyDays: number): number {
  return Math.max(0, wholeAbove(piecesPerDay * (washDays + safetyDays)));
}
