import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bookletOrder } from './bookletOrder';

describe('a folded booklet', () => {
  it('has its first page to the right of its last, outside', () => {
    expect(bookletOrder(4)).toEqual([
      [3, 0],
      [1, 2],
    ]);
    expect(bookletOrder(8)).toEqual([
      [7, 0],
      [1, 6],
      [5, 2],
      [3, 4],
    ]);
    expect(bookletOrder(1)).toEqual([
      [undefined, 0],
      [undefined, undefined],
    ]);
  });

  it('has every page once, and whole sheets', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), (pages) => {
        const sides = bookletOrder(pages);
        expect(sides.length % 2).toBe(0);
        const printed = sides.flat().filter((page) => page !== undefined);
        expect(printed.toSorted((a, b) => a - b)).toEqual(
          Array.from({ length: pages }, (_, at) => at),
        );
      }),
    );
  });
});
