import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { House, Material } from '../house/house';
import { asId, type MaterialId, type ServiceId } from '../house/ids';
import {
  bought,
  cleanser,
  dose,
  house as sampleHouse,
  measured,
  minutes,
  problemOf,
  protocol,
  sachet,
  service,
  step,
  valueOf,
} from '../testing/sample';
import { plannedPerMonth, twoSets } from './kitOrBulk';

const serviceId = asId<ServiceId>('s');
const kit = sachet({ id: asId('kit'), name: 'Kit', ...bought({ content: 6, priceMinor: 300 }) });
const jar = (openDays?: number): Material =>
  cleanser({
    id: asId('jar'),
    name: 'Jar',
    unit: 'g',
    ...bought({ content: 600, priceMinor: 6000 }),
    ...(openDays !== undefined && { openLife: { amount: openDays, unit: 'days' } }),
  });

function counted(material: Material, grams: number, trayMinutes: number) {
  const amount =
    material.kind === 'single-dose'
      ? ({ how: 'packs', quantity: { low: 1, usual: 1, high: 1 } } as const)
      : measured(grams, 'g');
  const house: House = sampleHouse({
    materials: [material],
    protocols: [
      protocol([
        step('Lay out', minutes(trayMinutes), { stretch: 'set-up' }),
        step('Mask', minutes(20), { doses: [dose(asId<MaterialId>(material.id), amount)] }),
      ]),
    ],
    services: [service({ id: serviceId })],
    demand: [{ serviceId, visitsPerWeek: 3 }],
  });
  return { house, figures: createCalculator()(house) };
}

describe('kit or bulk', () => {
  it('is product, waste, minutes and money on the shelf, side by side', () => {
    const both = valueOf(twoSets(serviceId, 13, counted(kit, 6, 2), counted(jar(), 6, 3)));
    expect([both.one.product, both.other.product]).toEqual([300, 60]);
    expect([both.one.trayMinutes, both.other.trayMinutes]).toEqual([2, 3]);
    /* 28 days of 3 visits a week: 12 kits; one jar of 100 uses */
    expect([both.one.stockHeld, both.other.stockHeld]).toEqual([3600, 6000]);
    expect(both.cheaper).toBe('other');
    expect(both.other.hands - both.one.hands).toBeCloseTo(37.094017, 4);
  });

  it('breaks even where the jar is used up before it spoils (C2)', () => {
    const both = valueOf(twoSets(serviceId, 4, counted(kit, 6, 2), counted(jar(28), 6, 2)));
    const from = both.breakEven ?? 0;
    expect(from).toBeGreaterThan(1);
    const at = (visits: number) => both.curve[visits - 1] ?? { one: 0, other: 0 };
    expect(at(from).other).toBeLessThan(at(from).one);
    expect(at(from - 1).other).toBeGreaterThanOrEqual(at(from - 1).one - 0.005);
    expect(both.cheaper).toBe('one');
    expect(both.other.waste).toBeGreaterThan(0);
  });

  it('has no such point where one is always the cheaper', () => {
    expect(valueOf(twoSets(serviceId, 9, counted(kit, 6, 2), counted(jar(), 6, 2))).breakEven).toBe(
      null,
    );
    const dear = counted(jar(), 60, 2);
    const never = valueOf(twoSets(serviceId, 9, counted(kit, 6, 2), dear));
    expect([never.breakEven, never.cheaper]).toEqual([null, 'one']);
    const same = valueOf(twoSets(serviceId, 9, dear, dear));
    expect([same.breakEven, same.cheaper]).toEqual([null, 'alike']);
  });

  it('says why one cannot be counted', () => {
    const none = counted(kit, 6, 2);
    const broken: House = { ...none.house, rooms: [] };
    const side = { house: broken, figures: createCalculator()(broken) };
    expect(problemOf(twoSets(serviceId, 9, none, side)).code).toBe('rooms-missing');
    expect(plannedPerMonth(none.house, { id: serviceId })).toBe(13);
    expect(plannedPerMonth(none.house, { id: asId('other') })).toBe(0);
  });
});
