import type { House } from '../../house/house';
import type { DayVisit } from './dayVisits';
import { shortestSlotOf, whereFits } from './fits';
import type { VisitNeed } from '../needs';

/**
 * The visits of a day with rooms and hands for those that have none yet, each at its time: the longest work of few
 * hands first, so that who can do much is kept for it. What fits nowhere at its time stays without.
 * @param day ISO date
 */
export function proposed(
  visits: readonly DayVisit[],
  day: string,
  needs: readonly VisitNeed[],
  house: House,
): readonly DayVisit[] {
  const shortest = shortestSlotOf(needs);
  const settled = visits.filter(isSettled);
  const open = visits
    .filter((visit) => !isSettled(visit))
    .toSorted(
      (a, b) =>
        a.need.therapistIds.length - b.need.therapistIds.length ||
        b.need.slotMinutes - a.need.slotMinutes ||
        a.starts - b.starts,
    );
  for (const visit of open) {
    const { need, starts, roomId, therapistId } = visit;
    const [fit] = whereFits(need, [{ day, visits: settled }], house, shortest, {
      between: { from: starts, to: starts + 1 },
      ...(roomId && { roomId }),
      ...(therapistId && { personId: therapistId }),
    });
    settled.push(
      fit
        ? {
            ...visit,
            ...(fit.roomId && { roomId: fit.roomId }),
            ...(fit.therapistId && { therapistId: fit.therapistId }),
            ...(fit.assistantId && { assistantId: fit.assistantId }),
          }
        : visit,
    );
  }
  return settled.toSorted((a, b) => a.starts - b.starts);
}

function isSettled({ need, roomId, therapistId }: DayVisit): boolean {
  return (roomId !== undefined || need.isAddOn) && therapistId !== undefined;
}
