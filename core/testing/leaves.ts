/** A value inside another that holds no further ones: a figure, a word, yes or no. */
export interface Leaf {
  readonly path: readonly (string | number)[];
  readonly value: unknown;
}

/** Every leaf of a value, in order. */
export function leavesOf(value: unknown, path: Leaf['path'] = []): Leaf[] {
  if (Array.isArray(value)) return value.flatMap((each, at) => leavesOf(each, [...path, at]));
  if (typeof value !== 'object' || value === null) return [{ path, value }];
  return Object.entries(value).flatMap(([key, each]) => leavesOf(each, [...path, key]));
}

/** The value with another leaf at a path; what does not lie on the way stays the same object. */
export function withLeaf<T>(value: T, path: Leaf['path'], leaf: unknown): T {
  const [key, ...further] = path;
  if (key === undefined) return leaf as T;
  if (Array.isArray(value)) {
    const items: readonly unknown[] = value;
    return items.with(Number(key), withLeaf(items[Number(key)], further, leaf)) as T;
  }
  const of = value as Readonly<Record<string, unknown>>;
  return { ...of, [key]: withLeaf(of[key], further, leaf) } as T;
}

/** The value with every leaf made anew. */
export function mapLeaves<T>(value: T, make: (leaf: Leaf) => unknown, path: Leaf['path'] = []): T {
  if (Array.isArray(value)) {
    const items: readonly unknown[] = value;
    return items.map((each, at) => mapLeaves(each, make, [...path, at])) as T;
  }
  if (typeof value !== 'object' || value === null) return make({ path, value }) as T;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [
      key,
      mapLeaves<unknown>(each, make, [...path, key]),
    ]),
  ) as T;
}
