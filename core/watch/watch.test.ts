import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { PricePoint } from '../house/pricePoint';
import type { House } from '../house/house';
import { asId, type ServiceId } from '../house/ids';
import { houseOn, type JournalEntry } from '../house/journal';
import { createCalculator } from '../figures/createCalculator';
import {
  cleanser,
  dose,
  house as sampleHouse,
  measured,
  minutes,
  protocol,
  sachet,
  service,
  step,
} from '../testing/sample';
import { gatheredParts, marginBridge } from './bridge';
import { marginWatch, rememberedHouse, serviceHistory, type Memory } from './history';

const serviceId = asId<ServiceId>('facial');
const one = dose(asId('sachet'), { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } });
const worked = protocol([step('Mask', minutes(20), { id: asId('mask'), doses: [one] })]);
const house: House = sampleHouse({
  materials: [sachet()],
  protocols: [worked],
  services: [
    service({ id: serviceId, protocolId: worked.id, pricing: { by: 'own', ownMinor: 2500 } }),
  ],
});
const [ione] = house.people;
const [facial] = house.services;
if (!ione || !facial) throw new Error('the sample house is empty');

const point = (on: string, priceMinor: number): PricePoint => ({
  materialId: asId('sachet'),
  packId: asId('pack'),
  on,
  priceMinor,
  discount: 0,
  freightMinor: 0,
  from: 'hand',
});
const journal: readonly JournalEntry[] = [
  { on: '2026-03-01', part: 'people', id: 'ione', before: { ...ione, hourlyPayMinor: 1200 } },
  { on: '2026-05-01', part: 'settings', id: 'house', before: { ...house.settings, vat: 0.1 } },
  {
    on: '2026-06-01',
    part: 'services',
    id: serviceId,
    before: { ...facial, pricing: { by: 'own', ownMinor: 2300 } },
  },
];
const memory: Memory = {
  journal,
  editions: [],
  prices: [point('2026-02-01', 150), point('2026-04-01', 180)],
};

describe('what was', () => {
  it('is put back to the end of any day', () => {
    expect(houseOn(house, journal, '2026-06-01')).toBe(house);
    const may = houseOn(house, journal, '2026-05-31');
    expect(may.services[0]?.pricing?.ownMinor).toBe(2300);
    expect(may.settings.vat).toBe(0.13);
    const february = houseOn(house, journal, '2026-02-28');
    expect(february.people[0]?.hourlyPayMinor).toBe(1200);
    expect(february.settings.vat).toBe(0.1);
  });

  it('takes the first change after a day, not the last', () => {
    const twice: JournalEntry[] = [
      { on: '2026-03-01', part: 'people', id: 'ione', before: { ...ione, hourlyPayMinor: 1000 } },
      { on: '2026-04-01', part: 'people', id: 'ione', before: { ...ione, hourlyPayMinor: 1300 } },
    ];
    for (const entries of [twice, twice.toReversed()]) {
      expect(houseOn(house, entries, '2026-02-01').people[0]?.hourlyPayMinor).toBe(1000);
      expect(houseOn(house, entries, '2026-03-15').people[0]?.hourlyPayMinor).toBe(1300);
    }
  });

  it('has what was removed, and not what is new', () => {
    const entries: JournalEntry[] = [
      { on: '2026-03-01', part: 'people', id: 'ione', before: null },
      { on: '2026-03-01', part: 'people', id: 'gone', before: { ...ione, id: asId('gone') } },
    ];
    expect(houseOn(house, entries, '2026-02-01').people.map(({ id }) => id)).toEqual(['gone']);
  });

  it('has packs at the price of that day', () => {
    const priceOn = (day: string) => {
      const [material] = rememberedHouse(house, memory, day).materials;
      return material && material.kind !== 'linen' ? material.packs[0]?.priceMinor : undefined;
    };
    expect([priceOn('2026-01-01'), priceOn('2026-02-01'), priceOn('2026-04-02')]).toEqual([
      180, 150, 180,
    ]);
  });
});

describe('the history of a service', () => {
  it('has a point for each day on which something moved', () => {
    const points = serviceHistory(house, memory, serviceId, '2026-11-25');
    expect(points.map(({ on, gross }) => [on, gross])).toEqual([
      ['2026-01-31', 2300],
      ['2026-02-01', 2300],
      ['2026-03-01', 2300],
      ['2026-04-01', 2300],
      ['2026-05-01', 2300],
      ['2026-06-01', 2500],
    ]);
    const [, february, march] = points;
    /* 20 minutes at 14.00 instead of 12.00: 20 x 37.094017 / 7 */
    expect((march?.fullCost ?? 0) - (february?.fullCost ?? 0)).toBeCloseTo(105.982906, 4);
  });

  it('keeps the tax of its day', () => {
    const [before] = serviceHistory(house, memory, serviceId, '2026-11-25').slice(-3);
    /* at 10 % VAT a price of 23.00 leaves 20.91 */
    expect(before?.margin).toBeCloseTo(
      1 - 0.1 - 0.015 * 1.1 - (before?.fullCost ?? 0) / (2300 / 1.1),
      9,
    );
  });

  it('of a house without memory is today alone', () => {
    const nothing = { journal: [], editions: [], prices: [] };
    expect(serviceHistory(house, nothing, serviceId, '2026-11-25')).toHaveLength(1);
  });
});

describe('a bridge from an old margin to a new one', () => {
  it('names every cause, and its parts add up', () => {
    const then = rememberedHouse(house, memory, '2026-02-15');
    const bridge = marginBridge(then, house, serviceId);
    expect(bridge?.parts.map(({ cause, name }) => [cause, name])).toEqual([
      ['material', 'Enzyme sachet'],
      ['pay', undefined],
      ['vat', undefined],
      ['price', undefined],
    ]);
    const [material, pay] = bridge?.parts ?? [];
    expect(material?.cost).toBeCloseTo(30, 6);
    expect(pay?.cost).toBeCloseTo(105.982906, 4);
    const total = (bridge?.parts ?? []).reduce((sum, part) => sum + part.margin, 0);
    expect(total).toBeCloseTo((bridge?.after.margin ?? 0) - (bridge?.before.margin ?? 0), 12);
  });

  it('adds up whatever changed', () => {
    fc.assert(
      fc.property(
        fc.record({
          pay: fc.integer({ min: 800, max: 3000 }),
          pack: fc.integer({ min: 1, max: 900 }),
          vat: fc.double({ min: 0, max: 0.3, noNaN: true }),
          rent: fc.integer({ min: 1, max: 900_000 }),
          fee: fc.double({ min: 0, max: 0.2, noNaN: true }),
          grid: fc.constantFrom(5, 10, 15),
          long: fc.integer({ min: 1, max: 90 }),
        }),
        ({ pay, pack, vat, rent, fee, grid, long }) => {
          const after: House = {
            ...house,
            people: [{ ...ione, hourlyPayMinor: pay }],
            materials: house.materials.map((each) =>
              each.kind === 'linen'
                ? each
                : { ...each, packs: each.packs.map((of) => ({ ...of, priceMinor: pack })) },
            ),
            settings: {
              ...house.settings,
              vat,
              commission: fee,
              slotGridMinutes: grid,
              roomCost: { ...house.settings.roomCost, fixedPerMonthMinor: rent },
            },
            protocols: [protocol([step('Mask', minutes(long), { doses: [one] })])],
          };
          const bridge = marginBridge(house, after, serviceId);
          if (!bridge) throw new Error('no bridge');
          for (const figure of ['margin', 'gross'] as const) {
            const sum = bridge.parts.reduce((total, part) => total + part[figure], 0);
            expect(sum).toBeCloseTo(bridge.after[figure] - bridge.before[figure], 5);
          }
          const costs = bridge.parts.reduce((total, part) => total + part.cost, 0);
          expect(costs).toBeCloseTo(bridge.after.fullCost - bridge.before.fullCost, 5);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('gathers what is small, and still adds up', () => {
    const part = (name: string, margin: number) => ({
      cause: 'material' as const,
      name,
      cost: 1,
      gross: 0,
      margin,
    });
    const parts = [part('a', 0.0001), part('b', -0.01), part('c', 0.0002)];
    expect(gatheredParts(parts)).toMatchObject([{ name: 'b' }, { several: 2, cost: 2 }]);
    const sum = gatheredParts(parts).reduce((all, { margin }) => all + margin, 0);
    expect(sum).toBeCloseTo(-0.0097, 12);
    const alone = parts.slice(0, 2);
    expect(gatheredParts(alone)).toBe(alone);
  });

  it('tells what expires open apart, also where only the plan is another; costs are those of the menu', () => {
    const jar = cleanser({ openLife: { amount: 30, unit: 'days' } });
    const mask = step('Mask', minutes(20), { doses: [dose(jar.id, measured(5, 'ml'))] });
    const planned = (visitsPerWeek: number): House => ({
      ...house,
      materials: [jar],
      protocols: [protocol([mask])],
      demand: [{ serviceId, visitsPerWeek }],
    });
    const bridge = marginBridge(planned(1), planned(20), serviceId);
    expect(bridge?.parts).toMatchObject([{ cause: 'expires' }]);
    expect(bridge?.parts[0]?.cost).toBeLessThan(0);
    const cost = createCalculator()(planned(20)).services.get(serviceId)?.cost;
    expect(bridge?.after.fullCost).toBe(cost?.ok && cost.value.full.usual);
    const nothing = { journal: [], editions: [], prices: [] };
    expect(serviceHistory(planned(20), nothing, serviceId, '2026-11-25')[0]?.fullCost).toBe(
      bridge?.after.fullCost,
    );
    const without = {
      ...planned(20),
      settings: { ...house.settings, withoutExpired: true as const },
    };
    expect(marginBridge(planned(20), without, serviceId)?.parts).toMatchObject([
      { cause: 'expires' },
    ]);
  });

  it('tells tax of what is bought apart, said by the house or by a supplier', () => {
    const included = { rate: 0.21, included: true, recovered: true };
    const byHouse = { ...house, settings: { ...house.settings, purchaseTax: included } };
    const bySupplier = {
      ...house,
      suppliers: house.suppliers.map((each) => ({ ...each, purchaseTax: included })),
    };
    const parts = marginBridge(house, byHouse, serviceId)?.parts;
    expect(parts).toMatchObject([{ cause: 'purchaseTax' }]);
    expect(parts?.[0]?.cost).toBeLessThan(0);
    expect(marginBridge(house, bySupplier, serviceId)?.parts).toEqual(parts);
  });

  it('takes over what a new protocol draws', () => {
    const added = sachet({ id: asId('other'), name: 'Other sachet' });
    const two = dose(asId('other'), { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } });
    const after: House = {
      ...house,
      materials: [...house.materials, added],
      protocols: [protocol([step('Mask', minutes(20), { doses: [one, two] })])],
    };
    expect(marginBridge(house, after, serviceId)?.parts).toMatchObject([
      { cause: 'protocol', cost: 180 },
    ]);
    expect(marginBridge(house, { ...house, services: [] }, serviceId)).toBeUndefined();
    expect(marginBridge({ ...house, rooms: [] }, house, serviceId)).toBeUndefined();
  });
});

describe('the margin watch', () => {
  it('lists what is under its target, the furthest first, and what fell', () => {
    const cheap = service({
      id: asId('cheap'),
      protocolId: worked.id,
      pricing: { by: 'own', ownMinor: 1000 },
    });
    const fine = service({ id: asId('fine'), protocolId: worked.id });
    const all: House = { ...house, services: [facial, fine, cheap] };
    const watched = marginWatch(all, memory, '2026-02-15');
    expect(watched.map(({ bridge, underTarget }) => [bridge.service.id, underTarget])).toEqual([
      ['cheap', true],
      ['facial', false],
      ['fine', false],
    ]);
    const nothing = { journal: [], editions: [], prices: [] };
    const still = marginWatch(all, nothing, '2026-02-15');
    expect(still.map(({ bridge, fell }) => [bridge.service.id, fell])).toEqual([['cheap', false]]);
  });
});
