import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import fc from 'fast-check';
import { dayOf, daysAfter, endOfDay, startOfDay, todayOf, daysBetween, daysSince } from './days';
import { instantAt, isTimeZone, wallOf } from './timeZones';

const iso = (instant: Date): string => instant.toISOString();
const at = (wall: string, timeZone: string): string =>
  iso(instantAt(Date.parse(`${wall}Z`), timeZone));

/* Whatever the clock of the machine says: a house's days are its own. */
describe.each(['Pacific/Chatham', 'America/St_Johns'])('days, on a machine in %s', (machine) => {
  beforeEach(() => {
    vi.stubEnv('TZ', machine);
  });
  afterEach(() => {
    vi.unstubAllEnvs();
  });

  it('are those of the clocks of the house', () => {
    expect(Intl.DateTimeFormat().resolvedOptions().timeZone).toBe(machine);
    const evening = new Date('2026-06-30T23:30:00Z');
    expect(dayOf(evening, 'UTC')).toBe('2026-06-30');
    expect(dayOf(evening, 'Atlantic/Canary')).toBe('2026-07-01');
    expect(dayOf(evening, 'America/St_Johns')).toBe('2026-06-30');
    expect(todayOf({ now: evening, timeZone: 'Pacific/Chatham' })).toBe('2026-07-01');
  });

  it('begin at midnight, and are an hour shorter or longer where clocks are changed', () => {
    expect(iso(startOfDay('2026-03-29', 'Europe/London'))).toBe('2026-03-29T00:00:00.000Z');
    expect(iso(endOfDay('2026-03-29', 'Europe/London'))).toBe('2026-03-29T22:59:59.999Z');
    expect(iso(endOfDay('2026-10-25', 'Europe/London'))).toBe('2026-10-25T23:59:59.999Z');
    const hours = (day: string): number =>
      (startOfDay(daysAfter(day, 1), 'Europe/London').getTime() -
        startOfDay(day, 'Europe/London').getTime()) /
      3_600_000;
    expect([hours('2026-03-29'), hours('2026-06-01'), hours('2026-10-25')]).toEqual([23, 24, 25]);
  });

  it('begin when there is no midnight: clocks go from 24:00 to 1:00', () => {
    expect(iso(startOfDay('2026-09-06', 'America/Santiago'))).toBe('2026-09-06T04:00:00.000Z');
    expect(dayOf(startOfDay('2026-09-06', 'America/Santiago'), 'America/Santiago')).toBe(
      '2026-09-06',
    );
  });

  it('have each time once: the first of two, and after the gap where it is skipped', () => {
    expect(at('2026-10-25T01:30', 'Europe/London')).toBe('2026-10-25T00:30:00.000Z');
    expect(at('2026-03-29T01:30', 'Europe/London')).toBe('2026-03-29T01:30:00.000Z');
    expect(at('2026-04-04T23:30', 'America/Santiago')).toBe('2026-04-05T02:30:00.000Z');
    expect(at('2026-07-01T10:00', 'Asia/Kathmandu')).toBe('2026-07-01T04:15:00.000Z');
  });
});

it('every instant is within the day that it is of, in any zone', () => {
  const zones = ['UTC', 'Atlantic/Canary', 'America/Santiago', 'Pacific/Chatham', 'Asia/Kathmandu'];
  const when = fc.date({
    min: new Date('2020-01-01T00:00:00Z'),
    max: new Date('2035-01-01T00:00:00Z'),
    noInvalidDate: true,
  });
  fc.assert(
    fc.property(when, fc.constantFrom(...zones), (instant, timeZone) => {
      const day = dayOf(instant, timeZone);
      expect(startOfDay(day, timeZone) <= instant).toBe(true);
      expect(instant <= endOfDay(day, timeZone)).toBe(true);
      expect(daysSince('2027-03-28', instant, timeZone)).toBe(daysBetween('2027-03-28', day));
      const again = instantAt(wallOf(instant, timeZone), timeZone);
      expect(Math.abs(again.getTime() - instant.getTime()) % 3_600_000).toBe(0);
    }),
    { numRuns: 500 },
  );
});

it('only zones that are known are zones', () => {
  expect(['Atlantic/Canary', 'UTC', 'Etc/GMT+5'].map(isTimeZone)).toEqual([true, true, true]);
  expect(['', 'Nowhere/Land', 'Mars', '+99:00'].map(isTimeZone)).toEqual([
    false,
    false,
    false,
    false,
  ]);
  expect(() => dayOf(new Date(), 'Nowhere/Land')).toThrow(RangeError);
});
