import { daysAfter, type Weekday } from '../days/days';
import type { HoursSeason, OpenHours, OtherHours, Span, WeekOfSpans } from '../house/hours';
import type { HouseSettings } from '../house/settings';
import { usualOn, withSeasonDay } from './seasons';
import { fail, ok, type Outcome } from '../problem/problem';

/** A day of a house. Minutes by its clocks. */
export interface OpenDay {
  /** ISO date */
  readonly day: string;
  /** none on a day on which it is closed */
  readonly spans: readonly Span[];
  /** why it is otherwise than usual */
  readonly otherwise?: string;
}

/**
 * When the house is open on a day: by what is said of that day, else as on this day of every week at that time of the
 * year. Of several things said of a day the last stands.
 * @param day ISO date
 */
export function openOn(day: string, { week, seasons, otherwise = [] }: OpenHours): OpenDay {
  const said = otherwise.findLast((each) => isIn(day, each));
  return said
    ? { day, spans: said.spans, otherwise: said.name }
    : { day, spans: usualOn(day, week, seasons) };
}

/** Whether a day lies in a length of days, both ends included. */
export function isIn(day: string, { from, to }: Pick<OtherHours, 'from' | 'to'>): boolean {
  return from <= day && day <= to;
}

/** The seven days of a week. @param monday ISO date */
export function weekFrom(monday: string): readonly string[] {
  return Array.from({ length: 7 }, (_, at) => daysAfter(monday, at));
}

/**
 * When the house is open on the days of a week.
 * @param monday ISO date
 * @returns a problem where nobody has said when it opens
 */
export function openWeek(
  monday: string,
  { openHours }: Pick<HouseSettings, 'openHours'>,
): Outcome<readonly OpenDay[]> {
  const weeks = openHours
    ? [openHours.week, ...(openHours.seasons ?? []).map(({ week }) => week)]
    : [];
  if (!openHours || !weeks.some((week) => week.some((spans) => spans.length > 0))) {
    return fail(
      'hours-missing',
      'Say on which days and from when to when the house is open: a week is counted by it.',
      { settings: true, field: 'openHours' },
    );
  }
  return ok(weekFrom(monday).map((day) => openOn(day, openHours)));
}

const CLOSED_WEEK: WeekOfSpans = [[], [], [], [], [], [], []];

/**
 * Open hours with other ones on a day of every week; days that are otherwise stay as they are.
 * @param weekday 1 is Monday
 */
export function withOpenDay(
  hours: OpenHours | undefined,
  weekday: Weekday,
  spans: readonly Span[],
): OpenHours {
  const week = CLOSED_WEEK.map((_, at) => (at === weekday - 1 ? spans : (hours?.week[at] ?? [])));
  return { ...hours, week };
}

/** Open hours with other ones on a day of every week of a season. @param day ISO date */
export function withOpenSeasonDay(
  hours: OpenHours,
  of: Omit<HoursSeason, 'week'>,
  day: string,
  spans: readonly Span[],
): OpenHours {
  return { ...hours, seasons: withSeasonDay(hours.seasons, of, hours.week, day, spans) };
}

/** Open hours with a season more, which begins as the usual week. */
export function withSeason(hours: OpenHours, of: Omit<HoursSeason, 'week'>): OpenHours {
  return { ...hours, seasons: [...(hours.seasons ?? []), { ...of, week: hours.week }] };
}

/** Hours without a season: its days are as usual again. */
export function withoutSeason<H extends { readonly seasons?: readonly HoursSeason[] }>(
  hours: H,
  name: string,
): H {
  const { seasons = [], ...rest } = hours;
  const left = seasons.filter((season) => season.name !== name);
  return { ...rest, ...(left.length > 0 && { seasons: left }) } as H;
}

/**
 * Open hours with days that are otherwise; what was said of just these days before is replaced.
 * @param other days and what holds on them
 */
export function withOtherDays(hours: OpenHours | undefined, other: OtherHours): OpenHours {
  const { week, otherwise = [] } = hours ?? { week: CLOSED_WEEK };
  const rest = otherwise.filter(({ from, to }) => from !== other.from || to !== other.to);
  return {
    ...hours,
    week,
    otherwise: [...rest, other].toSorted((a, b) => (a.from < b.from ? -1 : 1)),
  };
}

/** Open hours without what was said of some days: they are as usual again. */
export function withoutOtherDays(
  { otherwise = [], ...hours }: OpenHours,
  of: Pick<OtherHours, 'from' | 'to'>,
): OpenHours {
  const rest = otherwise.filter(({ from, to }) => from !== of.from || to !== of.to);
  return { ...hours, ...(rest.length > 0 && { otherwise: rest }) };
}
