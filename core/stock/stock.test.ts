import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { problemOf, valueOf } from '../testing/sample';
import { materialDemand, type UseRate } from '../draws/demandRate';
import { reorderPoint, type ReorderPoint } from '../restock/reorderPoint';
import type { LeadTime } from '../restock/supplyCalendar';
import { usesWhileWaiting } from '../restock/usesWhileWaiting';

const sachets: UseRate[] = [
  { visitsPerWeek: 9, amount: 1 },
  { visitsPerWeek: 4, amount: 2 },
];
const lead: LeadTime = { leadTimeDays: 6, leadTimeSdDays: 2, reviewDays: 0 };

function point(
  rates: readonly UseRate[],
  terms: LeadTime,
  serviceLevel = 0.95,
  indivisible?: number,
): ReorderPoint {
  const demand = materialDemand(rates);
  const uses = usesWhileWaiting(demand.usesPerDay, terms);
  return valueOf(reorderPoint(demand, uses, { indivisible, packUnits: 10, serviceLevel }, {}));
}

describe('demand (S1, S2)', () => {
  it('gives the worked mean and variance', () => {
    const demand = materialDemand(sachets);
    const uses = usesWhileWaiting(demand.usesPerDay, lead);
    expect(uses.mean).toBeCloseTo(11.142857, 6);
    expect(uses.variance).toBeCloseTo(24.938776, 6);
    expect(uses.parts.map(({ law }) => law)).toEqual(['negative-binomial']);
    expect(demand.perDay).toBeCloseTo(17 / 7, 12);
    const sure = usesWhileWaiting(demand.usesPerDay, { ...lead, leadTimeSdDays: 0 });
    expect(sure.parts.map(({ law }) => law)).toEqual(['poisson']);
  });

  it('does not count services without visits', () => {
    expect(materialDemand([...sachets, { visitsPerWeek: 0, amount: 50 }])).toEqual(
      materialDemand(sachets),
    );
  });
});

describe('reorder point (S3)', () => {
  it('gives the worked sachets, with and without spread of the lead time', () => {
    const worked = point(sachets, lead, 0.95, 1);
    expect(worked.amount).toBe(27);
    expect(worked.served).toBeCloseTo(0.957313, 6);
    expect(worked.packs).toBe(3);
    expect(point(sachets, { ...lead, leadTimeSdDays: 0 }, 0.95, 1).amount).toBe(23);
    /* The normal distribution, for comparison, would have said 25.608. */
    expect(worked.meanDemand + 1.6448536 * worked.sdDemand).toBeCloseTo(25.608, 3);
  });

  it('does not depend on the size of the unit for hand-dispensed amounts', () => {
    const one = point([{ visitsPerWeek: 10, amount: 4.8 }], lead);
    const ten = point([{ visitsPerWeek: 10, amount: 48 }], lead);
    expect(ten.amount).toBeCloseTo(one.amount * 10, 6);
    expect(one.cell).toBeCloseTo(0.24, 12);
  });

  it('keeps the mean of sizes that lie between two cells', () => {
    const between = point(
      [
        { visitsPerWeek: 70, amount: 1 },
        { visitsPerWeek: 70, amount: 1.234 },
      ],
      lead,
    );
    expect(between.meanDemand).toBeCloseTo(6 * 10 * (1 + 1.234), 9);
    expect(between.amount).toBeGreaterThan(between.meanDemand);
  });

  it('is the same for a lead time of nothing and of a moment', () => {
    const at = (leadTimeDays: number): number =>
      point(sachets, { leadTimeDays, leadTimeSdDays: 0, reviewDays: 0 }, 0.95, 1).amount;
    expect(at(0)).toBe(at(1e-6));
    expect(at(0)).toBeGreaterThan(0);
  });

  it('is nothing for what is not used', () => {
    expect(point([], lead)).toMatchObject({ amount: 0, packs: 0, method: 'no-demand' });
  });

  it('refuses a service level of all or nothing', () => {
    const demand = materialDemand(sachets);
    const uses = usesWhileWaiting(demand.usesPerDay, lead);
    for (const serviceLevel of [0, 1, 1.2]) {
      const problem = problemOf(reorderPoint(demand, uses, { packUnits: 1, serviceLevel }, {}));
      expect(problem.where).toMatchObject({ settings: true, field: 'serviceLevel' });
    }
  });

  /* Where the spread is as long as the lead time itself, S2's two moments no longer fit a wait that
     cannot be negative, and a longer lead time can come out a piece lower at 99.5 %. */
  it('grows with lead time and service level, while the spread is at most half the lead time', () => {
    const days = fc.integer({ min: 0, max: 20 });
    const level = fc.double({ min: 0.5, max: 0.99, noNaN: true });
    const half = fc.double({ min: 0, max: 0.5, noNaN: true });
    fc.assert(
      fc.property(days, days, half, level, level, (shorter, more, share, a, b) => {
        const sd = shorter * share;
        const at = (leadTimeDays: number, leadTimeSdDays: number, serviceLevel: number): number =>
          point(sachets, { leadTimeDays, leadTimeSdDays, reviewDays: 0 }, serviceLevel, 1).amount;
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        expect(at(shorter + more, sd, a)).toBeGreaterThanOrEqual(at(shorter, sd, a));
        expect(at(shorter, sd, high)).toBeGreaterThanOrEqual(at(shorter, sd, low));
      }),
      { numRuns: 40 },
    );
  });
});
