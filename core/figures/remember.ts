interface Kept<V> {
  readonly from: readonly unknown[];
  readonly value: V;
}

/**
 * Remembers the last values of a key for as long as everything it was made from is the same thing (by
 * identity). Houses are plain values that share what did not change, so this is what makes an edit
 * cheap; a figure is never kept past a change of its inputs.
 */
export class Remembered<K, V> {
  readonly #kept = new Map<K, readonly Kept<V>[]>();
  readonly #depth: number;

  /** @param depth how many states of a key are remembered: more than one where Houses are compared */
  constructor(depth = 1) {
    this.#depth = depth;
  }

  /** The value of `key`, made anew when anything in `from` is another than last time. */
  get(key: K, from: readonly unknown[], make: () => V): V {
    const kept = this.#kept.get(key) ?? [];
    const found = kept.find((each) => sameThings(each.from, from));
    if (found) return found.value;
    const value = make();
    this.#kept.set(key, [{ from, value }, ...kept.slice(0, this.#depth - 1)]);
    return value;
  }

  /** Forgets the keys for which `isCurrent` is false. */
  keepOnly(isCurrent: (key: K) => boolean): void {
    for (const key of this.#kept.keys()) if (!isCurrent(key)) this.#kept.delete(key);
  }
}

function sameThings(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let at = 0; at < a.length; at += 1) if (!Object.is(a[at], b[at])) return false;
  return true;
}
