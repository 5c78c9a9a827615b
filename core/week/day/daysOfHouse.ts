import type { HouseFigures } from '../../figures/houseFigures';
import type { House } from '../../house/house';
import { needsOf, type VisitNeed } from '../needs';

/** A house whose days are looked at. */
export interface DaysOfHouse {
  readonly house: House;
  readonly figures: HouseFigures;
  readonly needs: readonly VisitNeed[];
  /** ISO date */
  readonly today: string;
}

/** A house whose days are looked at. @param today ISO date */
export function daysOfHouse(house: House, figures: HouseFigures, today: string): DaysOfHouse {
  return { house, figures, needs: needsOf(house, figures), today };
}
