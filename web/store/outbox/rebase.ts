type Plain = Readonly<Record<string, unknown>>;

/** A change brought onto how the thing is now. */
export interface Rebased<T> {
  readonly value: T;
  /** the fields that both changed differently, by their path; `value` has mine */
  readonly clashes: readonly string[];
}

/**
 * A change that was made on what was on the screen, done to how the thing is now: only what differs from the
 * screen is changed, so that of two fields left in a hurry neither undoes the other. Lists are one field.
 * @param base as it was on the screen
 * @param mine as it should be, as seen from there
 * @param latest as it is now
 * @example rebase({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }) // { value: { a: 2, b: 3 }, clashes: [] }
 */
export function rebase<T>(base: T, mine: T, latest: T): Rebased<T> {
  const clashes: string[] = [];
  const value = rebasedAt('', base, mine, latest, clashes) as T;
  return { value, clashes };
}

function rebasedAt(
  path: string,
  base: unknown,
  mine: unknown,
  latest: unknown,
  clashes: string[],
): unknown {
  if (base === latest || !isPlain(base) || !isPlain(mine) || !isPlain(latest)) {
    if (isSame(base, mine)) return latest;
    if (!isSame(base, latest) && !isSame(mine, latest)) clashes.push(path);
    return mine;
  }
  const made: Record<string, unknown> = { ...latest };
  for (const key of new Set([...Object.keys(base), ...Object.keys(mine)])) {
    const next = rebasedAt(`${path}/${key}`, base[key], mine[key], latest[key], clashes);
    if (next === undefined) Reflect.deleteProperty(made, key);
    else made[key] = next;
  }
  return made;
}

function isPlain(value: unknown): value is Plain {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** Whether two plain values say the same, in whatever order their fields stand. */
export function isSame(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (Array.isArray(one) && Array.isArray(other)) {
    return one.length === other.length && one.every((each, at) => isSame(each, other[at]));
  }
  if (!isPlain(one) || !isPlain(other)) return false;
  const keys = new Set([...Object.keys(one), ...Object.keys(other)]);
  return [...keys].every((key) => isSame(one[key], other[key]));
}
