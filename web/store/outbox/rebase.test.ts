import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rebase } from './rebase';

const rebased = <T>(base: T, mine: T, latest: T): T => rebase(base, mine, latest).value;

const leaf = fc.oneof(fc.integer(), fc.string(), fc.array(fc.integer(), { maxLength: 3 }));
const plain = fc.dictionary(
  fc.constantFrom('a', 'b', 'c'),
  fc.oneof(leaf, fc.dictionary(fc.constantFrom('x', 'y'), leaf)),
);

describe('a change on what was on the screen', () => {
  it('leaves what somebody else, or oneself a moment ago, changed meanwhile', () => {
    const base = { endings: { every: 500, of: [0] }, name: 'Casa' };
    const first = { ...base, endings: { ...base.endings, every: 1_000 } };
    const second = { ...base, endings: { ...base.endings, of: [900] } };
    const latest = rebased(base, first, base);
    expect(rebased(base, second, latest)).toEqual({
      endings: { every: 1_000, of: [900] },
      name: 'Casa',
    });
  });

  it('takes away what is taken away, and adds what is new', () => {
    const base: Record<string, unknown> = { name: 'Aloe', care: { note: 'cool' } };
    const mine = { name: 'Aloe', restock: { least: 2 } };
    expect(rebased(base, mine, { ...base, keptAt: 'Store room' })).toEqual({
      name: 'Aloe',
      keptAt: 'Store room',
      restock: { least: 2 },
    });
  });

  it('is the change itself where nothing else happened, and nothing where nothing was changed', () => {
    fc.assert(
      fc.property(plain, plain, plain, (base, mine, latest) => {
        expect(rebased(base, mine, structuredClone(base))).toEqual(mine);
        expect(rebased(base, structuredClone(base), latest)).toEqual(latest);
      }),
    );
  });

  it('tells which fields both changed, and not those that both changed alike', () => {
    const base = { margin: 0.3, name: 'Casa', deep: { a: 1, b: 1 } };
    const mine = { margin: 0.4, name: 'Casa Sol', deep: { a: 2, b: 1 } };
    const theirs = { margin: 0.2, name: 'Casa Sol', deep: { a: 1, b: 9 } };
    expect(rebase(base, mine, theirs)).toEqual({
      value: { margin: 0.4, name: 'Casa Sol', deep: { a: 2, b: 9 } },
      clashes: ['/margin'],
    });
  });
});
