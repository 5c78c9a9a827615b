import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { matcherOf, plainText } from './search';

describe('finding by words', () => {
  it.each([
    ['creme decollete', 'Crème for the décolleté', true],
    ['milk pear', 'Prickly-pear cleansing milk', true],
    ['PEAR  prick', 'Prickly-pear cleansing milk', true],
    ['ear', 'Prickly-pear cleansing milk', false],
    ['n-1102', 'N-1102 Milk', true],
    ['20 %', 'Fruit-acid blend 20 %', true],
    ['', 'anything', true],
    ['rose milk', 'Prickly-pear cleansing milk', false],
  ])('%s in %s', (query, text, found) => {
    expect(matcherOf(query)(plainText(text))).toBe(found);
  });

  it('finds any text by its own words in any order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ minLength: 1, unit: 'grapheme' }), { maxLength: 5 }),
        (words) => {
          const text = plainText(words.join(' '));
          expect(matcherOf(words.toReversed().join(' '))(text)).toBe(true);
        },
      ),
    );
  });
});
