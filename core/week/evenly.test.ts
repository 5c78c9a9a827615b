import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { daysOf, demo, TODAY } from '../../contract/testing/placedDay';
import { weekOfHouse } from './capacity';
import { spreadEvenly } from './evenly';
import { weekLoad } from './weekLoad';
import { rhythmOf, weekVisits } from './weekVisits';

const MONDAY = '2026-11-23';

describe('work spread evenly', () => {
  it('fills nobody further than needs be', () => {
    expect(
      spreadEvenly(
        [
          { amount: 30, among: [0] },
          { amount: 60, among: [0, 1] },
        ],
        [100, 100],
      ),
    ).toEqual([[30], [15, 45]]);
    const [mine, shared] = spreadEvenly(
      [
        { amount: 90, among: [0] },
        { amount: 20, among: [0, 1] },
      ],
      [100, 100],
    );
    expect([mine, shared]).toEqual([[90], [0, 20]]);
    expect(spreadEvenly([{ amount: 10, among: [0, 1] }], [0, 50])).toEqual([[0, 10]]);
    expect(spreadEvenly([{ amount: 10, among: [0] }], [0])).toEqual([[0]]);
  });

  it('gives all of the work, and to nobody who is fuller than another who may do it', () => {
    const people = fc.array(fc.integer({ min: 30, max: 480 }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(
        people.chain((there) =>
          fc.tuple(
            fc.constant(there),
            fc.array(
              fc.record({
                amount: fc.integer({ min: 0, max: 600 }),
                among: fc.subarray(
                  there.map((_, at) => at),
                  { minLength: 1 },
                ),
              }),
              { maxLength: 6 },
            ),
          ),
        ),
        ([there, jobs]) => {
          const given = spreadEvenly(jobs, there);
          const load = there.map((_, who) =>
            jobs.reduce((sum, { among }, at) => sum + (given[at]![among.indexOf(who)] ?? 0), 0),
          );
          for (const [at, { amount, among }] of jobs.entries()) {
            expect(given[at]!.reduce((sum, each) => sum + each, 0)).toBeCloseTo(amount, 5);
            const shares = among.map((who) => load[who]! / there[who]!);
            for (const [order] of among.entries()) {
              if (given[at]![order]! < 1e-3) continue;
              expect(shares[order]! - Math.min(...shares)).toBeLessThan(1e-4);
            }
          }
        },
      ),
    );
  });
});

describe('each person of a week', () => {
  const of = daysOf(demo);
  const week = weekOfHouse(demo, of.figures, MONDAY);
  if (!week.ok) throw new Error(JSON.stringify(week.problems));
  const load = weekLoad(week.value, weekVisits(demo, MONDAY, 'plan', TODAY), rhythmOf(demo, TODAY));
  const everybody = load.pools
    .filter(({ pool }) => pool.kind === 'hands')
    .toSorted((a, b) => b.names.length - a.names.length)[0]!;

  it('carries together what hands carry, and of what only some may do at least that', () => {
    const sum = (loads: readonly (readonly number[])[], day: number): number =>
      loads.reduce((all, each) => all + each[day]!, 0);
    for (const day of [0, 1, 2, 3, 4, 5]) {
      expect(
        sum(
          load.people.map((each) => each.load),
          day,
        ),
      ).toBeCloseTo(everybody.load[day]!, 4);
      for (const pool of load.pools.filter((each) => each.pool.kind === 'hands')) {
        const inIt = load.people.filter(({ names }) => pool.names.includes(names[0]!));
        expect(
          sum(
            inIt.map((each) => each.load),
            day,
          ),
        ).toBeGreaterThan(pool.load[day]! - 1e-4);
      }
    }
  });

  it('carries hour by hour what the day says', () => {
    for (const { load: days, hours } of load.people) {
      for (const [day, taken] of days.entries()) {
        expect(hours![day]!.reduce((all, each) => all + each.taken, 0)).toBeCloseTo(taken, 6);
      }
    }
  });
});
