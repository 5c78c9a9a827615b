import { addOnsOf, type AddOn } from '../../figures/addOns';
import type { HouseFigures } from '../../figures/houseFigures';
import type { House } from '../../house/house';
import type { Span } from '../../house/hours';
import type { RoomId } from '../../house/ids';
import type { DayVisit } from './dayVisits';
import { slotOf } from './occupied';

/** An add-on that a visit has room for. */
export interface AddOnHere {
  readonly visit: DayVisit;
  readonly addOn: AddOn;
}

const SAME = 1e-6;

/**
 * The add-ons that the visit before a gap of a room can take along: into hands that are free in it, or so much longer
 * that the gap still holds it. What brings most comes first.
 * @param gap minutes of the day
 * @see P8
 */
export function addOnsHere(
  gap: Span,
  roomId: RoomId,
  visits: readonly DayVisit[],
  house: House,
  figures: HouseFigures,
): readonly AddOnHere[] {
  const before = visits.find(
    (visit) => visit.roomId === roomId && Math.abs(slotOf(visit).to - gap.from) < SAME,
  );
  const host = before && figures.services.get(before.need.service.id);
  if (!host) return [];
  return addOnsOf(host, house, ({ id }) => figures.services.get(id))
    .filter(({ extraSlotMinutes }) => extraSlotMinutes <= gap.to - gap.from + SAME)
    .map((addOn) => ({ visit: before, addOn }))
    .toSorted((a, b) => b.addOn.figures.contribution - a.addOn.figures.contribution);
}
