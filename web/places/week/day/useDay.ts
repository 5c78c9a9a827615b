import { nanoid } from '@reduxjs/toolkit';
import { useMemo, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { isDay, mondayOf } from '@bienestar/core/days/days';
import { asId } from '@bienestar/core/house/ids';
import { daysOfHouse, type DaysOfHouse } from '@bienestar/core/week/day/daysOfHouse';
import type { DayVisit } from '@bienestar/core/week/day/dayVisits';
import { placedAt, type Place } from '@bienestar/core/week/day/placing';
import { workedDay, type WorkedDay } from '@bienestar/core/week/day/workedDay';
import { useToday } from '../../../store/clock';
import { useFigures, useHouse, useSnapshot } from '../../../store/house';
import { counted, shortDay } from '../../../format/figures';
import { useAddAndRemove, useChangeOf } from '../../../store/useEditPart';
import { useWriteTogether } from '../../../store/useWriteTogether';

/** A day of the house: its visits as they are placed, those of the book where they could be, and what does not fit. */
export interface DayInHand extends WorkedDay {
  readonly of: DaysOfHouse;
  /** ISO dates */
  readonly monday: string;
  readonly today: string;
  readonly goTo: (day: string) => void;
  /** places a visit, or moves one; on another day where one is said */
  readonly place: (visit: DayVisit, place: Place, onDay?: string) => Promise<void>;
  /** keeps visits of the book where they are drawn, all of them or none */
  readonly placeAll: (visits: readonly DayVisit[]) => Promise<void>;
  readonly remove: (visit: DayVisit) => Promise<void>;
}

const ALL = 'all';

/** The day in the address; today where it says none. */
export function useDay(): DayInHand {
  const house = useHouse();
  const figures = useFigures();
  const snapshot = useSnapshot();
  const today = useToday();
  const [params, setParams] = useSearchParams();
  const said = params.get('day');
  const week = params.get('week');
  const fallback =
    week !== null && isDay(week) && mondayOf(today) !== mondayOf(week) ? week : today;
  const day = said !== null && isDay(said) ? said : fallback;
  const change = useChangeOf('placed');
  const { add, remove } = useAddAndRemove('placed');
  const write = useWriteTogether();
  const adding = useRef(new Set<string>());
  const of = useMemo(() => daysOfHouse(house, figures, today), [house, figures, today]);
  const worked = useMemo(() => workedDay(of, day), [of, day]);
  return {
    ...worked,
    of,
    monday: mondayOf(day),
    today,
    goTo: (next) =>
      setParams((before) => {
        before.set('day', next);
        before.set('week', mondayOf(next));
        return before;
      }),
    place: async (visit, place, onDay = day) => {
      const next = placedAt(visit, place, onDay, house.settings.timeZone, () => asId(nanoid(12)));
      const before = snapshot.placed.find(({ id }) => id === next.id);
      if (before) await change(before, () => withoutNothing(next, before));
      else if (!adding.current.has(visit.key)) {
        /* Pressed twice it is one visit. */
        adding.current.add(visit.key);
        await add(next);
        adding.current.delete(visit.key);
      }
    },
    placeAll: async (all) => {
      if (adding.current.has(ALL)) return;
      adding.current.add(ALL);
      const placed = all.map((visit) => ({
        ...placedAt(visit, {}, day, house.settings.timeZone, () => asId(nanoid(12))),
        version: 0,
      }));
      await write({ placed }, `${counted(placed.length, 'visit')} of ${shortDay(day)} kept`);
      adding.current.delete(ALL);
    },
    remove: async (visit) => {
      const placed = snapshot.placed.find(({ id }) => id === visit.placed?.id);
      if (placed) await remove(placed);
    },
  };
}

/** What is no longer said of a visit is taken away, too. */
function withoutNothing<T extends object>(next: T, before: T): Partial<T> {
  const gone = Object.keys(before).filter((key) => !(key in next) && key !== 'version');
  return { ...Object.fromEntries(gone.map((key) => [key, undefined])), ...next };
}
