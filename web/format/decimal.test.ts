import { describe, expect, it } from 'vitest';
import { parseDecimal } from './decimal';
import { editable } from './figures';
import { parseMinutes } from './typedMinutes';

describe('numbers as people type them', () => {
  it.each([
    ['3', 3],
    ['3,5', 3.5],
    ['3.5', 3.5],
    ['.5', 0.5],
    ['1 234,5', 1234.5],
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ['1.234.567', 1234567],
    ['1’000', 1000],
    ['1,800', 1800],
    ['1.800', 1.8],
    ['1 800', 1800],
    ['1.800,50', 1800.5],
    ['1/4', 0.25],
    ['1 1/2', 1.5],
    ['2/4', undefined],
    ["1'000", 1000],
    ['−2', -2],
    ['', undefined],
    ['three', undefined],
    ['3 ml', undefined],
    ['1e5', undefined],
    ['-', undefined],
  ])('%s', (text, number) => {
    expect(parseDecimal(text)).toBe(number);
  });

  it('are read the way of the house where they can be two things', () => {
    expect([parseDecimal('1,800', ','), parseDecimal('1,800', '.')]).toEqual([1.8, 1800]);
    expect([parseDecimal('1.800', ','), parseDecimal('1.800', '.')]).toEqual([1800, 1.8]);
  });

  it('stand grouped as they were read, and are read again as they stand', () => {
    expect(editable(1800)).toBe('1,800');
    for (const value of [1800, 1.8, 12_345.678, 999, 1_000_000]) {
      expect(parseDecimal(editable(value))).toBe(value);
    }
  });

  it('read minutes on a clock, in seconds or plain', () => {
    expect(parseMinutes('0:30')).toBe(0.5);
    expect(parseMinutes('30 sec')).toBe(0.5);
    expect(parseMinutes('1 min 30')).toBe(1.5);
    expect(parseMinutes('1/2')).toBe(0.5);
    expect(parseMinutes('2-3 min')).toBeUndefined();
    expect(parseMinutes('1:15')).toBe(75);
    expect(parseMinutes('75')).toBe(75);
    expect(parseMinutes('7,5')).toBe(7.5);
    expect(parseMinutes('1:75')).toBeUndefined();
  });
});
