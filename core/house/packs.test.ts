import fc from 'fast-check';
import { expect, it } from 'vitest';
import { isOutOfLine } from './packs';

it.each([
  [2_400, 24_000, true],
  [24_000, 2_400, true],
  [2_400, 2_900, false],
  [2_400, 23_999, false],
  [0, 2_400, false],
  [2_400, 0, false],
])('a price that was %s and would be %s is asked: %s', (before, after, is) => {
  expect(isOutOfLine(before, after)).toBe(is);
});

it('is asked the same in both directions', () => {
  const price = fc.integer({ min: 1, max: 1_000_000 });
  fc.assert(
    fc.property(price, price, (one, other) => {
      expect(isOutOfLine(one, other)).toBe(isOutOfLine(other, one));
    }),
  );
});
