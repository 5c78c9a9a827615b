import type { ZoneId } from '../zone/zones';
import type { Cursor } from './cursor';
import type { Phrases, Vocabulary } from './vocabulary';

/** Names of a kind, with commas or "and" between them. */
export function takeList<T>(
  cursor: Cursor,
  phrases: Phrases<T>,
  noun: string,
  howMany: 'one' | 'several' = 'several',
): T[] | undefined {
  const from = cursor.from;
  const values: T[] = [];
  for (;;) {
    const found = cursor.takePhrase(phrases);
    if (!found) break;
    const [first, ...others] = found.meanings;
    if (others.length > 0) {
      cursor.fault(found.from, found.to, `${others.length + 1} things have this name.`);
    } else if (first && !values.includes(first.value)) values.push(first.value);
    if (howMany === 'one') break;
    const mark = cursor.mark;
    if (!cursor.takeWord(',', 'and', '+')) break;
    if (!cursor.sees(phrases)) {
      /* Asked for all the same, so that what is begun can be completed. */
      cursor.takePhrase(phrases);
      if (!cursor.done) cursor.backTo(mark);
      break;
    }
  }
  if (values.length > 0) return values;
  const typed = cursor.next;
  if (typed) cursor.unknown(from, typed.to, `There is no ${noun} called “${typed.text}”.`);
  else cursor.fault(from, from, `Which ${noun}?`);
  return undefined;
}

/** Zones by their names, sets and places of the house among them. */
export function takeZones(
  cursor: Cursor,
  words: Vocabulary,
  howMany: 'one' | 'several' = 'several',
): ZoneId[] | undefined {
  const sets = takeList(cursor, words.zones, 'zone', howMany);
  return sets && [...new Set(sets.flat())];
}
