import { expect, it } from 'vitest';
import { LIKE_A_FORMULA } from './csv';

it.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', '\r=1', '\n=1', ' =1', 'note\n=cmd', 'a\r\n @x'])(
  '%j would be taken for a formula',
  (text) => expect(LIKE_A_FORMULA.test(text)).toBe(true),
);

it.each(['Aloe gel', '1-2 ml', 'a=b', 'two\nlines', ''])('%j would not', (text) =>
  expect(LIKE_A_FORMULA.test(text)).toBe(false),
);
