import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BoughtMaterial, Dose, House, Line, Step, Pack } from '../house/house';
import { asId } from '../house/ids';
import { isStep } from '../house/protocol';
import { exactly } from '../quantity/triple';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  mix,
  protocol,
  sachet,
  service,
  step,
  stockOf,
} from '../testing/sample';
import { createCalculator } from './createCalculator';

const oil = cleanser({ id: asId('oil'), name: 'Oil', measures: { density: 0.9 } });
const paste = mix({
  id: asId('paste'),
  name: 'Paste',
  bowlLoss: 0.1,
  parts: [
    {
      source: { kind: 'material', materialId: sachet().id },
      amount: { how: 'packs', quantity: exactly(1) },
    },
    { source: { kind: 'material', materialId: oil.id }, amount: measured(4, 'ml') },
  ],
});

function steps(): Step[] {
  return [
    step('cleanse', minutes(2, 3, 5), { doses: [dose(cleanser().id, measured(5, 'ml'))] }),
    step('paste', minutes(6), {
      doses: [dose(cleanser().id, measured(9, 'g'), { source: { kind: 'mix', mixId: paste.id } })],
    }),
  ];
}

const start = house({
  materials: [cleanser(), sachet(), oil],
  mixes: [paste],
  protocols: ['p1', 'p2', 'p3'].map((id) => protocol(steps(), { id: asId(id), name: id })),
  services: ['p1', 'p2', 'p3', 'p3'].map((id, at) =>
    service({ id: asId(`v${at}`), name: `v${at}`, protocolId: asId(id) }),
  ),
  demand: [0, 1, 2, 3].map((at) => ({ serviceId: asId(`v${at}`), visitsPerWeek: at * 3 })),
  stock: [stockOf(oil.id, 100)],
});

type Edit = (house: House, which: number, size: number) => House;

function at<T>(items: readonly T[], which: number, make: (item: T) => T): T[] {
  return items.map((item, index) => (index === which % items.length ? make(item) : item));
}

function eachDose(of: House, which: number, make: (dose: Dose) => Dose): House {
  const change = (one: Line): Line => (isStep(one) ? { ...one, doses: one.doses.map(make) } : one);
  return {
    ...of,
    protocols: at(of.protocols, which, (one) => ({ ...one, steps: at(one.steps, which, change) })),
  };
}

function withPack<M extends BoughtMaterial>(material: M, changes: Partial<Pack>): M {
  return { ...material, packs: at(material.packs, 0, (pack) => ({ ...pack, ...changes })) };
}

/** The ways in which people change a house, some of them to what cannot be computed. */
const EDITS: Record<string, Edit> = {
  price: (of, which, size) => ({
    ...of,
    materials: at(of.materials, which, (one) =>
      one.kind === 'linen' ? one : withPack(one, { priceMinor: size * 100 }),
    ),
  }),
  content: (of, which, size) => ({
    ...of,
    materials: at(of.materials, which, (one) =>
      one.kind === 'linen' ? one : withPack(one, { content: size }),
    ),
  }),
  density: (of, which, size) => ({
    ...of,
    materials: at(of.materials, which, (one) => ({
      ...one,
      measures: size % 4 === 0 ? {} : { density: size / 10 },
    })),
  }),
  amount: (of, which, size) =>
    eachDose(of, which, (one) => ({ ...one, amount: measured(size - 1, 'g') })),
  source: (of, which, size) =>
    eachDose(of, which, (one) => ({
      ...one,
      source:
        size % 3 === 0
          ? { kind: 'mix', mixId: paste.id }
          : { kind: 'material', materialId: size % 3 === 1 ? oil.id : sachet().id },
    })),
  minutes: (of, which, size) => ({
    ...of,
    protocols: at(of.protocols, which, (one) => ({
      ...one,
      steps: at(one.steps, which, (each) => ({ ...each, minutes: minutes(1, size, size + 2) })),
    })),
  }),
  steps: (of, which, size) => ({
    ...of,
    protocols: at(of.protocols, which, (one) => ({ ...one, steps: size % 3 === 0 ? [] : steps() })),
  }),
  demand: (of, which, size) => ({
    ...of,
    demand: at(of.demand, which, (line) => ({ ...line, visitsPerWeek: size - 1 })),
  }),
  stock: (of, which, size) => ({
    ...of,
    stock: at(of.stock, which, (line) => stockOf(line.materialId, size)),
  }),
  mix: (of, _which, size) => ({ ...of, mixes: [{ ...paste, bowlLoss: (size % 10) / 10 }] }),
  margin: (of, _which, size) => ({ ...of, settings: { ...of.settings, targetMargin: size / 40 } }),
  people: (of, _which, size) => ({
    ...of,
    people: of.people.map((one) => ({ ...one, hourlyPayMinor: size * 100 })),
  }),
  service: (of, which, size) => ({
    ...of,
    services: at(of.services, which, (one) => ({ ...one, protocolId: asId(`p${(size % 4) + 1}`) })),
  }),
  fewer: (of) => ({ ...of, materials: of.materials.slice(0, 2) }),
};

const edit = fc.tuple(
  fc.constantFrom(...Object.keys(EDITS)),
  fc.nat({ max: 11 }),
  fc.integer({ min: 1, max: 30 }),
);

describe('a calculator that is kept', () => {
  it('gives after any edits what a new one gives', () => {
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 8 }), (edits) => {
        const kept = createCalculator();
        let current = start;
        kept(current);
        for (const [kind, which, size] of edits) {
          current = EDITS[kind]!(current, which, size);
          expect(kept(current)).toEqual(createCalculator()(current));
        }
      }),
      { numRuns: 100 },
    );
  });
});
