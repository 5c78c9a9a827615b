/*
 * The clock of a tablet may be wrong. What happens in a run is told by the clock of the house, as far as it was heard
 * last, so that two tablets show the same minutes on the skin.
 */

const KEPT_IN = 'bienestar/clock';
/** What the house says is to the second, and on its way for a while. */
const SAME_MS = 2_000;

let ahead: number | undefined;

/** By how much the clock of the house is ahead of the one here. */
function aheadHere(): number {
  try {
    ahead ??= Number(localStorage.getItem(KEPT_IN) ?? 0) || 0;
  } catch {
    ahead = 0;
  }
  return ahead;
}

/** Hears the time of the house, as its answer says it: `Sat, 28 Nov 2026 12:00:00 GMT`. */
export function hearTime(said: string | null | undefined): void {
  const by = Date.parse(said ?? '') - Date.now();
  if (Number.isNaN(by) || Math.abs(by - aheadHere()) < SAME_MS) return;
  ahead = by;
  try {
    localStorage.setItem(KEPT_IN, String(by));
  } catch {
    /* Then it is heard again next time. */
  }
}

/** The moment by the clock of the house, ms since 1970. */
export function houseNow(): number {
  return Date.now() + aheadHere();
}
