import { describe, expect, it } from 'vitest';
import type { TwoSets } from '@bienestar/core/whatIf/kitOrBulk';
import { breakEvenWords } from './setWords';

const set = {
  product: 0,
  waste: 0,
  openTooLong: 0,
  trayMinutes: 0,
  hands: 0,
  stockHeld: 0,
  direct: 0,
};
const say = (changes: Partial<TwoSets>): string =>
  breakEvenWords({
    visitsPerMonth: 9,
    one: set,
    other: set,
    curve: [],
    breakEven: null,
    cheaper: 'alike',
    ...changes,
  });

describe('kit or bulk in words', () => {
  it('says from where the other set is the cheaper one', () => {
    expect(say({ breakEven: 12, cheaper: 'one' })).toBe(
      'From 12 visits a month the other set is cheaper; with 9 visits a month what is drawn today is.',
    );
    expect(say({ breakEven: 4, cheaper: 'other' })).toMatch(/with 9 visits a month it is\.$/);
  });

  it('says when there is no such point', () => {
    expect(say({ cheaper: 'other' })).toMatch(/however few/);
    expect(say({ cheaper: 'one' })).toMatch(/^What is drawn today/);
    expect(say({})).toMatch(/both cost the same/);
  });
});
