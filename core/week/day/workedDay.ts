import type { HouseFigures } from '../../figures/houseFigures';
import type { House } from '../../house/house';
import { needOtherwise } from '../workedOtherwise';
import { conflictsOf, type Conflict } from './conflicts';
import type { DaysOfHouse } from './daysOfHouse';
import { visitsOfDay, type DayVisit, type VisitsOfDay } from './dayVisits';
import { proposed } from './propose';
import { withSharedWork, type Ready, type SharedWork } from './sharedWork';

/** A day as it is worked: everything in it, where it stands, what is done once, and what does not fit. */
export interface WorkedDay extends VisitsOfDay {
  /** ISO date */
  readonly day: string;
  readonly shared: readonly SharedWork[];
  /** what lies ready for a visit more */
  readonly ready: readonly Ready[];
  readonly conflicts: readonly Conflict[];
}

/** The visits of a day with what is worked within them, as they are placed. @param day ISO date */
export function visitsOn(of: DaysOfHouse, day: string): VisitsOfDay {
  const { house, figures, needs, today } = of;
  const found = visitsOfDay(house, needs, day, today);
  return { ...found, visits: found.visits.map((visit) => withAddOns(visit, house, figures)) };
}

function withAddOns(visit: DayVisit, house: House, figures: HouseFigures): DayVisit {
  const { addOnIds, need } = visit;
  return addOnIds ? { ...visit, need: needOtherwise(need, { addOnIds }, house, figures) } : visit;
}

/**
 * The visits of a day where they stand, those of the book where they could: what is done once is taken out.
 * @param day ISO date
 * @param without the key of a visit that is left aside, because a place is looked for it
 */
export function drawnOn(
  of: DaysOfHouse,
  day: string,
  without?: string,
): Pick<WorkedDay, 'day' | 'visits' | 'shared' | 'ready' | 'due' | 'unknown'> {
  const { house, figures } = of;
  const found = visitsOn(of, day);
  /* The others stay where they are drawn: none of them takes the place of the one that is left aside. */
  const drawn = proposed(found.visits, day, of).filter(({ key }) => key !== without);
  return { ...found, day, ...withSharedWork(drawn, house, figures) };
}

/**
 * A day of the house: its visits as they are placed, those of the book where they could be, what of it is done once
 * for several, and what does not fit.
 * @param day ISO date
 * @see M3 W2 W3
 */
export function workedDay(of: DaysOfHouse, day: string): WorkedDay {
  const drawn = drawnOn(of, day);
  const { visits } = drawn;
  const before = new Map<string, readonly DayVisit[]>();
  const visitsBefore = (earlier: string): readonly DayVisit[] => {
    const known = before.get(earlier) ?? visitsOn(of, earlier).visits;
    before.set(earlier, known);
    return known;
  };
  const conflicts = conflictsOf({ house: of.house, needs: of.needs, day, visits, visitsBefore });
  return { ...drawn, conflicts };
}
