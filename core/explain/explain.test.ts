import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import { exactly } from '../quantity/triple';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  protocol,
  sachet,
  service,
  step,
  valueOf,
} from '../testing/sample';
import { explainCost, type CostPart, type ExplainedService } from './explainCost';
import { explainConsumption } from './explainConsumption';
import { explainPrice, type PricePart } from './explainPrice';
import { createRestocker } from '../restock/restocker';
import { explainReorderPoint } from './explainReorder';
import { explainAttended, explainGuestMinutes, explainSlot } from './explainTime';
import type { Working } from './working';

const milk = cleanser({ measures: { mlPerPump: { usual: 1.6 }, density: 1.02 } });
const written = protocol([
  step('cleanse', minutes(2, 3, 5), {
    zones: ['face'],
    doses: [
      dose(milk.id, { how: 'counted', quantity: exactly(3), measure: 'pump' }),
      dose(milk.id, { how: 'coat', coat: 'standard' }),
      dose(sachet().id, measured(7, 'g')),
    ],
  }),
  step('reset', minutes(5), { stretch: 'reset', by: 'assistant' }),
]);
const sample = house({
  materials: [milk, sachet()],
  people: [
    ...house().people,
    {
      ...house().people[0]!,
      id: 'olaya' as never,
      name: 'Olaya',
      role: 'assistant',
      hourlyPayMinor: 1000,
    },
  ],
  protocols: [written],
  services: [service()],
  demand: [{ serviceId: service().id, visitsPerWeek: 14 }],
});
const figures = createCalculator()(sample);
const found = figures.services.get(service().id)!;
const of: ExplainedService = {
  house: sample,
  service: service(),
  protocol: written,
  schedule: valueOf(found.schedule),
  rates: valueOf(found.rates),
  cost: valueOf(found.cost),
};

/** The amounts of a working's inputs, by label. */
function inputs(working: Working): Record<string, number> {
  return Object.fromEntries(working.inputs.map((input) => [input.label, input.value.amount]));
}

/** Every working in a working. */
function* nested(working: Working): Generator<Working> {
  yield working;
  for (const input of working.inputs) if (input.working) yield* nested(input.working);
}

describe('workings of cost', () => {
  it.each<[CostPart]>([['direct'], ['full'], ['product'], ['consumables'], ['linen']])(
    '%s is the sum of its inputs',
    (part) => {
      const working = explainCost(part, of);
      const sum = working.inputs.reduce((total, input) => total + input.value.amount, 0);
      expect(sum).toBeCloseTo(working.result.amount, 9);
      expect(working.result.amount).toBe(of.cost[part].usual);
    },
  );

  it('a line is what is drawn times its unit cost, down to the pack', () => {
    const [line] = explainCost('product', of).inputs;
    const [drawn, perUnit] = line?.working?.inputs ?? [];
    expect((drawn?.value.amount ?? 0) * (perUnit?.value.amount ?? 0)).toBeCloseTo(
      line?.value.amount ?? 0,
      9,
    );
    const pack = inputs(perUnit!.working!);
    const landed =
      (pack['Pack price']! * (1 - pack.Discount!) + pack['Freight share']!) /
      (pack['In the pack']! * (1 - pack['Left in the pack']!));
    expect(landed).toBeCloseTo(perUnit?.value.amount ?? 0, 12);
  });

  it('a coat multiplies out to what is drawn', () => {
    const working = [...nested(explainCost('product', of))].find((each) =>
      each.codes.includes('D2'),
    )!;
    const {
      Area,
      'Coat weight': weight,
      'Stays on hands and tools': loss,
      Density,
    } = inputs(working);
    expect((((Area! * weight!) / 1000) * (1 + loss!)) / Density!).toBeCloseTo(
      working.result.amount,
      9,
    );
  });

  it('a counted amount shows the count and the measure of the shelf', () => {
    const { pumps, 'ml per pump': each } = inputs(
      [...nested(explainCost('product', of))].find((working) => working.codes.includes('Q3'))!,
    );
    expect(pumps! * each!).toBeCloseTo(4.8, 12);
  });

  it('hands are minutes times their rates', () => {
    const {
      'Attended minutes': attended,
      'A therapist’s minute': rate,
      'Assistant’s minutes': helped,
      'An assistant’s minute': helpRate,
    } = inputs(explainCost('therapist', of));
    expect(attended! * rate! + helped! * helpRate!).toBeCloseTo(of.cost.therapist.usual, 9);
    const bySlot = {
      ...of,
      house: { ...sample, settings: { ...sample.settings, therapistCharge: 'slot' as const } },
    };
    expect(explainCost('therapist', bySlot).inputs[0]?.label).toBe('Slot');
  });
});

describe('workings of price', () => {
  const price = valueOf(found.price);

  it('contribution is net less fees less direct cost', () => {
    const {
      'Net price': net,
      Commission,
      'Card fee': card,
      'Direct cost': direct,
    } = inputs(explainPrice('contribution', price, of));
    expect(net! - Commission! - card! - direct!).toBeCloseTo(price.contribution, 9);
  });

  it.each<[PricePart]>([['gross'], ['contribution'], ['margin'], ['perRoomHour']])(
    '%s has formula codes, words and a place for every input that can be changed',
    (part) => {
      for (const working of nested(explainPrice(part, price, of))) {
        expect(working.codes.length).toBeGreaterThan(0);
        expect(working.words).not.toBe('');
        expect(Number.isFinite(working.result.amount)).toBe(true);
      }
    },
  );
});

describe('workings of minutes and of what is drawn', () => {
  it('the guest is told the visit, the room is kept for the slot', () => {
    const told = explainGuestMinutes(of.schedule, of.service, sample);
    expect(told.result.amount).toBe(of.schedule.guestMinutes);
    expect(inputs(told)['Visit, expected']).toBeCloseTo(of.schedule.visit.mean, 9);
    expect(
      inputs(explainSlot(of.schedule, of.service, sample))['Room time, expected'],
    ).toBeGreaterThan(of.schedule.visit.mean);
  });

  it('attended minutes are the sum of the lines of the therapist', () => {
    const working = explainAttended(of.schedule, written);
    const sum = working.inputs.reduce((total, input) => total + input.value.amount, 0);
    expect(sum).toBeCloseTo(working.result.amount, 9);
  });

  it('what is drawn is the sum of the doses, each with its own working', () => {
    const working = explainConsumption(milk, valueOf(found.draws), written, sample);
    const sum = working.inputs.reduce((total, input) => total + input.value.amount, 0);
    expect(sum).toBeCloseTo(working.result.amount, 9);
    expect(working.inputs.map((input) => input.label)).toEqual(['cleanse', 'cleanse']);
    expect(working.result.amount).toBeCloseTo(
      valueOf(found.consumption).get(milk.id)?.usual ?? 0,
      9,
    );
  });
});

describe('workings of reorder points', () => {
  it('lead from the point to visits and lead time', () => {
    const restock = createRestocker()(sample, figures, new Date('2026-02-02T12:00:00Z'));
    const restocking = valueOf(restock.materials.get(sachet().id)!);
    const working = explainReorderPoint(sachet(), restocking, sample);
    expect(working.result).toEqual({
      amount: restocking.reorderPoint.amount,
      unit: 'g',
    });
    const waiting = working.inputs[0]?.working;
    expect(
      inputs(waiting!)['Uses a day']! * inputs(waiting!)['Lead time of Northquay']!,
    ).toBeCloseTo(waiting!.result.amount, 9);
    expect(inputs(waiting!.inputs[0]!.working!)).toMatchObject({ Service: 14, 'each takes': 12 });
  });
});
