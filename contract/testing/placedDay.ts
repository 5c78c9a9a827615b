import { demoAsOf } from './demo';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { House, PlacedVisit } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { conflictsOf, type Conflict } from '@bienestar/core/week/day/conflicts';
import { daysOfHouse, type DaysOfHouse } from '@bienestar/core/week/day/daysOfHouse';
import { atMinute, type DayVisit } from '@bienestar/core/week/day/dayVisits';
import { visitsOn, workedDay } from '@bienestar/core/week/day/workedDay';
import type { VisitNeed } from '@bienestar/core/week/needs';

/* The newest day of the demo house, so that none of its days is moved. */
export const NOW = new Date('2026-11-25T12:00:00Z');
export const TODAY = '2026-11-25';
export const DAY = '2026-11-27';
export const demo = demoAsOf(NOW);
/** The demo house without anything in its days. */
export const empty: House = { ...demo, bookings: [], placed: [], soldCourses: [] };

const calculate = createCalculator();
const known = new WeakMap<House, DaysOfHouse>();

/** The days of a house that differs from the demo house. */
export function daysOf(house: House): DaysOfHouse {
  const before = known.get(house);
  if (before) return before;
  const made = daysOfHouse(house, calculate(house), TODAY);
  known.set(house, made);
  return made;
}

/** What a visit of a service of the demo house takes. */
export function needFor(serviceId: string, house: House = demo): VisitNeed {
  const need = daysOf(house).needs.find(({ service }) => service.id === serviceId);
  if (!need) throw new Error(`${serviceId} cannot be counted.`);
  return need;
}

let made = 0;

/** A visit that the house has placed. */
export function placed(
  serviceId: string,
  time: string,
  roomId: string,
  therapistId: string,
  { day = DAY, ...more }: Partial<PlacedVisit> & { readonly day?: string } = {},
): PlacedVisit {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  made += 1;
  return {
    id: asId(`placed-${made}`),
    name: `Guest ${made}`,
    serviceId: asId(serviceId),
    at: atMinute(day, hour * 60 + minute, demo.settings.timeZone),
    roomId: asId(roomId),
    therapistId: asId(therapistId),
    ...more,
  };
}

/** The visits of a day as they are placed. */
export function visitsOf(house: House, day = DAY): readonly DayVisit[] {
  return visitsOn(daysOf(house), day).visits;
}

/** What does not fit of these visits of the day, as they stand. */
export function check(house: House, visits = visitsOf(house), day = DAY): readonly Conflict[] {
  const of = daysOf(house);
  return conflictsOf({
    house,
    needs: of.needs,
    day,
    visits,
    visitsBefore: (earlier) => visitsOn(of, earlier).visits,
  });
}

/** A day with these visits and nothing else, as it is worked. */
export function dayWith(...visits: readonly PlacedVisit[]): ReturnType<typeof workedDay> {
  return workedDay(daysOf({ ...empty, placed: visits }), DAY);
}
