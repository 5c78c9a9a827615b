import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { problemOf, valueOf } from '../testing/sample';
import { calibrate, perMl } from './calibration';
import { convertUnit } from './density';
import { coatWeight, mlPerCount } from './measures';
import { exactly } from './triple';

const at = (weighings: readonly [number, number][], density?: number) =>
  calibrate(
    weighings.map(([count, grams]) => ({ count, grams })),
    density,
    'Cleanser',
    { materialId: 'cleanser' },
  );

describe('calibrating a measure on the scale', () => {
  it('is the weight over density and count; one weighing tells no spread', () => {
    const { each } = valueOf(at([[10, 16.16]], 1.01));
    expect(each).toEqual({ usual: 1.6 });
  });

  it('has twice the scatter of single pumps as give or take', () => {
    const { each } = valueOf(
      at(
        [
          [1, 0.9],
          [1, 1],
          [1, 1.1],
        ],
        1,
      ),
    );
    expect(each.usual).toBeCloseTo(1, 9);
    expect(each.spread).toBeCloseTo(0.2, 6);
    const fives = valueOf(
      at(
        [
          [5, 4.5],
          [5, 5],
          [5, 5.5],
        ],
        1,
      ),
    ).each;
    expect(fives.spread).toBeCloseTo(0.2 * Math.sqrt(5), 5);
  });

  it('turns drops into drops per ml', () => {
    expect(perMl({ usual: 0.05, spread: 0.1 })).toEqual({ usual: 20, spread: 0.1 });
  });

  it.each([
    ['no density', [[5, 8]] as [number, number][], undefined, 'density-missing'],
    ['no weighing', [], 1, 'weighings-missing'],
    ['a pump that gave nothing', [[5, 0]] as [number, number][], 1, 'weight-missing'],
    ['no pump', [[0, 3]] as [number, number][], 1, 'count-missing'],
    ['half a pump', [[1.5, 3]] as [number, number][], 1, 'count-missing'],
  ])('refuses %s in words', (_, weighings, density, code) => {
    const problem = problemOf(at(weighings, density));
    expect(problem.code).toBe(code);
    expect(problem.where).toMatchObject({ materialId: 'cleanser' });
  });

  it('finds what one pump gives, whatever counts it was weighed in', () => {
    const counts = fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(counts, fc.double({ min: 0.1, max: 5, noNaN: true }), (all, each) => {
        const found = valueOf(
          at(
            all.map((count) => [count, count * each * 1.1]),
            1.1,
          ),
        ).each;
        expect(found.usual).toBeCloseTo(each, 5);
        expect(found.spread).toBeCloseTo(0, 5);
      }),
    );
  });
});

describe('measures with their spread', () => {
  it('a spatula is calibrated like a pump and has no default', () => {
    expect(mlPerCount({}, 'spatula')).toBeUndefined();
    expect(mlPerCount({ mlPerSpatula: { usual: 3, spread: 0.2 } }, 'spatula')).toEqual({
      low: 3 * 0.8,
      usual: 3,
      high: 3 * 1.2,
    });
  });

  it('a coat is the material’s own, or the house’s of that name, or unknown', () => {
    const house = { thin: 1, standard: 2, generous: 4 };
    const own = {
      coats: [
        { name: 'standard', usual: 3 },
        { name: 'mask', usual: 90, spread: 0.1 },
      ],
    };
    expect(coatWeight(own, 'standard', house)).toEqual(exactly(3));
    expect(coatWeight(own, 'thin', house)).toEqual(exactly(1));
    expect(coatWeight(own, 'mask', house)?.high).toBeCloseTo(99, 9);
    expect(coatWeight({}, 'mask', house)).toBeUndefined();
    expect(coatWeight({}, 'toString', house)).toBeUndefined();
  });

  it('a density with give or take widens what it turns into', () => {
    const thing = { name: 'Clay', density: 1.2, densitySpread: 0.05 };
    const grams = valueOf(convertUnit(exactly(10), 'ml', 'g', thing, {}));
    expect(grams.low).toBeCloseTo(11.4, 9);
    expect(grams.high).toBeCloseTo(12.6, 9);
    const back = valueOf(convertUnit(grams, 'g', 'ml', thing, {}));
    expect(back.low).toBeLessThan(10);
    expect(back.usual).toBeCloseTo(10, 9);
    expect(back.high).toBeGreaterThan(10);
  });
});
