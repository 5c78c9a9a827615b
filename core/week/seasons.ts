import { weekdayOf } from '../days/days';
import type { HoursSeason, Span, WeekOfSpans } from '../house/hours';

/** The days of a year in which a season lies. */
export type DaysOfYear = Pick<HoursSeason, 'from' | 'to'>;

/**
 * The season in which a day lies, if any.
 * @param day ISO date
 * @example seasonOn('2027-01-06', [{ name: 'Feasts', from: '12-20', to: '01-07', week: [] }])?.name // 'Feasts'
 */
export function seasonOn(
  day: string,
  seasons: readonly HoursSeason[] = [],
): HoursSeason | undefined {
  const ofYear = day.slice('YYYY-'.length);
  return seasons.find((season) => liesIn(ofYear, season));
}

function liesIn(ofYear: string, { from, to }: DaysOfYear): boolean {
  return from <= to ? from <= ofYear && ofYear <= to : from <= ofYear || ofYear <= to;
}

/** Whether two seasons share a day of the year. */
export function overlap(a: DaysOfYear, b: DaysOfYear): boolean {
  return [a.from, a.to].some((end) => liesIn(end, b)) || liesIn(b.from, a);
}

/** The hours of a day as they usually are at its time of the year. @param day ISO date */
export function usualOn(
  day: string,
  usually: WeekOfSpans,
  seasons: readonly HoursSeason[] = [],
): readonly Span[] {
  const week = seasonOn(day, seasons)?.week ?? usually;
  return week[weekdayOf(day) - 1] ?? [];
}

/** A week with other hours on one of its days. */
export function withSpansOn(week: WeekOfSpans, day: string, spans: readonly Span[]): WeekOfSpans {
  return Array.from({ length: DAYS }, (_, at) =>
    at === weekdayOf(day) - 1 ? spans : (week[at] ?? []),
  );
}

const DAYS = 7;

/**
 * Seasons with other hours on a day of every week of one of them. Who has none of that name yet begins in it as usual.
 * @param of the season, by its name and days
 * @param day ISO date
 */
export function withSeasonDay(
  seasons: readonly HoursSeason[] = [],
  of: Omit<HoursSeason, 'week'>,
  usually: WeekOfSpans,
  day: string,
  spans: readonly Span[],
): readonly HoursSeason[] {
  const { name, from, to } = of;
  const before = seasons.find((season) => season.name === name);
  const week = withSpansOn(before?.week ?? usually, day, spans);
  const season = { name, from, to, week };
  return before ? seasons.map((each) => (each === before ? season : each)) : [...seasons, season];
}
