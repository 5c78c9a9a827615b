import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ServiceCost } from '../cost/serviceCost';
import { addTriples, exactly, sumTriples } from '../quantity/triple';
import { NO_PAY_APART, settings, valueOf } from '../testing/sample';
import { nearestAllowed, nextAllowed, priceAxis } from './priceAxis';
import { servicePrice } from './ladders';
import { priceParts } from './priceParts';
import { priceFigures, type PriceLoad } from './priceOf';

const minor = fc.double({ min: 0, max: 20_000, noNaN: true });

function costOf([
  product,
  consumables,
  linen,
  devices,
  hands,
  room,
]: readonly number[]): ServiceCost {
  const parts = {
    product: exactly(product ?? 0),
    consumables: exactly(consumables ?? 0),
    singleUse: exactly(0),
    linen: exactly(linen ?? 0),
    givenAway: exactly(0),
    expires: exactly(0),
    devices: exactly(devices ?? 0),
    therapist: exactly(hands ?? 0),
  };
  const direct = sumTriples(Object.values(parts));
  const roomCost = exactly(room ?? 0);
  return {
    lines: [],
    deviceLines: [],
    ...parts,
    fixedPay: parts.therapist,
    room: roomCost,
    direct,
    full: addTriples(direct, roomCost),
  };
}

function loadOf(cost: ServiceCost): PriceLoad {
  return {
    directCost: cost.direct.usual,
    roomCost: cost.room.usual,
    slotMinutes: 60,
    attendedMinutes: 40,
    roomCostPerMonth: 72_000,
    pay: NO_PAY_APART,
  };
}

describe('where each cent of a price goes', () => {
  it('names what there is, with what is left at the end', () => {
    const cost = costOf([500, 0, 100, 0, 2000, 600]);
    const price = valueOf(priceFigures(8500, loadOf(cost), settings, {}));
    const parts = priceParts(cost, price);
    expect(parts.map(({ key }) => key)).toEqual([
      'product',
      'linen',
      'therapist',
      'room',
      'fees',
      'tax',
      'left',
    ]);
    expect(parts.find(({ key }) => key === 'tax')?.minor).toBe(978);
    expect(parts.at(-1)?.share).toBeCloseTo(price.profit / 8500, 9);
  });

  it('adds up to the price, also where it does not carry the cost', () => {
    fc.assert(
      fc.property(
        fc.array(minor, { minLength: 6, maxLength: 6 }),
        fc.integer({ min: 1, max: 50_000 }),
        (amounts, gross) => {
          const cost = costOf(amounts);
          const price = valueOf(priceFigures(gross, loadOf(cost), settings, {}));
          const parts = priceParts(cost, price);
          expect(parts.reduce((sum, part) => sum + part.minor, 0)).toBe(gross);
          expect(parts.reduce((sum, part) => sum + part.share, 0)).toBeCloseTo(1, 6);
        },
      ),
    );
  });
});

describe('the scale of money on which a price is pulled', () => {
  const pricing = {
    by: 'cost-plus',
    neighbourhood: { low: 6000, usual: 7000, high: 9000 },
  } as const;

  it('has room for the floor, every ladder and the neighbourhood, with round marks', () => {
    fc.assert(
      fc.property(fc.array(minor, { minLength: 6, maxLength: 6 }), (amounts) => {
        const load = loadOf(costOf(amounts.map((amount) => amount + 1)));
        const price = valueOf(servicePrice(load, 0.35, pricing, settings, {}));
        const { from, to, marks } = priceAxis(price);
        const shown = [price.gross, price.floorGross, price.evenGross, 6000, 9000];
        for (const gross of shown) {
          expect(gross).toBeGreaterThanOrEqual(from);
          expect(gross).toBeLessThanOrEqual(to);
        }
        expect(marks[0]).toBe(from);
        expect(marks.at(-1)).toBe(to);
        expect(marks.length).toBeLessThanOrEqual(14);
      }),
    );
  });

  it('goes from one allowed price to the next, and never past one', () => {
    const endings = { everyMinor: 1000, endingsMinor: [0, 500, 900], rounding: 'up' } as const;
    expect([8000, 8500, 8900].map((at) => nextAllowed(at, endings, 1))).toEqual([8500, 8900, 9000]);
    expect([9000, 8900, 8500].map((at) => nextAllowed(at, endings, -1))).toEqual([
      8900, 8500, 8000,
    ]);
    expect(nearestAllowed(8690, endings)).toBe(8500);
    expect(nearestAllowed(8710, endings)).toBe(8900);
  });

  it('goes up and comes back to where it was', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.uniqueArray(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 4 }),
        (steps, digits) => {
          const endings = {
            everyMinor: 1000,
            endingsMinor: digits.map((digit) => digit * 100),
            rounding: 'nearest',
          } as const;
          const start = nearestAllowed(10_000, endings);
          let at = start;
          for (let step = 0; step < steps; step += 1) {
            const next = nextAllowed(at, endings, 1);
            expect(next).toBeGreaterThan(at);
            at = next;
          }
          for (let step = 0; step < steps; step += 1) at = nextAllowed(at, endings, -1);
          expect(at).toBe(start);
        },
      ),
    );
  });

  it('takes what is pointed at where no ending fits', () => {
    const none = { everyMinor: 0, endingsMinor: [], rounding: 'up' } as const;
    expect(nearestAllowed(4321.4, none)).toBe(4321);
  });
});
