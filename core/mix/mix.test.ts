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
import { makeMix } from './makeMix';
import { resolveMix } from './mixYield';
import { shareBatch } from './shareBatch';
import { wholePackScale } from './wholePackScale';

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

  it('goes up to whole packs where a part comes only so', () => {
    expect(wholePackScale(1.1, [2])).toBe(1.5);
    expect(wholePackScale(1.1, [2, 3])).toBe(2);
    expect(wholePackScale(0.3, [0.5])).toBe(2);
    expect(wholePackScale(1.1, [])).toBe(1.1);
    const activated = mix('activated', [
      part('sachet', { how: 'packs', quantity: exactly(1) }),
      part('water', measured(14, 'ml')),
    ]);
    const made = valueOf(
      makeMix(id('activated'), exactly(25), shelf([sachet(), water], [activated]), settings),
    );
    expect(made.scale.usual).toBe(2);
    expect(made.draws.map((draw) => draw.amount.usual)).toEqual([12, 28]);
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
  it('more needed never takes less of any part, with whole packs too', () => {
    const recipe = mix('r', [
      part('sachet', { how: 'packs', quantity: exactly(2) }),
      part('clay', measured(10, 'g')),
    ]);
    const onShelf = shelf([sachet(bought({ content: 4 })), powder], [recipe]);
    const need = fc.double({ min: 0.1, max: 400, noNaN: true });
    fc.assert(
      fc.property(need, need, (a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)].map((needed) =>
          valueOf(makeMix(id('r'), exactly(needed), onShelf, settings)),
        );
        less?.draws.forEach((draw, at) => {
          expect(more?.draws[at]?.amount.usual).toBeGreaterThanOrEqual(draw.amount.usual);
        });
        expect((less?.scale.usual ?? 0) * (less?.batchYield ?? 0)).toBeGreaterThanOrEqual(
          Math.min(a, b) - 1e-6,
        );
      }),
    );
  });
});
