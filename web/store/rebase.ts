type Plain = Readonly<Record<string, unknown>>;

/**
 * A change that was made on what was on the screen, done to how the thing is now: only what differs from the
 * screen is changed, so that of two fields left in a hurry neither undoes the other. Lists are one field.
 * @param base as it was on the screen
 * @param mine as it should be, as seen from there
 * @param latest as it is now
 * @example rebased({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }) // { a: 2, b: 3 }
 */
export function rebased<T>(base: T, mine: T, latest: T): T {
  if (base === latest || !isPlain(base) || !isPlain(mine) || !isPlain(latest)) {
    return isSame(base, mine) ? latest : mine;
  }
  const made: Record<string, unknown> = { ...latest };
  for (const key of new Set([...Object.keys(base), ...Object.keys(mine)])) {
    const next = rebased(base[key], mine[key], latest[key]);
    if (next === undefined) Reflect.deleteProperty(made, key);
    else made[key] = next;
  }
  return made as T;
}

function isPlain(value: unknown): value is Plain {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function isSame(one: unknown, other: unknown): boolean {
  return one === other || JSON.stringify(one) === JSON.stringify(other);
}
