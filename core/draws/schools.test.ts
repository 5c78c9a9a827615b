import { describe, expect, it } from 'vitest';
import type { ConsumableMaterial, Dose, FreshMaterial, LayerGroup } from '../house/house';
import { asId } from '../house/ids';
import { exactly } from '../quantity/triple';
import {
  bought,
  cleanser,
  dose,
  measured,
  minutes,
  mix,
  problemOf,
  protocol,
  sachet,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { consumptionByMaterial } from './consumption';
import { drawsOf } from './drawsOf';

const layers: LayerGroup = { id: asId('l'), name: 'Layers', layers: { first: 2, returning: 3 } };
const orange: FreshMaterial = {
  id: asId('orange'),
  name: 'Orange',
  kind: 'fresh',
  unit: 'ml',
  measures: { density: 1.04, named: [{ name: 'slice', usual: 8, unit: 'g', spread: 0.25 }] },
  ...bought({ content: 1 }),
  yieldPerPiece: { usual: 60, spread: 0.1 },
  keeps: { amount: 7, unit: 'days' },
  openLife: { amount: 4, unit: 'hours' },
};
const milk = cleanser({ measures: { density: 1, dropsPerMl: { usual: 20 } } });
const paste = mix({
  id: asId('paste'),
  basis: 'g',
  bowlLoss: 0.1,
  parts: [
    { source: { kind: 'material', materialId: milk.id }, amount: measured(9, 'g') },
    {
      source: { kind: 'material', materialId: milk.id },
      amount: { how: 'counted', quantity: exactly(20), measure: 'drop' },
    },
  ],
});
const pad: ConsumableMaterial = {
  id: asId('pad'),
  name: 'Pad',
  kind: 'consumable',
  countedPer: 'client',
  unit: 'piece',
  measures: {},
  ...bought({}),
};
const onShelf = shelf([milk, sachet(), orange, pad], [paste]);
const house = {
  ...settings,
  vessels: [{ name: 'bowl to the mark', usual: 40, unit: 'ml' as const }],
};
const draws = (doses: readonly Dose[], inLayers = false) =>
  drawsOf(
    protocol(
      [
        step('a', minutes(5), {
          zones: ['face'],
          doses,
          ...(inLayers && { layerGroupId: layers.id }),
        }),
      ],
      { layerGroups: inLayers ? [layers] : [] },
    ),
    'returning',
    onShelf,
    house,
  );
const consumed = (of: Dose, inLayers = false) => {
  const all = valueOf(draws([of], inLayers));
  return { times: all.length, usual: [...consumptionByMaterial(all).values()][0]?.usual ?? 0 };
};

describe('amounts of every school', () => {
  it('are measured once for all layers: the same in sum, a share each time (D4)', () => {
    const cup = dose(milk.id, measured(6, 'ml'));
    expect(consumed(cup, true)).toEqual({ times: 3, usual: 18 });
    const once = consumed({ ...cup, over: 'all-layers' }, true);
    expect(once.times).toBe(3);
    expect(once.usual).toBeCloseTo(6, 12);
    expect(consumed({ ...cup, over: 'all-layers' })).toEqual({ times: 1, usual: 6 });
  });

  it('open one single dose for all layers, not one for each (D3)', () => {
    const whole = dose(sachet().id, { how: 'packs', quantity: exactly(1) });
    expect(consumed(whole, true).usual).toBe(18);
    expect(consumed({ ...whole, over: 'all-layers' }, true).usual).toBe(6);
  });

  it('are whole batches of a mix, by what a batch gives (M2)', () => {
    const of = (quantity: number): Dose => ({
      ...dose(milk.id, { how: 'batches', quantity: exactly(quantity) }),
      source: { kind: 'mix', mixId: paste.id },
    });
    /* A batch is 9 g and 20 drops of 1/20 g; what stays in the bowl is part of the batch. */
    expect(consumed(of(1)).usual).toBeCloseTo(10, 12);
    expect(consumed(of(1.5)).usual).toBeCloseTo(15, 12);
    expect(valueOf(draws([of(1)]))[0]?.mix?.needed.usual).toBeCloseTo(9, 12);
    const none = draws([dose(milk.id, { how: 'batches', quantity: exactly(1) })]);
    expect(problemOf(none).message).toContain('has no batches');
  });

  it('are pieces and slices of fresh goods, by what a piece gives (Q3)', () => {
    const pieces = valueOf(
      draws([dose(orange.id, { how: 'measured', quantity: exactly(0.5), unit: 'piece' })]),
    )[0];
    expect(pieces?.consumed.usual).toBeCloseTo(30, 12);
    expect(pieces?.consumed.low).toBeCloseTo(27, 12);
    const slices = consumed(dose(orange.id, { how: 'named', quantity: exactly(3), name: 'slice' }));
    expect(slices.usual).toBeCloseTo(24 / 1.04, 12);
  });

  it('are a vessel of the house filled to its mark, of whatever it is', () => {
    const bowl = { how: 'named', quantity: exactly(1), name: 'bowl to the mark' } as const;
    expect(consumed(dose(milk.id, bowl)).usual).toBeCloseTo(40, 12);
    expect(consumed(dose(orange.id, bowl)).usual).toBeCloseTo(40, 12);
  });

  it('are pieces that are there already, once; what is more is new (D7)', () => {
    const pads = (pieces: number, id: string, again = false): Dose => ({
      ...dose(pad.id, { how: 'measured', quantity: exactly(pieces), unit: 'piece' }),
      id: asId(id),
      ...(again && { again: true }),
    });
    const taken = (...doses: Dose[]): number =>
      consumptionByMaterial(valueOf(draws(doses))).get(pad.id)?.usual ?? 0;
    expect(taken(pads(2, 'a'), pads(2, 'b'))).toBe(4);
    expect(taken(pads(2, 'a'), pads(2, 'b', true))).toBe(2);
    expect(taken(pads(2, 'a'), pads(3, 'b', true), pads(3, 'c', true))).toBe(3);
    expect(taken(pads(2, 'b', true))).toBe(2);
    const towels = valueOf(
      drawsOf(
        protocol([
          step('a', minutes(5), {
            removal: { how: 'warm-towel', taking: { materialId: pad.id, pieces: 2 } },
          }),
          step('b', minutes(5), {
            removal: { how: 'warm-towel', taking: { materialId: pad.id, pieces: 1, again: true } },
          }),
        ]),
        'first',
        onShelf,
        house,
      ),
    );
    expect(towels.map((each) => each.consumed.usual)).toEqual([2, 0]);
  });

  it('lie on the skin as a coat, and nowhere else', () => {
    const coat = dose(milk.id, { how: 'coat', coat: 'thin' });
    expect(draws([coat]).ok).toBe(true);
    expect(problemOf(draws([{ ...coat, into: 'steam' }])).message).toContain(
      'lies on the skin: say how much goes into the steam',
    );
  });
});
