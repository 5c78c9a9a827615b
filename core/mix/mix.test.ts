import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Mix, MixPart } from '../house/house';
import { asId, type MixId } from '../house/ids';
import { exactly } from '../quantity/triple';
import {
  cleanser,
  measured,
  mix as sampleMix,
  bought,
  problemOf,
  sachet,
  settings,
  shelf,
  valueOf,
} from '../testing/sample';
import { makeMix, restOfBowl } from './makeMix';
import { resolveMix } from './mixYield';
import { shareBatch } from './shareBatch';

const powder = cleanser({ id: asId('clay'), name: 'Clay', unit: 'g', measures: {} });
const water = cleanser({ id: asId('water'), name: 'Water', measures: { density: 1 } });

function part(materialId: string, amount: MixPart['amount']): MixPart {
  return { source: { kind: 'material', materialId: asId(materialId) }, amount };
}

function mix(id: string, parts: MixPart[], changes: Partial<Mix> = {}): Mix {
  return sampleMix({ id: asId(id), name: id, parts, ...changes });
}

const clayMask = mix('mask', [part('clay', measured(40, 'g')), part('water', measured(60, 'ml'))], {
  bowlLoss: 0.08,
});
const id = (text: string): MixId => asId(text);

describe('mixes (M1, M2)', () => {
  const onShelf = shelf([powder, water], [clayMask]);

  it('yields the sum of its parts less what stays in the bowl', () => {
    expect(valueOf(resolveMix(id('mask'), onShelf, settings)).batchYield).toBeCloseTo(92, 12);
  });

  it('scales to what is needed', () => {
    const made = valueOf(makeMix(id('mask'), exactly(73.399267), onShelf, settings));
    expect(made.scale.usual).toBeCloseTo(0.797818, 6);
    expect(made.draws.map((draw) => draw.amount.usual)).toEqual([
      expect.closeTo(31.912725, 6),
      expect.closeTo(47.869087, 6),
    ]);
  });

  const ampoule = sachet({
    id: asId('ampoule'),
    name: 'Ampoule',
    unit: 'ml',
    measures: { density: 1 },
    ...bought({ content: 6 }),
  });
  const packs = (count: number): MixPart['amount'] => ({ how: 'packs', quantity: exactly(count) });
  const activated = (changes: Partial<Mix> = {}): Mix =>
    mix('activated', [part('sachet', packs(1)), part('ampoule', measured(2, 'ml'))], changes);
  const made = (needed: number, recipe = activated()) =>
    valueOf(
      makeMix(
        recipe.id,
        exactly(needed),
        shelf([sachet(bought({ content: 6 })), ampoule, water], [recipe]),
        settings,
      ),
    );
  const taken = (of: ReturnType<typeof made>): number[][] =>
    of.draws.map(({ amount, leftOver }) => [amount.usual, leftOver.usual]);

  it('opens what comes only in packs whole, each by itself: the worked bowl', () => {
    expect(taken(made(8))).toEqual([
      [6, 0],
      [6, 4],
    ]);
    expect(made(8).scale.usual).toBe(1);
  });

  it('does not repeat the batch for it, however its parts divide', () => {
    expect(taken(made(10))).toEqual([
      [12, 4.5],
      [6, 3.5],
    ]);
    const third = mix('third', [part('ampoule', packs(1 / 3)), part('water', measured(8, 'ml'))]);
    expect(taken(made(10, third))).toEqual([
      [6, expect.closeTo(4, 9)],
      [8, 0],
    ]);
  });

  it('repeats whole batches where the recipe is only made so', () => {
    const whole = made(10, activated({ wholeBatches: true }));
    expect(whole.scale.usual).toBe(2);
    expect(taken(whole)).toEqual([
      [12, 0],
      [6, 2],
    ]);
    expect(whole.wasted).toBeCloseTo(6 / 16, 12);
  });
});

describe('mixes within mixes (M4)', () => {
  it('makes the inner mix for what the outer one takes', () => {
    const outer = mix('outer', [
      { source: { kind: 'mix', mixId: id('mask') }, amount: measured(46, 'g') },
      part('water', measured(4, 'ml')),
    ]);
    const made = valueOf(
      makeMix(id('outer'), exactly(50), shelf([powder, water], [clayMask, outer]), settings),
    );
    expect(made.draws.map((draw) => draw.amount.usual)).toEqual([
      expect.closeTo(20, 9),
      expect.closeTo(30, 9),
      expect.closeTo(4, 9),
    ]);
  });

  it('names the loop of a mix that contains itself', () => {
    const a = mix('Paste', [
      { source: { kind: 'mix', mixId: id('Base') }, amount: measured(1, 'g') },
    ]);
    const b = mix('Base', [
      { source: { kind: 'mix', mixId: id('Paste') }, amount: measured(1, 'g') },
    ]);
    const problem = problemOf(makeMix(id('Paste'), exactly(1), shelf([], [a, b]), settings));
    expect(problem.code).toBe('mix-cyclic');
    expect(problem.message).toContain('Paste → Base → Paste');
  });
});

describe('faults of mixes', () => {
  it.each<[string, Mix, string]>([
    ['no parts', mix('m', []), 'mix-empty'],
    ['all of it left in the bowl', { ...clayMask, id: id('m'), bowlLoss: 1 }, 'bowl-loss-invalid'],
    ['a part that is gone', mix('m', [part('gone', measured(1, 'g'))]), 'material-unknown'],
    ['a part without density', mix('m', [part('cleanser', measured(1, 'ml'))]), 'density-missing'],
  ])('refuses %s', (_, faulty, code) => {
    const onShelf = shelf([powder, water, cleanser()], [faulty]);
    expect(problemOf(makeMix(id('m'), exactly(1), onShelf, settings)).code).toBe(code);
  });
});

describe('a batch for several services (M3)', () => {
  it('is made for the sum and shared by need', () => {
    const { needed, shares } = shareBatch([exactly(60), exactly(20)]);
    expect(needed.usual).toBe(80);
    expect(shares).toEqual([0.75, 0.25]);
  });
});

describe('laws of mixes', () => {
  const recipe = mix('r', [
    part('sachet', { how: 'packs', quantity: exactly(2) }),
    part('clay', measured(10, 'g')),
  ]);
  const onShelf = shelf([sachet(bought({ content: 4 })), powder], [recipe]);
  const need = fc.double({ min: 0.1, max: 400, noNaN: true });
  const draws = (needed: number) =>
    valueOf(makeMix(id('r'), exactly(needed), onShelf, settings)).draws;

  it('more needed never takes less of any part, with whole packs too', () => {
    fc.assert(
      fc.property(need, need, (a, b) => {
        const [less, more] = [draws(Math.min(a, b)), draws(Math.max(a, b))];
        less.forEach((draw, at) => {
          expect(more[at]?.amount.usual).toBeGreaterThanOrEqual(draw.amount.usual);
        });
      }),
    );
  });

  it('what is opened is what goes in and what is left, never a whole pack more', () => {
    fc.assert(
      fc.property(need, (needed) => {
        const [opened] = draws(needed);
        const used = (opened?.amount.usual ?? 0) - (opened?.leftOver.usual ?? 0);
        expect(used).toBeCloseTo((8 * needed) / 18, 6);
        expect(opened?.leftOver.usual).toBeLessThan(4);
        expect((opened?.amount.usual ?? 0) % 4).toBeCloseTo(0, 9);
      }),
    );
  });

  it('the rest of a bowl and what was said are whole batches', () => {
    fc.assert(
      fc.property(fc.array(need, { maxLength: 4 }), need, (said, batch) => {
        const rest = restOfBowl(said.map(exactly), batch);
        const batches = (said.reduce((a, b) => a + b, 0) + rest) / batch;
        expect(Math.abs(batches - Math.round(batches))).toBeLessThan(1e-6);
        expect(rest).toBeLessThanOrEqual(batch + 1e-9);
      }),
    );
  });
});
