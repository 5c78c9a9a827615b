import { addOnsOf, type AddOn } from '../../figures/addOns';
import type { HouseFigures } from '../../figures/houseFigures';
import type { House } from '../../house/house';
import type { Span } from '../../house/hours';
import type { RoomId } from '../../house/ids';
import type { DayVisit } from './dayVisits';
import { slotOf } from './occupied';

/** The add-ons that a visit offers and does not have yet, what brings most first. @see P8 */
export function addOnsFor(
  { need, addOnIds = [] }: Pick<DayVisit, 'need' | 'addOnIds'>,
  house: House,
  figures: HouseFigures,
): readonly AddOn[] {
  const host = figures.services.get(need.service.id);
  if (!host) return [];
  return addOnsOf(host, house, ({ id }) => figures.services.get(id))
    .filter(({ service }) => !addOnIds.includes(service.id))
    .toSorted((a, b) => b.figures.contribution - a.figures.contribution);
}

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
  if (!before) return [];
  return addOnsFor(before, house, figures)
    .filter(({ extraSlotMinutes }) => extraSlotMinutes <= gap.to - gap.from + SAME)
    .map((addOn) => ({ visit: before, addOn }));
}
