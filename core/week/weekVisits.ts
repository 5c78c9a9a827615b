import { dayOf, daysAfter, weekdayOf } from '../days/days';
import { wallOf } from '../days/timeZones';
import type { House } from '../house/house';
import type { ServiceId } from '../house/ids';
import { bookOf } from '../restock/bookOf';
import { bookedService, bookingNames, dueVisits, factorOn, forecastOf } from '../restock/forecast';
import { weekFrom } from './openTimes';
import { DAY_MINUTES } from './spans';

/** What says how many visits a week holds. */
export const VISIT_SOURCES = ['plan', 'book', 'courses', 'log'] as const;
export type VisitSource = (typeof VISIT_SOURCES)[number];

/**
 * The visits of a week by service: as planned in that season, as the book has them, as sold courses promise them, or
 * as they were performed lately.
 * @param monday ISO date
 * @param today ISO date
 */
export function weekVisits(
  house: House,
  monday: string,
  source: VisitSource,
  today: string,
): ReadonlyMap<ServiceId, number> {
  const counts = new Map<ServiceId, number>();
  const count = (id: ServiceId, visits: number): void => {
    if (visits > 0) counts.set(id, (counts.get(id) ?? 0) + visits);
  };
  const days = weekFrom(monday);
  switch (source) {
    case 'plan':
      for (const line of house.demand) {
        const factors = days.map((day) => factorOn(line, house.settings.restock, day));
        const factor = factors.reduce((sum, each) => sum + each, 0) / days.length;
        count(line.serviceId, line.visitsPerWeek * factor);
      }
      return counts;
    case 'book':
      for (const { serviceId, day } of bookedVisits(house)) {
        if (days.includes(day)) count(serviceId, 1);
      }
      return counts;
    case 'courses':
      for (const { serviceId, day } of dueVisits(house, today)) {
        if (days.includes(day)) count(serviceId, 1);
      }
      return counts;
    case 'log':
      for (const [id, { log }] of forecastOf(house, today)) count(id, log ?? 0);
      return counts;
  }
}

/** A visit of the book, by the clocks of the house. */
interface BookedVisit {
  readonly serviceId: ServiceId;
  /** ISO date */
  readonly day: string;
  /** minutes of the day */
  readonly starts: number;
}

function bookedVisits(
  house: Pick<House, 'bookings' | 'placed' | 'services' | 'settings'>,
): readonly BookedVisit[] {
  const { settings } = house;
  const names = bookingNames(house);
  return bookOf(house).flatMap(({ title, at }): BookedVisit[] => {
    const serviceId = bookedService(title, names);
    if (!serviceId) return [];
    const moment = new Date(at);
    return [
      {
        serviceId,
        day: dayOf(moment, settings.timeZone),
        starts: minuteOfDay(moment, settings.timeZone),
      },
    ];
  });
}

/** The minute of the day by clocks of a time zone. */
export function minuteOfDay(moment: Date, timeZone: string): number {
  const wall = Math.floor(wallOf(moment, timeZone) / 60_000);
  return ((wall % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES;
}

/** How often visits begin in an hour of a weekday, Monday first: 7 x 24 figures, relative to one another. */
export type Rhythm = readonly (readonly number[])[];

const LEAST_TO_KNOW = 20;
const HOURS = 24;
/** of the book, so many weeks back and ahead */
const WEEKS = 8;

/**
 * When guests come: by the weekdays and hours of the book, of eight weeks back and ahead; at all times alike where it
 * says too little.
 * @param today ISO date
 */
export function rhythmOf(house: House, today: string): Rhythm {
  const [from, to] = [daysAfter(today, -7 * WEEKS), daysAfter(today, 7 * WEEKS)];
  const visits = bookedVisits(house).filter(({ day }) => from <= day && day < to);
  const counts = Array.from({ length: 7 }, () => Array.from({ length: HOURS }, () => 0));
  if (visits.length < LEAST_TO_KNOW) return counts.map((day) => day.map(() => 1));
  for (const { day, starts } of visits) {
    const hours = counts[weekdayOf(day) - 1];
    const hour = Math.floor(starts / 60);
    if (hours) hours[hour] = (hours[hour] ?? 0) + 1;
  }
  /* An hour in which nobody came lately is not closed: a guest in a hundred may. */
  const rarely = visits.length / (7 * HOURS) / 10;
  return counts.map((day) => day.map((each) => each + rarely));
}
