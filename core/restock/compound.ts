import type { MaterialDemand } from '../draws/demandRate';
import { sumByFourier } from './sumByFourier';
import { SumByRecursion } from './sumByRecursion';
import { cellsFor, momentsOf, sizesInCells, spreadOfUses, type CellSums } from './sumOnGrid';
import type { UsesInTime, UsesWhileWaiting } from './usesWhileWaiting';

/** Room for rounding in a sum of chances. */
const TOLERANCE = 1e-12;
/** Amounts this close to a cell, in cells, lie on it. */
const ON_CELL = 1e-9;
/** A sum of chances that does not grow any more is at its end. */
const MOST_CELLS = 4_000_000;
/** Up to so many lengths of waiting, each is added up by itself faster than all are transformed. */
const FEW_PARTS = 32;
/** Cells that are added up at a time. */
const FEW_CELLS = 64;

/** How much is asked for while an order is waited for: a random number of uses of random size. */
export interface CompoundDemand {
  readonly method: 'recursion' | 'fourier' | 'no-demand';
  /** of the grid, in the material's unit */
  readonly cell: number;
  readonly mean: number;
  readonly sd: number;
  /** P(demand <= amount) */
  readonly within: (amount: number) => number;
  /**
   * P(demand + what the last use took beyond the order point <= amount): the share of orders that
   * arrive in time when they are written as soon as a use has gone to `amount` or below it.
   */
  readonly inTime: (amount: number) => number;
  /** E[(demand - amount)+], in the material's unit */
  readonly shortage: (amount: number) => number;
  /** the smallest amount with within >= level and, where asked, inTime >= level */
  readonly least: (level: number, by: 'within' | 'inTime') => number;
}

/**
 * Demand while waiting as a compound sum, on a grid of one piece (or a twentieth
 * of the smallest dose; coarser where that is less than an eight-thousandth of what is likely), however many uses are expected; by Panjer's
 * recursion, over each length of waiting; where there are many of these, by the Fourier transform of all.
 *
 * What a use takes beyond the order point follows the excess of a renewal process, P(excess = u) =
 * P(size > u) / E[size]: large uses jump over the point instead of landing on it.
 * @param indivisible whole steps in which the material goes: a piece, one single dose; nothing for ml
 *   and g by hand
 * @see S2 S3; Panjer, "Recursive evaluation of a family of compound distributions", 1981
 */
export function compoundDemand(
  demand: MaterialDemand,
  uses: UsesWhileWaiting,
  indivisible?: number,
): CompoundDemand {
  if (demand.sizes.length === 0) {
    return {
      method: 'no-demand',
      cell: indivisible ?? 0,
      mean: 0,
      sd: 0,
      within: (amount) => (amount >= 0 ? 1 : 0),
      inTime: (amount) => (amount >= 0 ? 1 : 0),
      shortage: (amount) => Math.max(0, -amount),
      least: () => 0,
    };
  }
  return new CompoundSum(demand, uses, cellsFor(demand, uses, indivisible));
}

/** Sums over waits of several lengths, together. */
function mixtureOf(parts: readonly UsesInTime[], sumOf: (part: UsesInTime) => CellSums): CellSums {
  const sums = parts.map((part) => ({ share: part.share, of: sumOf(part) }));
  const mixed = (at: (of: CellSums) => number): number => {
    let all = 0;
    for (const { share, of } of sums) all += share * at(of);
    return all;
  };
  return {
    withinAt: (x) => mixed((of) => of.withinAt(x)),
    sumAt: (x) => mixed((of) => of.sumAt(x)),
  };
}

class CompoundSum implements CompoundDemand {
  readonly method;
  readonly cell: number;
  readonly mean: number;
  readonly sd: number;
  readonly #of: CellSums;
  readonly #lengths: readonly number[];
  readonly #shares: readonly number[];
  readonly #meanCells: number;

  constructor(demand: MaterialDemand, uses: UsesWhileWaiting, cell: number) {
    const moments = momentsOf(demand);
    const sizes = sizesInCells(demand, cell);
    const positive = sizes.filter(({ cells }) => cells > 0);
    const [only, ...others] = uses.parts;
    const isOne = only !== undefined && others.length === 0;
    const isFew = uses.parts.length <= FEW_PARTS;
    this.method = isFew ? ('recursion' as const) : ('fourier' as const);
    this.cell = cell;
    this.mean = uses.mean * moments.meanSize;
    this.sd = spreadOfUses(uses, moments);
    this.#lengths = positive.map(({ cells }) => cells);
    this.#shares = positive.map(({ share }) => share);
    this.#meanCells = positive.reduce((sum, { cells, share }) => sum + cells * share, 0);
    /* As far as it is usually asked about. */
    const room = Math.ceil((this.mean + 3 * this.sd) / cell) + 2 * FEW_CELLS;
    this.#of = isOne
      ? new SumByRecursion(sizes, only, room)
      : isFew
        ? mixtureOf(uses.parts, (part) => new SumByRecursion(sizes, part, room))
        : sumByFourier(sizes, uses.parts);
  }

  within = (amount: number): number => {
    const x = this.#cellsIn(amount);
    return x < 0 ? 0 : this.#of.withinAt(x);
  };

  inTime = (amount: number): number => this.#inTimeAt(this.#cellsIn(amount));

  shortage = (amount: number): number => {
    const x = this.#cellsIn(amount);
    if (x <= 0) return this.mean - amount;
    /* E[(D - x)+] = E[D] - the sum of P(D > y) over y < x */
    const short = this.mean / this.cell - x + this.#of.sumAt(x - 1);
    return Math.max(0, short) * this.cell;
  };

  least = (level: number, by: 'within' | 'inTime'): number => {
    const wanted = level - TOLERANCE;
    let x = 0;
    let to = FEW_CELLS;
    while (this.#of.withinAt(to) < wanted && to < MOST_CELLS) to += Math.max(FEW_CELLS, to >> 3);
    while (x < to) {
      const middle = (x + to) >> 1;
      if (this.#of.withinAt(middle) >= wanted) to = middle;
      else x = middle + 1;
    }
    /* No order is in time more often than demand is within the point. */
    if (by === 'inTime') while (x < MOST_CELLS && this.#inTimeAt(x) < wanted) x += 1;
    return x * this.cell;
  };

  #inTimeAt(x: number): number {
    if (x < 0) return 0;
    const all = this.#of.sumAt(x);
    let sum = 0;
    for (let at = 0; at < this.#lengths.length; at += 1) {
      const below = x - (this.#lengths[at] as number);
      sum += (this.#shares[at] as number) * (all - (below < 0 ? 0 : this.#of.sumAt(below)));
    }
    return sum / this.#meanCells;
  }

  #cellsIn(amount: number): number {
    return Math.floor(amount / this.cell + ON_CELL);
  }
}
