import { describe, expect, it } from 'vitest';
import type { Dose, Mix, Step } from '../house/house';
import { asId, type DoseId, type MaterialId, type MixId } from '../house/ids';
import { exactly } from '../quantity/triple';
import {
  bought,
  cleanser,
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
import { drawsOf } from './drawsOf';
import { consumptionByMaterial } from './consumption';

/* One sachet of 6 g and 8 g of water: 14 g. */
const powder = sachet(bought({ content: 6 }));
const water = cleanser({ id: asId<MaterialId>('water'), name: 'Water', unit: 'g', measures: {} });
const pasteOf = (changes: Partial<Mix> = {}): Mix =>
  mix({
    id: asId<MixId>('paste'),
    name: 'Paste',
    basis: 'g',
    bowlLoss: 0,
    parts: [
      {
        source: { kind: 'material', materialId: powder.id },
        amount: { how: 'packs', quantity: exactly(1) },
      },
      { source: { kind: 'material', materialId: water.id }, amount: measured(8, 'g') },
    ],
    ...changes,
  });

let made = 0;
const uses = (amount: Dose['amount'], changes: Partial<Step> = {}): Step =>
  step(`use ${(made += 1)}`, minutes(10), {
    doses: [
      {
        id: asId<DoseId>(`dose-${made}`),
        source: { kind: 'mix', mixId: asId('paste') },
        amount,
        opening: 'fresh',
      },
    ],
    ...changes,
  });
const grams = (value: number): Dose['amount'] => measured(value, 'g');

function drawn(steps: readonly Step[], paste = pasteOf()) {
  const draws = valueOf(
    drawsOf(protocol(steps), 'first', shelf([powder, water], [paste]), settings),
  );
  const all = consumptionByMaterial(draws);
  return {
    draws,
    powder: all.get(powder.id)?.usual ?? 0,
    water: all.get(water.id)?.usual ?? 0,
    needs: draws.flatMap(({ materialId, mix: of }) =>
      of && materialId === powder.id ? [of.needed.usual] : [],
    ),
    bowls: new Set(draws.flatMap(({ mix: of }) => (of ? [of.made] : []))).size,
  };
}

describe('a bowl (M2)', () => {
  it('is made once for all steps that use it: one sachet for two halves of it', () => {
    const { powder: sachets, water: ml, bowls } = drawn([uses(grams(7)), uses(grams(7))]);
    expect([sachets, ml, bowls]).toEqual([6, 8, 1]);
  });

  it('is shared by need, each step carrying its part', () => {
    const { draws } = drawn([uses(grams(3.5)), uses(grams(10.5))]);
    expect(draws.map(({ consumed }) => consumed.usual)).toEqual([1.5, 2, 4.5, 6]);
  });

  it('is made anew when it is older than it keeps, or where a step makes it again', () => {
    const short = pasteOf({ workingLifeMinutes: 5 });
    expect(drawn([uses(grams(7)), uses(grams(7))], short).powder).toBe(12);
    const again = [uses(grams(7)), uses(grams(7), { makes: [asId('paste')] })];
    expect(drawn(again).powder).toBe(12);
    const before = [
      step('mix', minutes(2), { makes: [asId('paste')] }),
      uses(grams(7)),
      uses(grams(7)),
    ];
    expect(drawn(before).bowls).toBe(1);
  });

  it('ages from when it is mixed, not from when it is first used', () => {
    const keeps = pasteOf({ workingLifeMinutes: 15 });
    const waiting = step('wait', minutes(12));
    const mixing = step('mix', minutes(2), { makes: [asId('paste')] });
    expect(drawn([uses(grams(7)), uses(grams(7))], keeps).bowls).toBe(1);
    expect(drawn([mixing, waiting, uses(grams(7)), uses(grams(7))], keeps).bowls).toBe(2);
  });

  it('is one for all layers of a step', () => {
    const layered = protocol([uses(grams(3.5), { layerGroupId: asId('layers') })], {
      layerGroups: [{ id: asId('layers'), name: 'Layers', layers: { first: 4, returning: 4 } }],
    });
    const draws = valueOf(drawsOf(layered, 'first', shelf([powder, water], [pasteOf()]), settings));
    expect(consumptionByMaterial(draws).get(powder.id)?.usual).toBe(6);
  });

  it('gives all of it, and the rest of it', () => {
    expect(drawn([uses({ how: 'all' })]).needs).toEqual([14]);
    expect(drawn([uses(grams(5)), uses({ how: 'rest' })]).needs).toEqual([5, 9]);
    expect(drawn([uses({ how: 'rest' }), uses(grams(15))]).needs).toEqual([13, 15]);
    expect(drawn([uses(grams(4)), uses({ how: 'rest' }), uses({ how: 'rest' })]).needs).toEqual([
      4, 5, 5,
    ]);
  });

  it('leaves what its packs have over to a later step that asks for it', () => {
    const opened: Step = step('dust', minutes(1), {
      doses: [
        {
          id: asId<DoseId>('left'),
          source: { kind: 'material', materialId: powder.id },
          amount: measured(2, 'g'),
          opening: 'left-over-first',
        },
      ],
    });
    expect(drawn([uses(grams(7)), opened]).powder).toBe(6);
  });

  it('is what all of something is said of: nobody knows what all of a bottle is', () => {
    const bottle: Step = step('wash', minutes(1), {
      doses: [
        {
          id: asId<DoseId>('all'),
          source: { kind: 'material', materialId: water.id },
          amount: { how: 'rest' },
          opening: 'fresh',
        },
      ],
    });
    const problem = problemOf(drawsOf(protocol([bottle]), 'first', shelf([water]), settings));
    expect(problem).toMatchObject({ code: 'amount-invalid', where: { stepId: bottle.id } });
  });
});
