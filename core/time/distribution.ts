/** Cells of the time grid in one minute: cells are 0.1 minute wide. @see T2 */
export const CELLS_PER_MINUTE = 10;

/** A length of time as chances on the 0.1-minute grid. @see T2 */
export interface Distribution {
  /** the cell of the first chance: `first / 10` minutes */
  readonly first: number;
  /** the chance of each cell from there on; they sum to 1 */
  readonly chances: Float64Array;
}

/** The chance that a time is certain. */
export function pointAt(minutes: number): Distribution {
  return { first: Math.round(minutes * CELLS_PER_MINUTE), chances: Float64Array.of(1) };
}

/** No time at all: nothing in sequence. */
export const NO_TIME: Distribution = pointAt(0);

/**
 * One after the other: the sum of two independent times.
 * @see T2
 */
export function inSequence(a: Distribution, b: Distribution): Distribution {
  const [long, short] = a.chances.length >= b.chances.length ? [a, b] : [b, a];
  const first = a.first + b.first;
  const only = short.chances.length === 1 ? short.chances[0] : undefined;
  if (only === 1) return { first, chances: long.chances };
  const chances = new Float64Array(long.chances.length + short.chances.length - 1);
  const { chances: longer } = long;
  const { chances: shorter } = short;
  for (let i = 0; i < shorter.length; i += 1) {
    /* The innermost loop of every clock: indexes are in range, so their values are there. */
    const weight = shorter[i] as number;
    for (let j = 0; j < longer.length; j += 1) {
      chances[i + j] = (chances[i + j] as number) + weight * (longer[j] as number);
    }
  }
  return { first, chances };
}

/** Chances below this are left off the ends of a sum; together they weigh less than its last digit. */
const NOTHING = 1e-17;

/** A time without what at its ends weighs nothing. */
export function trimmed(time: Distribution): Distribution {
  const { first, chances } = time;
  let from = 0;
  let to = chances.length;
  while (from < to - 1 && (chances[from] ?? 0) < NOTHING) from += 1;
  while (to > from + 1 && (chances[to - 1] ?? 0) < NOTHING) to -= 1;
  return from === 0 && to === chances.length
    ? time
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
 * Side by side: as long as the longer of two independent times. Its distribution function is the
 * product of theirs.
 * @see T2
 */
export function sideBySide(a: Distribution, b: Distribution): Distribution {
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

const means = new WeakMap<Distribution, number>();

/** The expected minutes. */
export function meanMinutes(time: Distribution): number {
  const known = means.get(time);
  if (known !== undefined) return known;
  let sum = 0;
  time.chances.forEach((chance, at) => (sum += chance * at));
  const mean = (time.first + sum) / CELLS_PER_MINUTE;
  means.set(time, mean);
  return mean;
}

/** The standard deviation in minutes; 0 for a certain time. */
export function sdMinutes({ chances }: Distribution): number {
  if (chances.length === 1) return 0;
  let sum = 0;
  let squares = 0;
  chances.forEach((chance, at) => {
    sum += chance * at;
    squares += chance * at * at;
  });
  return Math.sqrt(Math.max(0, squares - sum * sum)) / CELLS_PER_MINUTE;
}

/**
 * The first cell by whose end at least a `share` of all visits is over, in cells of 0.1 minute.
 * @param share from 0 to 1
 */
export function quantileCell({ first, chances }: Distribution, share: number): number {
  let cumulative = 0;
  for (let at = 0; at < chances.length; at += 1) {
    cumulative += chances[at] ?? 0;
    if (cumulative >= share - 1e-12) return first + at;
  }
  return first + chances.length - 1;
}

/** `quantileCell` in minutes. */
export function quantileMinutes(distribution: Distribution, share: number): number {
  return quantileCell(distribution, share) / CELLS_PER_MINUTE;
}

/** The chance of taking longer than `minutes`. */
export function chanceBeyond(distribution: Distribution, minutes: number): number {
  const cell = Math.round(minutes * CELLS_PER_MINUTE);
  return Math.min(1, Math.max(0, 1 - chanceUpToCell(distribution, cell)));
}

function lastCell({ first, chances }: Distribution): number {
  return first + chances.length - 1;
}

function chanceUpToCell({ first, chances }: Distribution, cell: number): number {
  let sum = 0;
  for (let at = 0; at <= cell - first && at < chances.length; at += 1) sum += chances[at] ?? 0;
  return sum;
}
