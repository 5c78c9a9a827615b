import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { convolution } from './distribution';

/** Each with each, in the order in which it is written down. */
function eachWithEach(longer: Float64Array, shorter: Float64Array): Float64Array {
  const chances = new Float64Array(longer.length + shorter.length - 1);
  shorter.forEach((weight, i) => {
    longer.forEach((chance, j) => {
      chances[i + j] = (chances[i + j] ?? 0) + weight * chance;
    });
  });
  return chances;
}

const chances = (most: number): fc.Arbitrary<Float64Array> =>
  fc
    .array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: most })
    .map((each) => Float64Array.from(each));

describe('the chances of a sum of two times', () => {
  it('are those of each with each, to the last digit', () => {
    fc.assert(
      fc.property(chances(40), chances(40), (one, other) => {
        const [longer, shorter] = one.length >= other.length ? [one, other] : [other, one];
        expect(convolution(longer, shorter)).toEqual(eachWithEach(longer, shorter));
      }),
    );
  });

  it('of two dice are as one knows them', () => {
    const die = Float64Array.from({ length: 6 }, () => 1 / 6);
    const of36 = [...convolution(die, die)].map((chance) => Math.round(chance * 36));
    expect(of36).toEqual([1, 2, 3, 4, 5, 6, 5, 4, 3, 2, 1]);
  });
});
