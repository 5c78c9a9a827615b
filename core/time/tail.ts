import {
  CELLS_PER_MINUTE,
  mixed,
  quantileMinutes,
  type Cells,
  type Distribution,
} from './distribution';

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
  const { shift, paces } = mixed(time);
  const { first, chances } = paces[0] as Cells;
  const cellOf = (minutes: number): number =>
    Math.round((minutes - shift) * CELLS_PER_MINUTE) - first;
  const from = cellOf(quantileMinutes(time, LEFT_OUT));
  const to = cellOf(quantileMinutes(time, 1 - LEFT_OUT));
  const drawn = chances.slice(from, to + 1);
  const highest = Math.max(...drawn);
  const minutesAt = (at: number): number => shift + (first + at) / CELLS_PER_MINUTE;
  return {
    from: minutesAt(from),
    to: minutesAt(to),
    points: [...drawn].map((chance, at) => ({
      minutes: minutesAt(from + at),
      height: chance / highest,
    })),
  };
}
