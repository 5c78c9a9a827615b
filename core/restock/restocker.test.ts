import { beforeEach, describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { House, Order, OrderLine } from '../house/house';
import { asId } from '../house/ids';
import { USUAL_RESTOCK, type RestockSettings } from '../house/restock';
import { exactly } from '../quantity/triple';
import { visitLogOf } from '../house/visitLog';
import {
  bought,
  cleanser,
  dose,
  house,
  measured,
  minutes,
  problemOf,
  protocol,
  sachet,
  service,
  settings,
  step,
  stockOf,
  valueOf,
} from '../testing/sample';
import { attentionOf } from './attention';
import { forecastOf } from './forecast';
import { proposeOrders } from './proposeOrders';
import { createRestocker, type RestockFigures } from './restocker';
import { schoolsOf } from './restockRules';
import { takesLonger } from './restocking';
import { tradeOff } from './tradeOff';

const NOW = new Date('2026-11-25T12:00:00Z');
const TODAY = '2026-11-25';

const towel: House['materials'][number] = {
  id: asId('towel'),
  kind: 'linen',
  name: 'Face towel',
  unit: 'piece',
  measures: {},
  laundry: { washMinor: 40, replacementMinor: 900, washesInLife: 120 },
  loop: { pieces: 10, washDays: 2, safetyDays: 1 },
};
const cleanse = step('cleanse', minutes(2, 3, 5), {
  doses: [
    dose(cleanser().id, { how: 'counted', quantity: exactly(3), measure: 'pump' }),
    dose(towel.id, measured(2, 'piece')),
  ],
});
const enzyme = step('enzyme', minutes(6), { doses: [dose(sachet().id, measured(7, 'g'))] });

function sample(changes: Partial<House> = {}): House {
  return house({
    materials: [cleanser(), sachet(), towel],
    protocols: [protocol([cleanse, enzyme])],
    services: [service()],
    demand: [{ serviceId: service().id, visitsPerWeek: 14 }],
    stock: [stockOf(cleanser().id, 48), stockOf(sachet().id, 600, 6)],
    ...changes,
  });
}

function restockOf(of: House, now = NOW): RestockFigures {
  return createRestocker()(of, createCalculator()(of), now);
}

const usually = (changes: Partial<RestockSettings>): Partial<House> => ({
  settings: { ...settings, restock: { ...USUAL_RESTOCK, ...changes } },
});

const line = (changes: Partial<OrderLine> = {}): OrderLine => ({
  id: asId('line'),
  materialId: cleanser().id,
  packId: asId('pack'),
  packs: 2,
  priceMinor: 2100,
  why: [],
  received: [],
  refused: 0,
  ...changes,
});

const order = (changes: Partial<Order> = {}): Order => ({
  id: asId('order'),
  name: 'No. 1',
  supplierId: asId('northquay'),
  state: 'sent',
  writtenOn: TODAY,
  dueOn: '2026-11-28',
  lines: [line()],
  ...changes,
});

describe('the restocking of a material', () => {
  it('counts uses, cover and whether to order; linen goes round instead', () => {
    const { materials, linen } = restockOf(sample());
    const milk = valueOf(materials.get(cleanser().id)!);
    expect(milk.demand.usesPerDay).toBe(2);
    expect(milk.cover.daysOfCover).toBeCloseTo(5, 9);
    expect(milk.cover.runsOutOn).toBe('2026-11-30');
    expect(milk.cover.shouldOrder).toBe(true);
    expect(linen.get(towel.id)).toMatchObject({ perDay: 4, par: 12, pieces: 10, short: 2 });
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
    expect(milk.position.usable + milk.position.lost).toBeCloseTo(48, 6);
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
    expect(at(order())).toBe(1000);
    expect(at(order({ state: 'draft' }))).toBe(0);
    expect(at(order({ lines: [line({ received: [receipt] })] }))).toBe(500);
    expect(at(order({ lines: [line({ received: [{ ...receipt, takenBack: true }] })] }))).toBe(
      1000,
    );
    expect(at(order({ lines: [line({ confirmed: { packs: 1 } })] }))).toBe(500);
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

  it('comes out the same again, remembered or not', () => {
    const restock = createRestocker();
    const calculate = createCalculator();
    const first = sample();
    const second = sample({ demand: [{ serviceId: service().id, visitsPerWeek: 3 }] });
    restock(first, calculate(first), NOW);
    const remembered = restock(second, calculate(second), NOW);
    expect(remembered.materials).toEqual(restockOf(second).materials);
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

describe('orders to write', () => {
  const cheap = cleanser({
    id: asId('cheap'),
    name: 'Toner',
    ...bought({ content: 250, priceMinor: 300 }),
  });
  const least = (leastOrderMinor: number): Partial<House> => ({
    suppliers: sample().suppliers.map((supplier) => ({ ...supplier, leastOrderMinor })),
  });

  it('hold what is at its point, with the reason', () => {
    const of = sample();
    const [proposal] = proposeOrders(of, restockOf(of));
    expect(proposal?.lines.map(({ material }) => material.id)).toEqual([cleanser().id]);
    expect(proposal?.lines[0]?.why[0]).toMatchObject({ kind: 'at-point', position: 48 });
    expect(proposal?.totalMinor).toBe(
      proposal?.lines.reduce((sum, { totalMinor }) => sum + totalMinor, 0),
    );
  });

  it('fill up to the least order with what is needed soonest, and say what is missing', () => {
    const tone = step('tone', minutes(1), { doses: [dose(cheap.id, measured(2, 'ml'))] });
    const of = sample({
      ...least(1_000_000),
      materials: [cleanser(), sachet(), towel, cheap],
      protocols: [protocol([cleanse, enzyme, tone])],
      stock: [stockOf(cleanser().id, 48), stockOf(sachet().id, 600, 6), stockOf(cheap.id, 200)],
    });
    const [proposal] = proposeOrders(of, restockOf(of));
    expect(proposal?.lines[1]?.why.map(({ kind }) => kind)).toEqual(['soon', 'least-order']);
    const [first, second] = proposal?.lines.slice(1).map(({ why }) => why[0]) ?? [];
    expect(first?.kind === 'soon' && second?.kind === 'soon' && first.days <= second.days).toBe(
      true,
    );
    expect(proposal?.missingMinor).toBeGreaterThan(0);
  });

  it('do not repeat what stands in a draft', () => {
    const of = sample({ orders: [order({ state: 'draft', lines: [line({ packs: 5 })] })] });
    expect(proposeOrders(of, restockOf(of))).toEqual([]);
  });
});

describe('what to attend to', () => {
  it('comes in the order of harm', () => {
    const of = sample({
      orders: [
        order({
          id: asId('late'),
          dueOn: '2026-11-20',
          lines: [line({ materialId: sachet().id })],
        }),
        order({ id: asId('draft'), state: 'draft', lines: [] }),
      ],
      stock: [stockOf(cleanser().id, 10), stockOf(sachet().id, 600, 6)],
    });
    expect(attentionOf(of, restockOf(of), NOW).map(({ kind }) => kind)).toEqual([
      'runs-out',
      'late',
      'to-send',
      'linen',
      'count-due',
    ]);
  });

  it('is nothing where all is well', () => {
    const well = sample({
      materials: [cleanser(), sachet()],
      protocols: [protocol([enzyme])],
      stock: [stockOf(cleanser().id, 480), stockOf(sachet().id, 6000, 6)],
      counts: [
        {
          id: asId('c'),
          name: 'All',
          startedOn: TODAY,
          blind: true,
          endedOn: TODAY,
          lines: [cleanser().id, sachet().id].map((materialId) => ({
            materialId,
            at: '2026-11-24T10:00:00Z',
            entryId: asId(`e-${materialId}`),
            found: 1,
            by: 'pieces' as const,
          })),
        },
      ],
    });
    expect(attentionOf(well, restockOf(well), NOW)).toEqual([]);
  });
});

describe('the trade-off', () => {
  it('ties up more and is without less often at a higher level', () => {
    const of = sample();
    const curve = tradeOff(of, restockOf(of));
    for (const [at, point] of curve.entries()) {
      const before = curve[at - 1];
      if (!before) continue;
      expect(point.tiedUpMinor).toBeGreaterThanOrEqual(before.tiedUpMinor - 1e-9);
      expect(point.shortPerYear).toBeLessThanOrEqual(before.shortPerYear + 1e-9);
    }
  });
});
