import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { roundToSum } from './largestRemainder';

describe('rounding by largest remainder', () => {
  it('gives what is missing to the largest remainders', () => {
    expect(roundToSum([1.4, 1.4, 1.2])).toEqual([2, 1, 1]);
    expect(roundToSum([])).toEqual([]);
  });

  it('always adds up to the rounded sum, each within one of its part', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1e6, noNaN: true }), { maxLength: 12 }),
        (parts) => {
          const rounded = roundToSum(parts);
          const total = Math.round(parts.reduce((sum, part) => sum + part, 0));
          expect(rounded.reduce((sum, part) => sum + part, 0)).toBe(total);
          rounded.forEach((each, at) =>
            expect(Math.abs(each - (parts[at] ?? 0))).toBeLessThan(1 + 1e-9),
          );
        },
      ),
    );
  });
});
