/** Ids in the order of both, or in that of one where both moved the same things differently. */
export interface MergedOrder {
  readonly ids: readonly string[];
  /** both moved the same things, each to another place */
  readonly clashes: boolean;
}

/**
 * Brings two orders of the same things together. Of two things that stand one before the other, the order
 * is that of whoever changed it; where these orders make no line, because both moved the same things
 * differently, the order is that of one side. What is new stands behind what it followed.
 * @param base the order that both began with
 * @param mine my order
 * @param theirs their order
 * @param kept ids of what is still there
 * @param side whose order stands where they clash
 * @example mergeOrder(['a', 'b', 'c'], ['b', 'a', 'c'], ['a', 'b', 'c'], new Set(['a', 'b', 'c']), 'mine').ids // ['b', 'a', 'c']
 */
export function mergeOrder(
  base: readonly string[],
  mine: readonly string[],
  theirs: readonly string[],
  kept: ReadonlySet<string>,
  side: 'mine' | 'theirs',
): MergedOrder {
  const [was, my, their] = [placesOf(base), placesOf(mine), placesOf(theirs)];
  const shared = mine.filter((id) => kept.has(id) && their.has(id));
  const isBefore = (a: string, b: string): boolean => {
    const before = (places: ReadonlyMap<string, number>): boolean =>
      (places.get(a) ?? 0) < (places.get(b) ?? 0);
    if (before(my) === before(their)) return before(my);
    /* One of the two is as it was: the other changed it. */
    const wasKnown = was.has(a) && was.has(b);
    return wasKnown && before(my) === before(was) ? before(their) : before(my);
  };
  /* How many stand behind each: in one line these are all different. */
  const behind = new Map(
    shared.map((a) => [a, shared.filter((b) => b !== a && isBefore(a, b)).length]),
  );
  const clashes = new Set(behind.values()).size < shared.length;
  const inLine = clashes
    ? (side === 'mine' ? mine : theirs).filter((id) => behind.has(id))
    : shared.toSorted((a, b) => (behind.get(b) ?? 0) - (behind.get(a) ?? 0));
  const ids = [...inLine];
  for (const list of [mine, theirs]) {
    for (const [at, id] of list.entries()) {
      if (!kept.has(id) || ids.includes(id)) continue;
      const before = list.slice(0, at).findLast((each) => ids.includes(each));
      ids.splice(before === undefined ? 0 : ids.indexOf(before) + 1, 0, id);
    }
  }
  return { ids, clashes };
}

function placesOf(ids: readonly string[]): ReadonlyMap<string, number> {
  return new Map(ids.map((id, at) => [id, at]));
}
