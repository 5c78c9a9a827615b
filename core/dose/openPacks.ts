import type { Triple } from '../quantity/triple';

/** Room for rounding in the last digits, so that 3 x 0.1 of a pack is not four tenths. */
const TOLERANCE = 1e-9;

/** Whole packs to open for `drawn`, and what they leave. */
export interface OpenedPacks {
  readonly packs: Triple;
  /** packs x content */
  readonly consumed: Triple;
  /** lost unless something later in the visit uses it */
  readonly leftOver: Triple;
}

/**
 * Opens single doses: packs = ceil((drawn - already open) / content).
 * @param drawn what the dose takes, in the material's unit
 * @param content of one pack, in the same unit, > 0
 * @param alreadyOpen left over from packs opened earlier in the visit
 * @see D3
 */
export function openPacks(drawn: Triple, content: number, alreadyOpen: Triple): OpenedPacks {
  const low = openAt(drawn.low, content, alreadyOpen.low);
  const usual = openAt(drawn.usual, content, alreadyOpen.usual);
  const high = openAt(drawn.high, content, alreadyOpen.high);
  return {
    packs: { low: low.packs, usual: usual.packs, high: high.packs },
    consumed: {
      low: low.packs * content,
      usual: usual.packs * content,
      high: high.packs * content,
    },
    leftOver: { low: low.left, usual: usual.left, high: high.left },
  };
}

/** The next whole number at or above `value`, forgiving the last digits. */
export function wholeAbove(value: number): number {
  return Math.ceil(value - TOLERANCE * Math.max(1, Math.abs(value)));
}

function openAt(drawn: number, content: number, open: number): { packs: number; left: number } {
  const packs = Math.max(0, wholeAbove((drawn - open) / content));
  return { packs, left: Math.max(0, open + packs * content - drawn) };
}
