import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typedDay, type DayOrder } from './typedDay';

const TODAY = '2026-11-27';

describe('a day as it is typed', () => {
  it.each<[string, DayOrder, string | undefined]>([
    ['3/12/2026', 'dmy', '2026-12-03'],
    ['3/12/2026', 'mdy', '2026-03-12'],
    ['03.12.26', 'dmy', '2026-12-03'],
    ['3 12 26', 'dmy', '2026-12-03'],
    ['2026-12-03', 'mdy', '2026-12-03'],
    ['2026/12/3', 'dmy', '2026-12-03'],
    ['26-12-03', 'ymd', '2026-12-03'],
    ['3. 12. 2026', 'dmy', '2026-12-03'],
    ['3/12', 'dmy', '2026-12-03'],
    ['3/12', 'mdy', '2026-03-12'],
    ['12-3', 'ymd', '2026-12-03'],
    ['29/2/2028', 'dmy', '2028-02-29'],
    ['29/2/2026', 'dmy', undefined],
    ['13/25/2026', 'mdy', undefined],
    ['25/13/2026', 'dmy', undefined],
    ['3/12/2', 'dmy', undefined],
    ['12', 'dmy', undefined],
    ['next week', 'dmy', undefined],
    ['', 'dmy', undefined],
    ['1/2/3/4', 'dmy', undefined],
  ])('“%s” by %s is %s', (text, order, day) => expect(typedDay(text, order, TODAY)).toBe(day));

  it('is read back as it is written, in every order', () => {
    const days = fc
      .date({ min: new Date('2000-01-01'), max: new Date('2099-12-31'), noInvalidDate: true })
      .map((date) => date.toISOString().slice(0, 10));
    fc.assert(
      fc.property(days, fc.constantFrom<DayOrder>('dmy', 'mdy', 'ymd'), (day, order) => {
        const [y = '', m = '', d = ''] = day.split('-');
        const parts = { dmy: [d, m, y], mdy: [m, d, y], ymd: [y, m, d] }[order];
        expect(typedDay(parts.join('/'), order, TODAY)).toBe(day);
        expect(typedDay(day, order, TODAY)).toBe(day);
      }),
    );
  });
});
