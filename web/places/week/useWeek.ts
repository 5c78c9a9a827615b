import { useSearchParams } from 'react-router';
import { daysAfter, daysBetween, isDay, mondayOf } from '@bienestar/core/days/days';
import type { WeekOfHouse } from '@bienestar/core/week/capacity';
import { weekOfHouse } from '@bienestar/core/week/capacity';
import { VISIT_SOURCES, type VisitSource } from '@bienestar/core/week/weekVisits';
import type { Outcome } from '@bienestar/core/problem/problem';
import { useMemo } from 'react';
import { useToday } from '../../store/clock';
import { useFigures, useHouse } from '../../store/house';

/** The week that is looked at, and by what its visits are known. */
export interface WeekInHand {
  /** ISO dates */
  readonly monday: string;
  readonly today: string;
  readonly source: VisitSource;
  readonly goTo: (monday: string) => void;
  readonly goBy: (weeks: number) => void;
  readonly setSource: (source: VisitSource) => void;
  /** what an address of the same week adds to its path */
  readonly search: string;
}

/** The week in the address; this one where it says none. */
export function useWeekInHand(): WeekInHand {
  const [params, setParams] = useSearchParams();
  const today = useToday();
  const day = params.get('day');
  const said = params.get('week') ?? day;
  const monday = mondayOf(said !== null && isDay(said) ? said : today);
  const by = params.get('by');
  const source = VISIT_SOURCES.find((each) => each === by) ?? 'plan';
  const set = (key: string, value: string): void =>
    setParams((before) => {
      before.set(key, value);
      return before;
    });
  /* The day in hand goes along: on the same weekday. */
  const goTo = (next: string): void =>
    setParams((before) => {
      const to = mondayOf(next);
      before.set('week', to);
      if (day !== null && isDay(day))
        before.set('day', daysAfter(to, daysBetween(mondayOf(day), day)));
      return before;
    });
  const search = params.size > 0 ? `?${params.toString()}` : '';
  return {
    monday,
    today,
    source,
    goTo,
    goBy: (weeks) => goTo(daysAfter(monday, 7 * weeks)),
    setSource: (next) => set('by', next),
    search,
  };
}

/** The week in hand of the House of this screen. */
export function useWeekOfHouse(monday: string): Outcome<WeekOfHouse> {
  const house = useHouse();
  const figures = useFigures();
  return useMemo(() => weekOfHouse(house, figures, monday), [house, figures, monday]);
}
