import { wholeAbove } from '../dose/openPacks';
import { fail, ok, type Outcome, type Where } from '../house/problem';
import type { MaterialDemand } from './demandRate';
import { normalQuantile } from './normalQuantile';
import type { UsesWhileWaiting } from './usesWhileWaiting';

/** Above this many uses the sum is close enough to normal. */
const MOST_USES_BY_RECURSION = 200;
/** Cells of the grid in the smallest dose, for ml and g. */
const CELLS_PER_SMALLEST_DOSE = 20;
/** Room for rounding in a sum of chances. */
const SERVED_TOLERANCE = 1e-12;
/** Room for the chances of one recursion, used again by the next: a cell is written before it is read. */
let scratch = new Float64Array(16_384);
/** Amounts this close to a cell, in cells, lie on it. */
const ON_CELL = 1e-9;

/** The stock at which to order, and how it was found. */
export interface ReorderPoint {
  /** in the material's unit */
  readonly amount: number;
  readonly packs: number;
  /** P(demand <= amount) while waiting */
  readonly served: number;
  readonly meanDemand: number;
  readonly sdDemand: number;
  readonly method: 'recursion' | 'normal' | 'no-demand';
  /** of the grid, in the material's unit */
  readonly cell: number;
}

/** What a reorder point depends on besides demand. */
export interface ReorderTerms {
  /** whole steps in which the material is consumed: a piece, one single dose; nothing for ml and g by hand */
  readonly indivisible?: number;
  /** what one bought pack holds, in the material's unit */
  readonly packUnits: number;
  readonly serviceLevel: number;
}

/**
 * The smallest x with P(demand while waiting <= x) >= service level. Demand is a compound sum: a
 * random number of uses, each of the size of its service, by Panjer's recursion on a grid of one
 * piece (or a twentieth of the smallest dose); for more than 200 expected uses by the normal
 * approximation mu + z sigma.
 * @returns the point in the material's unit and in sealed packs, rounded up; a problem for a service
 *   level that is not between 0 and 1
 * @see S3; Panjer, "Recursive evaluation of a family of compound distributions", 1981
 */
export function reorderPoint(
  demand: MaterialDemand,
  uses: UsesWhileWaiting,
  terms: ReorderTerms,
  where: Where,
): Outcome<ReorderPoint> {
  if (!(terms.serviceLevel > 0 && terms.serviceLevel < 1)) {
    return fail(
      'setting-invalid',
      'The service level must be between 0 and 100 %, without the ends.',
      {
        settings: true,
        field: 'serviceLevel',
      },
    );
  }
  if (!(terms.packUnits > 0)) {
    return fail('pack-invalid', 'The pack must hold more than 0.', {
      ...where,
      field: 'pack.content',
    });
  }
  const { meanSize, squareSize } = momentsOf(demand);
  const meanDemand = uses.mean * meanSize;
  const sdDemand = Math.sqrt(
    uses.mean * Math.max(0, squareSize - meanSize ** 2) + uses.variance * meanSize ** 2,
  );
  const found = findPoint(demand, uses, terms, meanDemand, sdDemand);
  return ok({
    ...found,
    packs: Math.max(0, wholeAbove(found.amount / terms.packUnits)),
    meanDemand,
    sdDemand,
  });
}

type Found = Pick<ReorderPoint, 'amount' | 'served' | 'method' | 'cell'>;

function findPoint(
  demand: MaterialDemand,
  uses: UsesWhileWaiting,
  terms: ReorderTerms,
  mean: number,
  sd: number,
): Found {
  const smallest = Math.min(...demand.sizes.map((size) => size.amount));
  if (uses.mean === 0 || demand.sizes.length === 0) {
    return { amount: 0, served: 1, method: 'no-demand', cell: terms.indivisible ?? 0 };
  }
  const cell = terms.indivisible ?? smallest / CELLS_PER_SMALLEST_DOSE;
  if (uses.mean > MOST_USES_BY_RECURSION) {
    const point = mean + normalQuantile(terms.serviceLevel) * sd;
    const amount = terms.indivisible ? wholeAbove(point / cell) * cell : point;
    return { amount, served: terms.serviceLevel, method: 'normal', cell };
  }
  const { cells, served } = panjer(sizesInCells(demand, cell), uses, terms.serviceLevel);
  return { amount: cells * cell, served, method: 'recursion', cell };
}

interface SizeInCells {
  readonly cells: number;
  readonly share: number;
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

function panjer(
  sizes: readonly SizeInCells[],
  { mean, variance, law }: UsesWhileWaiting,
  serviceLevel: number,
): { readonly cells: number; readonly served: number } {
  const overdispersion = law === 'poisson' ? 0 : variance / mean - 1;
  const a = overdispersion / (1 + overdispersion);
  const b = law === 'poisson' ? mean : (mean / overdispersion - 1) * a;
  const ofNothing = sizes.find(({ cells }) => cells === 0)?.share ?? 0;
  const start =
    law === 'poisson'
      ? Math.exp(-mean * (1 - ofNothing))
      : (1 + overdispersion * (1 - ofNothing)) ** (-mean / overdispersion);
  const positive = sizes.filter(({ cells }) => cells > 0).sort((one, two) => one.cells - two.cells);
  const lengths = Int32Array.from(positive, ({ cells }) => cells);
  const flat = Float64Array.from(positive, ({ share }) => (a * share) / (1 - a * ofNothing));
  const falling = Float64Array.from(
    positive,
    ({ share, cells }) => (b * cells * share) / (1 - a * ofNothing),
  );

  /* The innermost loop of the whole house: indexes are in range, so their values are there. */
  let chances = scratch;
  chances[0] = start;
  let served = start;
  let within = 0;
  let x = 1;
  for (; served < serviceLevel - SERVED_TOLERANCE; x += 1) {
    while (within < lengths.length && (lengths[within] as number) <= x) within += 1;
    let byFlat = 0;
    let byFalling = 0;
    for (let at = 0; at < within; at += 1) {
      const before = chances[x - (lengths[at] as number)] as number;
      byFlat += (flat[at] as number) * before;
      byFalling += (falling[at] as number) * before;
    }
    const chance = byFlat + byFalling / x;
    if (x === chances.length) chances = grown(chances);
    chances[x] = chance;
    served += chance;
  }
  return { cells: x - 1, served };
}

function grown(chances: Float64Array<ArrayBuffer>): Float64Array<ArrayBuffer> {
  const larger = new Float64Array(chances.length * 2);
  larger.set(chances);
  scratch = larger;
  return larger;
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
