import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Material } from '../house/house';
import { drawsOf } from '../draws/drawsOf';
import { scheduleOf } from '../time/schedule';
import { withSpread } from '../quantity/triple';
import {
  AS_PAID,
  cleanser,
  dose,
  minutes,
  bought,
  problemOf,
  protocol,
  sachet,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { chargedMinutes, serviceCost } from './serviceCost';
import { shownCost } from './shownCost';
import { unitCost } from './unitCost';

const rates = {
  therapist: 37,
  assistant: 25,
  room: 8,
  fixed: { therapist: 37, assistant: 25 },
};

function costOf(
  amount: number,
  spread: number,
  material: Material = cleanser(),
  charge: 'attended' | 'slot' = 'attended',
) {
  const written = protocol([
    step('cleanse', minutes(3, 4, 6), {
      doses: [
        dose(material.id, { how: 'measured', quantity: withSpread(amount, spread), unit: 'ml' }),
      ],
    }),
    step('help', minutes(5), { by: 'assistant' }),
  ]);
  const onShelf = shelf([material]);
  const draws = valueOf(drawsOf(written, 'first', onShelf, settings));
  const schedule = valueOf(scheduleOf(written, 'first', settings));
  const costs = new Map([[material.id, unitCost(material, AS_PAID)]]);
  const house = { materials: onShelf.materials, devices: new Map() };
  return { schedule, cost: serviceCost(draws, schedule, house, costs, rates, charge) };
}

describe('the cost of a visit (C3, C4, C7)', () => {
  it('charges each person their own minutes, and the room its slot', () => {
    const { schedule, cost } = costOf(5, 0);
    const { therapist, room } = valueOf(cost);
    expect(therapist.usual).toBeCloseTo(schedule.attended.therapist * 37 + 5 * 25, 9);
    expect(room.usual).toBe(schedule.slotMinutes * 8);
  });

  it('charges the therapist for the whole slot when the house says so, and no minute in it again', () => {
    const { schedule, cost } = costOf(5, 0, cleanser(), 'slot');
    expect(valueOf(cost).therapist.usual).toBeCloseTo(schedule.slotMinutes * 37, 9);
    expect(chargedMinutes(schedule, 'slot', 'assistant')).toBe(0);
    expect(chargedMinutes(schedule, 'attended', 'assistant')).toBe(5);
  });

  it('says which material has no price', () => {
    const { cost } = costOf(5, 0, cleanser(bought({ content: 0 })));
    expect(problemOf(cost)).toMatchObject({
      code: 'pack-empty',
      where: { materialId: 'cleanser' },
    });
  });

  it('never falls when an amount, its spread or a price grows, and keeps low, usual and high in order', () => {
    const amount = fc.double({ min: 0.1, max: 500, noNaN: true });
    const spread = fc.double({ min: 0, max: 0.9, noNaN: true });
    const price = fc.integer({ min: 1, max: 50_000 });
    fc.assert(
      fc.property(amount, amount, spread, price, price, (a, b, share, cheap, dear) => {
        const at = (quantity: number, priceMinor: number) =>
          valueOf(costOf(quantity, share, cleanser(bought({ content: 500, priceMinor }))).cost);
        const [less, more] = [Math.min(a, b), Math.max(a, b)];
        const [low, high] = [Math.min(cheap, dear), Math.max(cheap, dear)];
        expect(at(more, low).full.usual).toBeGreaterThanOrEqual(at(less, low).full.usual);
        expect(at(less, high).direct.usual).toBeGreaterThanOrEqual(at(less, low).direct.usual);
        const { full } = at(less, low);
        expect(full.low).toBeLessThanOrEqual(full.usual);
        expect(full.usual).toBeLessThanOrEqual(full.high);
      }),
      { numRuns: 60 },
    );
  });
});

describe('a cost as it is shown', () => {
  it('has parts that add up to its sums, whatever the cents', () => {
    const amount = fc.double({ min: 0.01, max: 300, noNaN: true });
    fc.assert(
      fc.property(amount, (quantity) => {
        const exact = valueOf(costOf(quantity, 0).cost);
        const shown = shownCost(exact);
        expect(shown.product + shown.consumables + shown.linen + shown.therapist).toBe(
          shown.direct,
        );
        expect(shown.direct + shown.room).toBe(shown.full);
        expect(shown.full).toBe(Math.round(exact.full.usual));
      }),
      { numRuns: 60 },
    );
  });
});

describe('single doses (D3, C1)', () => {
  it('cost whole packs, also when part of one is lost', () => {
    const powder = sachet({ unit: 'ml', ...bought({ content: 6, priceMinor: 180 }) });
    expect(valueOf(costOf(0.5, 0, powder).cost).product.usual).toBeCloseTo(180, 9);
    expect(valueOf(costOf(6.5, 0, powder).cost).product.usual).toBeCloseTo(360, 9);
  });
});
