/*
 * What a person means has its ids from the first time that it is meant: pressed again because no answer
 * came, it is the same entry and not another one.
 */

const meant = new Map<string, unknown>();

/** What was made when this was meant first, until its outcome is known. */
export function meantOnce<T>(meaning: string, make: () => T): T {
  if (meant.has(meaning)) return meant.get(meaning) as T;
  const made = make();
  meant.set(meaning, made);
  return made;
}

/** The outcome is known: meant again, it is something new. */
export function outcomeKnown(meaning: string): void {
  meant.delete(meaning);
}
