import type { LogbookVisit } from '../house/logbook';

/** What was over so soon, in minutes, was not done but tapped. */
const TAPPED = 0.15;
/** What may be over in less cannot be told apart. */
const LEAST = 0.5;
/** Of a visit of which more than this was tapped through, nothing is known but that it was. */
const MOST = 0.5;

/** Which minutes of a visit are no minutes: taps that were forgotten and made up for one after the other. */
export interface Tapped {
  /** places of acts whose minutes say nothing */
  readonly acts: ReadonlySet<number>;
  /** so much of the visit that it says nothing of how long one takes */
  readonly isAll: boolean;
}

/**
 * What was tapped through: an act that was over at once, and the one before it, whose end is not known then.
 */
export function tappedThrough({ plan, entry }: LogbookVisit): Tapped {
  const acts = new Set<number>();
  let before: number | undefined;
  let done = 0;
  plan.acts.forEach(({ minutes }, at) => {
    const took = entry.minutes[at] ?? null;
    if (took === null) return;
    done += 1;
    if (took < TAPPED && minutes.least >= LEAST) {
      acts.add(at);
      if (before !== undefined) acts.add(before);
    }
    before = at;
  });
  return { acts, isAll: done > 0 && acts.size > MOST * done };
}
