import { mondayOf, weekdayOf, type Weekday } from '../days/days';
import { payOf } from '../cost/therapistRate';
import type { House, Person } from '../house/house';
import type { HoursSeason, Span, WeekOfSpans, WorkHours } from '../house/hours';
import type { PersonId } from '../house/ids';
import type { Problem } from '../problem/problem';
import { isIn, openOn, weekFrom } from './openTimes';
import { seasonOn, usualOn, withSeasonDay } from './seasons';
import { sharedMinutes, spanMinutes, within, without } from './spans';

/** A week in which nobody works. */
export const NO_WORK: WeekOfSpans = [[], [], [], [], [], [], []];

/** Somebody on one day. Minutes by the clocks of the house. */
export interface OnDay {
  readonly spans: readonly Span[];
  /** why there is nobody, where somebody would be */
  readonly away?: string;
}

/**
 * When somebody works on a day: as the roster of that week says, else as usual, and not at all where away. Who has
 * no hours is not on the roster.
 * @param day ISO date
 */
export function workOn({ hours }: Pick<Person, 'hours'>, day: string): OnDay {
  if (!hours) return { spans: [] };
  const away = hours.away?.find((each) => isIn(day, each));
  if (away) return { spans: [], away: away.why ?? 'away' };
  return { spans: weekOf(hours, mondayOf(day))[weekdayOf(day) - 1] ?? [] };
}

/** The hours of somebody in a week, without what is said of single days. @param monday ISO date */
export function weekOf(hours: WorkHours, monday: string): WeekOfSpans {
  return hours.weeks?.find((week) => week.monday === monday)?.days ?? usualWeek(hours, monday);
}

/** The hours of somebody in a week as they usually are at that time of the year. */
function usualWeek({ usually, seasons }: WorkHours, monday: string): WeekOfSpans {
  return weekFrom(monday).map((day) => usualOn(day, usually, seasons));
}

/**
 * Somebody with another span of work on a day of a week; the other weeks stay as they are.
 * @param day ISO date
 * @param spans of that day, in the order of the day
 */
export function withDay(person: Person, day: string, spans: readonly Span[]): Person {
  const hours = person.hours ?? { usually: NO_WORK };
  const monday = mondayOf(day);
  const before = weekOf(hours, monday);
  const days = NO_WORK.map((_, at) => (at === weekdayOf(day) - 1 ? spans : (before[at] ?? [])));
  return withWeek({ ...person, hours }, monday, days);
}

/** Somebody with other hours in one week. What is as usual anyhow is not written down. */
export function withWeek(person: Person, monday: string, days: WeekOfSpans): Person {
  const hours = person.hours ?? { usually: NO_WORK };
  const others = (hours.weeks ?? []).filter((week) => week.monday !== monday);
  const isUsual = JSON.stringify(days) === JSON.stringify(usualWeek(hours, monday));
  const weeks = isUsual
    ? others
    : [...others, { monday, days }].toSorted((a, b) => (a.monday < b.monday ? -1 : 1));
  const { weeks: _before, ...rest } = hours;
  return { ...person, hours: { ...rest, ...(weeks.length > 0 && { weeks }) } };
}

/** Everybody's hours of one week, in another. Whose week is the same already stays as it is. */
export function copyWeek(people: readonly Person[], from: string, to: string): readonly Person[] {
  return people.map((person) => {
    if (!person.hours) return person;
    const days = weekOf(person.hours, from);
    const same = JSON.stringify(days) === JSON.stringify(weekOf(person.hours, to));
    return same ? person : withWeek(person, to, days);
  });
}

/**
 * Everybody's hours of one week, as usual from now on; of days in a season, in that season.
 * @param seasons of the house
 */
export function asUsual(
  people: readonly Person[],
  monday: string,
  seasons: readonly HoursSeason[] = [],
): readonly Person[] {
  return people.map((person) => {
    const { hours } = person;
    if (!hours?.weeks?.some((week) => week.monday === monday)) return person;
    const days = weekOf(hours, monday);
    const usual = weekFrom(monday).reduce<Person>((so, day, at) => {
      const season = seasonOn(day, seasons);
      const spans = days[at] ?? [];
      return season
        ? withSeasonWorkDay(so, season, day, spans)
        : withUsualDay(so, weekdayOf(day), spans);
    }, person);
    return withWeek(usual, monday, days);
  });
}

/** Somebody in a week of the roster, and what that costs. Minor units. */
export interface RosterLine {
  readonly person: Person;
  readonly days: readonly OnDay[];
  readonly minutes: number;
  /** of that, while the house is closed */
  readonly closedMinutes: number;
  /** by which that is more than agreed; below 0 where it is less */
  readonly overAgreedMinutes: number;
  /** owed whether or not somebody comes, on-cost included */
  readonly fixedPay: number;
  /** for the hours on the roster at the most: paid as they are worked */
  readonly variablePay: number;
}

/** A week of the roster. */
export interface RosterWeek {
  readonly lines: readonly RosterLine[];
  readonly fixedPay: number;
  readonly variablePay: number;
  readonly faults: readonly Problem[];
}

const WEEKS_A_YEAR = 52;
const MONTHS_A_YEAR = 12;

/**
 * Who works when in a week, and the pay of that week: pay by the month and for agreed hours is owed; whoever is
 * paid for hours of work gets at most those of the roster. A share of prices is with the visits.
 * @param monday ISO date
 * @see C3 C9
 */
export function rosterOf(
  { people, settings }: Pick<House, 'people' | 'settings'>,
  monday: string,
): RosterWeek {
  const lines = people.map((person) => lineOf(person, monday, settings));
  return {
    lines,
    fixedPay: lines.reduce((sum, line) => sum + line.fixedPay, 0),
    variablePay: lines.reduce((sum, line) => sum + line.variablePay, 0),
    faults: people.flatMap((person) => faultsOf(person, monday)),
  };
}

function lineOf(person: Person, monday: string, settings: House['settings']): RosterLine {
  const days = weekFrom(monday).map((day) => workOn(person, day));
  const { openHours } = settings;
  const minutes = days.reduce((sum, { spans }) => sum + spanMinutes(spans), 0);
  const open = weekFrom(monday).reduce(
    (sum, day, at) =>
      sum +
      (openHours
        ? spanMinutes(within(days[at]?.spans ?? [], openOn(day, openHours).spans))
        : spanMinutes(days[at]?.spans ?? [])),
    0,
  );
  const { hourlyMinor, whenWorking, perMonthMinor, onCost } = payOf(person, settings);
  const agreedMinutes = person.hoursPerWeek === undefined ? undefined : person.hoursPerWeek * 60;
  const monthly = (perMonthMinor * MONTHS_A_YEAR) / WEEKS_A_YEAR;
  const hourly = (hourlyMinor * (whenWorking ? minutes : (agreedMinutes ?? minutes))) / 60;
  return {
    person,
    days,
    minutes,
    closedMinutes: minutes - open,
    overAgreedMinutes: agreedMinutes === undefined ? 0 : minutes - agreedMinutes,
    fixedPay: (monthly + (whenWorking ? 0 : hourly)) * (1 + onCost),
    variablePay: whenWorking ? hourly * (1 + onCost) : 0,
  };
}

/** Somebody who is in two places at once: spans of one day that overlap. */
function faultsOf({ id, name, hours }: Person, monday: string): Problem[] {
  if (!hours) return [];
  return weekOf(hours, monday).flatMap((spans): Problem[] => {
    const twice = spans.some((span, at) =>
      spans.slice(at + 1).some((other) => sharedMinutes(span, other) > 0),
    );
    if (!twice) return [];
    const message = `${name} is on the roster twice at the same time: let one begin when the other ends.`;
    return [{ code: 'twice-at-once', message, where: { personId: id, field: 'hours' } }];
  });
}

/** When somebody is there to work on a day: hours of the roster while the house is open. */
export function bookableOn(
  person: Person,
  day: string,
  open: readonly Span[],
  taken: readonly Span[] = [],
): readonly Span[] {
  return without(within(workOn(person, day).spans, open), taken);
}

/** Whose hours nobody has said: they cannot be planned. */
export function withoutHours(people: readonly Person[]): readonly PersonId[] {
  return people.flatMap(({ id, hours }) => (hours ? [] : [id]));
}

/**
 * Somebody with other hours on a day of every week; weeks that are otherwise stay as they are.
 * @param weekday 1 is Monday
 */
export function withUsualDay(person: Person, weekday: Weekday, spans: readonly Span[]): Person {
  const hours = person.hours ?? { usually: NO_WORK };
  const usually = NO_WORK.map((_, at) => (at === weekday - 1 ? spans : (hours.usually[at] ?? [])));
  return { ...person, hours: { ...hours, usually } };
}

/**
 * Somebody with other hours on a day of every week of a season.
 * @param of the season, by its name and days
 * @param day ISO date
 */
export function withSeasonWorkDay(
  person: Person,
  of: Omit<HoursSeason, 'week'>,
  day: string,
  spans: readonly Span[],
): Person {
  const hours = person.hours ?? { usually: NO_WORK };
  const seasons = withSeasonDay(hours.seasons, of, hours.usually, day, spans);
  return { ...person, hours: { ...hours, seasons } };
}
