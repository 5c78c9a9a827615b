import { minorPerMajor } from '@bienestar/contract/currency';
import { describe, expect, it } from 'vitest';
import type { Amount } from '@bienestar/core/house/house';
import { exactly } from '@bienestar/core/quantity/triple';
import { amountWords, span } from './amountWords';
import {
  amount,
  amountRange,
  editable,
  figureText,
  money,
  moneyChange,
  number,
  percent,
  unitMoney,
} from './figures';
import { parseDecimal } from './decimal';

describe('money', () => {
  it('is shown from minor units, in as many decimals as the currency has', () => {
    expect(money(8050, 'EUR')).toBe('€80.50');
    expect(money(8050, 'JPY')).toBe('¥8,050');
    expect([minorPerMajor('EUR'), minorPerMajor('JPY'), minorPerMajor('KWD')]).toEqual([
      100, 1, 1000,
    ]);
  });

  it('keeps what is small about a unit, and the sign of a change', () => {
    expect(unitMoney(4.329897, 'EUR')).toBe('€0.0433');
    expect(unitMoney(164.95, 'EUR')).toBe('€1.65');
    expect(moneyChange(250, 'EUR')).toBe('+€2.50');
    expect(moneyChange(-250, 'EUR')).toBe('-€2.50');
    expect(moneyChange(0, 'EUR')).toBe('€0.00');
  });
});

describe('amounts', () => {
  it('have as many decimals as can be measured out', () => {
    expect(amount(0.299, 'ml')).toBe('0.3 ml');
    expect(amount(4.826, 'ml')).toBe('4.83 ml');
    expect(amount(73.399, 'g')).toBe('73.4 g');
    expect(amount(789.6, 'ml')).toBe('790 ml');
    expect(amount(1, 'piece')).toBe('1 piece');
    expect(amount(34, 'piece')).toBe('34 pieces');
  });

  it('show low and high where they differ', () => {
    expect(amountRange({ low: 2.94, usual: 4.8, high: 6.91 }, 'ml')).toBe('4.8 ml (2.94–6.91)');
    expect(amountRange(exactly(6), 'g')).toBe('6 g');
  });

  it('come back from a field as they went in', () => {
    for (const value of [0, 0.000001, 3, 4.8, 1234.5, 99999.999999]) {
      expect(parseDecimal(editable(value))).toBe(value);
    }
    expect(editable(5, 2)).toBe('5.00');
  });

  it.each<[Amount, string]>([
    [{ how: 'counted', measure: 'pump', quantity: { low: 2, usual: 3, high: 4 } }, '2–4 pumps'],
    [{ how: 'counted', measure: 'dropper', quantity: exactly(1) }, '1 dropperful'],
    [{ how: 'counted', measure: 'drop', quantity: exactly(6) }, '6 drops'],
    [{ how: 'measured', unit: 'piece', quantity: exactly(1) }, '1 piece'],
    [{ how: 'measured', unit: 'tbsp', quantity: exactly(2) }, '2 tablespoons'],
    [{ how: 'measured', unit: 'us-fl-oz', quantity: exactly(0.25) }, '1/4 fl oz'],
    [
      { how: 'measured', unit: 'us-fl-oz', quantity: { low: 1 / 16, usual: 3 / 32, high: 1 / 8 } },
      '1/16–1/8 fl oz',
    ],
    [{ how: 'measured', unit: 'ml', quantity: exactly(1 / 8) }, '1/8 ml'],
    [{ how: 'measured', unit: 'g', quantity: exactly(1 / 3) }, '1/3 g'],
    [{ how: 'measured', unit: 'ml', quantity: exactly(0.25) }, '0.25 ml'],
    [{ how: 'counted', measure: 'pump', quantity: exactly(0.4) }, '0.4 pump'],
    [{ how: 'named', name: 'hazelnut', quantity: exactly(1) }, 'hazelnut'],
    [{ how: 'packs', quantity: exactly(0.5) }, 'half a pack'],
    [{ how: 'fingertip', quantity: exactly(2) }, '2 fingertip units'],
    [{ how: 'coat', coat: 'generous' }, 'generous coat'],
    [{ how: 'coat-weight', mgPerCm2: { low: 80, usual: 90, high: 105 } }, '80–105 mg/cm²'],
  ])('are said as a therapist says them: %j', (stated, words) => {
    expect(amountWords(stated)).toBe(words);
  });

  it('say a span only where there is one', () => {
    expect(span(exactly(3))).toBe('3');
    expect(span({ low: 1.5, usual: 2, high: 3 })).toBe('1.5–3');
  });
});

describe('figures of a working', () => {
  it.each([
    [{ amount: 8000, unit: 'money' }, '€80.00'],
    [{ amount: 4.329897, unit: 'money/ml' }, '€0.0433 per ml'],
    [{ amount: 37.094017, unit: 'money/min' }, '€0.3709 a minute'],
    [{ amount: 1600, unit: 'money/h' }, '€16.00 an hour'],
    [{ amount: 0.35, unit: 'share' }, '35%'],
    [{ amount: 776.7118, unit: 'cm2' }, '776.71 cm²'],
    [{ amount: 0.797818, unit: 'batches' }, '0.7978 batches'],
    [{ amount: 1.5714, unit: 'uses/day' }, '1.57 uses a day'],
    [{ amount: 2, unit: 'piece' }, '2 pieces'],
    [{ amount: 62.5018, unit: 'min' }, '62.5 min'],
  ] as const)('%j carry their unit', (figure, text) => {
    expect(figureText(figure, 'EUR')).toBe(text);
  });

  it('show shares and plain numbers in the reader’s way', () => {
    expect(percent(0.3645)).toBe('36.5%');
    expect(number(3456)).toBe('3,456');
  });
});
