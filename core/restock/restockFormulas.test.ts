import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { problemOf, valueOf } from '../testing/sample';
import { compoundDemand, type CompoundDemand } from './compound';
import { materialDemand, type UseRate } from '../draws/demandRate';
import { economicOrder, orderSize, type OrderTerms } from './orderSize';
import { parLevel } from './parLevel';
import { SumByRecursion } from './sumByRecursion';
import { sumByFourier } from './sumByFourier';
import { sizesInCells } from './sumOnGrid';
import { usableOf } from '../stock/usable';
import type { Weekday } from '../days/days';
import { leadTimeOverBy } from './incompleteGamma';
import { looksOf, protectionTimes, waitsFrom, type LeadTime } from './supplyCalendar';
import { usesWhileWaiting, type UsesWhileWaiting } from './usesWhileWaiting';

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

  it('is exact however many uses there are: the worked three hundred', () => {
    const sizes = [
      { amount: 1, share: 0.6 },
      { amount: 2, share: 0.4 },
    ];
    const uses: UsesWhileWaiting = {
      times: [{ days: 30, share: 1 }],
      protectionDays: 30,
      reviewDays: 7,
      mean: 300,
      variance: 10_300,
      parts: [{ share: 1, mean: 300, variance: 10_300, law: 'negative-binomial' }],
    };
    const compound = compoundDemand({ usesPerDay: 10, perDay: 14, sizes }, uses, 1);
    expect(compound.least(0.95, 'within')).toBe(678);
    expect(compound.least(0.99, 'within')).toBe(819);
  });

  it('has no leap, and is no lower for more uses: 199, 201 and far beyond', () => {
    const busy = (mean: number): CompoundDemand => {
      const demand = materialDemand([{ visitsPerWeek: (mean * 7) / 30, amount: 1 }]);
      const by = { leadTimeDays: 30, leadTimeSdDays: 30, reviewDays: 0 };
      return compoundDemand(demand, usesWhileWaiting(demand.usesPerDay, by), 1);
    };
    const points = [199, 200, 201, 2_000, 20_000].map((mean) => busy(mean).least(0.95, 'within'));
    expect(points).toEqual(points.toSorted((a, b) => a - b));
    expect((points[2] ?? 0) - (points[0] ?? 0)).toBeLessThan(10);
    /* Of a wait as spread as it is long, demand is close to exponential: ln 20 times its mean. */
    expect((points[4] ?? 0) / 20_000).toBeCloseTo(Math.log(20), 2);
  });

  it('is exact where nothing at all is less likely than any number can say', () => {
    const demand = materialDemand([{ visitsPerWeek: 7_000, amount: 1 }]);
    const by = { leadTimeDays: 5, leadTimeSdDays: 0, reviewDays: 0 };
    const compound = compoundDemand(demand, usesWhileWaiting(demand.usesPerDay, by), 1);
    expect(compound.within(5_000)).toBeCloseTo(0.503761, 5);
    expect(compound.least(0.975, 'within')).toBeGreaterThan(5_137);
    expect(compound.least(0.975, 'within')).toBeLessThan(5_142);
    expect(compound.shortage(5_000)).toBeCloseTo(Math.sqrt(5_000 / (2 * Math.PI)), 0);
  });

  it('never asks for less when a tenth more is used', () => {
    const rates = fc.array(
      fc.record({
        visitsPerWeek: fc.double({ min: 0.1, max: 120, noNaN: true }),
        amount: fc.double({ min: 0.5, max: 12, noNaN: true }),
      }),
      { minLength: 1, maxLength: 4 },
    );
    const terms = fc.record({
      leadTimeDays: fc.integer({ min: 0, max: 40 }),
      leadTimeSdDays: fc.integer({ min: 0, max: 5 }),
      reviewDays: fc.constantFrom(0, 7, 14),
      deliveryDays: fc.constantFrom<Weekday[]>([], [3], [2, 5], [1, 3, 5]),
    });
    const level = fc.constantFrom(0.8, 0.95, 0.99);
    fc.assert(
      fc.property(rates, terms, level, (of, by, served) => {
        const at = (times: number): { point: number; cell: number } => {
          const demand = materialDemand(
            of.map((rate) => ({ ...rate, visitsPerWeek: rate.visitsPerWeek * times })),
          );
          const compound = compoundDemand(demand, usesWhileWaiting(demand.usesPerDay, by));
          const point = compound.least(served, by.reviewDays > 0 ? 'within' : 'inTime');
          return { point, cell: compound.cell };
        };
        const [more, before] = [at(1.1), at(1)];
        /* A cell is a twentieth of the smallest dose: a tie may fall on either side of it. */
        expect(more.point).toBeGreaterThanOrEqual(before.point - before.cell * 1.001);
      }),
      { numRuns: 60 },
    );
  });
});

describe('many lengths of waiting', () => {
  it('come to the same by the transform as added up one by one', () => {
    const demand = materialDemand([
      { visitsPerWeek: 9, amount: 1 },
      { visitsPerWeek: 4, amount: 5 },
    ]);
    const parts = Array.from({ length: 60 }, (_, at) => ({
      share: (at + 1) / 1_830,
      mean: 1 + at / 3,
      variance: 1 + at / 3,
      law: 'poisson' as const,
    }));
    const sizes = sizesInCells(demand, 1);
    const all = sumByFourier(sizes, parts);
    const each = parts.map((part) => new SumByRecursion(sizes, part, 64));
    for (const x of [0, 3, 20, 47, 90, 400]) {
      const within = each.reduce((sum, of, at) => sum + parts[at]!.share * of.withinAt(x), 0);
      const sum = each.reduce((so, of, at) => so + parts[at]!.share * of.sumAt(x), 0);
      expect(all.withinAt(x)).toBeCloseTo(within, 11);
      expect(all.sumAt(x)).toBeCloseTo(sum, 8);
    }
  });
});

describe('deliveries on some weekdays (S2)', () => {
  const wednesdays: LeadTime = {
    leadTimeDays: 3,
    leadTimeSdDays: 0,
    reviewDays: 0,
    deliveryDays: [3],
  };
  const demand = materialDemand([
    { visitsPerWeek: 9, amount: 1 },
    { visitsPerWeek: 4, amount: 2 },
  ]);
  const least = (by: LeadTime): number =>
    compoundDemand(demand, usesWhileWaiting(demand.usesPerDay, by), 1).least(0.95, 'within');

  it('wait as worked, from Monday to Sunday', () => {
    expect(
      ([1, 2, 3, 4, 5, 6, 7] as const).map((weekday) => waitsFrom(weekday, wednesdays)),
    ).toEqual([9, 8, 7, 6, 5, 4, 3].map((days) => [{ days, share: 1 }]));
  });

  it('give the worked points, looked at on Wednesdays and on any day', () => {
    expect(least({ ...wednesdays, reviewDays: 7 })).toBe(46);
    expect(least({ ...wednesdays, reviewDays: 7, deliveryDays: [] })).toBe(35);
    expect(least(wednesdays)).toBe(26);
    expect(least({ ...wednesdays, deliveryDays: [] })).toBe(13);
  });

  it('wait longer where the lead time is not sure, in the chances of its spread', () => {
    const unsure = waitsFrom(7, { ...wednesdays, leadTimeSdDays: 1.5 });
    expect(unsure.map(({ days }) => days).slice(0, 2)).toEqual([3, 10]);
    expect(unsure.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(unsure[0]?.share).toBeCloseTo(leadTimeOverBy(3, 3, 1.5), 9);
    expect(leadTimeOverBy(3, 3, 1.5)).toBeGreaterThan(0.5);
  });

  it('are looked at on each of them, or every so many weeks', () => {
    const each = { ...wednesdays, deliveryDays: [2, 5] as Weekday[], reviewDays: 3.5 };
    expect(looksOf(each)).toEqual([
      { weekday: 2, daysToNext: 3, share: 0.5 },
      { weekday: 5, daysToNext: 4, share: 0.5 },
    ]);
    /* Friday's order would come on Tuesday, Tuesday's on Friday: 3 + 4 days, and 4 + 3. */
    expect(protectionTimes(each)).toEqual([{ days: 7, share: 1 }]);
    expect(protectionTimes({ ...wednesdays, reviewDays: 14 })).toEqual([{ days: 21, share: 1 }]);
    expect(protectionTimes({ ...wednesdays, reviewDays: 10 }).length).toBe(7);
  });

  it('are as soon as the lead time where every weekday is one', () => {
    const daily: LeadTime = { ...wednesdays, deliveryDays: [1, 2, 3, 4, 5, 6, 7] };
    expect(least(daily)).toBe(13);
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
