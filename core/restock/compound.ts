import type { MaterialDemand } from '../draws/demandRate';
import { wholeAbove } from '../dose/openPacks';
import { normalCumulative, normalDensity, normalQuantile } from './normal';
import type { UsesWhileWaiting } from './usesWhileWaiting';

/** Above this many uses the sum is close enough to normal. */
const MOST_USES_BY_RECURSION = 200;
/** Cells of the grid in the smallest dose, for ml and g. */
const CELLS_PER_SMALLEST_DOSE = 20;
/** Room for rounding in a sum of chances. */
const TOLERANCE = 1e-12;
/** Amounts this close to a cell, in cells, lie on it. */
const ON_CELL = 1e-9;
/** A sum of chances that does not grow any more is at its end. */
const MOST_CELLS = 4_000_000;
/** Cells that are added up at a time. */
const FEW_CELLS = 64;

/** How much is asked for while an order is waited for: a random number of uses of random size. */
export interface CompoundDemand {
  readonly method: 'recursion' | 'normal' | 'no-demand';
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
 * Demand while waiting as a compound sum, by Panjer's recursion on a grid of one piece (or a twentieth
 * of the smallest dose); by the normal approximation above 200 expected uses.
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
  const { meanSize, squareSize } = momentsOf(demand);
  const mean = uses.mean * meanSize;
  const sd = Math.sqrt(
    uses.mean * Math.max(0, squareSize - meanSize ** 2) + uses.variance * meanSize ** 2,
  );
  if (uses.mean === 0 || demand.sizes.length === 0) {
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
  const smallest = demand.sizes.reduce((least, { amount }) => Math.min(least, amount), Infinity);
  const cell = indivisible ?? smallest / CELLS_PER_SMALLEST_DOSE;
  return uses.mean > MOST_USES_BY_RECURSION
    ? normalDemand(mean, sd, meanSize, squareSize, cell, indivisible)
    : new Recursion(demand, uses, cell, mean, sd);
}

function normalDemand(
  mean: number,
  sd: number,
  meanSize: number,
  squareSize: number,
  cell: number,
  indivisible: number | undefined,
): CompoundDemand {
  const beyond = Math.max(0, squareSize / meanSize - cell) / 2;
  const share = (amount: number): number =>
    sd > 0 ? normalCumulative((amount - mean) / sd) : amount >= mean ? 1 : 0;
  return {
    method: 'normal',
    cell,
    mean,
    sd,
    within: share,
    inTime: (amount) => share(amount - beyond),
    shortage: (amount) => {
      if (sd === 0) return Math.max(0, mean - amount);
      const z = (amount - mean) / sd;
      return sd * (normalDensity(z) - z * (1 - normalCumulative(z)));
    },
    least: (level, by) => {
      const point = mean + normalQuantile(level) * sd + (by === 'inTime' ? beyond : 0);
      return indivisible ? wholeAbove(point / cell) * cell : point;
    },
  };
}

interface SizeInCells {
  readonly cells: number;
  readonly share: number;
}

/** The recursion, taken as far as it has been asked about. */
class Recursion implements CompoundDemand {
  readonly method = 'recursion';
  readonly cell: number;
  readonly mean: number;
  readonly sd: number;
  readonly #lengths: Int32Array;
  readonly #shares: Float64Array;
  readonly #flat: Float64Array;
  readonly #falling: Float64Array;
  readonly #meanCells: number;
  /** Poisson: nothing of it is flat */
  readonly #plain: boolean;
  /** P(demand = x), in cells */
  #chances: Float64Array;
  /** P(demand <= x) */
  #within: Float64Array;
  /** the sum of P(demand <= y) over y <= x */
  #sums: Float64Array;
  #known = 1;

  constructor(
    demand: MaterialDemand,
    { mean, variance, law }: UsesWhileWaiting,
    cell: number,
    amountMean: number,
    amountSd: number,
  ) {
    this.cell = cell;
    this.mean = amountMean;
    this.sd = amountSd;
    const sizes = sizesInCells(demand, cell);
    this.#plain = law === 'poisson';
    const over = this.#plain ? 0 : variance / mean - 1;
    const a = over / (1 + over);
    const b = law === 'poisson' ? mean : (mean / over - 1) * a;
    const nothing = sizes.find(({ cells }) => cells === 0)?.share ?? 0;
    const start =
      law === 'poisson'
        ? Math.exp(-mean * (1 - nothing))
        : (1 + over * (1 - nothing)) ** (-mean / over);
    const positive = sizes
      .filter(({ cells }) => cells > 0)
      .sort((one, two) => one.cells - two.cells);
    this.#lengths = Int32Array.from(positive, ({ cells }) => cells);
    this.#shares = Float64Array.from(positive, ({ share }) => share);
    this.#flat = Float64Array.from(positive, ({ share }) => (a * share) / (1 - a * nothing));
    this.#falling = Float64Array.from(
      positive,
      ({ share, cells }) => (b * cells * share) / (1 - a * nothing),
    );
    this.#meanCells = positive.reduce((sum, { cells, share }) => sum + cells * share, 0);
    /* As far as it is usually asked about. */
    const room = Math.ceil((amountMean + 3 * amountSd) / cell) + 2 * FEW_CELLS;
    this.#chances = new Float64Array(room);
    this.#within = new Float64Array(room);
    this.#sums = new Float64Array(room);
    this.#chances[0] = start;
    this.#within[0] = start;
    this.#sums[0] = start;
  }

  within = (amount: number): number => {
    const x = this.#cellsIn(amount);
    if (x < 0) return 0;
    this.#know(x);
    return this.#within[x] as number;
  };

  inTime = (amount: number): number => this.#inTimeAt(this.#cellsIn(amount));

  shortage = (amount: number): number => {
    const x = this.#cellsIn(amount);
    if (x <= 0) return this.mean - amount;
    this.#know(x);
    /* E[(D - x)+] = E[D] - the sum of P(D > y) over y < x */
    const short = this.mean / this.cell - x + (this.#sums[x - 1] as number);
    return Math.max(0, short) * this.cell;
  };

  least = (level: number, by: 'within' | 'inTime'): number => {
    const wanted = level - TOLERANCE;
    while ((this.#within[this.#known - 1] as number) < wanted && this.#known < MOST_CELLS) {
      this.#know(this.#known + Math.max(FEW_CELLS, this.#known >> 3));
    }
    const within = this.#within;
    let x = 0;
    for (let to = this.#known - 1; x < to;) {
      const middle = (x + to) >> 1;
      if ((within[middle] as number) >= wanted) to = middle;
      else x = middle + 1;
    }
    /* No order is in time more often than demand is within the point. */
    if (by === 'inTime') while (x < MOST_CELLS && this.#inTimeAt(x) < wanted) x += 1;
    return x * this.cell;
  };

  #inTimeAt(x: number): number {
    if (x < 0) return 0;
    this.#know(x);
    const all = this.#sums[x] as number;
    let sum = 0;
    for (let at = 0; at < this.#lengths.length; at += 1) {
      const below = x - (this.#lengths[at] as number);
      sum += (this.#shares[at] as number) * (all - (below < 0 ? 0 : (this.#sums[below] as number)));
    }
    return sum / this.#meanCells;
  }

  #cellsIn(amount: number): number {
    return Math.floor(amount / this.cell + ON_CELL);
  }

  /* The innermost loop of the whole house: indexes are in range, so their values are there. */
  #know(upTo: number): void {
    if (upTo < this.#known) return;
    if (upTo >= this.#chances.length) this.#grow(upTo);
    const lengths = this.#lengths;
    const flat = this.#flat;
    const falling = this.#falling;
    const chances = this.#chances;
    const count = lengths.length;
    const plain = this.#plain;
    for (let x = this.#known; x <= upTo; x += 1) {
      let byFlat = 0;
      let byFalling = 0;
      for (let at = 0; at < count; at += 1) {
        const below = x - (lengths[at] as number);
        if (below < 0) break;
        const before = chances[below] as number;
        byFalling += (falling[at] as number) * before;
        if (!plain) byFlat += (flat[at] as number) * before;
      }
      const chance = byFlat + byFalling / x;
      chances[x] = chance;
      this.#within[x] = (this.#within[x - 1] as number) + chance;
      this.#sums[x] = (this.#sums[x - 1] as number) + (this.#within[x] as number);
    }
    this.#known = upTo + 1;
  }

  #grow(upTo: number): void {
    const grown = (of: Float64Array): Float64Array<ArrayBuffer> => {
      const larger = new Float64Array(Math.max(of.length * 2, upTo + 1));
      larger.set(of);
      return larger;
    };
    this.#chances = grown(this.#chances);
    this.#within = grown(this.#within);
    this.#sums = grown(this.#sums);
  }
}

/** Sizes on the grid; one between two cells is divided over them so that the mean stays. */
function sizesInCells(demand: MaterialDemand, cell: number): SizeInCells[] {
  const shares = new Map<number, number>();
  const add = (cells: number, share: number): void => {
    shares.set(cells, (shares.get(cells) ?? 0) + share);
  };
  for (const { amount, share } of demand.sizes) {
    const exact = amount / cell;
    const below = Math.floor(exact + ON_CELL);
    const beyond = Math.max(0, exact - below);
    if (beyond <= ON_CELL) add(below, share);
    else {
      add(below, share * (1 - beyond));
      add(below + 1, share * beyond);
    }
  }
  return [...shares].map(([cells, share]) => ({ cells, share })).filter(({ share }) => share > 0);
}

function momentsOf(demand: MaterialDemand): { meanSize: number; squareSize: number } {
  let meanSize = 0;
  let squareSize = 0;
  for (const { amount, share } of demand.sizes) {
    meanSize += share * amount;
    squareSize += share * amount * amount;
  }
  return { meanSize, squareSize };
}
