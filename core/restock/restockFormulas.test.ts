import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { problemOf, valueOf } from '../testing/sample';
import { compoundDemand, type CompoundDemand } from './compound';
import { materialDemand, type UseRate } from '../draws/demandRate';
import { economicOrder, orderSize, type OrderTerms } from './orderSize';
import { parLevel } from './parLevel';
import { usableOf } from '../stock/usable';
import { usesWhileWaiting } from './usesWhileWaiting';

const sachets: UseRate[] = [
  { visitsPerWeek: 9, amount: 1 },
  { visitsPerWeek: 4, amount: 2 },
];
const lead = { leadTimeDays: 6, leadTimeSdDays: 2, reviewDays: 0 };

function waited(rates: readonly UseRate[], indivisible?: number): CompoundDemand {
  const demand = materialDemand(rates);
  return compoundDemand(demand, usesWhileWaiting(demand.usesPerDay, lead), indivisible);
}

describe('demand while waiting (S2, S3, S6)', () => {
  it('serves the worked share from the shelf at the worked order size', () => {
    const compound = waited(sachets, 1);
    expect(1 - compound.shortage(27) / 40).toBeCloseTo(0.995058, 6);
    expect(compound.within(27)).toBeCloseTo(0.957313, 6);
  });

  it('counts what a large use takes beyond the point: one in four uses jumps over it', () => {
    const compound = waited(sachets, 1);
    const [once, twice] = [13 / 17, 4 / 17];
    expect(compound.inTime(27)).toBeCloseTo(
      once * compound.within(27) + twice * compound.within(26),
      12,
    );
    const single = waited([{ visitsPerWeek: 13, amount: 1 }], 1);
    expect(single.inTime(20)).toBeCloseTo(single.within(20), 12);
  });

  it('is a chance: between 0 and 1, growing, its shortage falling to nothing', () => {
    const rates = fc.array(
      fc.record({
        visitsPerWeek: fc.integer({ min: 1, max: 30 }),
        amount: fc.integer({ min: 1, max: 12 }),
      }),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(rates, fc.integer({ min: 0, max: 200 }), (of, x) => {
        const compound = waited(of, 1);
        expect(compound.within(x)).toBeLessThanOrEqual(1 + 1e-9);
        expect(compound.within(x + 1)).toBeGreaterThanOrEqual(compound.within(x) - 1e-12);
        expect(compound.inTime(x)).toBeLessThanOrEqual(compound.within(x) + 1e-9);
        expect(compound.shortage(x + 1)).toBeLessThanOrEqual(compound.shortage(x) + 1e-9);
        expect(compound.shortage(0)).toBeCloseTo(compound.mean, 6);
      }),
      { numRuns: 60 },
    );
  });

  it('is nothing where nothing is used', () => {
    const compound = waited([]);
    expect([compound.within(0), compound.inTime(0), compound.shortage(3)]).toEqual([1, 1, 0]);
    expect(compound.least(0.95, 'inTime')).toBe(0);
  });

  it('passes over to the normal approximation without a leap in what is short', () => {
    const demand = (visits: number) => materialDemand([{ visitsPerWeek: visits, amount: 1 }]);
    const busy = (visits: number): CompoundDemand =>
      compoundDemand(
        demand(visits),
        usesWhileWaiting(visits / 7, { ...lead, leadTimeSdDays: 0 }),
        1,
      );
    const [below, above] = [busy(233), busy(234)];
    expect([below.method, above.method]).toEqual(['recursion', 'normal']);
    const at = above.mean + above.sd;
    expect(above.shortage(at) / below.shortage(at)).toBeGreaterThan(0.8);
    expect(above.shortage(at) / below.shortage(at)).toBeLessThan(1.25);
  });
});

const terms: OrderTerms = {
  yearlyDemand: 884,
  orderCost: 900,
  holdingRate: 0.2,
  packUnits: 1,
  packCost: 180,
  breaks: [],
  leastPacks: 1,
};

describe('order size (S4)', () => {
  it('gives the worked square root', () => {
    expect(valueOf(economicOrder(884, 900, 0.2, 180))).toBeCloseTo(210.238, 3);
    expect(valueOf(orderSize(terms, {}))).toMatchObject({ packs: 210, by: 'economic' });
  });

  it('takes the break that pays, and not the one that does not', () => {
    const at = (packCost: number) =>
      valueOf(orderSize({ ...terms, breaks: [{ fromPacks: 300, packCost }] }, {}));
    expect(at(150)).toMatchObject({ packs: 300, by: 'break', packCost: 150 });
    expect(at(179.9).packs).toBe(210);
  });

  it('orders no more than is used before it is over, and no less than the supplier takes', () => {
    expect(valueOf(orderSize({ ...terms, mostPacks: 40.7 }, {}))).toMatchObject({
      packs: 40,
      by: 'life',
      tooMany: 0,
    });
    expect(valueOf(orderSize({ ...terms, leastPacks: 300 }, {}))).toMatchObject({
      packs: 300,
      by: 'least',
    });
    expect(valueOf(orderSize({ ...terms, leastPacks: 60, mostPacks: 40 }, {}))).toMatchObject({
      packs: 60,
      tooMany: 20,
    });
  });

  it('orders one pack of what is hardly used, or costs nothing', () => {
    expect(valueOf(orderSize({ ...terms, yearlyDemand: 0.2, packUnits: 40 }, {}))).toMatchObject({
      packs: 1,
      by: 'one-pack',
    });
    expect(valueOf(orderSize({ ...terms, yearlyDemand: 0 }, {})).packs).toBe(1);
    expect(valueOf(orderSize({ ...terms, packCost: 0 }, {})).packs).toBe(1);
  });

  it('says why there is no best size when keeping costs nothing', () => {
    expect(problemOf(orderSize({ ...terms, holdingRate: 0 }, {}))).toMatchObject({
      code: 'holding-free',
      where: { field: 'holdingRate' },
    });
    expect(problemOf(orderSize({ ...terms, packUnits: 0 }, {})).code).toBe('pack-empty');
  });

  it('never costs more a year than one pack fewer or more', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4000 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 10, max: 9000 }),
        (yearlyDemand, packUnits, packCost) => {
          const of = { ...terms, yearlyDemand, packUnits, packCost };
          const best = valueOf(orderSize(of, {}));
          for (const packs of [best.packs - 1, best.packs + 1]) {
            if (packs < 1) continue;
            const fixed = valueOf(orderSize({ ...of, leastPacks: packs, mostPacks: packs }, {}));
            expect(best.yearlyCost).toBeLessThanOrEqual(fixed.yearlyCost + 1e-6);
          }
        },
      ),
      { numRuns: 80 },
    );
  });
});

describe('what counts of the shelf (S5)', () => {
  it('does not count what is over before its turn', () => {
    expect(usableOf([{ amount: 20, daysLeft: 5 }, { amount: 30 }], 2)).toEqual({
      usable: 40,
      lost: 10,
      lastsDays: 20,
    });
  });

  it('counts all that is good where nothing is used, and nothing that is over', () => {
    expect(
      usableOf(
        [
          { amount: 20, daysLeft: 5 },
          { amount: 7, daysLeft: -1 },
        ],
        0,
      ),
    ).toEqual({
      usable: 20,
      lost: 7,
      lastsDays: null,
    });
  });

  it('parts into what is used and what is lost', () => {
    const batch = fc.record({
      amount: fc.double({ min: 0, max: 500, noNaN: true }),
      daysLeft: fc.double({ min: -5, max: 200, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(batch, { maxLength: 6 }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (batches, perDay) => {
          const { usable, lost } = usableOf(batches, perDay);
          const all = batches.reduce((sum, { amount }) => sum + amount, 0);
          expect(usable + lost).toBeCloseTo(all, 6);
        },
      ),
    );
  });
});

describe('par level of linen (S7)', () => {
  it('covers the wash and the days of safety, rounded up', () => {
    expect(parLevel(11, 2, 1)).toBe(33);
    expect(parLevel(3.2, 2, 1.5)).toBe(12);
    expect(parLevel(0, 2, 1)).toBe(0);
  });
});
