import type { MaterialDemand } from '../draws/demandRate';
import type { UsesInTime } from './usesWhileWaiting';

/**
 * Cells up to which a demand is likely: where small doses are many, their twentieths are finer than anybody
 * needs.
 */
const FINE_CELLS = 8_000;
/** Cells of the grid in the smallest dose, for ml and g. */
const CELLS_PER_SMALLEST_DOSE = 20;
/** Amounts this close to a cell, in cells, lie on it. */
const ON_CELL = 1e-9;

/** A sum of uses on its grid. */
export interface CellSums {
  /** P(demand <= x), in cells, x >= 0 */
  readonly withinAt: (x: number) => number;
  /** the sum of P(demand <= y) over 0 <= y <= x */
  readonly sumAt: (x: number) => number;
}

/** A size of a use on the grid. */
export interface SizeInCells {
  readonly cells: number;
  readonly share: number;
}

/** Mean of a use and of its square, in the material's unit. */
export interface Moments {
  readonly meanSize: number;
  readonly squareSize: number;
}

export function momentsOf(demand: Pick<MaterialDemand, 'sizes'>): Moments {
  let meanSize = 0;
  let squareSize = 0;
  for (const { amount, share } of demand.sizes) {
    meanSize += share * amount;
    squareSize += share * amount * amount;
  }
  return { meanSize, squareSize };
}

/** The spread of a sum of so many uses, in the material's unit. */
export function spreadOfUses(
  { mean, variance }: Pick<UsesInTime, 'mean' | 'variance'>,
  { meanSize, squareSize }: Moments,
): number {
  return Math.sqrt(mean * Math.max(0, squareSize - meanSize ** 2) + variance * meanSize ** 2);
}

/**
 * The width of a cell: one whole step of what goes only so, or a twentieth of the smallest dose.
 * @param indivisible a piece, one single dose; nothing for ml and g by hand
 * @returns in the material's unit
 * @see S3
 */
export function cellsFor(
  demand: Pick<MaterialDemand, 'sizes'>,
  uses: Pick<UsesInTime, 'mean' | 'variance'>,
  indivisible: number | undefined,
): number {
  if (indivisible !== undefined) return indivisible;
  const smallest = demand.sizes.reduce((least, { amount }) => Math.min(least, amount), Infinity);
  const moments = momentsOf(demand);
  const likely = uses.mean * moments.meanSize + 4 * spreadOfUses(uses, moments);
  return Math.max(smallest / CELLS_PER_SMALLEST_DOSE, likely / FINE_CELLS);
}

/** Sizes on the grid, the smallest first; one between two cells is divided over them so that the mean stays. */
export function sizesInCells(demand: Pick<MaterialDemand, 'sizes'>, cell: number): SizeInCells[] {
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
  return [...shares]
    .map(([cells, share]) => ({ cells, share }))
    .filter(({ share }) => share > 0)
    .sort((one, other) => one.cells - other.cells);
}
