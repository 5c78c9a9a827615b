import type { DayVisit } from './dayVisits';
import { whereFits } from './fits';
import type { DaysOfHouse } from './daysOfHouse';

/**
 * The visits of a day with rooms and hands for those that have none yet, each at its time: the longest work of few
 * hands first, so that who can do much is kept for it. What fits nowhere at its time stays without.
 * @param day ISO date
 */
export function proposed(
  visits: readonly DayVisit[],
  day: string,
  of: DaysOfHouse,
): readonly DayVisit[] {
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
    const [fit] = whereFits(need, [{ day, visits: settled }], of, {
      at: starts,
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
