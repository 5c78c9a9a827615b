import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergeOrder } from './mergeOrder';

const merge = (base: string, mine: string, theirs: string, side: 'mine' | 'theirs' = 'mine') => {
  const kept = new Set(`${mine}${theirs}`.split('').filter((id) => !base.includes(id) || both(id)));
  function both(id: string): boolean {
    return mine.includes(id) && theirs.includes(id);
  }
  const { ids, clashes } = mergeOrder(base.split(''), mine.split(''), theirs.split(''), kept, side);
  return `${ids.join('')}${clashes ? '!' : ''}`;
};

describe('two orders brought together', () => {
  it.each([
    ['abcd', 'abcd', 'abdc', 'abdc', 'only they moved'],
    ['abcd', 'bacd', 'abcd', 'bacd', 'only I moved'],
    ['abcd', 'bacd', 'abdc', 'badc', 'both moved, elsewhere'],
    ['abcd', 'dabc', 'dabc', 'dabc', 'both moved alike'],
    ['abcde', 'bcdea', 'eabcd', 'ebcda', 'one to the end, one to the front'],
    ['abc', 'bca', 'acb', 'cba', 'both moved, and both are heard'],
    ['abc', 'bac', 'acb', 'bac!', 'the same things, otherwise'],
    ['abc', 'axbc', 'abyc', 'axbyc', 'new things stand behind what they followed'],
    ['abc', 'ac', 'bac', 'ac', 'what one took out is gone'],
    ['', 'ab', 'ba', 'ab', 'both began it'],
  ])('%s as %s and as %s is %s: %s', (base, mine, theirs, merged) => {
    expect(merge(base, mine, theirs)).toBe(merged);
  });

  it('is theirs where they clash and that is chosen', () => {
    expect(merge('abc', 'bac', 'acb', 'theirs')).toBe('acb!');
  });

  const order = fc
    .shuffledSubarray('abcdefg'.split(''), { minLength: 7 })
    .map((ids) => ids.join(''));

  it('is from both sides the same when nothing clashes, and keeps every thing once', () => {
    fc.assert(
      fc.property(order, order, order, (base, mine, theirs) => {
        const [one, other] = [merge(base, mine, theirs), merge(base, theirs, mine)];
        expect(one.endsWith('!')).toBe(other.endsWith('!'));
        if (!one.endsWith('!')) expect(one).toBe(other);
        expect(one.replace('!', '').split('').sort().join('')).toBe('abcdefg');
      }),
    );
  });

  it('is whatever one side made of it when the other moved nothing', () => {
    fc.assert(
      fc.property(order, order, (base, moved) => {
        expect(merge(base, moved, base)).toBe(moved);
        expect(merge(base, base, moved)).toBe(moved);
      }),
    );
  });
});
