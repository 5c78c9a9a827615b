import { daysAfter } from '../days/days';
import { beforeEach, describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { House, Order } from '../house/house';
import { asId } from '../house/ids';
import { USUAL_RESTOCK } from '../house/restock';
import { visitLogOf } from '../house/visitLog';
import {
  cleanser,
  dose,
  measured,
  problemOf,
  protocol,
  sachet,
  service,
  stockOf,
  valueOf,
} from '../testing/sample';
import { forecastOf } from './forecast';
import { createRestocker } from './restocker';
import { schoolsOf } from './restockRules';
import { takesLonger } from './restocking';
import {
  NOW,
  TODAY,
  towel,
  cleanse,
  sample,
  restockOf,
  usually,
  line,
  order,
  enzyme,
} from '../testing/restocked';

describe('the restocking of a material', () => {
  it('counts uses, cover and whether to order; linen goes round instead', () => {
    const { materials, linen } = restockOf(sample());
    const milk = valueOf(materials.get(cleanser().id)!);
    expect(milk.demand.usesPerDay).toBe(2);
    /* Of what is there for five days 3 % stays in the bottle. */
    expect(milk.cover.daysOfCover).toBeCloseTo(5 * 0.97, 9);
    expect(milk.cover.runsOutOn).toBe('2026-11-29');
    expect(milk.cover.shouldOrder).toBe(true);
    expect(linen.get(towel.id)).toMatchObject({ perDay: 4, par: 12, pieces: 10, short: 2 });
  });

  it('counts what guests are expected to buy, a container each, beside what is used', () => {
    const house = sample();
    const sells = (takeUp: number): House => ({
      ...house,
      protocols: house.protocols.map((each) => ({
        ...each,
        around: {
          before: [],
          avoid: [],
          expect: [],
          call: [],
          recommends: [{ materialId: cleanser().id, takeUp }],
        },
      })),
    });
    const [plain, sold] = [house, sells(0.25)].map((of) =>
      valueOf(restockOf(of).materials.get(cleanser().id)!),
    );
    /* Of two visits a day, every fourth buys one. */
    expect(sold?.demand.usesPerDay).toBeCloseTo((plain?.demand.usesPerDay ?? 0) * 1.25, 9);
    expect(sold?.reorderPoint.amount ?? 0).toBeGreaterThan(plain?.reorderPoint.amount ?? 0);
  });

  it('orders single doses by whole packs', () => {
    const powder = valueOf(restockOf(sample()).materials.get(sachet().id)!);
    expect(powder.reorderPoint.amount % 6).toBe(0);
    expect(powder.orderSize.amount % 6).toBe(0);
  });

  it('does not count what is over before its turn', () => {
    const { lots } = stockOf(cleanser().id, 48);
    const soon = [{ ...lots[0]!, expiresOn: '2026-11-26' }];
    const milk = valueOf(
      restockOf(sample({ stock: [{ materialId: cleanser().id, lots: soon }] })).materials.get(
        cleanser().id,
      )!,
    );
    expect(milk.position.usable).toBeLessThan(20);
    expect(milk.position.usable + milk.position.lost).toBeCloseTo(48 * 0.97, 6);
  });

  it('counts what is on its way, and not what has come of it or was taken back', () => {
    const at = (of: Order): number =>
      valueOf(restockOf(sample({ orders: [of] })).materials.get(cleanser().id)!).position.onOrder;
    const receipt = {
      entryId: asId<Order['lines'][number]['received'][number]['entryId']>('e'),
      lotId: asId<Order['lines'][number]['received'][number]['lotId']>('l'),
      on: TODAY,
      packId: line().packId,
      packs: 1,
    };
    expect(at(order())).toBeCloseTo(1000 * 0.97, 9);
    expect(at(order({ state: 'draft' }))).toBe(0);
    expect(at(order({ lines: [line({ received: [receipt] })] }))).toBeCloseTo(500 * 0.97, 9);
    expect(
      at(order({ lines: [line({ received: [{ ...receipt, takenBack: true }] })] })),
    ).toBeCloseTo(1000 * 0.97, 9);
    expect(at(order({ lines: [line({ confirmed: { packs: 1 } })] }))).toBeCloseTo(500 * 0.97, 9);
  });

  it('has levels by hand with their risk, and a service level of its own', () => {
    const byHand = cleanser({ restock: { levels: { minimum: 10, maximum: 500 } } });
    const careful = cleanser({ restock: { serviceLevel: 0.999 } });
    const of = (material: typeof byHand) =>
      valueOf(
        restockOf(sample({ materials: [material, sachet(), towel] })).materials.get(material.id)!,
      );
    const levels = of(byHand);
    expect(levels.orderAt).toBe(10);
    expect(levels.levels?.inTime).toBeLessThan(0.5);
    expect(levels.levels?.weeksBetweenShort).toBeGreaterThan(1);
    expect(of(careful).reorderPoint.amount).toBeGreaterThan(of(cleanser()).reorderPoint.amount);
  });

  it('has both schools side by side: looking from time to time needs more', () => {
    const restocking = valueOf(restockOf(sample()).materials.get(cleanser().id)!);
    const bySchool = valueOf(schoolsOf(cleanser(), restocking));
    expect(restocking.school).toBe('any-day');
    expect(bySchool['any-day'].reorderPoint).toEqual(restocking.reorderPoint);
    expect(bySchool['delivery-day'].reorderPoint.amount).toBeGreaterThan(
      bySchool['any-day'].reorderPoint.amount,
    );
  });

  it('says why it cannot be had: no supplier, a dose that is wrong', () => {
    const alone = restockOf(sample({ suppliers: [] }));
    expect(problemOf(alone.materials.get(cleanser().id)!).code).toBe('supplier-unknown');
    const faulty = { ...enzyme, doses: [dose(sachet().id, measured(-7, 'g'))] };
    const wrong = restockOf(sample({ protocols: [protocol([cleanse, faulty])] }));
    expect(problemOf(wrong.materials.get(sachet().id)!).code).toBe('amount-invalid');
  });

  it('needs nothing where nobody comes, and little where one comes a year', () => {
    const of = (visitsPerWeek: number) =>
      valueOf(
        restockOf(sample({ demand: [{ serviceId: service().id, visitsPerWeek }] })).materials.get(
          cleanser().id,
        )!,
      );
    expect(of(0)).toMatchObject({ orderAt: 0, cover: { shouldOrder: false, runsOutOn: null } });
    expect(of(1 / 52).orderSize.packs).toBe(1);
  });

  it('waits for nothing with no lead time, and never beyond what keeps', () => {
    const { suppliers } = sample();
    const at = (changes: object, material = cleanser()) =>
      valueOf(
        restockOf(
          sample({
            suppliers: suppliers.map((each) => ({ ...each, ...changes })),
            materials: [material, sachet(), towel],
          }),
        ).materials.get(cleanser().id)!,
      );
    expect(at({ leadTimeDays: 0, leadTimeSdDays: 0 }).orderAt).toBeLessThan(5);
    const short = at({ leadTimeDays: 60, leadTimeSdDays: 0 }, cleanser({ sealedDays: 20 }));
    expect(short.orderSize.packs).toBe(1);
    expect(short.orderSize.tooMany).toBe(0);
    expect([takesLonger(short), takesLonger(at({ leadTimeDays: 3 }))]).toEqual([true, false]);
  });

  it('keeps more while the supplier is about to close, and as before when it has opened again', () => {
    const of = (from: string, to: string) =>
      valueOf(
        restockOf(
          sample({
            suppliers: sample().suppliers.map((each) => ({ ...each, closed: [{ from, to }] })),
          }),
        ).materials.get(cleanser().id)!,
      );
    const plain = valueOf(restockOf(sample()).materials.get(cleanser().id)!);
    const { today } = restockOf(sample());
    const closing = of(daysAfter(today, 1), daysAfter(today, 30));
    expect(closing.lead.closedDays).toBeGreaterThan(25);
    expect(closing.orderAt).toBeGreaterThan(plain.orderAt * 2);
    expect(closing.uses.protectionDays).toBeCloseTo(
      plain.uses.protectionDays + (closing.lead.closedDays ?? 0),
      9,
    );
    const past = of(daysAfter(today, -40), daysAfter(today, -10));
    expect([past.orderAt, past.arrivesOn]).toEqual([plain.orderAt, plain.arrivesOn]);
    const later = of(daysAfter(today, 90), daysAfter(today, 120));
    expect(later.orderAt).toBe(plain.orderAt);
  });

  it('comes out the same again, remembered or not', () => {
    const restock = createRestocker();
    const calculate = createCalculator();
    const first = sample();
    restock(first, calculate(first), NOW);
    const { settings } = first;
    const others: Partial<House>[] = [
      { demand: [{ serviceId: service().id, visitsPerWeek: 3 }] },
      {
        log: { since: daysAfter(TODAY, -7), visits: { [service().id]: [0, 2, 0, 1] }, entered: [] },
      },
      {
        bookings: [
          {
            id: asId('b'),
            title: service().name,
            at: `${daysAfter(TODAY, 1)}T10:00:00Z`,
            minutes: 60,
          },
        ],
      },
      { settings: { ...settings, restock: { ...settings.restock, months: Array(12).fill(2) } } },
      { services: first.services.map((each) => ({ ...each, name: `${each.name} once more` })) },
    ];
    let house = first;
    for (const other of others) {
      house = { ...house, ...other };
      const remembered = restock(house, calculate(house), NOW);
      expect(remembered).toEqual(restockOf(house));
    }
    const tomorrow = new Date(NOW.getTime() + 86_400_000);
    expect(restock(house, calculate(house), tomorrow).forecasts).toEqual(
      forecastOf(house, daysAfter(TODAY, 1)),
    );
  });
});

describe('who comes', () => {
  let base: House;
  beforeEach(() => {
    base = sample();
  });
  const used = (of: House): number => forecastOf(of, TODAY).get(service().id)?.used ?? -1;
  const booked = (days: readonly number[]): House['bookings'] =>
    days.map((day, at) => ({
      id: asId(`b${at}`),
      title: ` ${service().name.toUpperCase()} `,
      at: `2026-11-${25 + day}T10:00:00Z`,
      minutes: 60,
    }));

  it('is the plan in its season and growth', () => {
    expect(used(base)).toBe(14);
    const winter = [...USUAL_RESTOCK.months].map((factor, month) => (month >= 10 ? 0.5 : factor));
    expect(used({ ...base, ...usually({ months: winter }) })).toBeCloseTo(7, 9);
    const growing = usually({ trend: { perYear: 1, since: '2025-11-25' } });
    expect(used({ ...base, ...growing })).toBeGreaterThan(28);
  });

  it('is blended with the book and the log, weights of what is missing going to the rest', () => {
    const blend = { plan: 1, bookings: 1, log: 1 };
    const read = { ...base, ...usually({ blend, bookingDays: 5 }), bookings: booked([0, 1, 4, 5]) };
    expect(forecastOf(read, TODAY).get(service().id)).toMatchObject({
      plan: 14,
      bookings: (3 * 7) / 5,
      log: null,
    });
    expect(used(read)).toBeCloseTo((14 + 4.2) / 2, 9);
    const performed = [1, 2, 3].map((day) => ({
      serviceId: service().id,
      at: `2026-11-${10 + day}T10:00:00Z`,
    }));
    const log = visitLogOf(performed, '2026-06-01', 'UTC');
    expect(used({ ...read, log })).toBeCloseTo((14 + 4.2 + (3 * 7) / 14) / 3, 9);
  });

  it('sets stock aside for sold courses, and does not count their visits twice', () => {
    const sold: House = {
      ...base,
      offers: [
        {
          id: asId('course'),
          kind: 'course',
          name: 'Four visits',
          discount: 0,
          visits: [{ serviceId: service().id, visitKind: 'returning', times: 4 }],
          everyDays: 7,
          validDays: 90,
          prepaid: true,
          missed: 'lost',
        },
      ],
      soldCourses: [
        {
          id: asId('sold'),
          name: 'A guest',
          offerId: asId('course'),
          soldOn: '2026-11-20',
          taken: 1,
        },
      ],
    };
    const { promises, materials } = restockOf(sold);
    expect(promises.get(sachet().id)?.visits.map(({ day }) => day)).toEqual([
      '2026-11-27',
      '2026-12-04',
      '2026-12-11',
    ]);
    expect(valueOf(materials.get(sachet().id)!).position.promised).toBe(36);
    expect(used(sold)).toBeCloseTo(14 - 3 / 4, 9);
    const besides = { ...sold, ...usually({ courses: 'besides-plan' }) };
    expect(used(besides)).toBe(14);
    const over = {
      ...sold,
      soldCourses: sold.soldCourses.map((each) => ({ ...each, soldOn: '2026-01-01' })),
    };
    expect(restockOf(over).promises.size).toBe(0);
  });
});

describe('what is promised (S6)', () => {
  it('is told apart: orders in time, uses served, guests who go without', () => {
    const milk = valueOf(restockOf(sample()).materials.get(cleanser().id)!);
    expect(milk.reorderPoint.inTime).toBeGreaterThanOrEqual(milk.serviceLevel - 1e-9);
    expect(milk.servedFromShelf).toBeGreaterThan(milk.reorderPoint.inTime);
    expect(milk.withoutPerYear).toBeCloseTo(
      (1 - milk.servedFromShelf) * milk.demand.usesPerDay * 365,
      9,
    );
    expect(milk.withoutPerYear).toBeGreaterThan(0);
  });
});
