import { wholeAbove } from '../dose/openPacks';

/** Packs per batch are compared in thousandths: a third of a sachet is not a recipe. */
const PACK_FRACTIONS = 1000;

/**
 * The next scale at or above `scale` at which every part that comes only as whole packs is a whole
 * number of packs.
 * @param scale wanted batches, >= 0
 * @param packsPerBatch packs of each such part in the reference batch, in thousandths at the finest
 * @see M2
 */
export function wholePackScale(scale: number, packsPerBatch: readonly number[]): number {
  const thousandths = packsPerBatch.map((packs) => Math.max(1, Math.round(packs * PACK_FRACTIONS)));
  const shared = thousandths.reduce(greatestCommonDivisor, 0) / PACK_FRACTIONS;
  return shared === 0 ? scale : wholeAbove(scale * shared) / shared;
}

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
