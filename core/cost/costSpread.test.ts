import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { House } from '../house/house';
import { asId, type ServiceId } from '../house/ids';
import {
  dose,
  house as sampleHouse,
  minutes,
  protocol,
  service,
  step,
  valueOf,
} from '../testing/sample';
import { explainInUse, explainProduct, explainSpread } from '../explain/explainSpread';
import { marginAt } from '../price/marginAt';
import { costSpread } from './costSpread';

const serviceId = asId<ServiceId>('s');
const pumps = dose(asId('cleanser'), {
  how: 'counted',
  quantity: { low: 2, usual: 3, high: 4 },
  measure: 'pump',
});
const spread = (charge: 'attended' | 'slot') => {
  const house: House = sampleHouse({
    protocols: [protocol([step('Cleanse', minutes(10, 15, 25), { doses: [pumps] })])],
    services: [service({ id: serviceId })],
  });
  const of: House = { ...house, settings: { ...house.settings, therapistCharge: charge } };
  const figures = createCalculator()(of).services.get(serviceId);
  if (!figures) throw new Error('nothing counted');
  const cost = valueOf(figures.cost);
  const price = valueOf(figures.price);
  const [sold] = of.services;
  if (!sold) throw new Error('nothing sold');
  const explained = {
    house: of,
    service: sold,
    protocol: valueOf(figures.work),
    schedule: valueOf(figures.schedule),
    rates: valueOf(figures.rates),
    cost,
  };
  return { cost, price, explained, ...costSpread(cost, valueOf(figures.schedule), charge) };
};

describe('low, usual and high of a whole cost', () => {
  it('follows the amounts and the length of the visit', () => {
    const { cost, things, hands, room, full, minutes: long } = spread('attended');
    expect(things.low / things.usual).toBeCloseTo(2 / 3, 9);
    expect(things.high / things.usual).toBeCloseTo(4 / 3, 9);
    expect(hands.high / hands.usual).toBeCloseTo(long.high / long.usual, 9);
    expect(long.low).toBeLessThan(long.usual);
    expect([room.low, room.high]).toEqual([room.usual, room.usual]);
    expect(full.usual).toBeCloseTo(cost.full.usual, 9);
    expect(full.low).toBeCloseTo(things.low + hands.low + room.low, 9);
  });

  it('has a working that adds up, at either end', () => {
    for (const charge of ['attended', 'slot'] as const) {
      const of = spread(charge);
      for (const which of ['low', 'usual', 'high'] as const) {
        const { things, full } = explainSpread(which, of, of.explained);
        const sum = (inputs: typeof full.inputs): number =>
          inputs.reduce((all, { value }) => all + value.amount, 0);
        expect(sum(things.inputs)).toBeCloseTo(of.things[which], 9);
        expect(sum(full.inputs)).toBeCloseTo(of.full[which], 9);
      }
      const inUse = explainInUse(12, of.explained);
      expect(inUse.result.amount).toBeCloseTo(of.cost.direct.usual + 12, 9);
      expect(explainProduct(of.explained).result.amount).toBeCloseTo(of.cost.product.usual, 9);
    }
  });

  it('has its margin at the charged price', () => {
    const { cost, price } = spread('attended');
    expect(marginAt(price, cost.full.usual)).toBeCloseTo(price.margin, 12);
    expect(marginAt(price, cost.full.usual + 100)).toBeLessThan(price.margin);
  });

  it('has the same hands throughout where the whole slot is charged', () => {
    const { hands } = spread('slot');
    expect([hands.low, hands.high]).toEqual([hands.usual, hands.usual]);
  });
});
