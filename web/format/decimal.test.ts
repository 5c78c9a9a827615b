import { describe, expect, it } from 'vitest';
import { parseDecimal, parseMinutes } from './decimal';

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
    ['1’000', undefined],
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

  it('read minutes on a clock or plain', () => {
    expect(parseMinutes('1:15')).toBe(75);
    expect(parseMinutes('75')).toBe(75);
    expect(parseMinutes('7,5')).toBe(7.5);
    expect(parseMinutes('1:75')).toBeUndefined();
  });
});
