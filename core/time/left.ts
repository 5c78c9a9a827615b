import {
  allInSequence,
  CELLS_PER_MINUTE,
  chanceBeyond,
  meanMinutes,
  NO_TIME,
  paceWeights,
  type Cells,
  type Distribution,
} from './distribution';

/** What is left of something in hand and all that comes after it; how likely each pace is by now. */
export interface TimeLeft {
  /** expected minutes */
  readonly mean: number;
  readonly byPace: readonly { readonly weight: number; readonly time: Distribution }[];
}

/** Cells that have passed by less than this are not over yet. */
const SAME = 1e-9;

/**
 * What is left of a time that has taken so long already, and of what comes after it. That it takes long also says
 * that this visit may be a slow one: each pace weighs by how likely it is to have come so far.
 * @param inHand the time of what is in hand, from its beginning
 * @param gone minutes since then, 0 or more
 * @param toCome one after the other
 * @example
 * leftAfter(pointAt(12), 5, []).mean // 7
 * @see R2
 */
export function leftAfter(
  inHand: Distribution,
  gone: number,
  toCome: readonly Distribution[],
): TimeLeft {
  const count = Math.max(inHand.paces.length, ...toCome.map(({ paces }) => paces.length));
  const weights = paceWeights(count);
  const all = Array.from({ length: count }, (_, pace) => {
    const { time, chance } = leftOf(atPace(inHand, pace), gone);
    const later = allInSequence(toCome.map((each) => atPace(each, pace)));
    return {
      weight: (weights[pace] ?? 0) * chance,
      time: allInSequence([time, later]),
    };
  });
  const sum = all.reduce((so, { weight }) => so + weight, 0);
  /* Longer than it ever takes: it ends any moment, and nothing is known of the pace by it. */
  const byPace = all.map(({ weight, time }, pace) => ({
    weight: sum > 0 ? weight / sum : (weights[pace] ?? 0),
    time,
  }));
  const mean = byPace.reduce((so, { weight, time }) => so + weight * meanMinutes(time), 0);
  return { mean, byPace };
}

/**
 * The chance that what is left takes no longer than `minutes`.
 * @see R2
 */
export function chanceWithin({ byPace }: TimeLeft, minutes: number): number {
  return byPace.reduce(
    (sum, { weight, time }) => sum + weight * (1 - chanceBeyond(time, minutes)),
    0,
  );
}

/** A time at one pace only. */
function atPace({ shift, mean, paces }: Distribution, pace: number): Distribution {
  const cells = paces.length === 1 ? paces[0] : paces[pace];
  if (!cells || paces.length === 1) return { shift, mean, paces };
  return { shift, mean: shift + meanOfCells(cells), paces: [cells] };
}

/** What is left of a time at one pace, and how likely it is that it takes longer than what is gone. */
function leftOf(
  time: Distribution,
  gone: number,
): { readonly time: Distribution; readonly chance: number } {
  if (gone <= 0) return { time, chance: 1 };
  const { shift, paces } = time;
  const [cells] = paces as readonly [Cells];
  const { first, chances } = cells;
  const over = (gone - shift) * CELLS_PER_MINUTE - first;
  const from = Math.max(0, Math.floor(over + SAME) + (over >= 0 ? 1 : 0));
  const rest = chances.subarray(from);
  const chance = rest.reduce((sum, each) => sum + each, 0);
  if (chance <= 0) return { time: NO_TIME, chance: 0 };
  const kept: Cells = { first: first + from, chances: rest.map((each) => each / chance) };
  const left = shift - gone;
  return {
    time: { shift: left, mean: left + meanOfCells(kept), paces: [kept] },
    chance: from === 0 ? 1 : chance,
  };
}

function meanOfCells({ first, chances }: Cells): number {
  let sum = 0;
  chances.forEach((chance, at) => (sum += chance * at));
  return (first + sum) / CELLS_PER_MINUTE;
}
