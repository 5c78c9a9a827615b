import fc from 'fast-check';
import { expect, it } from 'vitest';
import { holdMinutes } from '../house/technique';
import { inOrder } from './amounts';
import { typedMinutes } from './minutes';

/** A house keeps six decimals and refuses more. */
const isKept = (value: number): boolean => Number(value.toFixed(6)) === value;

it('any seconds are minutes that a house keeps', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 3_600 }), (seconds) => {
      const minutes = typedMinutes(`${seconds} s`) ?? Number.NaN;
      expect(isKept(minutes)).toBe(true);
      expect(minutes * 60).toBeCloseTo(seconds, 3);
    }),
  );
  expect(typedMinutes('0:10')).toBe(0.166667);
  expect(typedMinutes('1 min 20')).toBe(1.333333);
});

it('any parts and any touches are amounts that a house keeps', () => {
  fc.assert(
    fc.property(fc.nat(50), fc.integer({ min: 1, max: 16 }), fc.nat(9), (above, under, more) => {
      for (const value of inOrder([above / under, above / under + more / 7]))
        expect(isKept(value)).toBe(true);
      expect(isKept(holdMinutes({ seconds: under, times: above + 1 }) ?? 0.5)).toBe(true);
    }),
  );
});
