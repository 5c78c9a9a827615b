import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { problemOf, valueOf } from '../testing/sample';
import { convertUnit } from './density';
import type { MissingMeasure } from '../problem/problem';
import { mlPerCount, namedAmount, withMissing, type Measures } from './measures';
import { exactly, isOrdered, multiplyTriples, usualRange, withSpread } from './triple';
import { unitFactor } from './unit';

describe('bounds around a usual figure', () => {
  it.each([
    [7, 0.2, 5.6, 8.4],
    [3, 0.2, 2.4, 3.6],
    [0.5, 0.15, 0.425, 0.575],
    [1, 1 / 3, 0.67, 1.33],
    [0, 0.2, 0, 0],
  ])('%s by %s is from %s to %s', (usual, spread, low, high) => {
    expect(usualRange(usual, spread)).toEqual({ low, usual, high });
  });
});

describe('units (Q1)', () => {
  it('converts US units and metric spoons exactly', () => {
    expect(unitFactor('us-fl-oz', 'us')).toEqual({ unit: 'ml', factor: 29.5735295625 });
    expect(unitFactor('tsp', 'us')).toEqual({ unit: 'ml', factor: 4.92892159375 });
    expect(unitFactor('tbsp', 'us')).toEqual({ unit: 'ml', factor: 14.78676478125 });
    expect(unitFactor('tsp', 'metric').factor).toBe(5);
    expect(unitFactor('tbsp', 'metric').factor).toBe(15);
    expect(unitFactor('oz', 'metric')).toEqual({ unit: 'g', factor: 28.349523125 });
  });

  it('holds the ratios of the US system: a fluid ounce is 2 tablespoons is 6 teaspoons', () => {
    const ml = unitFactor('us-fl-oz', 'us').factor;
    expect(unitFactor('tbsp', 'us').factor * 2).toBeCloseTo(ml, 12);
    expect(unitFactor('tsp', 'us').factor * 6).toBeCloseTo(ml, 12);
  });
});

describe('a measure that was missing, answered (Q3)', () => {
  it.each<[MissingMeasure, number, Measures]>([
    [{ of: 'density' }, 1.02, { density: 1.02 }],
    [{ of: 'count', measure: 'pump' }, 1.6, { mlPerPump: { usual: 1.6 } }],
    [{ of: 'count', measure: 'drop' }, 25, { dropsPerMl: { usual: 25 } }],
    [{ of: 'named', name: 'coin' }, 2, { named: [{ name: 'coin', usual: 2, unit: 'ml' }] }],
    [{ of: 'coat', name: 'mask' }, 90, { coats: [{ name: 'mask', usual: 90 }] }],
  ])('%o is %s', (missing, value, measures) => {
    expect(withMissing({}, missing, value, 'ml')).toEqual(measures);
  });

  it('leaves what was said before', () => {
    const known: Measures = { density: 1, named: [{ name: 'pea', usual: 1, unit: 'g' }] };
    const after = withMissing(known, { of: 'named', name: 'coin' }, 2, 'g');
    expect(after.density).toBe(1);
    expect(after.named?.map(({ name, unit }) => [name, unit])).toEqual([
      ['pea', 'g'],
      ['coin', 'g'],
    ]);
  });
});

describe('density (Q2)', () => {
  const gel = { name: 'Aloe gel', density: 1.02 };

  it('turns ml into g and back', () => {
    expect(valueOf(convertUnit(exactly(10), 'ml', 'g', gel, {})).usual).toBeCloseTo(10.2, 12);
    expect(valueOf(convertUnit(exactly(1.553424), 'g', 'ml', gel, {})).usual).toBeCloseTo(
      1.522965,
      6,
    );
  });

  it('names the material when the density is needed and missing', () => {
    const problem = problemOf(
      convertUnit(exactly(1), 'ml', 'g', { name: 'Fennel toner' }, { materialId: 'toner' }),
    );
    expect(problem.code).toBe('density-missing');
    expect(problem.message).toContain('Fennel toner');
    expect(problem.where).toEqual({
      materialId: 'toner',
      field: 'density',
      missing: { of: 'density' },
    });
  });

  it('refuses to turn pieces into ml', () => {
    expect(problemOf(convertUnit(exactly(1), 'piece', 'ml', gel, {})).code).toBe('unit-mismatch');
  });
});

describe('counted and named amounts (Q3)', () => {
  it('knows drops and dropperfuls without being told, but no pump or spray', () => {
    expect(mlPerCount({}, 'drop')?.usual).toBeCloseTo(0.05, 12);
    expect(mlPerCount({}, 'dropper')).toEqual(exactly(1));
    expect(mlPerCount({}, 'pump')).toBeUndefined();
    expect(mlPerCount({}, 'spray')).toBeUndefined();
  });

  it('carries the spread of a calibration', () => {
    expect(mlPerCount({ mlPerPump: { usual: 1.6, spread: 0.1 } }, 'pump')).toEqual(
      withSpread(1.6, 0.1),
    );
    const drop = mlPerCount({ dropsPerMl: { usual: 20, spread: 0.25 } }, 'drop');
    expect(drop?.low).toBeCloseTo(1 / 25, 12);
    expect(drop?.high).toBeCloseTo(1 / 15, 12);
  });

  it('finds the amounts a house has named', () => {
    const measures = { named: [{ name: 'coin', usual: 2, unit: 'g', spread: 0.2 }] as const };
    expect(namedAmount(measures, 'coin')).toEqual({ amount: withSpread(2, 0.2), unit: 'g' });
    expect(namedAmount(measures, 'pea')).toBeUndefined();
  });
});

describe('triples (Q5)', () => {
  const ordered = fc
    .tuple(fc.double({ min: 0, max: 1e4, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }))
    .map(([usual, spread]) => withSpread(usual, spread));

  it('stay in order when they are multiplied', () => {
    fc.assert(
      fc.property(ordered, ordered, (a, b) => {
        expect(isOrdered(multiplyTriples(a, b))).toBe(true);
      }),
    );
  });

  it('are refused out of order, negative or without end', () => {
    expect(isOrdered({ low: 2, usual: 1, high: 3 })).toBe(false);
    expect(isOrdered(exactly(-1))).toBe(false);
    expect(isOrdered(exactly(Number.POSITIVE_INFINITY))).toBe(false);
    expect(isOrdered(exactly(Number.NaN))).toBe(false);
  });
});
