/** A list with one of its things elsewhere; as it is where that is not in the list. */
export function moved<T>(list: readonly T[], from: number, to: number): readonly T[] {
  const thing = list[from];
  if (thing === undefined || to < 0 || to >= list.length) return list;
  return list.toSpliced(from, 1).toSpliced(to, 0, thing);
}
