import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Amount, LayerGroup } from '../house/house';
import { asId } from '../house/ids';
import { exactly, withSpread } from '../quantity/triple';
import type { ZoneId } from '../zone/zones';
import {
  cleanser,
  dose,
  measured,
  minutes,
  problemOf,
  protocol,
  sachet,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { consumptionByMaterial } from '../draws/consumption';
import { drawsOf } from '../draws/drawsOf';
import { openPacks } from './openPacks';
import { drawableMaterial, resolveAmount } from './resolveAmount';

const FACE_AND_NECK: ZoneId[] = ['face', 'neck-front'];

function resolve(amount: Amount, zones: ZoneId[] = [], material = cleanser()) {
  return resolveAmount(amount, zones, drawableMaterial(material), settings, {});
}

describe('amounts as they are said (Q1-Q4, D2)', () => {
  it('resolves three pumps of 1.6 ml', () => {
    const amount: Amount = { how: 'counted', quantity: exactly(3), measure: 'pump' };
    expect(valueOf(resolve(amount)).drawn.usual).toBeCloseTo(4.8, 12);
  });

  it('resolves a standard coat of sunscreen on face and neck', () => {
    const sunscreen = cleanser({ name: 'Sunscreen', measures: { density: 1.02 } });
    const { drawn, coat } = valueOf(
      resolve({ how: 'coat', coat: 'standard' }, FACE_AND_NECK, sunscreen),
    );
    expect(coat?.onSkinG.usual).toBeCloseTo(1.553424, 6);
    expect(drawn.usual).toBeCloseTo(1.599113, 6);
  });

  it('resolves a clay mask by its own coat weight', () => {
    const clay = cleanser({ name: 'Clay', unit: 'g', measures: {} });
    const amount: Amount = { how: 'coat-weight', mgPerCm2: exactly(90) };
    const { drawn, coat } = valueOf(resolve(amount, FACE_AND_NECK, clay));
    expect(coat?.onSkinG.usual).toBeCloseTo(69.904064, 6);
    expect(drawn.usual).toBeCloseTo(73.399267, 6);
  });

  it('resolves fingertip units, spoons, named amounts and packs', () => {
    const cream = cleanser({
      measures: { density: 0.9, named: [{ name: 'coin', usual: 1.8, unit: 'g' }] },
    });
    expect(
      valueOf(resolve({ how: 'fingertip', quantity: exactly(2) }, [], cream)).drawn.usual,
    ).toBeCloseTo(1 / 0.9, 12);
    expect(
      valueOf(resolve({ how: 'measured', quantity: exactly(1), unit: 'tsp' }, [], cream)).drawn
        .usual,
    ).toBe(5);
    expect(
      valueOf(resolve({ how: 'named', quantity: exactly(1), name: 'coin' }, [], cream)).drawn.usual,
    ).toBeCloseTo(2, 12);
    const half: Amount = { how: 'packs', quantity: exactly(0.5) };
    expect(
      valueOf(resolveAmount(half, [], drawableMaterial(sachet()), settings, {})).drawn.usual,
    ).toBe(3);
  });

  it.each<[string, Amount, string]>([
    ['nothing', measured(0, 'ml'), 'amount-invalid'],
    ['less than nothing', measured(-2, 'ml'), 'amount-invalid'],
    ['no number', measured(Number.NaN, 'ml'), 'amount-invalid'],
    [
      'bounds out of order',
      { how: 'measured', quantity: { low: 3, usual: 2, high: 4 }, unit: 'ml' },
      'amount-invalid',
    ],
    ['g without density', measured(2, 'g'), 'density-missing'],
    [
      'sprays without a measure',
      { how: 'counted', quantity: exactly(1), measure: 'spray' },
      'measure-missing',
    ],
    [
      'an unknown name',
      { how: 'named', quantity: exactly(1), name: 'walnut' },
      'named-amount-missing',
    ],
    ['a coat on nowhere', { how: 'coat', coat: 'thin' }, 'zones-missing'],
    ['packs of a bottle', { how: 'packs', quantity: exactly(1) }, 'single-dose-needed'],
  ])('refuses %s in words', (_, amount, code) => {
    const problem = problemOf(resolve(amount));
    expect(problem.code).toBe(code);
    expect(problem.message).toContain('Cleanser');
  });
});

describe('single doses (D3)', () => {
  it('opens whole packs and says what is left', () => {
    expect(openPacks(exactly(7), 6, exactly(0))).toEqual({
      packs: exactly(2),
      consumed: exactly(12),
      leftOver: exactly(5),
    });
  });

  it('does not open another pack for the last digit of a sum', () => {
    expect(openPacks(exactly(0.1 + 0.2), 0.3, exactly(0)).packs.usual).toBe(1);
  });

  it('uses up what is already open when the dose is written so', () => {
    const id = sachet().id;
    const now = step('now', minutes(5), { doses: [dose(id, measured(3, 'g'))] });
    const fresh = step('later', minutes(5), { doses: [dose(id, measured(3, 'g'))] });
    const reused = step('later', minutes(5), {
      doses: [dose(id, measured(3, 'g'), { opening: 'left-over-first' })],
    });
    const consumed = (later: typeof fresh): number | undefined =>
      consumptionByMaterial(
        valueOf(drawsOf(protocol([now, later]), 'first', shelf([sachet()]), settings)),
      ).get(id)?.usual;
    expect(consumed(fresh)).toBe(12);
    expect(consumed(reused)).toBe(6);
  });
});

describe('layers (D4)', () => {
  const group: LayerGroup = {
    id: asId('layers'),
    name: 'Acid layers',
    layers: { first: 2, returning: 4 },
  };
  const layered = protocol(
    [
      step('acid', minutes(2), {
        layerGroupId: group.id,
        doses: [dose(cleanser().id, measured(1.5, 'ml'))],
      }),
    ],
    { layerGroups: [group] },
  );

  it('draws each dose once for every layer of the kind of visit', () => {
    const total = (kind: 'first' | 'returning') =>
      consumptionByMaterial(valueOf(drawsOf(layered, kind, shelf([cleanser()]), settings)));
    expect(total('first').get(cleanser().id)?.usual).toBe(3);
    expect(total('returning').get(cleanser().id)?.usual).toBe(6);
  });

  it('refuses no layers, parts of layers and layers that are parted', () => {
    for (const layers of [0, 1.5, -1]) {
      const faulty = {
        ...layered,
        layerGroups: [{ ...group, layers: { first: layers, returning: 1 } }],
      };
      expect(problemOf(drawsOf(faulty, 'first', shelf([cleanser()]), settings)).code).toBe(
        'layers-invalid',
      );
    }
    const parted = {
      ...layered,
      steps: [
        ...layered.steps,
        step('rinse', minutes(1)),
        step('again', minutes(1), { layerGroupId: group.id }),
      ],
    };
    expect(problemOf(drawsOf(parted, 'first', shelf([cleanser()]), settings)).message).toContain(
      'follow one another',
    );
  });
});

describe('places of problems', () => {
  it('names protocol, step, dose and field', () => {
    const faulty = step('cleanse', minutes(2), {
      doses: [dose(cleanser().id, measured(-1, 'ml'))],
    });
    const { where } = problemOf(
      drawsOf(protocol([faulty]), 'first', shelf([cleanser()]), settings),
    );
    expect(where).toEqual({
      protocolId: 'protocol',
      stepId: faulty.id,
      doseId: faulty.doses[0]?.id,
      materialId: cleanser().id,
      field: 'amount',
    });
  });

  it('says that a protocol without steps is empty, and a material that is gone is gone', () => {
    expect(problemOf(drawsOf(protocol([]), 'first', shelf([]), settings)).code).toBe(
      'protocol-empty',
    );
    const orphan = protocol([
      step('x', minutes(1), { doses: [dose(asId('gone'), measured(1, 'ml'))] }),
    ]);
    expect(problemOf(drawsOf(orphan, 'first', shelf([]), settings)).code).toBe('material-unknown');
  });
});

describe('laws of doses', () => {
  const quantity = fc.double({ min: 0.01, max: 500, noNaN: true });

  it('more product never consumes less, whole packs or not', () => {
    fc.assert(
      fc.property(quantity, quantity, fc.constantFrom('cleanser', 'sachet'), (a, b, id) => {
        const materials = shelf([cleanser(), sachet()]);
        const drawn = (amount: number): number => {
          const unit = id === 'sachet' ? 'g' : 'ml';
          const one = step('one', minutes(1), { doses: [dose(asId(id), measured(amount, unit))] });
          const draws = valueOf(drawsOf(protocol([one]), 'first', materials, settings));
          return draws[0]?.consumed.usual ?? 0;
        };
        expect(drawn(Math.max(a, b))).toBeGreaterThanOrEqual(drawn(Math.min(a, b)));
      }),
    );
  });

  it('keeps low, usual and high in order', () => {
    fc.assert(
      fc.property(quantity, fc.double({ min: 0, max: 0.9, noNaN: true }), (usual, spread) => {
        const amount: Amount = {
          how: 'counted',
          quantity: withSpread(usual, spread),
          measure: 'pump',
        };
        const { drawn } = valueOf(resolve(amount));
        expect(drawn.low).toBeLessThanOrEqual(drawn.usual);
        expect(drawn.usual).toBeLessThanOrEqual(drawn.high);
      }),
    );
  });
});
