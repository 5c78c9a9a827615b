import type { Minutes } from '../house/house';
import {
  allInSequence,
  CELLS_PER_MINUTE,
  pointAt,
  sideBySide,
  type Distribution,
} from './distribution';
import { incompleteBeta } from './incompleteBeta';

const MOST_REMEMBERED = 4096;
const remembered = new Map<string, Distribution>();

/** True for finite minutes of 0 or more, least <= usual <= most. */
export function areMinutes({ least, usual, most }: Minutes): boolean {
  return Number.isFinite(most) && 0 <= least && least <= usual && usual <= most;
}

/**
 * The time of one step: beta-PERT between least and most with its peak at usual, on the grid; a
 * fixed time where least = most. The chance of cell k is F((k + 1/2) h) - F((k - 1/2) h).
 * @param minutes least <= usual <= most, see `areMinutes`
 * @see T1 T2; Malcolm et al., 1959; Vose, Risk Analysis
 */
export function stepTime(minutes: Minutes): Distribution {
  return remember(keyOf(minutes), () => makeStepTime(minutes));
}

/**
 * The time of a step with what is done beside it: as long as the longer of the step and all of that in
 * sequence. The same object for the same minutes.
 * @see T2
 */
export function timeWithBeside(minutes: Minutes, beside: readonly Minutes[]): Distribution {
  if (beside.length === 0) return stepTime(minutes);
  return remember(`${keyOf(minutes)}|${beside.map(keyOf).join('+')}`, () =>
    sideBySide(stepTime(minutes), allInSequence(beside.map(stepTime))),
  );
}

function keyOf({ least, usual, most }: Minutes): string {
  return `${least}/${usual}/${most}`;
}

function remember(key: string, make: () => Distribution): Distribution {
  const known = remembered.get(key);
  if (known) return known;
  const made = make();
  if (remembered.size >= MOST_REMEMBERED) remembered.clear();
  remembered.set(key, made);
  return made;
}

function makeStepTime({ least, usual, most }: Minutes): Distribution {
  const width = most - least;
  if (width === 0) return pointAt(usual);
  const alpha = 1 + (4 * (usual - least)) / width;
  const beta = 1 + (4 * (most - usual)) / width;
  const before = (cell: number): number =>
    incompleteBeta((cell / CELLS_PER_MINUTE - least) / width, alpha, beta);

  const first = Math.round(least * CELLS_PER_MINUTE);
  const last = Math.round(most * CELLS_PER_MINUTE);
  const chances = new Float64Array(last - first + 1);
  let below = 0;
  for (let cell = first; cell <= last; cell += 1) {
    const upTo = cell === last ? 1 : before(cell + 0.5);
    chances[cell - first] = upTo - below;
    below = upTo;
  }
  return { first, chances };
}
