import {
  CELLS_PER_MINUTE,
  inSequence,
  NO_TIME,
  paceWeights,
  trimmed,
  type Cells,
  type Distribution,
} from './distribution';
import { upToGrid } from './slot';

/** A sum of times with its distribution function, and the sums that go on from it. */
interface Node {
  readonly time: Distribution;
  /** for each pace of the sum */
  readonly upTo: readonly Float64Array[];
  readonly next: Map<Distribution, Node>;
}

/**
 * Adds up many lists of times that have most of their times in common. What all share is added once,
 * and lists that begin alike after that share those sums, too; the last time of a list is never
 * convolved, since a quantile of a sum can be read off the distribution function of the rest.
 * @see T2 T5
 */
export class SharedSums {
  readonly #root: Node;
  readonly #common: ReadonlyMap<Distribution, number>;

  /** @param lists every list that will be asked for; times are told apart by identity */
  constructor(lists: readonly (readonly Distribution[])[]) {
    this.#common = commonOf(lists);
    let time = NO_TIME;
    for (const [part, count] of this.#common) {
      for (let again = 0; again < count; again += 1) time = trimmed(inSequence(time, part));
    }
    this.#root = nodeOf(time);
  }

  /**
   * The minutes within which a `share` of all sums of `parts` is over.
   * @param share from 0 to 1
   */
  quantileMinutes(parts: readonly Distribution[], share: number): number {
    const left = new Map(this.#common);
    const rest = parts.filter((part) => {
      const shared = left.get(part) ?? 0;
      if (shared > 0) left.set(part, shared - 1);
      return shared === 0;
    });
    const last = rest.at(-1) ?? NO_TIME;
    let node = this.#root;
    for (const part of rest.slice(0, -1)) {
      let next = node.next.get(part);
      if (!next) {
        next = nodeOf(trimmed(inSequence(node.time, part)));
        node.next.set(part, next);
      }
      node = next;
    }
    return quantileOfSum(node, last, share);
  }

  /** `quantileMinutes` up to the grid. @see T5 */
  slotMinutes(parts: readonly Distribution[], share: number, gridMinutes: number): number {
    return upToGrid(this.quantileMinutes(parts, share), gridMinutes);
  }
}

function nodeOf(time: Distribution): Node {
  return { time, upTo: time.paces.map(summedUp), next: new Map() };
}

function summedUp({ chances }: Cells): Float64Array {
  const upTo = new Float64Array(chances.length);
  let sum = 0;
  chances.forEach((chance, at) => (upTo[at] = sum += chance));
  return upTo;
}

/** What a pace of the sum and of its last time come to: the chance that both are over by a cell. */
type ChanceUpTo = (cell: number) => number;

/** The first t with P(A + B <= t) >= share, where P is the sum over b of B(b) F(t - b), over all paces. */
function quantileOfSum({ time, upTo }: Node, last: Distribution, share: number): number {
  const count = Math.max(time.paces.length, last.paces.length);
  const weights = paceWeights(count);
  const pairs = Array.from({ length: count }, (_, pace) => ({
    sum: time.paces[time.paces.length === 1 ? 0 : pace] as Cells,
    upTo: upTo[time.paces.length === 1 ? 0 : pace] as Float64Array,
    end: last.paces[last.paces.length === 1 ? 0 : pace] as Cells,
  }));
  const paces = pairs.map(({ sum, upTo: of, end }): ChanceUpTo => (cell) => {
    let chance = 0;
    for (let at = 0; at < end.chances.length; at += 1) {
      const within = cell - end.first - at - sum.first;
      if (within < 0) break;
      chance += (end.chances[at] ?? 0) * (of[Math.min(within, of.length - 1)] ?? 0);
    }
    return chance;
  });
  let low = Math.min(...pairs.map(({ sum, end }) => sum.first + end.first));
  let high = Math.max(
    ...pairs.map(
      ({ sum, end }) => sum.first + sum.chances.length + end.first + end.chances.length - 2,
    ),
  );
  while (low < high) {
    const middle = (low + high) >> 1;
    const chance = paces.reduce(
      (so, upToCell, pace) => so + (weights[pace] ?? 0) * upToCell(middle),
      0,
    );
    if (chance >= share - 1e-12) high = middle;
    else low = middle + 1;
  }
  return time.shift + last.shift + low / CELLS_PER_MINUTE;
}

/** How often each time stands in every one of the lists. */
function commonOf(lists: readonly (readonly Distribution[])[]): ReadonlyMap<Distribution, number> {
  const counts = lists.map((list) => {
    const count = new Map<Distribution, number>();
    for (const part of list) count.set(part, (count.get(part) ?? 0) + 1);
    return count;
  });
  const [first = new Map<Distribution, number>(), ...others] = counts;
  const common = new Map<Distribution, number>();
  for (const [part, count] of first) {
    const least = others.reduce((so, other) => Math.min(so, other.get(part) ?? 0), count);
    if (least > 0) common.set(part, least);
  }
  return common;
}
