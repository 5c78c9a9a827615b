import { tzOffset } from '@date-fns/tz';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** by zone and day of UTC: the offset all day, or nothing where clocks are changed in it */
const offsets = new Map<string, Map<number, number | undefined>>();

/**
 * Whether a time zone is known, by its name in the IANA database.
 * @example isTimeZone('Atlantic/Canary') // true
 */
export function isTimeZone(name: string): boolean {
  return /^[A-Z]/i.test(name) && !Number.isNaN(tzOffset(name, new Date(0)));
}

/** The time zone of this machine, where nothing better is known. */
export function timeZoneHere(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/**
 * What clocks of a zone show at an instant, as if it were UTC, in milliseconds since 1970.
 * @throws RangeError for a zone that is not known
 */
export function wallOf(instant: Date, timeZone: string): number {
  return instant.getTime() + offsetAt(instant.getTime(), timeZone);
}

/**
 * The instant at which clocks of a zone show a wall time. Shown twice, it is the first; skipped, it is as
 * clocks would show that nobody had changed (RFC 5545, section 3.3.5).
 * @param wall as if it were UTC, in milliseconds since 1970
 * @throws RangeError for a zone that is not known
 * @example instantAt(Date.parse('2026-07-01T00:00Z'), 'Atlantic/Canary').toISOString() // '2026-06-30T23:00:00.000Z'
 */
export function instantAt(wall: number, timeZone: string): Date {
  const [before, after] = [wall - DAY_MS, wall + DAY_MS].map((near) => offsetAt(near, timeZone));
  const asBefore = wall - (before ?? 0);
  const asAfter = wall - (after ?? 0);
  const isAfter = offsetAt(asBefore, timeZone) !== before && offsetAt(asAfter, timeZone) === after;
  return new Date(isAfter ? asAfter : asBefore);
}

/* Asking takes microseconds, and a day may have many visits. */
function offsetAt(at: number, timeZone: string): number {
  const known = offsets.get(timeZone) ?? new Map<number, number | undefined>();
  offsets.set(timeZone, known);
  const day = Math.floor(at / DAY_MS);
  if (!known.has(day)) {
    const [first, last] = [day * DAY_MS, (day + 1) * DAY_MS].map((edge) => asked(edge, timeZone));
    known.set(day, first === last ? first : undefined);
  }
  return known.get(day) ?? asked(at, timeZone);
}

function asked(at: number, timeZone: string): number {
  const offset = tzOffset(timeZone, new Date(at));
  if (Number.isNaN(offset)) throw new RangeError(`No time zone is called “${timeZone}”.`);
  return offset * MINUTE_MS;
}
