/** Cells of the time grid in one minute: cells are 0.1 minute wide. @see T2 */
export const CELLS_PER_MINUTE = 10;

/** Chances on the grid, from a cell on. */
export interface Cells {
  /** the cell of the first chance */
  readonly first: number;
  /** the chance of each cell from there on; they sum to 1 */
  readonly chances: Float64Array;
}

/**
 * A length of time: an exact shift, and chances on a grid of 0.1 minute from there. Where guests and hands may
 * be slower or quicker as a whole, there are chances for each pace.
 * @see T2 T7
 */
export interface Distribution {
  /** minutes that all of it takes longer than its cells say; never rounded */
  readonly shift: number;
  /** expected minutes, exact where nothing is done side by side */
  readonly mean: number;
  /** one for each pace, or one for all of them */
  readonly paces: readonly Cells[];
}

/** How often each pace is: the three points with which a normal spread is added up exactly. @see T7 */
const PACE_WEIGHTS = [1 / 6, 2 / 3, 1 / 6] as const;
const ONE_PACE = [1] as const;
const SURE: readonly Cells[] = [{ first: 0, chances: Float64Array.of(1) }];
/** Of the usual time, by which the quickest may be quicker at most. */
const MOST_OFF = 0.95;

/** Minutes closer than this are the same. */
const SAME = 1e-9;

/**
 * The factors by which all variable minutes of a visit are longer or shorter together; their mean is 1.
 * @param spread their standard deviation, a share; 0 where nobody is slower than others
 * @example
 * paceFactors(0) // [1]
 * @see T7
 */
export function paceFactors(spread: number): readonly number[] {
  if (spread <= 0) return ONE_PACE;
  /* However wide the spread, the quickest takes some time. */
  const off = Math.min(MOST_OFF, Math.sqrt(3) * spread);
  return [1 - off, 1, 1 + off];
}

/** How often each of a number of paces is. */
export function paceWeights(paces: number): readonly number[] {
  return paces === 1 ? ONE_PACE : PACE_WEIGHTS;
}

/** A time that is certain: any number of minutes, exactly. */
export function pointAt(minutes: number): Distribution {
  return { shift: minutes, mean: minutes, paces: SURE };
}

/** No time at all: nothing in sequence. */
export const NO_TIME: Distribution = pointAt(0);

/** Whether a time is one number of minutes. */
function isSure({ paces }: Distribution): boolean {
  return paces.length === 1 && paces[0]?.chances.length === 1;
}

/** The cells of each of `count` paces; what has one for all has it for each. */
function cellsAt({ paces }: Distribution, pace: number): Cells {
  return (paces.length === 1 ? paces[0] : paces[pace]) ?? (SURE[0] as Cells);
}

function pacewise(
  a: Distribution,
  b: Distribution,
  join: (a: Cells, b: Cells) => Cells,
): readonly Cells[] {
  const count = Math.max(a.paces.length, b.paces.length);
  return Array.from({ length: count }, (_, pace) => join(cellsAt(a, pace), cellsAt(b, pace)));
}

/**
 * One after the other: the sum of two times of one visit, independent but for its pace.
 * @see T2 T7
 */
export function inSequence(a: Distribution, b: Distribution): Distribution {
  const shift = a.shift + b.shift;
  const mean = a.mean + b.mean;
  if (a.paces === SURE) return { shift, mean, paces: b.paces };
  if (b.paces === SURE) return { shift, mean, paces: a.paces };
  return { shift, mean, paces: pacewise(a, b, convolved) };
}

function convolved(a: Cells, b: Cells): Cells {
  const [long, short] = a.chances.length >= b.chances.length ? [a, b] : [b, a];
  const first = a.first + b.first;
  if (short.chances.length === 1) return { first, chances: long.chances };
  return { first, chances: convolution(long.chances, short.chances) };
}

/**
 * The chances of the sum of two, of which the first has the more cells. The innermost loop of every clock: four of the
 * shorter are taken along at once, each sum in the order in which it is written down, so that no digit is another.
 * @see T2
 */
export function convolution(longer: Float64Array, shorter: Float64Array): Float64Array {
  const chances = new Float64Array(longer.length + shorter.length - 1);
  const of = (array: Float64Array, at: number): number => array[at] ?? 0;
  for (let i = 0; i < shorter.length; i += 4) {
    const w0 = of(shorter, i);
    const w1 = of(shorter, i + 1);
    const w2 = of(shorter, i + 2);
    const w3 = of(shorter, i + 3);
    /* The last three of the longer. */
    let x1 = 0;
    let x2 = 0;
    let x3 = 0;
    let at = i;
    for (let j = 0; j < longer.length; j += 1, at += 1) {
      /* Indexes are in range, so their values are there. */
      const x0 = longer[j] as number;
      chances[at] = (chances[at] as number) + w0 * x0 + w1 * x1 + w2 * x2 + w3 * x3;
      x3 = x2;
      x2 = x1;
      x1 = x0;
    }
    /* What lies beyond the end is nothing, and written nowhere. */
    chances[at] = of(chances, at) + w1 * x1 + w2 * x2 + w3 * x3;
    chances[at + 1] = of(chances, at + 1) + w2 * x1 + w3 * x2;
    chances[at + 2] = of(chances, at + 2) + w3 * x1;
  }
  return chances;
}

/** Chances below this are left off the ends of a sum; together they weigh less than its last digit. */
const NOTHING = 1e-17;

/** A time without what at its ends weighs nothing. */
export function trimmed(time: Distribution): Distribution {
  const paces = time.paces.map(trimmedCells);
  return paces.every((cells, at) => cells === time.paces[at]) ? time : { ...time, paces };
}

function trimmedCells(cells: Cells): Cells {
  const { first, chances } = cells;
  let from = 0;
  let to = chances.length;
  while (from < to - 1 && (chances[from] ?? 0) < NOTHING) from += 1;
  while (to > from + 1 && (chances[to - 1] ?? 0) < NOTHING) to -= 1;
  return from === 0 && to === chances.length
    ? cells
    : { first: first + from, chances: chances.subarray(from, to) };
}

/** A list that was added up, and the sum after each of its parts. */
interface AddedUp {
  readonly parts: readonly Distribution[];
  readonly sums: readonly Distribution[];
}

/** The lists added up last: what is being written is added up again and again with one part changed. */
const lately: AddedUp[] = [];
const LATELY = 8;

/** All of them one after the other. @see T2 */
export function allInSequence(parts: readonly Distribution[]): Distribution {
  if (parts.length < 3) return parts.reduce(inSequence, NO_TIME);
  let best: AddedUp | undefined;
  let shared = 0;
  for (const known of lately) {
    const common = commonStart(known.parts, parts);
    if (common > shared) [best, shared] = [known, common];
  }
  const sums = best?.sums.slice(0, shared) ?? [];
  for (const part of parts.slice(shared)) {
    sums.push(trimmed(inSequence(sums.at(-1) ?? NO_TIME, part)));
  }
  /* A list that only changed takes the place of what it was. */
  if (best && shared * 2 >= best.parts.length) lately.splice(lately.indexOf(best), 1);
  lately.unshift({ parts, sums });
  lately.length = Math.min(lately.length, LATELY);
  return sums.at(-1) ?? NO_TIME;
}

function commonStart(a: readonly Distribution[], b: readonly Distribution[]): number {
  const end = Math.min(a.length, b.length);
  let at = 0;
  while (at < end && a[at] === b[at]) at += 1;
  return at;
}

/**
 * Side by side: as long as the longer of two times of one visit, independent but for its pace. Its distribution
 * function is the product of theirs. Where one is the longer for certain it is that one, exactly; where their
 * shifts differ by part of a cell, the mass of one is divided over two cells so that its mean stays.
 * @see T2 T7
 */
export function sideBySide(a: Distribution, b: Distribution): Distribution {
  if (earliest(a) >= latest(b) - SAME) return a;
  if (earliest(b) >= latest(a) - SAME) return b;
  const keepsA = isSure(a) || (!isSure(b) && offGrid(a.shift) <= offGrid(b.shift));
  const [kept, other] = keepsA ? [a, b] : [b, a];
  const { shift } = kept;
  const paces = pacewise(kept, onGridOf(shift, other), longer);
  /* The grid is coarse for what lasts seconds: the longer of two is expected to be as long as each. */
  const mean = Math.max(meanOf(shift, paces), a.mean, b.mean);
  return { shift, mean, paces };
}

/** The part of a cell by which a shift lies beside the grid from 0. */
function offGrid(shift: number): number {
  const cells = shift * CELLS_PER_MINUTE;
  const off = cells - Math.floor(cells + SAME);
  return Math.max(0, off);
}

/** A time with its cells counted from another shift. */
function onGridOf(shift: number, time: Distribution): Distribution {
  const apart = (time.shift - shift) * CELLS_PER_MINUTE;
  const whole = Math.floor(apart + SAME);
  const over = Math.max(0, apart - whole);
  const paces = time.paces.map(({ first, chances }): Cells => {
    if (over <= SAME) return { first: first + whole, chances };
    const divided = new Float64Array(chances.length + 1);
    chances.forEach((chance, at) => {
      divided[at] = (divided[at] ?? 0) + chance * (1 - over);
      divided[at + 1] = chance * over;
    });
    return { first: first + whole, chances: divided };
  });
  return { ...time, shift, paces };
}

function longer(a: Cells, b: Cells): Cells {
  const first = Math.max(a.first, b.first);
  const last = Math.max(lastCell(a), lastCell(b));
  const chances = new Float64Array(last - first + 1);
  let before = 0;
  let cumulativeA = chanceUpToCell(a, first - 1);
  let cumulativeB = chanceUpToCell(b, first - 1);
  for (let cell = first; cell <= last; cell += 1) {
    cumulativeA += a.chances[cell - a.first] ?? 0;
    cumulativeB += b.chances[cell - b.first] ?? 0;
    const product = cumulativeA * cumulativeB;
    chances[cell - first] = product - before;
    before = product;
  }
  return { first, chances };
}

/** A time as one who does not know its pace sees it: the mixture of all paces. @see T7 */
export function mixed(time: Distribution): Distribution {
  const [only, ...others] = time.paces;
  if (!only || others.length === 0) return time;
  const first = Math.min(...time.paces.map((cells) => cells.first));
  const chances = new Float64Array(Math.max(...time.paces.map(lastCell)) - first + 1);
  const weights = paceWeights(time.paces.length);
  time.paces.forEach((cells, pace) => {
    const weight = weights[pace] ?? 0;
    const from = cells.first - first;
    cells.chances.forEach((chance, at) => {
      chances[from + at] = (chances[from + at] ?? 0) + weight * chance;
    });
  });
  return { ...time, paces: [{ first, chances }] };
}

/** A time whose cells are counted from 0 minutes, and what of it lies before is nothing. */
export function notBelowNothing(time: Distribution): Distribution {
  if (earliest(time) >= -SAME) return time;
  if (latest(time) <= SAME) return NO_TIME;
  const paces = onGridOf(0, time).paces.map(({ first, chances }): Cells => {
    if (first >= 0) return { first, chances };
    const below = Math.min(-first, chances.length - 1);
    const over = Float64Array.from(chances.subarray(below));
    for (let at = 0; at < below; at += 1) over[0] = (over[0] ?? 0) + (chances[at] ?? 0);
    return { first: 0, chances: over };
  });
  return { shift: 0, mean: meanOf(0, paces), paces };
}

/** The expected minutes of chances, over all paces. */
function meanOf(shift: number, paces: readonly Cells[]): number {
  const weights = paceWeights(paces.length);
  return paces.reduce((sum, cells, pace) => sum + (weights[pace] ?? 0) * cellMean(cells), shift);
}

function cellMean({ first, chances }: Cells): number {
  let sum = 0;
  chances.forEach((chance, at) => (sum += chance * at));
  return (first + sum) / CELLS_PER_MINUTE;
}

/** The expected minutes. */
export function meanMinutes(time: Distribution): number {
  return time.mean;
}

/** The standard deviation in minutes; 0 for a certain time. */
export function sdMinutes(time: Distribution): number {
  if (isSure(time)) return 0;
  const weights = paceWeights(time.paces.length);
  const around = meanOf(0, time.paces);
  const squares = time.paces.reduce((sum, { first, chances }, pace) => {
    let ofPace = 0;
    chances.forEach((chance, at) => {
      const off = (first + at) / CELLS_PER_MINUTE - around;
      ofPace += chance * off * off;
    });
    return sum + (weights[pace] ?? 0) * ofPace;
  }, 0);
  return Math.sqrt(Math.max(0, squares));
}

/**
 * The minutes within which at least a `share` of all visits is over.
 * @param share from 0 to 1
 */
export function quantileMinutes(time: Distribution, share: number): number {
  const { shift, paces } = mixed(time);
  const { first, chances } = paces[0] as Cells;
  let cumulative = 0;
  let at = 0;
  for (; at < chances.length - 1; at += 1) {
    cumulative += chances[at] ?? 0;
    if (cumulative >= share - 1e-12) break;
  }
  return shift + (first + at) / CELLS_PER_MINUTE;
}

/** The chance of taking longer than `minutes`. */
export function chanceBeyond(time: Distribution, minutes: number): number {
  const cell = Math.floor((minutes - time.shift) * CELLS_PER_MINUTE + SAME);
  const weights = paceWeights(time.paces.length);
  const within = time.paces.reduce(
    (sum, cells, pace) => sum + (weights[pace] ?? 0) * chanceUpToCell(cells, cell),
    0,
  );
  return Math.min(1, Math.max(0, 1 - within));
}

function earliest({ shift, paces }: Distribution): number {
  return shift + Math.min(...paces.map(({ first }) => first)) / CELLS_PER_MINUTE;
}

function latest({ shift, paces }: Distribution): number {
  return shift + Math.max(...paces.map(lastCell)) / CELLS_PER_MINUTE;
}

function lastCell({ first, chances }: Cells): number {
  return first + chances.length - 1;
}

function chanceUpToCell({ first, chances }: Cells, cell: number): number {
  let sum = 0;
  for (let at = 0; at <= cell - first && at < chances.length; at += 1) sum += chances[at] ?? 0;
  return sum;
}
