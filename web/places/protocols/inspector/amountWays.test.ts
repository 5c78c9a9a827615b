import { describe, expect, it } from 'vitest';
import type { Amount, Material } from '@bienestar/core/house/house';
import { exactly } from '@bienestar/core/quantity/triple';
import { cleanser, sachet } from '@bienestar/core/testing/sample';
import { quantityOf, restate, stated, wayOf, waysFor } from './amountWays';
import { newDose, newLayers, newStep } from '../newStep';
import { newProtocol } from '../newWriting';

const cream = cleanser({ measures: { named: [{ name: 'pea: small', usual: 0.5, unit: 'ml' }] } });
const pads: Material = { ...sachet(), kind: 'consumable', countedPer: 'client', unit: 'piece' };
const keys = (material: Material | undefined): string[] => waysFor(material).map((way) => way.key);

describe('ways of stating an amount', () => {
  it('are those that the material can be stated in', () => {
    expect(keys(pads)).toEqual(['measured:piece']);
    expect(keys({ ...sachet(), unit: 'piece' })).toEqual(['measured:piece', 'packs']);
    expect(keys(sachet())).toContain('packs');
    expect(keys(cleanser())).not.toContain('packs');
    expect(keys(cream)).toContain('named:pea: small');
    expect(keys(undefined)).not.toContain('counted:pump');
    expect(keys(undefined)).toContain('coat-weight');
  });

  it('lead from the key to the amount and back, for every way', () => {
    const quantity = { low: 1, usual: 2, high: 3 };
    for (const key of [...keys(cream), ...keys(sachet()), ...keys(pads)]) {
      const amount = stated(key, quantity);
      expect(wayOf(amount)).toBe(key);
      if (amount.how !== 'coat') expect(quantityOf(amount)).toEqual(quantity);
    }
  });

  it('keep the number when the way changes, and begin with one where there was none', () => {
    const pumps: Amount = { how: 'counted', measure: 'pump', quantity: exactly(3) };
    expect(restate(pumps, 'measured:ml')).toEqual({
      how: 'measured',
      unit: 'ml',
      quantity: exactly(3),
    });
    expect(restate(pumps, 'coat:thin')).toEqual({ how: 'coat', coat: 'thin' });
    expect(restate({ how: 'coat', coat: 'thin' }, 'packs')).toEqual({
      how: 'packs',
      quantity: exactly(1),
    });
  });
});

describe('new things', () => {
  it('begin with what can be counted at once', () => {
    expect(newDose(cleanser()).amount).toMatchObject({ how: 'counted', measure: 'pump' });
    expect(newDose(cream).amount).toMatchObject({ how: 'measured', unit: 'ml' });
    expect(newDose(sachet()).amount).toMatchObject({ how: 'packs' });
    expect(newDose(pads).amount).toMatchObject({ how: 'measured', unit: 'piece' });
  });

  it('have ids of their own', () => {
    const ids = [newStep().id, newStep().id, newLayers().id, newProtocol().id];
    expect(new Set(ids).size).toBe(4);
  });
});
