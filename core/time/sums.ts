import { CELLS_PER_MINUTE, inSequence, pointAt, trimmed, type Distribution } from './distribution';

/** A sum of times with its distribution function, and the sums that go on from it. */
interface Node {
  readonly time: Distribution;
  readonly upTo: Float64Array;
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
    let time = pointAt(0);
    for (const [part, count] of this.#common) {
      for (let again = 0; again < count; again += 1) time = trimmed(inSequence(time, part));
    }
    this.#root = nodeOf(time);
  }

  /**
   * The cell of 0.1 minute by whose end a `share` of all sums of `parts` is over.
   * @param share from 0 to 1
   */
  quantileCell(parts: readonly Distribution[], share: number): number {
    const left = new Map(this.#common);
    const rest = parts.filter((part) => {
      const shared = left.get(part) ?? 0;
      if (shared > 0) left.set(part, shared - 1);
      return shared === 0;
    });
    const last = rest.at(-1) ?? pointAt(0);
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

  /** `quantileCell` up to the grid, in minutes. @see T5 */
  slotMinutes(parts: readonly Distribution[], share: number, gridMinutes: number): number {
    const gridCells = Math.max(1, Math.round(gridMinutes * CELLS_PER_MINUTE));
    return (Math.ceil(this.quantileCell(parts, share) / gridCells) * gridCells) / CELLS_PER_MINUTE;
  }
}

function nodeOf(time: Distribution): Node {
  const upTo = new Float64Array(time.chances.length);
  let sum = 0;
  time.chances.forEach((chance, at) => (upTo[at] = sum += chance));
  return { time, upTo, next: new Map() };
}

/** The first cell t with P(A + B <= t) >= share, where P is the sum over b of B(b) F(t - b). */
function quantileOfSum({ time, upTo }: Node, last: Distribution, share: number): number {
  const chanceUpTo = (cell: number): number => {
    let sum = 0;
    for (let at = 0; at < last.chances.length; at += 1) {
      const within = cell - last.first - at - time.first;
      if (within < 0) break;
      sum += (last.chances[at] ?? 0) * (upTo[Math.min(within, upTo.length - 1)] ?? 0);
    }
    return sum;
  };
  let low = time.first + last.first;
  let high = low + time.chances.length + last.chances.length - 2;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (chanceUpTo(middle) >= share - 1e-12) high = middle;
    else low = middle + 1;
  }
  return low;
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
