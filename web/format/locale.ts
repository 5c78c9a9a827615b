/* The language and region by which numbers and dates are written: the house's, or the reader's own. */

const own = typeof navigator === 'undefined' ? 'en' : navigator.language;
let chosen: string | undefined;
const listeners = new Set<() => void>();

/** The language tag by which is written now. */
export function localeNow(): string {
  return chosen ?? own;
}

/** Writes by this language tag from now on; by the reader's own where the house says none. */
export function writeAs(tag: string | undefined): void {
  if (tag === chosen) return;
  chosen = tag;
  for (const forget of listeners) forget();
}

/** What was made for a language is made anew for another. */
export function onLocale(forget: () => void): void {
  listeners.add(forget);
}
