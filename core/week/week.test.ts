import loadHighs from 'highs';
import fc from 'fast-check';
import { describe, expect, it, test } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import { asId } from '../house/ids';
import type { Change, House } from '../house/house';
import { adoptionOf, adoptsNothing } from '../whatIf/adoption';
import { applyChange } from '../whatIf/applyChange';
import { applyScenario } from '../whatIf/compareScenarios';
import { demoAsOf } from '../../contract/testing/demo';
import { weekOfHouse } from './capacity';
import { highsSolver } from './worth/highsSolver';
import { leversOf } from './worth/levers';
import { leverScenario } from './worth/leverScenario';
import { limitingHour } from './worth/limitingHour';
import { mixScenario } from './worth/mixScenario';
import { menuMix, type MixProblem } from './worth/menuMix';
import { freeOf } from './poolLoad';
import { poolsToShow, weekLoad } from './weekLoad';
import { boundsOf, weekMix } from './worth/weekMix';
import { rhythmOf, weekVisits } from './weekVisits';

const solve = highsSolver(await loadHighs());
/* The newest day of the demo house, so that none of its days is moved. */
const NOW = new Date('2026-11-25T12:00:00Z');
const TODAY = '2026-11-25';
const MONDAY = '2026-11-23';
const demo = demoAsOf(NOW);
const figures = createCalculator()(demo);
const week = valueOf(weekOfHouse(demo, figures, MONDAY));
const plan = weekVisits(demo, MONDAY, 'plan', TODAY);
const bounds = boundsOf(demo, plan);
const mix = valueOf(weekMix(week, bounds, plan, solve, 'parts'));

function valueOf<T>(outcome: { readonly ok: true; readonly value: T } | { readonly ok: false }): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome));
  return outcome.value;
}

describe('what the week carries', () => {
  const load = weekLoad(week, plan, rhythmOf(demo, TODAY));
  const pool = (kind: string) => load.pools.find((each) => each.pool.kind === kind)!;

  it('takes of rooms what the slots of the planned visits come to', () => {
    const slots = week.needs
      .filter(({ isAddOn, roomKind }) => !isAddOn && roomKind === 'dry')
      .reduce((sum, need) => sum + need.slotMinutes * (plan.get(need.service.id) ?? 0), 0);
    expect(pool('room').load.reduce((sum, each) => sum + each, 0)).toBeCloseTo(slots, 6);
    for (const each of load.pools) {
      if (each.hours && each.pool.kind !== 'hot-towels') {
        const byHour = each.hours.flat().reduce((sum, { taken }) => sum + taken, 0);
        expect(byHour).toBeCloseTo(
          each.load.reduce((sum, one) => sum + one, 0),
          6,
        );
      }
    }
  });

  it('says what gives out first: that many visits fill it, and none of the others', () => {
    const [first, ...others] = load.pools;
    const at = (each: typeof first, visits: number) =>
      Math.max(
        ...each!.load.map((taken, day) => (taken * visits) / load.visits - each!.capacity[day]!),
      );
    expect(at(first, first!.carries!)).toBeCloseTo(0, 6);
    for (const other of others) expect(at(other, first!.carries!)).toBeLessThan(1e-6);
    expect(poolsToShow(load)[0]).toBe(first);
  });

  it('puts nobody into closed hours or where nobody who may is there', () => {
    expect(pool('room').load[6]).toBe(0);
    const onlyDacil = demo.people.map((person) =>
      person.id === 'dacil' || person.role === 'assistant'
        ? person
        : { ...person, hours: undefined },
    ) as House['people'];
    const alone = valueOf(weekOfHouse({ ...demo, people: onlyDacil }, figures, MONDAY));
    const { nowhere } = weekLoad(alone, plan, rhythmOf(demo, TODAY));
    expect(nowhere.map(({ need }) => need.service.id)).toContain('clay-facial');
    expect(nowhere.map(({ need }) => need.service.id)).not.toContain('body-polish');
  });

  it('says what is free', () => {
    const room = pool('room');
    expect(freeOf(room)).toBeCloseTo(
      room.capacity.reduce((sum, each) => sum + each, 0) -
        room.load.reduce((sum, each) => sum + each, 0),
      6,
    );
  });
});

describe('the best mix of a week', () => {
  it('brings at least what the plan would, within all limits', () => {
    for (const { capacity, used } of mix.limits) {
      const there =
        used.length === 1
          ? [capacity.perDay.reduce((sum, each) => sum + each, 0)]
          : capacity.perDay;
      used.forEach((each, day) => expect(each).toBeLessThanOrEqual(there[day]! + 1e-6));
    }
    for (const {
      best,
      bounds: { least, most },
    } of mix.lines) {
      expect(best).toBeGreaterThanOrEqual(least - 1e-6);
      expect(best).toBeLessThanOrEqual(most + 1e-6);
    }
    expect(mix.contribution).toBeGreaterThan(mix.planned);
  });

  it('is worth what its limits and bookings are worth (the dual says the same)', () => {
    const limits = mix.limits.reduce(
      (sum, { capacity, worth }) =>
        sum +
        (worth.length === 1
          ? worth[0]! * capacity.perDay.reduce((all, each) => all + each, 0)
          : worth.reduce((all, each, day) => all + each * capacity.perDay[day]!, 0)),
      0,
    );
    const held = mix.lines.reduce(
      (sum, { bookingWorth, bounds: { least, most } }) =>
        sum + bookingWorth * (bookingWorth > 0 ? most : least),
      0,
    );
    expect(limits + held).toBeCloseTo(mix.contribution, 4);
  });

  it('says what the minutes of a visit would earn elsewhere: what is not held by demand brings just that', () => {
    for (const {
      need,
      best,
      bounds: { least, most },
      costsElsewhere,
      bookingWorth,
    } of mix.lines) {
      if (best < least + 1e-6 || best > most - 1e-6) continue;
      expect(bookingWorth).toBeCloseTo(0, 6);
      const costs = costsElsewhere.reduce((sum, { minor }) => sum + minor, 0);
      expect(costs).toBeCloseTo(need.contribution, 3);
    }
  });

  it('refuses what is not in order, and what has no room or nobody', () => {
    const clay = asId<House['services'][number]['id']>('clay-facial');
    const wrong = new Map([...bounds, [clay, { least: 9, most: 3, assumed: false }]]);
    expect(weekMix(week, wrong, plan, solve, 'parts')).toMatchObject({
      problems: [{ code: 'demand-not-in-order', where: { serviceId: 'clay-facial' } }],
    });
    const dry = valueOf(
      weekOfHouse(
        { ...demo, rooms: demo.rooms.filter(({ kind }) => kind === 'dry') },
        figures,
        MONDAY,
      ),
    );
    expect(weekMix(dry, bounds, plan, solve, 'parts')).toMatchObject({
      problems: expect.arrayContaining([
        expect.objectContaining({ code: 'room-kind-missing' }),
      ]) as unknown,
    });
    const tooMany = new Map([...bounds, [clay, { least: 200, most: 300, assumed: false }]]);
    const refused = weekMix(week, tooMany, plan, solve, 'parts');
    expect(refused).toMatchObject({
      problems: expect.arrayContaining([
        expect.objectContaining({ code: 'demand-beyond-limit' }),
      ]) as unknown,
    });
    expect(JSON.stringify(refused)).toMatch(/would need \d+ (minutes|pieces) more/);
  });

  it('gains by a lever what it really would, never more than at the worth of its hour', () => {
    const levers = leversOf(demo, week, bounds, plan, mix, solve);
    const hour = levers.find(({ lever }) => lever.kind === 'hour-more')!;
    if (hour.lever.kind !== 'hour-more') throw new Error('no hour');
    const { person, day } = hour.lever;
    const line = mix.limits.find(
      ({ capacity: { resource } }) => resource.kind === 'person' && resource.personId === person.id,
    )!;
    const atMost = line.worth[day]! * 60 * demo.settings.bookableShare;
    expect(hour.gainPerWeek).toBeGreaterThan(0);
    expect(hour.gainPerWeek).toBeLessThanOrEqual(atMost + 1e-6);
    const linen = levers.find(({ lever }) => lever.kind === 'linen')!;
    expect(linen.weeksToPay).toBeCloseTo(linen.onceMinor! / linen.gainPerWeek, 9);
  });
});

it('a lever tried as a scenario does to the week what the lever said', () => {
  let made = 0;
  const newId = () => asId<never>(`new-${(made += 1)}`);
  const levers = leversOf(demo, week, bounds, plan, mix, solve);
  const tried = levers.filter(({ lever }) =>
    ['hour-more', 'longer-day', 'hire'].includes(lever.kind),
  );
  expect(tried.length).toBeGreaterThan(3);
  for (const { lever, gainPerWeek } of tried) {
    const scenario = leverScenario(lever, 'as a scenario', newId)!;
    const { house, gone } = applyScenario(demo, scenario);
    expect(gone).toEqual([]);
    const then = valueOf(weekOfHouse(house, createCalculator()(house), MONDAY));
    /* What a visit adds is as it was: somebody hired has the pay of whom they are like. */
    const needs = then.needs.map((need) => {
      const before = week.needs.find(({ service }) => service.id === need.service.id)!;
      return { ...need, contribution: before.contribution };
    });
    const gain =
      valueOf(weekMix({ ...then, needs }, bounds, plan, solve, 'parts')).contribution -
      mix.contribution;
    expect(gain).toBeCloseTo(gainPerWeek, 3);
    const adopted = adoptionOf(demo, scenario.changes);
    expect(adoptsNothing(adopted)).toBe(false);
  }
});

it('hires somebody who may do and is trained for the same, has rooms and devices more, and says what is gone', () => {
  const id = asId<never>('c');
  const changed = (change: Change): House => {
    const then = applyChange(demo, change);
    if (!then.ok) throw new Error(JSON.stringify(then));
    return then.value;
  };
  const hired = changed({
    id,
    kind: 'hire',
    likeId: asId('nerea'),
    newId: asId('new'),
    name: 'Noa',
  });
  expect(hired.services.find((each) => each.id === 'needle')?.therapistIds).toContain('new');
  expect(hired.devices.find((each) => each.id === 'needle-pen')?.trainedIds).toContain('new');
  expect(
    adoptionOf(demo, [
      { id, kind: 'hire', likeId: asId('nerea'), newId: asId('new'), name: 'Noa' },
    ]),
  ).toMatchObject({
    people: [{ id: 'new', name: 'Noa' }],
  });
  const roomy = changed({ id, kind: 'room', newId: asId('mar'), name: 'Mar', roomKind: 'wet' });
  expect(roomy.rooms).toHaveLength(4);
  expect(
    changed({ id, kind: 'device-count', deviceId: asId('needle-pen'), count: 2 }).devices.find(
      (each) => each.id === 'needle-pen',
    )?.count,
  ).toBe(2);
  const gone = [
    { id, kind: 'hire', likeId: asId('nobody'), newId: asId('new'), name: 'Noa' },
    { id, kind: 'work-hours', personId: asId('nobody'), weekday: 1, spans: [] },
    { id, kind: 'device-count', deviceId: asId('nothing'), count: 2 },
  ] satisfies Change[];
  for (const change of gone)
    expect(applyChange(demo, change)).toMatchObject({ problems: [{ code: 'scenario-gone' }] });
});

it('takes over the best mix, or some of it, as visits of a scenario', () => {
  let made = 0;
  const of = new Set([asId<House['services'][number]['id']>('clay-facial')]);
  const scenario = mixScenario(mix, of, () => asId<never>(`id-${(made += 1)}`));
  const best = mix.lines.find(({ need }) => need.service.id === 'clay-facial')!.best;
  expect(scenario.changes).toMatchObject([
    { kind: 'visits', serviceId: 'clay-facial', visitsPerWeek: Math.round(best * 100) / 100 },
  ]);
});

it('says what an hour of what gives out earns with a service, and at best', () => {
  const of = limitingHour(mix, asId('clay-facial'))!;
  const line = mix.lines.find(({ need }) => need.service.id === 'clay-facial')!;
  expect(of.earns).toBeCloseTo((line.need.contribution / of.minutes) * 60, 9);
  expect(of.best).toBeLessThanOrEqual(of.earns + 1e-6);
  expect(limitingHour(mix, asId('nothing'))).toBeUndefined();
});

test('no week of chance has a better mix than its duals allow', () => {
  const amount = fc.integer({ min: 10, max: 90 });
  const problem = fc
    .record({
      services: fc.array(
        fc.record({
          contribution: fc.integer({ min: 100, max: 9000 }),
          least: fc.integer({ min: 0, max: 2 }),
          over: fc.integer({ min: 0, max: 20 }),
          room: amount,
          hands: amount,
          by: fc.constantFrom([1], [2], [1, 2]),
        }),
        { minLength: 1, maxLength: 8 },
      ),
      limits: fc.array(
        fc.array(fc.integer({ min: 0, max: 2000 }), { minLength: 3, maxLength: 3 }),
        {
          minLength: 3,
          maxLength: 3,
        },
      ),
    })
    .map(({ services, limits }): MixProblem => ({
      days: 3,
      services: services.map(({ contribution, least, over, room, hands, by }) => ({
        contribution,
        least,
        most: least + over,
        uses: [[0, room]],
        hands: [{ minutes: hands, by }],
      })),
      limits: limits.map((perDay) => ({ perDay })),
    }));
  fc.assert(
    fc.property(problem, (of) => {
      const found = menuMix(of, solve);
      if (!found.ok) return;
      const { contribution, limits, bookingWorth, visits } = found.value;
      const dual =
        limits.reduce(
          (sum, { worth }, at) =>
            sum +
            worth.reduce((all, each, day) => {
              const limit = of.limits[at]!;
              return all + each * ('perDay' in limit ? limit.perDay[day]! : limit.perWeek);
            }, 0),
          0,
        ) +
        of.services.reduce(
          (sum, { least, most }, at) =>
            sum + bookingWorth[at]! * (bookingWorth[at]! > 0 ? most : least),
          0,
        );
      expect(Math.abs(dual - contribution)).toBeLessThanOrEqual(1e-6 * Math.max(1, contribution));
      limits.forEach(({ worth }) =>
        worth.forEach((each) => expect(each).toBeGreaterThanOrEqual(-1e-6)),
      );
      visits.forEach((each, at) =>
        expect(each).toBeGreaterThanOrEqual(of.services[at]!.least - 1e-6),
      );
      of.services.forEach(({ contribution: brings, uses, hands }, at) => {
        for (let day = 0; day < 3; day += 1) {
          const costs =
            uses.reduce((sum, [limit, each]) => sum + each * limits[limit]!.worth[day]!, 0) +
            hands.reduce(
              (sum, { minutes, by }) =>
                sum + minutes * Math.min(...by.map((limit) => limits[limit]!.worth[day]!)),
              0,
            );
          expect(brings - bookingWorth[at]! - costs).toBeLessThanOrEqual(
            1e-6 * Math.max(1, brings),
          );
        }
      });
    }),
    { numRuns: 200 },
  );
});
