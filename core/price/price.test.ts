import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_PAY_APART, problemOf, settings, valueOf } from '../testing/sample';
import { chargedPrice } from './priceEnding';
import { costPlusPrice, priceFigures, type PriceLoad } from './priceOf';

const load: PriceLoad = {
  directCost: 3860,
  roomCost: 0,
  slotMinutes: 60,
  attendedMinutes: 45,
  roomCostPerMonth: 72000,
  pay: NO_PAY_APART,
};

describe('cost plus (P1, P2, P5, P6)', () => {
  const price = valueOf(costPlusPrice(load, 0.35, settings, {}));

  it('gives the worked price', () => {
    expect(price.computedNet).toBeCloseTo(7241.346966, 6);
    expect(price.computedGross).toBeCloseTo(8182.722071, 6);
    expect(price.gross).toBe(8500);
    expect(price.net).toBeCloseTo(7522.123894, 6);
    expect(price.contribution).toBeCloseTo(2782.411504, 6);
    expect(price.margin).toBeCloseTo(0.369897, 6);
  });

  it('counts the room in the margin and not in the contribution', () => {
    const withRoom = valueOf(
      costPlusPrice({ ...load, directCost: 3360, roomCost: 500 }, 0.35, settings, {}),
    );
    expect(withRoom.gross).toBe(8500);
    expect(withRoom.margin).toBeCloseTo(0.369897, 6);
    expect(withRoom.contribution).toBeCloseTo(3282.411504, 6);
  });

  it('earns by the hour and breaks even by the month', () => {
    expect(price.perRoomHour).toBeCloseTo(price.contribution, 9);
    expect(price.perTherapistHour).toBeCloseTo(price.contribution / 0.75, 9);
    expect(price.breakEvenVisits).toBeCloseTo(72000 / price.contribution, 9);
  });

  it('contributes exactly nothing at the floor, and never breaks even there', () => {
    const atFloor = valueOf(priceFigures(price.floorGross, load, settings, {}));
    expect(atFloor.contribution).toBeCloseTo(0, 6);
    const below = valueOf(priceFigures(price.floorGross - 100, load, settings, {}));
    expect(below.breakEvenVisits).toBeNull();
  });

  it('says why no price is possible when fees take all of it', () => {
    const problem = problemOf(costPlusPrice(load, 0.9, settings, { serviceId: 's' }));
    expect(problem.code).toBe('fees-too-high');
    expect(problem.message).toContain('commission');
    expect(problemOf(costPlusPrice(load, 0, { ...settings, commission: 1 }, {})).code).toBe(
      'fees-too-high',
    );
  });

  it('keeps at least the wanted margin when endings go up, and never sells dearer cost cheaper', () => {
    const cost = fc.double({ min: 1, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(cost, cost, fc.double({ min: 0, max: 0.7, noNaN: true }), (a, b, margin) => {
        const at = (directCost: number) =>
          valueOf(costPlusPrice({ ...load, directCost }, margin, settings, {}));
        expect(at(a).margin).toBeGreaterThanOrEqual(margin - 1e-6);
        expect(at(Math.max(a, b)).gross).toBeGreaterThanOrEqual(at(Math.min(a, b)).gross);
      }),
    );
  });
});

describe('price endings (P5)', () => {
  const every10 = { everyMinor: 1000, endingsMinor: [0, 900], rounding: 'up' } as const;

  it('goes up to the next ending, and stays on one that fits', () => {
    expect(valueOf(chargedPrice(8182.7, every10))).toBe(8900);
    expect(valueOf(chargedPrice(8900, every10))).toBe(8900);
    expect(valueOf(chargedPrice(8900.01, every10))).toBe(9000);
    /* Beyond what numbers tell apart it still comes to an end. */
    expect(valueOf(chargedPrice(1e22, every10))).toBeGreaterThanOrEqual(1e22);
    expect(valueOf(chargedPrice(Infinity, every10))).toBe(Infinity);
    expect(
      valueOf(chargedPrice(8500.0000001, { ...every10, everyMinor: 500, endingsMinor: [0] })),
    ).toBe(8500);
  });

  it('takes the nearest when the house says so, the upper of two as near', () => {
    const nearest = { everyMinor: 500, endingsMinor: [0], rounding: 'nearest' } as const;
    expect(valueOf(chargedPrice(8182.7, nearest))).toBe(8000);
    expect(valueOf(chargedPrice(8250, nearest))).toBe(8500);
    expect(valueOf(chargedPrice(20, nearest))).toBe(500);
  });

  it('refuses rules that no price can meet', () => {
    for (const endings of [
      { ...every10, endingsMinor: [] },
      { ...every10, endingsMinor: [1000] },
      { ...every10, everyMinor: 0 },
    ]) {
      expect(problemOf(chargedPrice(100, endings)).code).toBe('ending-impossible');
    }
  });
});
