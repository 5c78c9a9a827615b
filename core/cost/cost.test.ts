import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asId, type PersonId } from '../house/ids';
import { cleanser, pack, problemOf, settings, valueOf } from '../testing/sample';
import type { PurchaseTax } from '../house/supplier';
import { landedUnitCost } from './landedUnitCost';
import { taxFactor } from './purchaseTax';
import { linenCost } from './linenCost';
import { roomRatePerMinute } from './roomRate';
import { payRate } from './therapistRate';

const ione = {
  id: asId<PersonId>('ione'),
  name: 'Ione',
  role: 'therapist',
  hourlyPayMinor: 1400,
} as const;

describe('landed unit cost (C1)', () => {
  const perUnit = (changes: Parameters<typeof pack>[0]): number =>
    valueOf(landedUnitCost(pack(changes), 1, 'Cleanser', {})).perUnit;

  it('gives the worked cleanser, sunscreen and clay', () => {
    const milk = perUnit({ content: 500, priceMinor: 2100, residual: 0.03 });
    expect(milk).toBeCloseTo(4.329897, 6);
    expect(milk * 3 * 1.6).toBeCloseTo(20.783505, 6);
    expect(perUnit({ content: 50, priceMinor: 1450, residual: 0.04 }) * 1.599113).toBeCloseTo(
      48.306526,
      4,
    );
    expect(perUnit({ content: 1000, priceMinor: 3400, residual: 0.02 }) * 31.912725).toBeCloseTo(
      110.717616,
      5,
    );
  });

  it('counts discount, freight, tax and every container of a box', () => {
    const box = {
      containers: 10,
      content: 6,
      priceMinor: 2000,
      discount: 0.1,
      freightMinor: 120,
      unrecoveredTaxMinor: 30,
    };
    expect(perUnit(box)).toBeCloseTo((1800 + 120 + 30) / 60, 12);
  });

  it.each([
    ['no content', { content: 0 }, 'pack-empty'],
    ['no container', { containers: 0 }, 'containers-missing'],
    ['nothing that can be got out', { residual: 1 }, 'residual-invalid'],
    ['a discount above all of it', { discount: 1.1 }, 'discount-invalid'],
    ['a negative price', { priceMinor: -1 }, 'price-negative'],
  ])('refuses a pack with %s, naming the material', (_, changes, code) => {
    const problem = problemOf(
      landedUnitCost(pack(changes), 1, 'Cleanser', { materialId: cleanser().id }),
    );
    expect(problem.code).toBe(code);
    expect(problem.message).toContain('Cleanser');
    expect(problem.where).toMatchObject({ materialId: 'cleanser' });
  });

  it('never falls when the price, the freight or the residual rises', () => {
    const price = fc.integer({ min: 0, max: 100_000 });
    fc.assert(
      fc.property(price, price, fc.double({ min: 0, max: 0.9, noNaN: true }), (a, b, residual) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        expect(perUnit({ priceMinor: high, residual })).toBeGreaterThanOrEqual(
          perUnit({ priceMinor: low, residual }),
        );
        expect(perUnit({ priceMinor: low, residual })).toBeGreaterThanOrEqual(
          perUnit({ priceMinor: low }),
        );
      }),
    );
  });
});

describe('minutes and linen (C3, C4, C6)', () => {
  it('gives the worked therapist and room minute', () => {
    expect(valueOf(payRate([ione], 'therapist', settings, {})).perMinute).toBeCloseTo(37.094017, 6);
    expect(valueOf(roomRatePerMinute(settings.roomCost, 3))).toBeCloseTo(7.889546, 6);
  });

  it('charges the mean of those who may perform', () => {
    const mateo = { ...ione, hourlyPayMinor: 1000 };
    const both = valueOf(payRate([ione, mateo], 'therapist', settings, {}));
    expect(both.perMinute).toBeCloseTo((37.094017 * 1200) / 1400, 5);
  });

  it('counts a towel by its washes', () => {
    const towel = { washMinor: 40, replacementMinor: 900, washesInLife: 120 };
    expect(valueOf(linenCost(towel, 'Towel', {}))).toBeCloseTo(47.5, 12);
    expect(problemOf(linenCost({ ...towel, washesInLife: 0 }, 'Towel', {})).code).toBe(
      'laundry-invalid',
    );
  });

  it('says what is missing: people, bookable time, rooms, hours', () => {
    expect(problemOf(payRate([], 'therapist', settings, {})).code).toBe('pay-missing');
    expect(problemOf(payRate([], 'assistant', settings, {})).message).toContain('assistant');
    expect(
      problemOf(payRate([ione], 'therapist', { ...settings, bookableShare: 0 }, {})).code,
    ).toBe('bookable-share-invalid');
    expect(problemOf(roomRatePerMinute(settings.roomCost, 0)).code).toBe('rooms-missing');
    expect(problemOf(roomRatePerMinute({ ...settings.roomCost, occupancy: 0 }, 3)).code).toBe(
      'room-never-booked',
    );
  });
});

describe('the tax on what is bought (C1)', () => {
  const bottle = pack({ content: 500, priceMinor: 2420, freightMinor: 121 });
  const paid = (purchaseTax: PurchaseTax | undefined, of?: PurchaseTax): number => {
    const terms = {
      settings: { ...(purchaseTax && { purchaseTax }) },
      suppliers: [{ id: bottle.supplierId, ...(of && { purchaseTax: of }) }],
    };
    return valueOf(landedUnitCost(bottle, taxFactor(bottle, terms), 'Cleanser', {})).paid;
  };
  const tax = (included: boolean, recovered: boolean): PurchaseTax => ({
    rate: 0.21,
    included,
    recovered,
  });

  it('is taken out where it comes back, and comes on top where it does not', () => {
    expect(paid(undefined)).toBe(2541);
    expect(paid(tax(true, true))).toBeCloseTo(2100, 9);
    expect(paid(tax(true, false))).toBe(2541);
    expect(paid(tax(false, true))).toBe(2541);
    expect(paid(tax(false, false))).toBeCloseTo(2541 * 1.21, 9);
  });

  it('is that of the supplier where it has its own', () => {
    expect(paid(tax(true, true), tax(false, false))).toBeCloseTo(2541 * 1.21, 9);
    expect(paid(undefined, tax(true, true))).toBeCloseTo(2100, 9);
  });
});
