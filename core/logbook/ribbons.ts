import { isSkippedUsually, type LogbookVisit, type PlannedAct } from '../house/logbook';
import type { HouseSettings } from '../house/settings';
import { expectedOfAct } from './cameOut';

/** A piece of a ribbon. */
export interface RibbonPiece {
  readonly act: PlannedAct;
  /** minutes after the room was taken */
  readonly from: number;
  readonly minutes: number;
  /** longer (above 0) or shorter than planned, by so many minutes; nothing beside a piece that is not there */
  readonly off?: number;
}

/** A visit as two ribbons, one above the other: as it was planned, and as it was. */
export interface Ribbons {
  readonly planned: readonly RibbonPiece[];
  readonly done: readonly RibbonPiece[];
  /** the longer of the two, and of the slot */
  readonly minutes: number;
}

/** A visit as two ribbons, planned above done; what is usually left out is planned only where it was done. */
export function ribbonsOf(
  { plan, entry }: LogbookVisit,
  settings: Pick<HouseSettings, 'paceSpread'>,
): Ribbons {
  let [planFrom, doneFrom] = [0, 0];
  const planned: RibbonPiece[] = [];
  const done: RibbonPiece[] = [];
  plan.acts.forEach((act, at) => {
    const took = entry.minutes[at] ?? null;
    const expected = expectedOfAct(act, settings);
    const isPlanned = !isSkippedUsually(act);
    if (isPlanned) {
      planned.push({ act, from: planFrom, minutes: expected });
      planFrom += expected;
    }
    if (took === null) return;
    done.push({
      act,
      from: doneFrom,
      minutes: took,
      ...(isPlanned && { off: took - expected }),
    });
    doneFrom += took;
  });
  return { planned, done, minutes: Math.max(planFrom, doneFrom, plan.slotMinutes) };
}
