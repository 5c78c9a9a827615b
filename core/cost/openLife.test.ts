import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Pack } from '../house/house';
import { asId } from '../house/ids';
import { AS_PAID, cleanser, pack, valueOf } from '../testing/sample';
import { landedUnitCost } from './landedUnitCost';
import { usedShareOfOpen } from './openLife';
import { discountFrom, packAdvice } from './packAdvice';
import { unitCostHistory } from './pricePoint';

describe('the used share of an open container (C2)', () => {
  it('gives the worked serum', () => {
    const serum = pack({ content: 30, priceMinor: 4800, residual: 0.03 });
    const { perUnit } = valueOf(landedUnitCost(serum, 1, 'Serum', {}));
    const open = usedShareOfOpen(1.2, 84, 30 * 0.97, 0.3);
    expect(open.room).toBe(97);
    expect(open.usedShare).toBeCloseTo(0.979145, 6);
    expect(perUnit / open.usedShare).toBeCloseTo(168.46164, 5);
    expect((perUnit / open.usedShare) * 0.3).toBeCloseTo(50.538492, 5);
  });

  it('counts the use that opens it: the worked jar of ten uses', () => {
    expect(usedShareOfOpen(0.18, 10, 10, 1).usedShare).toBeCloseTo(0.279998, 6);
  });

  it('charges the rarest use one whole container, not more', () => {
    expect(usedShareOfOpen(1e-8, 30, 50, 5).usedShare).toBeCloseTo(1 / 10, 6);
  });

  it('agrees with the sum over chances, counted one by one', () => {
    const mean = 7 * 0.4;
    let chance = Math.exp(-mean);
    let expected = chance;
    for (let n = 1; n < 80; n += 1) {
      chance *= mean / n;
      expected += chance * Math.min(1 + n, 5);
    }
    expect(usedShareOfOpen(0.4, 7, 5, 1).usedShare).toBeCloseTo(expected / 5, 12);
  });

  it('lies above nothing and at most at all, grows with demand and open life, also for thousands of uses', () => {
    const rate = fc.double({ min: 0.01, max: 400, noNaN: true });
    const days = fc.double({ min: 0.1, max: 400, noNaN: true });
    const content = fc.double({ min: 1, max: 5000, noNaN: true });
    fc.assert(
      fc.property(rate, days, content, fc.double({ min: 1, max: 3, noNaN: true }), (r, d, c, f) => {
        const share = usedShareOfOpen(r, d, c, 1).usedShare;
        expect(share).toBeGreaterThan(0);
        expect(share).toBeLessThanOrEqual(1);
        expect(usedShareOfOpen(r * f, d, c, 1).usedShare).toBeGreaterThanOrEqual(share - 1e-9);
        expect(usedShareOfOpen(r, d * f, c, 1).usedShare).toBeGreaterThanOrEqual(share - 1e-9);
      }),
      { numRuns: 80 },
    );
  });
});

describe('the pack adviser', () => {
  const tub = (id: string, changes: Partial<Pack>): Pack => pack({ id: asId(id), ...changes });
  const small = tub('small', { content: 100, priceMinor: 900 });
  const large = tub('large', { content: 500, priceMinor: 3000 });
  const serum = cleanser({
    packs: [small, large],
    preferredPackId: large.id,
    openLife: { amount: 60, unit: 'days' },
  });

  it('prefers the dearer small pack when much of the large one would be open too long', () => {
    const rare = valueOf(packAdvice(serum, { usesPerDay: 1, perDay: 2 }, 28, AS_PAID));
    expect(rare.ranked.map(({ pack: { id } }) => id)).toEqual(['small', 'large']);
    const [best, other] = rare.ranked;
    expect(best!.perUnit).toBeGreaterThan(other!.perUnit);
    expect(other!.usedShare).toBeCloseTo(61 / 250, 2);
    expect(rare.yearlySaving).toBeCloseTo(other!.perYear - best!.perYear, 9);
    expect(other!.wastePerYear).toBeCloseTo(730 * (other!.inUse - 6), 6);
  });

  it('prefers the large pack when it is used up in time', () => {
    const often = valueOf(packAdvice(serum, { usesPerDay: 10, perDay: 20 }, 28, AS_PAID));
    expect(often.ranked[0]!.pack.id).toBe('large');
    expect(often.yearlySaving).toBe(0);
  });

  it('ranks by landed cost where nothing uses it, or where it does not spoil open', () => {
    expect(
      valueOf(packAdvice(serum, { usesPerDay: 0, perDay: 0 }, 28, AS_PAID)).ranked[0]!.usedShare,
    ).toBe(1);
    const keeps = { ...serum, openLife: undefined } as never;
    expect(
      valueOf(packAdvice(keeps, { usesPerDay: 1, perDay: 2 }, 28, AS_PAID)).ranked[0]!.pack.id,
    ).toBe('large');
  });

  it('counts the discount that an order reaches, and what the supplier asks for at least', () => {
    const stepped = tub('stepped', {
      content: 100,
      priceMinor: 1000,
      discount: 0.02,
      breaks: [
        { fromPacks: 6, discount: 0.15 },
        { fromPacks: 3, discount: 0.1 },
      ],
    });
    expect([1, 3, 5, 6].map((packs) => discountFrom(stepped, packs))).toEqual([
      0.02, 0.1, 0.1, 0.15,
    ]);
    const only = { ...serum, packs: [stepped], preferredPackId: stepped.id };
    const [at] = valueOf(packAdvice(only, { usesPerDay: 5, perDay: 10 }, 28, AS_PAID)).ranked;
    expect([at!.packsPerOrder, at!.discount, at!.perUnit]).toEqual([3, 0.1, 9]);
    const least = { ...only, packs: [{ ...stepped, leastPacks: 12 }] };
    const [asked] = valueOf(packAdvice(least, { usesPerDay: 5, perDay: 10 }, 28, AS_PAID)).ranked;
    expect([asked!.packsPerOrder, asked!.discount]).toEqual([12, 0.15]);
  });

  it('never recommends a pack that another beats in use, and saves what it says', () => {
    const any = fc.record({
      content: fc.integer({ min: 10, max: 2000 }),
      priceMinor: fc.integer({ min: 1, max: 20_000 }),
      residual: fc.double({ min: 0, max: 0.5, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(any, { minLength: 1, maxLength: 6 }),
        fc.double({ min: 0.05, max: 30, noNaN: true }),
        (packs, usesPerDay) => {
          const made = packs.map((each, at) => tub(`p${at}`, each));
          const advice = valueOf(
            packAdvice(
              { ...serum, packs: made, preferredPackId: made[0]!.id },
              { usesPerDay, perDay: usesPerDay * 3 },
              28,
              AS_PAID,
            ),
          );
          for (const each of advice.ranked) {
            expect(advice.ranked[0]!.inUse).toBeLessThanOrEqual(each.inUse);
            expect(each.inUse).toBeGreaterThanOrEqual(each.perUnit - 1e-12);
          }
          expect(advice.yearlySaving).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});

describe('price history', () => {
  it('is what a unit cost from each day on, oldest first', () => {
    const held = pack({ content: 500, residual: 0.03 });
    const point = { materialId: cleanser().id, packId: held.id, discount: 0, freightMinor: 0 };
    const history = unitCostHistory(
      [
        { ...point, on: '2026-05-01', priceMinor: 2100, from: 'hand' },
        { ...point, on: '2025-11-01', priceMinor: 1940, from: 'opening' },
        { ...point, packId: asId('other'), on: '2026-01-01', priceMinor: 1, from: 'hand' },
      ],
      held,
      1,
    );
    expect(history.map(({ on }) => on)).toEqual(['2025-11-01', '2026-05-01']);
    expect(history[1]!.perUnit).toBeCloseTo(4.329897, 6);
  });
});
