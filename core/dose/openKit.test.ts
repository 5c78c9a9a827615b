import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { KitPart } from '../house/house';
import { asId } from '../house/ids';
import { exactly } from '../quantity/triple';
import { leftOfKit } from './leftOfKit';
import { NOTHING_TAKEN, openKit, type TakenOfKit } from './openKit';

const part = (id: string, amount: number): KitPart => ({
  id: asId(id),
  name: id,
  amount,
  unit: 'g',
  measures: {},
});
const box = { parts: [part('powder', 6), part('serum', 2)] };
const take = (
  kit: typeof box & { readonly forVisits?: number },
  doses: readonly (readonly [string, number])[],
): { readonly boxes: readonly number[]; readonly taken: TakenOfKit } =>
  doses.reduce<{ boxes: number[]; taken: TakenOfKit }>(
    ({ boxes, taken }, [id, amount]) => {
      const next = openKit(kit, asId(id), exactly(amount), taken);
      return { boxes: [...boxes, next.boxes.usual], taken: next.taken };
    },
    { boxes: [], taken: NOTHING_TAKEN },
  );

describe('a kit (D6)', () => {
  it('is opened once for all that lies in it, and again for what runs out first', () => {
    expect(
      take(box, [
        ['powder', 3],
        ['serum', 2],
        ['powder', 3],
      ]).boxes,
    ).toEqual([1, 0, 0]);
    expect(
      take(box, [
        ['powder', 3],
        ['serum', 3],
        ['powder', 7],
      ]).boxes,
    ).toEqual([1, 1, 0]);
  });

  it('tells what is left of each part, and its share of the boxes', () => {
    const { taken } = take(box, [['powder', 4]]);
    expect(leftOfKit(box, taken).map(({ left, share }) => [left, share])).toEqual([
      [2, 2 / 6],
      [2, 1],
    ]);
  });

  it('for a whole course is used in equal shares, and only holds what it holds', () => {
    const course = { ...box, forVisits: 4 };
    expect(take(course, [['powder', 1.5]]).boxes).toEqual([0.25]);
    expect(take(course, [['powder', 1.6]]).boxes).toEqual([0.5]);
    const { taken } = take(course, [
      ['powder', 1],
      ['serum', 0.5],
    ]);
    expect(leftOfKit(course, taken).map(({ left }) => left)).toEqual([2, 0]);
  });

  it('opens as few boxes as hold all of it, in whatever order and pieces it is taken', () => {
    const doses = fc.array(
      fc.tuple(fc.constantFrom('powder', 'serum'), fc.integer({ min: 1, max: 40 })),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(doses, fc.integer({ min: 1, max: 5 }), (all, forVisits) => {
        const kit = { ...box, forVisits };
        const { boxes, taken } = take(
          kit,
          all.map(([id, tenths]) => [id, tenths / 10] as const),
        );
        const opened = boxes.reduce((sum, each) => sum + each, 0);
        const fewest = Math.max(
          ...box.parts.map(({ id, amount }) => {
            const tenths = all.reduce((sum, [of, some]) => (of === id ? sum + some : sum), 0);
            return Math.ceil((tenths * forVisits) / (amount * 10)) / forVisits;
          }),
        );
        expect(opened).toBeCloseTo(fewest, 9);
        for (const { left } of leftOfKit(kit, taken)) expect(left).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});
