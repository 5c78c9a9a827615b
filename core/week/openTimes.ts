import { daysAfter, weekdayOf } from '../days/days';
import type { OpenHours, OtherHours, Span } from '../house/hours';
import type { HouseSettings } from '../house/settings';
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
 * When the house is open on a day: by what is said of that day, else as on this day of every week. Of several
 * things said of a day the last stands.
 * @param day ISO date
 */
export function openOn(day: string, { week, otherwise = [] }: OpenHours): OpenDay {
  const said = otherwise.findLast((each) => isIn(day, each));
  return said
    ? { day, spans: said.spans, otherwise: said.name }
    : { day, spans: week[weekdayOf(day) - 1] ?? [] };
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
  if (!openHours?.week.some((spans) => spans.length > 0)) {
    return fail(
      'hours-missing',
      'Say on which days and from when to when the house is open: a week is counted by it.',
      { settings: true, field: 'openHours' },
    );
  }
  return ok(weekFrom(monday).map((day) => openOn(day, openHours)));
}
