import { describe, expect, it } from 'vitest';
import { usedShareOfOpen } from '../cost/openLife';
import { materialDemand, type UseRate } from '../draws/demandRate';
import { reorderPoint } from './reorderPoint';
import type { LeadTime } from './supplyCalendar';
import { usesWhileWaiting } from './usesWhileWaiting';
import { valueOf } from '../testing/sample';
import type { Keeping } from './simulatedShelf';
import { packsToOrder, verifyPolicy, type PlayedMaterial } from './verifyPolicy';

const lead: LeadTime = { leadTimeDays: 6, leadTimeSdDays: 2, reviewDays: 0 };

function played(
  rates: readonly UseRate[],
  keeping: Keeping,
  orderPacks: number,
  by: LeadTime = lead,
  indivisible?: number,
): PlayedMaterial {
  const demand = materialDemand(rates);
  const uses = usesWhileWaiting(demand.usesPerDay, by);
  const terms = {
    ...(indivisible !== undefined && { indivisible }),
    packUnits: keeping.containerUnits * keeping.containersPerPack,
    serviceLevel: 0.95,
  };
  const { amount } = valueOf(reorderPoint(demand, uses, terms, {}));
  const policy = { how: 'computed', reorderAt: amount, orderPacks } as const;
  return { demand, lead: by, keeping, policy };
}

const wednesdays: LeadTime = {
  leadTimeDays: 3,
  leadTimeSdDays: 0,
  reviewDays: 0,
  deliveryDays: [3],
};
const box = (units: number): Keeping => ({ containerUnits: 1, containersPerPack: units });

describe('a policy played through', () => {
  it.each<[string, PlayedMaterial]>([
    [
      'sachets, one or two at a time',
      played(
        [
          { visitsPerWeek: 9, amount: 1 },
          { visitsPerWeek: 4, amount: 2 },
        ],
        box(40),
        1,
        lead,
        1,
      ),
    ],
    [
      'lumpy: now and then a dozen at once',
      played(
        [
          { visitsPerWeek: 3, amount: 1 },
          { visitsPerWeek: 1, amount: 12 },
        ],
        box(50),
        1,
        lead,
        1,
      ),
    ],
    [
      'a bottle dispensed by the pump',
      played(
        [{ visitsPerWeek: 28, amount: 4.8 }],
        { containerUnits: 485, containersPerPack: 1 },
        1,
      ),
    ],
    ['many a day', played([{ visitsPerWeek: 90, amount: 2 }], box(200), 1, lead, 1)],
    ['one in two weeks', played([{ visitsPerWeek: 0.5, amount: 1 }], box(10), 1, lead, 1)],
    [
      'looked at once a week',
      played([{ visitsPerWeek: 10, amount: 5 }], { containerUnits: 485, containersPerPack: 1 }, 1, {
        ...lead,
        reviewDays: 7,
      }),
    ],
    [
      'delivered on Wednesdays only, ordered on any day',
      played([{ visitsPerWeek: 10, amount: 1 }], box(40), 1, { ...wednesdays, reviewDays: 0 }, 1),
    ],
    [
      'delivered and looked at on Wednesdays only',
      played([{ visitsPerWeek: 10, amount: 1 }], box(40), 1, { ...wednesdays, reviewDays: 7 }, 1),
    ],
    [
      'delivered on Tuesdays and Fridays, after a lead time that is not sure',
      played(
        [{ visitsPerWeek: 10, amount: 1 }],
        box(40),
        1,
        { leadTimeDays: 4, leadTimeSdDays: 2, reviewDays: 3.5, deliveryDays: [2, 5] },
        1,
      ),
    ],
  ])('reaches its service level: %s', (_, material) => {
    const { cycleService, servedFromShelf } = verifyPolicy(material, { years: 400, seed: 3 });
    expect(cycleService).toBeGreaterThan(0.94);
    expect(servedFromShelf).toBeGreaterThan(0.985);
  });

  it('comes out the same for the same seed, and otherwise for another', () => {
    const material = played([{ visitsPerWeek: 5, amount: 1 }], box(10), 1, lead, 1);
    const of = (seed: number) => verifyPolicy(material, { years: 50, seed });
    expect(of(1)).toEqual(of(1));
    expect(of(1)).not.toEqual(of(2));
  });

  it('stops when it is told to', () => {
    const material = played([{ visitsPerWeek: 5, amount: 1 }], box(10), 1, lead, 1);
    const years: number[] = [];
    const stopped = verifyPolicy(material, { years: 100, seed: 1 }, (done) => {
      years.push(done);
      return done < 3;
    });
    expect(years.at(-1)).toBe(3);
    expect(stopped.years).toBeLessThan(5);
  });

  it('throws away what is open too long, and orders in time all the same', () => {
    const demand = materialDemand([{ visitsPerWeek: 1, amount: 5 }]);
    const usedShare = usedShareOfOpen(demand.usesPerDay, 60, 200, 5).usedShare;
    const tub: Keeping = { containerUnits: 200, containersPerPack: 1, openDays: 60, usedShare };
    const outcome = verifyPolicy(played([{ visitsPerWeek: 1, amount: 5 }], tub, 1), {
      years: 200,
      seed: 5,
    });
    const used = (5 * 365) / 7;
    expect(outcome.cycleService).toBeGreaterThan(0.95);
    /* What is bought is either used or thrown away. */
    const bought = outcome.ordersPerYear * 200;
    expect((outcome.wastePerYear + used * outcome.servedFromShelf) / bought).toBeCloseTo(1, 1);
    const expected = used / usedShare - used;
    expect(outcome.wastePerYear / expected).toBeGreaterThan(0.97);
    expect(outcome.wastePerYear / expected).toBeLessThan(1.03);
  });

  it('wants nothing where nothing is used', () => {
    const idle = played([], box(10), 1, lead, 1);
    expect(verifyPolicy(idle, { years: 5, seed: 1 })).toMatchObject({
      cycleService: 1,
      servedFromShelf: 1,
      wastePerYear: 0,
    });
  });
});

describe('packs to order', () => {
  it('brings the position above the point by whole order sizes', () => {
    const policy = { how: 'computed', reorderAt: 27, orderPacks: 2 } as const;
    expect(packsToOrder(policy, 28, 10)).toBe(0);
    expect(packsToOrder(policy, 27, 10)).toBe(2);
    expect(packsToOrder(policy, 0, 10)).toBe(4);
    expect(packsToOrder(policy, 7, 10)).toBe(4);
  });

  it('fills up to a maximum set by hand', () => {
    const policy = { how: 'manual', minimum: 10, maximum: 35 } as const;
    expect(packsToOrder(policy, 11, 10)).toBe(0);
    expect(packsToOrder(policy, 10, 10)).toBe(3);
    expect(packsToOrder(policy, 5, 10)).toBe(3);
  });
});
