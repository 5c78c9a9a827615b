import { expect, it } from 'vitest';
import { readCalendar } from './readCalendar';
import { writeCalendar } from './writeCalendar';

it('writes events that a calendar reads back to the second, whatever their words', () => {
  const now = new Date('2026-11-28T12:00:00Z');
  const title = 'Clay facial; Mara, “again”\nand a very long name '.repeat(4).trim();
  const text = writeCalendar(
    [{ id: 'visit-1', title, at: '2026-11-27T10:00:00Z', minutes: 62.5, place: 'Lava' }],
    now,
  );
  expect(text.split('\r\n').every(({ length }) => length <= 76)).toBe(true);
  const read = readCalendar(text, '2026-11-28', 'Atlantic/Canary');
  expect(read.faults).toEqual([]);
  expect(read.bookings).toMatchObject([{ at: '2026-11-27T10:00:00Z', minutes: 62.5 }]);
});
