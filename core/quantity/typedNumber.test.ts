import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typedNumber } from './typedNumber';

const value = (text: string, mark?: '.' | ','): number | undefined => {
  const read = typedNumber(text, mark);
  return read?.is === 'number' ? read.value : undefined;
};

describe('a number as it is typed', () => {
  it.each([
    ['2.5', 2.5],
    ['2,5', 2.5],
    [' 12 ', 12],
    ['-3', -3],
    ['−3,5', -3.5],
    ['.5', 0.5],
    [',25', 0.25],
    ['3.', 3],
    ['1 800', 1800],
    ['1\u202f800', 1800],
    ["1'800", 1800],
    ['1’800,5', 1800.5],
    ['12 345 678', 12_345_678],
    ['1.800,50', 1800.5],
    ['1,800.50', 1800.5],
    ['1.234.567', 1_234_567],
    ['1,234,567.8', 1_234_567.8],
    ['0.125', 0.125],
    ['0,800', 0.8],
    ['1,80', 1.8],
    ['1.8000', 1.8],
    ['1/4', 0.25],
    ['1 1/2', 1.5],
    ['½', 0.5],
    ['2½', 2.5],
    ['1 ⅛', 1.125],
    ['5/8', 0.625],
  ])('“%s” is %d', (text, expected) => {
    expect(value(text)).toBe(expected);
  });

  it.each([
    '',
    'much',
    '1e9',
    '1.2.3',
    '1,80,0',
    '1 80',
    '12 3456',
    '2/4',
    '5/7',
    '3/2',
    '1//2',
    '1.800.50',
  ])('“%s” is none', (text) => {
    expect(typedNumber(text)).toBeUndefined();
  });

  it.each(['1,800', '1.800', '12,500', '999.999'])(
    '“%s” is asked about, or decided by the house',
    (text) => {
      const digits = Number(text.replace(/[.,]/u, ''));
      expect(typedNumber(text)).toEqual({
        is: 'either',
        thousands: digits,
        decimal: digits / 1000,
      });
      const by = text.includes(',') ? ',' : '.';
      expect(value(text, by)).toBe(digits / 1000);
      expect(value(text, by === ',' ? '.' : ',')).toBe(digits);
    },
  );

  it('written by any language, grouped or not, is the number it was, with the mark of that language', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<readonly [string, '.' | ',']>(
          ['en-GB', '.'],
          ['de-DE', ','],
          ['es-ES', ','],
          ['de-CH', '.'],
          ['fr-FR', ','],
          ['cs-CZ', ','],
        ),
        fc.integer({ min: -99_999_999, max: 99_999_999 }),
        fc.integer({ min: 0, max: 3 }),
        fc.boolean(),
        ([language, mark], hundredths, digits, useGrouping) => {
          const written = (hundredths / 100).toLocaleString(language, {
            minimumFractionDigits: digits,
            maximumFractionDigits: Math.max(2, digits),
            useGrouping,
          });
          expect(value(written, mark), written).toBe(hundredths / 100);
        },
      ),
    );
  });
});
