import { describe, expect, it } from 'vitest';
import type { House, Material } from '../house/house';
import { asId } from '../house/ids';
import { exactly } from '../quantity/triple';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  bought,
  problemOf,
  protocol,
  sachet,
  service,
  step,
  stockOf,
  valueOf,
} from '../testing/sample';
import { createCalculator } from '../figures/createCalculator';
import { createRestocker } from '../restock/restocker';
import { houseReport } from './houseReport';

const towel: Material = {
  id: asId('towel'),
  kind: 'linen',
  name: 'Towel',
  unit: 'piece',
  measures: {},
  laundry: { washMinor: 40, replacementMinor: 900, washesInLife: 100 },
};
const pads: Material = {
  id: asId('pads'),
  kind: 'consumable',
  countedPer: 'client',
  name: 'Pads',
  unit: 'piece',
  measures: {},
  ...bought({ content: 100, priceMinor: 500 }),
};
const mask = step('mask', minutes(10), { hands: 'free' });
const sample: House = house({
  materials: [cleanser(), sachet(), pads, towel],
  people: [
    { id: asId('ione'), name: 'Ione', role: 'therapist', hourlyPayMinor: 1400 },
    { id: asId('olaya'), name: 'Olaya', role: 'assistant', hourlyPayMinor: 1000 },
  ],
  protocols: [
    protocol([
      step('set-up', minutes(5), { stretch: 'set-up', by: 'assistant' }),
      step('cleanse', minutes(3, 4, 6), {
        doses: [
          dose(cleanser().id, {
            how: 'counted',
            quantity: { low: 2, usual: 3, high: 4 },
            measure: 'pump',
          }),
          dose(pads.id, measured(4, 'piece')),
          dose(towel.id, measured(2, 'piece')),
        ],
      }),
      mask,
      step('enzyme', minutes(2), {
        meanwhileOf: mask.id,
        doses: [dose(sachet().id, { how: 'packs', quantity: exactly(1) })],
      }),
    ]),
  ],
  services: [service()],
  demand: [{ serviceId: service().id, visitsPerWeek: 7 }],
  stock: [stockOf(sachet().id, 30)],
});
const reportOf = (of: House) => {
  const figures = createCalculator()(of);
  return houseReport(of, figures, createRestocker()(of, figures, new Date('2026-02-02T12:00:00Z')));
};

describe('the report of a house', () => {
  const report = valueOf(reportOf(sample));
  const [only] = report.services;
  if (!only) throw new Error('no service');

  it('lists the steps with who, when and how long, meanwhile work taking no room of its own', () => {
    expect(
      only.steps.map(({ name, by, startsAt, roomMinutes, free }) => [
        name,
        by,
        startsAt,
        roomMinutes,
        free,
      ]),
    ).toEqual([
      ['set-up', 'assistant', 0, 5, 0],
      ['cleanse', 'therapist', 5, expect.closeTo(4.1667, 3), 0],
      ['mask', 'therapist', expect.closeTo(9.1667, 3), 10, 8],
      ['enzyme', 'therapist', expect.closeTo(9.1667, 3), 0, 0],
    ]);
    expect(only.assistantMinutes).toBe(5);
    expect(only.attendedMinutes).toBeCloseTo(6.1667, 3);
  });

  it('lists what is drawn with low and high, whole packs for single doses', () => {
    expect(only.doses).toEqual([
      {
        materialId: 'cleanser',
        unit: 'ml',
        low: 3.2,
        usual: expect.closeTo(4.8, 9) as number,
        high: 6.4,
      },
      { materialId: 'pads', unit: 'piece', ...exactly(4) },
      { materialId: 'towel', unit: 'piece', ...exactly(2) },
      { materialId: 'sachet', unit: 'g', ...exactly(6) },
    ]);
  });

  it('puts each kind of material where it belongs', () => {
    expect(only.cost.consumables).toBeCloseTo(20, 9);
    expect(only.cost.linen).toBeCloseTo(98, 9);
    expect(only.costRange.product.low).toBeLessThan(only.costRange.product.usual);
    expect(only.costRange.full.high - only.costRange.full.usual).toBeCloseTo(
      only.costRange.product.high - only.costRange.product.usual,
      9,
    );
  });

  it('restocks all but linen', () => {
    const byId = new Map(report.materials.map((material) => [material.id, material]));
    expect(byId.get('towel')).toMatchObject({
      reorderPoint: null,
      reorderPacks: null,
      usesPerDay: 1,
    });
    expect(byId.get('sachet')).toMatchObject({ usesPerDay: 1, daysOfCover: 5, shouldOrder: true });
    expect((byId.get('sachet')?.reorderPoint ?? 1) % 6).toBe(0);
    expect(byId.get('pads')?.reorderPoint).toBeGreaterThan(24);
  });

  it('is the reasons instead when a figure is missing, each once', () => {
    const twice: House = {
      ...sample,
      materials: [cleanser({ measures: {} }), sachet(), pads, towel],
      services: [service(), service({ id: asId('other'), name: 'Other' })],
    };
    expect(problemOf(reportOf(twice))).toMatchObject({ code: 'measure-missing' });
    const report = reportOf(twice);
    expect(report.ok ? [] : report.problems).toHaveLength(1);
  });
});

describe('what a house may lack', () => {
  it.each<[string, Partial<House>, string]>([
    ['rooms', { rooms: [] }, 'rooms-missing'],
    ['people', { people: [] }, 'pay-missing'],
    ['an assistant for the assistant’s work', { people: sample.people.slice(0, 1) }, 'pay-missing'],
    ['the protocol of a service', { protocols: [] }, 'protocol-unknown'],
    ['a material', { materials: [cleanser()] }, 'material-unknown'],
    ['steps', { protocols: [protocol([])] }, 'protocol-empty'],
    ['suppliers', { suppliers: [] }, 'supplier-unknown'],
    [
      'anything left of the price',
      { settings: { ...sample.settings, cardFee: 0.9 } },
      'fees-too-high',
    ],
    [
      'endings',
      {
        settings: {
          ...sample.settings,
          priceEndings: { everyMinor: 0, endingsMinor: [0], rounding: 'up' },
        },
      },
      'ending-impossible',
    ],
  ])('%s: says so', (_, changes, code) => {
    const report = reportOf({ ...sample, ...changes });
    const problems = report.ok ? [] : report.problems;
    expect(problems.map((problem) => problem.code)).toContain(code);
  });

  it('nothing at all: an empty house has no figures and no problems', () => {
    const empty = house({ materials: [], rooms: [], people: [], suppliers: [] });
    expect(valueOf(reportOf(empty))).toEqual({ services: [], materials: [] });
  });
});
