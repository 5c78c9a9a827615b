import type { Minutes } from '../house/house';
import {
  allInSequence,
  CELLS_PER_MINUTE,
  paceFactors,
  pointAt,
  sideBySide,
  type Cells,
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
 * The time of one step: beta-PERT between least and most with its peak at usual, on the grid; a fixed time,
 * exactly, where least = most. At each pace all of it is shorter or longer by the factor of that pace. Expected
 * are (least + 4 usual + most) / 6 minutes.
 * @param minutes least <= usual <= most, see `areMinutes`
 * @param paceSpread of guests and hands, a share from 0; house setting
 * @see T1 T2 T7; Malcolm et al., 1959; Vose, Risk Analysis
 */
export function stepTime(minutes: Minutes, paceSpread: number): Distribution {
  return remember(`${paceSpread}:${keyOf(minutes)}`, () => makeStepTime(minutes, paceSpread));
}

/**
 * The time of a step with what is done beside it: as long as the longer of the step and all of that in
 * sequence. The same object for the same minutes.
 * @see T2 T7
 */
export function timeWithBeside(
  minutes: Minutes,
  beside: readonly Minutes[],
  paceSpread: number,
): Distribution {
  if (beside.length === 0) return stepTime(minutes, paceSpread);
  return remember(`${paceSpread}:${keyOf(minutes)}|${beside.map(keyOf).join('+')}`, () =>
    sideBySide(
      stepTime(minutes, paceSpread),
      allInSequence(beside.map((each) => stepTime(each, paceSpread))),
    ),
  );
}

/**
 * The minutes a step takes on average.
 * @example expectedMinutes({ least: 2, usual: 3, most: 5 }) // 3.1666666666666665
 * @see T1 T2
 */
export function expectedMinutes({ least, usual, most }: Minutes): number {
  return (least + 4 * usual + most) / 6;
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

function makeStepTime({ least, usual, most }: Minutes, paceSpread: number): Distribution {
  const width = most - least;
  if (width === 0) return pointAt(usual);
  const alpha = 1 + (4 * (usual - least)) / width;
  const beta = 1 + (4 * (most - usual)) / width;
  return {
    shift: 0,
    mean: expectedMinutes({ least, usual, most }),
    paces: paceFactors(paceSpread).map((pace) =>
      betaCells(least * pace, width * pace, alpha, beta),
    ),
  };
}

/** The chance of cell k is F((k + 1/2) h) - F((k - 1/2) h). */
function betaCells(least: number, width: number, alpha: number, beta: number): Cells {
  const first = Math.round(least * CELLS_PER_MINUTE);
  const last = Math.round((least + width) * CELLS_PER_MINUTE);
  const chances = new Float64Array(last - first + 1);
  let below = 0;
  for (let cell = first; cell <= last; cell += 1) {
    const within = ((cell + 0.5) / CELLS_PER_MINUTE - least) / width;
    const upTo = cell === last ? 1 : incompleteBeta(within, alpha, beta);
    chances[cell - first] = upTo - below;
    below = upTo;
  }
  return { first, chances };
}
