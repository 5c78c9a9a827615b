/** Something that a house can put away without losing it. */
export interface Archivable {
  readonly id: string;
  /** ISO date from which it is offered no more where something is chosen */
  readonly archivedOn?: string;
}

/**
 * What is offered where something is chosen: what is not archived, and what is chosen already.
 * @param chosen ids that are in use there
 * @example offeredOf([{ id: 'a' }, { id: 'b', archivedOn: '2026-01-01' }], []) // [{ id: 'a' }]
 */
export function offeredOf<T extends Archivable>(
  things: readonly T[],
  chosen: readonly string[] = [],
): T[] {
  return things.filter(({ id, archivedOn }) => archivedOn === undefined || chosen.includes(id));
}
