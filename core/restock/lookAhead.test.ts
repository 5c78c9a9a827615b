import { describe, expect, it } from 'vitest';
import { materialDemand } from '../draws/demandRate';
import { lookAhead, weeksOf, type DaysAhead, type StartingShelf } from './lookAhead';
import type { PlayedMaterial } from './verifyPolicy';

const material: PlayedMaterial = {
  demand: materialDemand([{ visitsPerWeek: 14, amount: 1 }]),
  lead: { leadTimeDays: 4, leadTimeSdDays: 1, reviewDays: 0 },
  keeping: { containerUnits: 1, containersPerPack: 20 },
  policy: { how: 'computed', reorderAt: 15, orderPacks: 1 },
};
const shelf = (amount: number, changes: Partial<StartingShelf> = {}): StartingShelf => ({
  open: [],
  sealed: [{ amount }],
  coming: [],
  promised: 0,
  ...changes,
});
const days = (uses: number): DaysAhead => ({
  weekday: 1,
  usesOn: Array.from({ length: 84 }, () => uses),
  booked: [],
});
const of = (
  start: StartingShelf,
  ahead = days(2),
  ordering: 'policy' | 'none' = 'none',
  runs = 300,
) => lookAhead(material, start, ahead, { runs, seed: 4, ordering });

describe('looking ahead', () => {
  it('runs out when what is there is used at its rate', () => {
    const { runsOutIn, days: list } = of(shelf(60));
    expect(runsOutIn).toBeGreaterThan(26);
    expect(runsOutIn).toBeLessThan(34);
    expect(list[9]?.usual).toBeGreaterThan(36);
    expect(list[9]?.usual).toBeLessThan(44);
    for (const { low, usual, high } of list) {
      expect(low).toBeLessThanOrEqual(usual);
      expect(usual).toBeLessThanOrEqual(high);
    }
  });

  it('lasts with the orders that the policy writes', () => {
    const { runsOutIn, days: list } = of(shelf(60), days(2), 'policy');
    expect(runsOutIn).toBeNull();
    expect(list.reduce((sum, { delivered }) => sum + delivered, 0)).toBeGreaterThan(80);
  });

  it('takes booked visits on their days, for sure', () => {
    const booked = [
      { day: 3, amount: 5, of: 'book' as const },
      { day: 10, amount: 7, of: 'course' as const },
    ];
    const { days: list } = of(shelf(20, { promised: 7 }), {
      weekday: 1,
      usesOn: days(0).usesOn,
      booked,
    });
    expect([2, 3, 9, 10].map((day) => list[day]?.usual)).toEqual([20, 15, 15, 8]);
  });

  it('orders today what is due, and then on the days on which the shelf is looked at', () => {
    /* A Saturday; deliveries and looks are on Wednesdays. */
    const wednesdays: PlayedMaterial = {
      ...material,
      lead: { leadTimeDays: 3, leadTimeSdDays: 0, reviewDays: 7, deliveryDays: [3] },
      policy: { how: 'computed', reorderAt: 30, orderPacks: 1 },
    };
    const { days: list } = lookAhead(
      wednesdays,
      shelf(24),
      { ...days(2), weekday: 6 },
      {
        runs: 100,
        seed: 4,
      },
    );
    const came = list.flatMap(({ day, delivered }) => (delivered > 0 ? [day] : []));
    expect(came[0]).toBe(4);
    expect(came.every((day) => day % 7 === 4)).toBe(true);
  });

  it('expects what is on its way, and throws away what is over', () => {
    const start = shelf(0, {
      sealed: [{ amount: 30, daysLeft: 5.5 }],
      coming: [{ amount: 40, day: 7.5 }],
    });
    const { days: list } = of(start, days(0));
    expect([list[4]?.usual, list[6]?.usual, list[8]?.usual]).toEqual([30, 0, 40]);
    expect([list[5]?.over, list[7]?.delivered]).toEqual([30, 40]);
    expect(weeksOf({ days: list }).slice(0, 2)).toMatchObject([
      { over: 30, delivered: 0 },
      { over: 0, delivered: 40 },
    ]);
  });

  it('keeps what is set aside: it orders for it before the visits come', () => {
    const at = (promised: number): number =>
      of(shelf(30, { promised }), days(0), 'policy', 40).days[20]?.delivered ?? 0;
    const came = (promised: number): number =>
      of(shelf(30, { promised }), days(0), 'policy', 40).days.reduce((s, d) => s + d.delivered, 0);
    expect(at(0)).toBe(0);
    expect(came(20)).toBeGreaterThan(came(0));
  });

  it('nothing comes while the supplier is closed, and what was ordered then comes after', () => {
    const played: PlayedMaterial = {
      ...material,
      lead: { leadTimeDays: 3, leadTimeSdDays: 0, reviewDays: 7, deliveryDays: [3] },
      policy: { how: 'computed', reorderAt: 30, orderPacks: 1 },
    };
    const came = (closed?: StartingShelf['closed']) =>
      lookAhead(
        played,
        { ...shelf(24), ...(closed && { closed }) },
        { ...days(2), weekday: 6 },
        { runs: 100, seed: 4 },
      ).days.flatMap(({ day, delivered }) => (delivered > 0 ? [day] : []));
    expect(came()[0]).toBe(4);
    const late = came([{ from: 2, to: 13 }]);
    expect(late[0]).toBe(18);
    expect(late.every((day) => day % 7 === 4)).toBe(true);
  });

  it('is the same for the same seed, and stops when it is told to', () => {
    expect(of(shelf(60))).toEqual(of(shelf(60)));
    const stopped = lookAhead(
      material,
      shelf(60),
      days(2),
      { runs: 100, seed: 1 },
      (done) => done < 10,
    );
    expect(stopped.runs).toBe(10);
  });
});
