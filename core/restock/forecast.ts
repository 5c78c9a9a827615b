import type { Booking, BookingName, Demand, House, SoldCourse } from '../house/house';
import type { ServiceId } from '../house/ids';
import type { Course } from '../house/offer';
import type { VisitKind } from '../house/ways';
import type { RestockSettings } from '../house/restock';
import { bookOf } from './bookOf';
import { visitsByDay, visitsIn } from '../house/visitLog';
import { dayOf, daysAfter, daysBetween } from '../days/days';

const DAYS_A_WEEK = 7;
const DAYS_A_YEAR = 365;
/** How far ahead the plan is averaged for what holds now. */
const PLAN_DAYS = 28;

/** The visits to come of one service, a week, by what says so. */
export interface Forecast {
  readonly serviceId: ServiceId;
  /** as planned, in this season of the year */
  readonly plan: number;
  /** in the book; nothing where no book is read */
  readonly bookings: number | null;
  /** as performed lately; nothing where nothing is logged */
  readonly log: number | null;
  /** due of courses that are sold */
  readonly courses: number;
  /** by the house's blend, without what the stock promised to courses covers */
  readonly used: number;
}

/** What says how many visits are to come. */
export type VisitSources = Pick<
  House,
  'services' | 'demand' | 'bookings' | 'placed' | 'log' | 'offers' | 'soldCourses'
> & { readonly settings: Pick<House['settings'], 'restock' | 'timeZone'> };

/**
 * Visits a week of every service by plan, book and log, blended as the house has chosen: weights of
 * what is not there go to the rest. Visits of sold courses have their stock set aside; where the plan
 * contains them they are taken out of it, so that nothing is counted twice.
 * @param today ISO date
 * @see S1 S5
 */
export function forecastOf(house: VisitSources, today: string): ReadonlyMap<ServiceId, Forecast> {
  const { restock } = house.settings;
  const book = bookOf(house);
  const booked = book.length > 0 ? bookedPerWeek(house, book, today) : undefined;
  const logged = visitsIn(house.log) > 0 ? loggedPerWeek(house, today) : undefined;
  const plan = new Map(house.demand.map((line) => [line.serviceId, line]));
  const due = coursesPerWeek(house, today);
  const days = Array.from({ length: PLAN_DAYS }, (_, at) => daysAfter(today, at));
  const asHouse = factorOver({}, restock, days);
  return new Map(
    house.services.map(({ id }) => {
      const line = plan.get(id);
      const own = line?.months !== undefined || line?.trendPerYear !== undefined;
      const factor = line && own ? factorOver(line, restock, days) : asHouse;
      const planned = (line?.visitsPerWeek ?? 0) * factor;
      const bookings = booked ? (booked.get(id) ?? 0) : null;
      const log = logged ? (logged.get(id) ?? 0) : null;
      const courses = due.get(id) ?? 0;
      const blended = blend(restock, { plan: planned, bookings, log });
      const used = restock.courses === 'within-plan' ? Math.max(0, blended - courses) : blended;
      return [id, { serviceId: id, plan: planned, bookings, log, courses, used }];
    }),
  );
}

function blend(
  { blend: weights }: RestockSettings,
  of: Pick<Forecast, 'plan' | 'bookings' | 'log'>,
): number {
  let sum = 0;
  let all = 0;
  for (const source of ['plan', 'bookings', 'log'] as const) {
    const visits = of[source];
    if (visits === null) continue;
    sum += visits * weights[source];
    all += weights[source];
  }
  return all > 0 ? sum / all : of.plan;
}

/**
 * What months and growth make of the plan on a day: 1 is as planned.
 * @param day ISO date
 */
export function factorOn(
  line: Pick<Demand, 'months' | 'trendPerYear'>,
  { months, trend }: Pick<RestockSettings, 'months' | 'trend'>,
  day: string,
): number {
  const month = Number(day.slice(5, 7)) - 1;
  const season = (line.months ?? months)[month] ?? 1;
  const perYear = line.trendPerYear ?? trend?.perYear ?? 0;
  const years = trend ? daysBetween(trend.since, day) / DAYS_A_YEAR : 0;
  return season * (1 + perYear) ** years;
}

function factorOver(
  line: Pick<Demand, 'months' | 'trendPerYear'>,
  restock: RestockSettings,
  days: readonly string[],
): number {
  return days.reduce((sum, day) => sum + factorOn(line, restock, day), 0) / days.length;
}

/** Which service a booking is of; nothing for what is no treatment or not matched yet. */
export function bookedService(
  title: string,
  names: ReadonlyMap<string, ServiceId | null>,
): ServiceId | null | undefined {
  return names.get(titleKey(title));
}

/** Titles of a calendar that mean the same: without case, spaces at the ends and doubled ones. */
export function titleKey(title: string): string {
  return title.trim().replaceAll(/\s+/g, ' ').toLocaleLowerCase();
}

/** What calendars call the services: the mapping of the house, and the services by their own names. */
export function bookingNames(
  house: Pick<House, 'services'> & { readonly settings: { readonly restock: RestockSettings } },
): ReadonlyMap<string, ServiceId | null> {
  const names = new Map<string, ServiceId | null>();
  for (const { id, name, guest } of house.services) {
    names.set(titleKey(name), id);
    if (guest?.name !== undefined) names.set(titleKey(guest.name), id);
  }
  for (const { title, serviceId } of house.settings.restock.bookingNames) {
    names.set(titleKey(title), serviceId);
  }
  return names;
}

/** Titles in the book that nobody has said a service for, with how often they stand there. */
export function unmatchedTitles(
  bookings: readonly Booking[],
  names: ReadonlyMap<string, ServiceId | null>,
): readonly { readonly title: string; readonly times: number }[] {
  const found = new Map<string, { title: string; times: number }>();
  for (const { title } of bookings) {
    if (names.has(titleKey(title))) continue;
    const known = found.get(titleKey(title));
    if (known) known.times += 1;
    else found.set(titleKey(title), { title, times: 1 });
  }
  return [...found.values()].sort((a, b) => b.times - a.times || a.title.localeCompare(b.title));
}

/** `names` with one title meaning another service, or none. */
export function withName(names: readonly BookingName[], name: BookingName): BookingName[] {
  const key = titleKey(name.title);
  return [...names.filter(({ title }) => titleKey(title) !== key), name];
}

function bookedPerWeek(
  house: VisitSources,
  book: readonly Booking[],
  today: string,
): ReadonlyMap<ServiceId, number> {
  const { timeZone, restock } = house.settings;
  const { bookingDays } = restock;
  const names = bookingNames(house);
  const until = daysAfter(today, bookingDays);
  const counts = new Map<ServiceId, number>();
  for (const { title, at } of book) {
    const day = dayOf(new Date(at), timeZone);
    if (day < today || day >= until) continue;
    const service = bookedService(title, names);
    if (service) counts.set(service, (counts.get(service) ?? 0) + 1);
  }
  return perWeek(counts, bookingDays);
}

function loggedPerWeek(house: VisitSources, today: string): ReadonlyMap<ServiceId, number> {
  const { logDays } = house.settings.restock;
  const from = daysAfter(today, -logDays);
  const counts = new Map<ServiceId, number>();
  let oldest = today;
  for (const { serviceId, day, count } of visitsByDay(house.log)) {
    if (day < oldest) oldest = day;
    if (day < from || day >= today) continue;
    counts.set(serviceId, (counts.get(serviceId) ?? 0) + count);
  }
  /* A log that is younger than that is not thinned out over days before it began. */
  const days = Math.max(1, Math.min(logDays, daysBetween(oldest, today)));
  return perWeek(counts, days);
}

function perWeek(
  counts: ReadonlyMap<ServiceId, number>,
  days: number,
): ReadonlyMap<ServiceId, number> {
  return new Map([...counts].map(([id, count]) => [id, (count * DAYS_A_WEEK) / days]));
}

/** A visit of a sold course that has not been taken yet. */
export interface DueVisit {
  readonly soldCourse: SoldCourse;
  readonly serviceId: ServiceId;
  readonly visitKind: VisitKind;
  /** ISO date on which it is due */
  readonly day: string;
}

/**
 * The visits that sold courses still promise, in their order: each so many days after the one before,
 * the next not before today. A course that has run out promises nothing any more.
 * @see P8 S5
 */
export function dueVisits(
  house: Pick<House, 'offers' | 'soldCourses'>,
  today: string,
): readonly DueVisit[] {
  const courses = new Map(
    house.offers.flatMap((offer) => (offer.kind === 'course' ? [[offer.id, offer] as const] : [])),
  );
  return house.soldCourses.flatMap((sold): DueVisit[] => {
    const course = courses.get(sold.offerId);
    return course ? dueOf(sold, course, today) : [];
  });
}

/** The sold courses whose next visit is one of a service: it may be taken of any of them. */
export function coursesWithNext(house: House, serviceId: ServiceId, today: string): SoldCourse[] {
  const seen = new Set<SoldCourse>();
  return dueVisits(house, today).flatMap(({ soldCourse, serviceId: next }): SoldCourse[] => {
    if (seen.has(soldCourse)) return [];
    seen.add(soldCourse);
    return next === serviceId ? [soldCourse] : [];
  });
}

function dueOf(sold: SoldCourse, course: Course, today: string): DueVisit[] {
  if (!course.prepaid || daysAfter(sold.soldOn, course.validDays) < today) return [];
  const all = course.visits.flatMap(({ serviceId, visitKind, times }) =>
    Array.from({ length: times }, () => ({ serviceId, visitKind })),
  );
  const due: DueVisit[] = [];
  let day = daysAfter(sold.soldOn, sold.taken * course.everyDays);
  for (const visit of all.slice(sold.taken)) {
    if (day < today) day = today;
    due.push({ soldCourse: sold, ...visit, day });
    day = daysAfter(day, course.everyDays);
  }
  return due;
}

function coursesPerWeek(house: VisitSources, today: string): ReadonlyMap<ServiceId, number> {
  const until = daysAfter(today, PLAN_DAYS);
  const counts = new Map<ServiceId, number>();
  for (const { serviceId, day } of dueVisits(house, today)) {
    if (day < until) counts.set(serviceId, (counts.get(serviceId) ?? 0) + 1);
  }
  return perWeek(counts, PLAN_DAYS);
}
