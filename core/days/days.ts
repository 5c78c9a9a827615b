const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

/** The ISO date of an instant where the reader is. */
export function dayOf(instant: Date): string {
  const two = (part: number): string => String(part).padStart(2, '0');
  return `${String(instant.getFullYear()).padStart(4, '0')}-${two(instant.getMonth() + 1)}-${two(instant.getDate())}`;
}

/** The first moment of an ISO date where the reader is. */
export function startOfDay(day: string): Date {
  return new Date(`${day}T00:00`);
}

/** The last moment of an ISO date where the reader is. */
export function endOfDay(day: string): Date {
  return new Date(`${day}T23:59:59.999`);
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
  return new Date(Date.parse(`${day}T00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
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

/**
 * An instant to the second, as it is kept and as it stands in the house file.
 * @example toSecond(new Date('2026-11-27T10:15:30.250Z')) // '2026-11-27T10:15:30Z'
 */
export function toSecond(instant: Date | string): string {
  return `${new Date(instant).toISOString().slice(0, 19)}Z`;
}

/** Hours from one instant to another. */
export function hoursBetween(from: Date, to: Date): number {
  return (to.getTime() - from.getTime()) / HOUR_MS;
}
