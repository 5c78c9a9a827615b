import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { daysAfter, daysBetween, weekdayOf } from '../days/days';
import { arrivalOf, closedDaysOf, firstOpen } from './arrival';

const august = [{ from: '2026-08-01', to: '2026-08-31' }];

describe('when an order is there (S2)', () => {
  it('waits until the supplier opens again, and is delivered on its weekdays', () => {
    expect(arrivalOf('2026-07-20', 3, { closed: august })).toBe('2026-07-23');
    expect(arrivalOf('2026-07-30', 3, { closed: august })).toBe('2026-09-01');
    expect(arrivalOf('2026-08-10', 3, { closed: august })).toBe('2026-09-04');
    /* The first Wednesday after it has opened. */
    expect(arrivalOf('2026-07-30', 3, { closed: august, deliveryDays: [3] })).toBe('2026-09-02');
  });

  it('is never on a closed day, nor on another weekday, nor before the lead time', () => {
    const day = fc.integer({ min: 0, max: 200 }).map((days) => daysAfter('2026-01-01', days));
    fc.assert(
      fc.property(
        day,
        fc.integer({ min: 0, max: 40 }),
        fc.array(fc.tuple(day, fc.integer({ min: 0, max: 40 })), { maxLength: 4 }),
        fc.uniqueArray(fc.constantFrom(1, 2, 3, 4, 5, 6, 7), { maxLength: 3 }),
        (today, lead, times, weekdays) => {
          const closed = times.map(([from, days]) => ({ from, to: daysAfter(from, days) }));
          const deliveryDays = weekdays as (1 | 2 | 3)[];
          const there = arrivalOf(today, lead, { closed, deliveryDays });
          expect(daysBetween(today, there)).toBeGreaterThanOrEqual(lead);
          expect(firstOpen(there, closed)).toBe(there);
          if (weekdays.length > 0) expect(weekdays).toContain(weekdayOf(there));
        },
      ),
    );
  });

  it('of today or of the next look takes so much longer', () => {
    const supplier = { closed: august };
    expect(closedDaysOf('2026-06-01', 3, 7, supplier)).toBe(0);
    /* An order of the 29th, would come on the first day that it is closed. */
    expect(closedDaysOf('2026-07-24', 3, 7, supplier)).toBe(
      daysBetween('2026-08-01', '2026-09-01'),
    );
    expect(closedDaysOf('2026-08-20', 3, 0, supplier)).toBe(12);
    expect(closedDaysOf('2026-09-01', 3, 7, supplier)).toBe(0);
  });
});
