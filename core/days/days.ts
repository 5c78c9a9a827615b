import { instantAt, wallOf } from './timeZones';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

/**
 * The ISO date of an instant, by clocks of a time zone.
 * @throws RangeError for a zone that is not known
 * @example dayOf(new Date('2026-06-30T23:30:00Z'), 'Atlantic/Canary') // '2026-07-01'
 */
export function dayOf(instant: Date, timeZone: string): string {
  return isoDay(wallOf(instant, timeZone));
}

/**
 * Days from an ISO date to the day of an instant, by clocks of a time zone: what `daysBetween` says of `dayOf`, for
 * thousands of instants.
 * @throws RangeError for a zone that is not known
 * @example daysSince('2026-06-29', new Date('2026-06-30T23:30:00Z'), 'Atlantic/Canary') // 2
 */
export function daysSince(day: string, instant: Date, timeZone: string): number {
  return Math.floor((wallOf(instant, timeZone) - Date.parse(`${day}T00:00Z`)) / DAY_MS);
}

/** The moment that it is for a house, and the clocks by which its days go. */
export interface HouseClock {
  readonly now: Date;
  /** IANA name */
  readonly timeZone: string;
}

/** The ISO date of the moment that it is. */
export function todayOf({ now, timeZone }: HouseClock): string {
  return dayOf(now, timeZone);
}

/** The first moment of an ISO date, by clocks of a time zone. */
export function startOfDay(day: string, timeZone: string): Date {
  return instantAt(Date.parse(`${day}T00:00Z`), timeZone);
}

/** The last moment of an ISO date, by clocks of a time zone. */
export function endOfDay(day: string, timeZone: string): Date {
  return new Date(startOfDay(daysAfter(day, 1), timeZone).getTime() - 1);
}

/**
 * Days from one ISO date to another; below 0 when `to` lies before.
 * @example daysBetween('2026-02-27', '2026-03-01') // 2
 */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(`${to}T00:00Z`) - Date.parse(`${from}T00:00Z`)) / DAY_MS);
}

/**
 * The ISO date so many days after another.
 * @example daysAfter('2028-02-28', 2) // '2028-03-01'
 */
export function daysAfter(day: string, days: number): string {
  return isoDay(Date.parse(`${day}T00:00Z`) + days * DAY_MS);
}

/** Monday is 1, Sunday 7 (ISO 8601). */
export type Weekday = 1 | 2 | 3 | 4 | 5 | 6 | 7;

/**
 * The day of the week of an ISO date, 1 being Monday.
 * @example weekdayOf('2026-11-29') // 7
 */
export function weekdayOf(day: string): Weekday {
  return (((new Date(`${day}T00:00Z`).getUTCDay() + 6) % 7) + 1) as Weekday;
}

/**
 * The Monday of the week of an ISO date.
 * @example mondayOf('2026-11-29') // '2026-11-23'
 */
export function mondayOf(day: string): string {
  return daysAfter(day, 1 - weekdayOf(day));
}

/**
 * True for a date that the calendar knows, written YYYY-MM-DD.
 * @example isDay('2026-02-29') // false
 */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text) || text < '0001') return false;
  const instant = Date.parse(`${text}T00:00Z`);
  return Number.isFinite(instant) && new Date(instant).toISOString().startsWith(text);
}

/** Hours from one instant to another. */
export function hoursBetween(from: Date, to: Date): number {
  return (to.getTime() - from.getTime()) / HOUR_MS;
}

/** @param wall as if it were UTC, in milliseconds since 1970 */
function isoDay(wall: number): string {
  return new Date(wall).toISOString().slice(0, 10);
}
