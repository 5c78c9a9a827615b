/** A value that a row may lack, as a column. */
export function orNull<V>(value: V | undefined): V | null {
  return value ?? null;
}

/** A plain value whose keys may be null, without those keys. */
export type Present<T> = { readonly [K in keyof T]?: Exclude<T[K], null | undefined> };

/** `value` without the keys that hold nothing. */
export function present<T extends object>(value: T): Present<T> {
  return Object.fromEntries(
    Object.entries(value).filter(([, held]) => held !== null && held !== undefined),
  ) as Present<T>;
}

/** A JSON column, whether the driver has parsed it or not. */
export function fromJson<T>(held: T | string): T {
  return typeof held === 'string' ? (JSON.parse(held) as T) : held;
}
