import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Pricing } from '../house/house';
import { NO_PAY_APART, problemOf, settings as sample, valueOf } from '../testing/sample';
import { servicePrice, standingAmong } from './ladders';
import { priceChange } from './priceChange';
import { priceFigures, roomHourPrice, type PriceLoad } from './priceOf';

const settings = { ...sample, targetPerRoomHourMinor: 3000 };
const load: PriceLoad = {
  directCost: 3360,
  roomCost: 500,
  slotMinutes: 90,
  attendedMinutes: 60,
  roomCostPerMonth: 72_000,
  pay: NO_PAY_APART,
};
const neighbourhood = { low: 7000, usual: 8900, high: 12_000 };
const priced = (pricing?: Pricing) => servicePrice(load, 0.35, pricing, settings, {});

describe('three ladders (P2, P3, P4)', () => {
  it('earns by the room hour what the house wants of it', () => {
    /* (3360 + 3000 x 1.5) / (1 - 0.1 - 0.015 x 1.13) = 8900.97, with 13 % VAT 10058.09 */
    const price = valueOf(roomHourPrice(load, 3000, settings, {}));
    expect(price.computedNet).toBeCloseTo(8900.9682, 3);
    expect(price.computedGross).toBeCloseTo(10_058.0941, 3);
    expect(price.gross).toBe(10_500);
    const exact = valueOf(priceFigures(price.computedGross, load, settings, {}));
    expect(exact.perRoomHour).toBeCloseTo(3000, 6);
  });

  it('stand side by side, whichever is charged', () => {
    const { rungs, by, gross } = valueOf(priced({ by: 'cost-plus', neighbourhood }));
    expect(rungs.map(({ ladder, price, standing }) => [ladder, price.gross, standing])).toEqual([
      ['cost-plus', 8500, 'low'],
      ['room-hour', 10_500, 'high'],
      ['neighbourhood', 9000, 'high'],
    ]);
    expect([by, gross]).toEqual(['cost-plus', 8500]);
    expect(valueOf(priced({ by: 'room-hour', neighbourhood })).gross).toBe(10_500);
    expect(valueOf(priced({ by: 'neighbourhood', neighbourhood })).gross).toBe(9000);
  });

  it('says what a ladder lacks', () => {
    expect(problemOf(priced({ by: 'neighbourhood' })).code).toBe('price-base-missing');
    const without = servicePrice(load, 0.35, { by: 'room-hour' }, sample, {});
    expect(problemOf(without).message).toContain('what a room hour should bring');
    expect(problemOf(priced({ by: 'own' })).message).toContain('Say the price');
  });

  it('charges a price of its own also where no margin can be had', () => {
    const dear = { ...settings, commission: 0.5 };
    const own = { by: 'own', ownMinor: 9_000 } as const;
    expect(problemOf(servicePrice(load, 0.6, undefined, dear, {})).code).toBe('fees-too-high');
    const { gross, rungs } = valueOf(servicePrice(load, 0.6, own, dear, {}));
    expect([gross, rungs.map(({ ladder }) => ladder)]).toEqual([9_000, ['room-hour']]);
  });

  it('charges a price of its own as it is, and flags one below the floor', () => {
    const own = valueOf(priced({ by: 'own', ownMinor: 7777 }));
    expect([own.gross, own.belowFloor]).toEqual([7777, false]);
    const cheap = valueOf(priced({ by: 'own', ownMinor: Math.floor(own.floorGross) - 1 }));
    expect([cheap.belowFloor, cheap.mostDiscount]).toEqual([true, 0]);
  });

  it('knows the floor, the even price and the most that can be let off', () => {
    const price = valueOf(priced());
    const at = (gross: number) => valueOf(priceFigures(gross, load, settings, {}));
    expect(at(price.evenGross).profit).toBeCloseTo(0, 6);
    expect(at(price.floorGross).contribution).toBeCloseTo(0, 6);
    expect(at(price.gross * (1 - price.mostDiscount)).contribution).toBeCloseTo(0, 6);
    expect(price.floorGross).toBeLessThan(price.evenGross);
  });

  it('tells where a price falls among those of the neighbourhood', () => {
    const standings = [6999, 7000, 8900, 8901, 12_000, 12_001].map((gross) =>
      standingAmong(gross, neighbourhood),
    );
    expect(standings).toEqual(['below', 'low', 'low', 'high', 'high', 'above']);
  });

  it('asks no less when a room hour should bring more or the visit costs more', () => {
    const amount = fc.integer({ min: 0, max: 20_000 });
    fc.assert(
      fc.property(amount, amount, amount, (a, b, directCost) => {
        const at = (target: number, cost: number): number =>
          valueOf(roomHourPrice({ ...load, directCost: cost }, target, settings, {})).gross;
        expect(at(Math.max(a, b), directCost)).toBeGreaterThanOrEqual(
          at(Math.min(a, b), directCost),
        );
        expect(at(a, directCost + b)).toBeGreaterThanOrEqual(at(a, directCost));
      }),
    );
  });
});

describe('a change of price (P7)', () => {
  it('says how many visits may stay away, or must come', () => {
    expect(priceChange({ contribution: 2000 }, { contribution: 2500 })).toEqual({
      perVisit: 500,
      visitsMayChange: -0.2,
    });
    expect(priceChange({ contribution: 2000 }, { contribution: 1600 }).visitsMayChange).toBe(0.25);
    expect(priceChange({ contribution: 2000 }, { contribution: 0 }).visitsMayChange).toBeNull();
  });

  it('holds what the service earns', () => {
    const amount = fc.integer({ min: 1, max: 50_000 });
    fc.assert(
      fc.property(amount, amount, amount, (before, after, visits) => {
        const change = priceChange({ contribution: before }, { contribution: after });
        const then = visits * (1 + (change.visitsMayChange ?? 0));
        expect(then * after).toBeCloseTo(visits * before, 3);
      }),
    );
  });
});
