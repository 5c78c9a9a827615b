import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCalendar } from './readCalendar';

const TODAY = '2026-11-25';

function calendar(...events: readonly string[]): string {
  return ['BEGIN:VCALENDAR', 'VERSION:2.0', ...events, 'END:VCALENDAR', ''].join('\r\n');
}

function event(...lines: readonly string[]): string {
  return ['BEGIN:VEVENT', ...lines, 'END:VEVENT'].join('\r\n');
}

const read = (text: string, zone = 'UTC') => readCalendar(text, TODAY, zone);
const times = (text: string, zone = 'UTC') => read(text, zone).bookings.map(({ at }) => at);

const CANARY = [
  'BEGIN:VTIMEZONE',
  'TZID:Island',
  'BEGIN:STANDARD',
  'DTSTART:19811025T020000',
  'TZOFFSETFROM:+0100',
  'TZOFFSETTO:-0300',
  'END:STANDARD',
  'END:VTIMEZONE',
].join('\r\n');

describe('reading a calendar', () => {
  it('takes visits with their title and minutes', () => {
    const { bookings } = read(
      calendar(
        event(
          'UID:1',
          'DTSTART:20261126T100000Z',
          'DTEND:20261126T111500Z',
          'SUMMARY:Clay  facial',
        ),
      ),
    );
    expect(bookings).toEqual([
      {
        id: '1/2026-11-26T10:00:00Z',
        title: 'Clay facial',
        at: '2026-11-26T10:00:00Z',
        minutes: 75,
      },
    ]);
  });

  it('understands zones: described in the file, known by name, of the reader', () => {
    const at = (start: string) =>
      calendar(CANARY, event('UID:1', start, 'DURATION:PT1H', 'SUMMARY:X'));
    expect(times(at('DTSTART;TZID=Island:20261126T100000'))).toEqual(['2026-11-26T13:00:00Z']);
    expect(times(at('DTSTART;TZID=America/New_York:20261126T100000'))).toEqual([
      '2026-11-26T15:00:00Z',
    ]);
    expect(times(at('DTSTART:20261126T100000'), 'Europe/Madrid')).toEqual(['2026-11-26T09:00:00Z']);
  });

  it('keeps the hour of the clock over the change of summer time', () => {
    const weekly = calendar(
      event(
        'UID:1',
        'DTSTART;TZID=Europe/Madrid:20270324T100000',
        'DURATION:PT30M',
        'RRULE:FREQ=WEEKLY;COUNT=2',
        'SUMMARY:X',
      ),
    );
    expect(times(weekly)).toEqual(['2027-03-24T09:00:00Z', '2027-03-31T08:00:00Z']);
  });

  it('repeats, without what was taken out, with what was moved', () => {
    const text = calendar(
      event(
        'UID:1',
        'DTSTART:20261101T100000Z',
        'DURATION:PT1H',
        'RRULE:FREQ=DAILY',
        'EXDATE:20261127T100000Z',
        'SUMMARY:X',
      ),
      event(
        'UID:1',
        'RECURRENCE-ID:20261128T100000Z',
        'DTSTART:20261128T160000Z',
        'DURATION:PT1H',
        'SUMMARY:X, later',
      ),
    );
    const { bookings } = read(text);
    const of = (day: string) =>
      bookings.filter(({ at }) => at.startsWith(day)).map(({ at, title }) => [at, title]);
    expect(of('2026-11-26')).toHaveLength(1);
    expect(of('2026-11-27')).toEqual([]);
    expect(of('2026-11-28')).toEqual([['2026-11-28T16:00:00Z', 'X, later']]);
  });

  it('ends with the half year ahead, however long something repeats', () => {
    const { bookings, otherDays } = read(
      calendar(
        event(
          'UID:1',
          'DTSTART:20200101T100000Z',
          'DURATION:PT1H',
          'RRULE:FREQ=DAILY',
          'SUMMARY:X',
        ),
      ),
    );
    expect(bookings).toHaveLength(14 + 183);
    expect(otherDays, 'it is looked for near the days that count').toBeLessThan(5);
  });

  it('finds the same repeats as from the beginning, wherever it begins to look', () => {
    const rule = fc.oneof(
      fc.integer({ min: 1, max: 9 }).map((interval) => `FREQ=DAILY;INTERVAL=${interval}`),
      fc
        .record({
          interval: fc.integer({ min: 1, max: 4 }),
          days: fc.subarray(['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'], { minLength: 1 }),
          begins: fc.constantFrom('MO', 'SU'),
        })
        .map(
          ({ interval, days, begins }) =>
            `FREQ=WEEKLY;INTERVAL=${interval};BYDAY=${days.join(',')};WKST=${begins}`,
        ),
    );
    const day = fc.integer({ min: 0, max: 900 }).map((back) => {
      const at = new Date(Date.UTC(2026, 10, 25) - back * 86_400_000);
      return at.toISOString().slice(0, 10).replaceAll('-', '');
    });
    fc.assert(
      fc.property(rule, day, (repeats, begins) => {
        const of = (end: string) =>
          times(
            calendar(
              event(
                'UID:1',
                `DTSTART:${begins}T100000Z`,
                'DURATION:PT1H',
                `RRULE:${repeats}${end}`,
              ),
            ),
          );
        expect(of('')).toEqual(of(';COUNT=20000'));
      }),
      { numRuns: 60 },
    );
  });

  it.each([
    ['never come', 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', ''],
    ['come every second', 'RRULE:FREQ=SECONDLY', ''],
    ['come every hour of a day that never is', 'RRULE:FREQ=HOURLY;BYMONTH=2;BYMONTHDAY=30', ''],
    ['lie ages apart', 'RRULE:FREQ=DAILY;INTERVAL=999999999', ''],
    ['are without end', 'RRULE:FREQ=DAILY;COUNT=99999999', '19000101'],
    ['last for ages', 'DURATION:P99999999W', ''],
  ])('repeats that %s are told within moments, and hide no other visit', (_, line, begins) => {
    const bad = Array.from({ length: 150 }, (_each, at) =>
      event(`UID:b${at}`, `DTSTART:${begins || '20200101'}T100000Z`, 'SUMMARY:X', line),
    );
    const good = event('UID:g', 'DTSTART:20261126T100000Z', 'DURATION:PT1H', 'SUMMARY:Clay');
    const began = Date.now();
    const { bookings, faults } = read(calendar(...bad, good));
    expect(Date.now() - began).toBeLessThan(10_000);
    expect(bookings.map(({ title }) => title)).toContain('Clay');
    expect(faults.length).toBeGreaterThan(140);
  });

  it('leaves out what was called off and whole days', () => {
    const { bookings, calledOff, wholeDays } = read(
      calendar(
        event('UID:1', 'DTSTART:20261126T100000Z', 'DURATION:PT1H', 'STATUS:CANCELLED'),
        event('UID:2', 'DTSTART;VALUE=DATE:20261224', 'SUMMARY:Closed'),
      ),
    );
    expect([bookings.length, calledOff, wholeDays]).toEqual([0, 1, 1]);
  });

  it('tells rubbish with its line, and takes the rest', () => {
    const text = calendar(
      event('UID:1', 'DTSTART:20261126T100000Z', 'DURATION:PT1H', 'SUMMARY:Good'),
      event('UID:2', 'SUMMARY:Never'),
      event('UID:3', 'DTSTART:tomorrow', 'SUMMARY:Bad'),
      event('UID:4', 'DTSTART;TZID=Nowhere/Land:20261126T100000', 'SUMMARY:Lost'),
      'BEGIN:VEVENT\r\nUID:5\r\nDTSTART:2026',
    );
    const { bookings, faults } = read(text);
    expect(bookings.map(({ title }) => title)).toEqual(['Good']);
    expect(faults.map(({ line }) => line)).toEqual([9, 13, 18, 23]);
    expect(faults[0]?.message).toContain('when it begins');
    expect(faults[2]?.message).toContain('Nowhere/Land');
  });

  it('says that something else is no calendar', () => {
    expect(read('name;price\n1;2').faults[0]?.message).toContain('no iCalendar file');
    expect(read('')).toMatchObject({ events: 0, bookings: [] });
  });

  it('reads ten thousand events', () => {
    const events = Array.from({ length: 10_000 }, (_, at) => {
      const day = String(1 + (at % 28)).padStart(2, '0');
      return event(`UID:${at}`, `DTSTART:202612${day}T100000Z`, 'DURATION:PT1H', 'SUMMARY:Clay');
    });
    const shares: number[] = [];
    const { bookings, faults } = readCalendar(calendar(...events), TODAY, 'UTC', (share) =>
      shares.push(share),
    );
    expect([bookings.length, faults.length]).toEqual([10_000, 0]);
    expect(shares.at(-1)).toBeGreaterThan(0.9);
  });
});
