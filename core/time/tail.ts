import { CELLS_PER_MINUTE, quantileCell, type Distribution } from './distribution';

/** The likely spread of an end, for drawing: heights from 0 to 1 along the minutes. */
export interface Tail {
  readonly from: number;
  readonly to: number;
  readonly points: readonly { readonly minutes: number; readonly height: number }[];
}

const LEFT_OUT = 0.005;

/**
 * The part of a distribution in which all but one visit in a hundred ends.
 * @see T2
 */
export function tailOf(time: Distribution): Tail {
  const first = quantileCell(time, LEFT_OUT);
  const last = quantileCell(time, 1 - LEFT_OUT);
  const chances = time.chances.slice(first - time.first, last - time.first + 1);
  const highest = Math.max(...chances);
  return {
    from: first / CELLS_PER_MINUTE,
    to: last / CELLS_PER_MINUTE,
    points: [...chances].map((chance, at) => ({
      minutes: (first + at) / CELLS_PER_MINUTE,
      height: chance / highest,
    })),
  };
}
