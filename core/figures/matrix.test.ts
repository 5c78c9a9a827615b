import { describe, expect, it } from 'vitest';
import type { Choice, Step } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import { asId } from '../house/ids';
import { ok } from '../problem/problem';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  mix,
  protocol,
  step,
  valueOf,
} from '../testing/sample';
import { matrixOf, type Matrix } from './matrix';

const skin: Choice = {
  id: asId('skin'),
  name: 'Cream',
  by: 'skin-type',
  take: 'first',
  options: [
    { id: asId('rich'), name: 'rich', for: ['dry'] },
    { id: asId('plain'), name: 'plain', for: [] },
  ],
};
const seen: Choice = {
  id: asId('seen'),
  name: 'Additive',
  by: 'condition',
  take: 'each',
  noneIsFine: true,
  options: [
    { id: asId('calm'), name: 'calm', for: ['redness'] },
    { id: asId('clear'), name: 'clear', for: ['blemishes'] },
  ],
};
const named = (name: string, time: number, changes: Partial<Step> = {}): Step =>
  step(name, minutes(time), { id: asId(name), ...changes });
const ml = (amount: number, choiceId?: string, optionId?: string): Step['doses'][number] =>
  dose(
    cleanser().id,
    measured(amount, 'ml'),
    choiceId === undefined
      ? {}
      : { option: { choiceId: asId(choiceId), optionId: asId(optionId ?? '') } },
  );
const facial = protocol(
  [
    named('cleanse', 5, { doses: [ml(1), ml(2, 'seen', 'calm'), ml(4, 'seen', 'clear')] }),
    named('extract', 8, { optional: { usually: 'left-out', if: 'needed' } }),
    named('rich', 6, { option: { choiceId: skin.id, optionId: asId('rich') }, doses: [ml(10)] }),
    named('plain', 2, { option: { choiceId: skin.id, optionId: asId('plain') } }),
  ],
  { choices: [skin, seen] },
);

function matrix(of = facial, mixes = house().mixes): { matrix: Matrix; shares: number[] } {
  const sample = house({ protocols: [of] });
  const shares: number[] = [];
  const made = matrixOf(
    {
      house: sample,
      index: indexHouse(sample),
      inUse: { protocol: of, mixes },
      unitCosts: new Map([[cleanser().id, ok(1)]]),
      opens: new Map(),
      rates: { therapist: 0, assistant: 0, room: 0, fixed: { therapist: 0, assistant: 0 } },
    },
    (share) => shares.push(share),
  );
  return { matrix: valueOf(made), shares };
}

describe('the range over all clients', () => {
  const { matrix: range, shares } = matrix();

  it('counts every kind that the protocol tells apart: skins, what is seen, what is optional', () => {
    expect(range.kinds).toBe(6 * 4 * 2);
    expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
  });

  it('finds who costs and takes least and most', () => {
    expect(range.cheapest.fullCost).toBe(1);
    expect(range.cheapest.client.conditions).toEqual([]);
    expect(range.dearest.fullCost).toBe(17);
    expect(range.dearest.client).toMatchObject({ skinType: 'dry' });
    expect(range.dearest.client.conditions).toEqual(['redness', 'blemishes']);
    expect(range.shortest.roomMinutes).toBeCloseTo(7, 9);
    expect(range.longest.roomMinutes).toBeCloseTo(19, 9);
  });

  it('says which choice makes the difference, the weightiest in cost first', () => {
    expect(range.differences.map(({ name }) => name)).toEqual([
      'skin type',
      'what is seen',
      'extract',
    ]);
    expect(range.differences[0]).toMatchObject({ cost: 10, minutes: 4, dearest: 'dry' });
    expect(range.differences[1]).toMatchObject({ cost: 6, minutes: 0, dearest: 'all of it' });
    expect(range.differences[2]).toMatchObject({ cost: 0 });
    expect(range.differences[2]?.minutes).toBeCloseTo(8, 9);
  });

  it('is one kind where everybody is treated alike', () => {
    const { matrix: alike } = matrix(protocol([named('cleanse', 5, { doses: [ml(1)] })]));
    expect([alike.kinds, alike.differences]).toEqual([1, []]);
  });

  it('tells skins apart by the recipes of mixes, too', () => {
    const recipes = [{ name: 'Oily', skinTypes: ['oily' as const], parts: [] }];
    expect(matrix(protocol([named('a', 1)]), [mix({ recipes })]).matrix.kinds).toBe(6);
  });

  it('says the same of each choice where there are too many kinds to try all', () => {
    /* Fourteen offers that stay at the couch, 2 to the 14th kinds: the first weighs, usually left out. */
    const offers = Array.from({ length: 14 }, (_, at) =>
      named(`offer-${at}`, 1, {
        optional: { usually: 'left-out', if: 'needed' },
        doses: at === 0 ? [ml(1.25)] : [],
      }),
    );
    const { matrix: many } = matrix(protocol([named('cleanse', 5, { doses: [ml(1)] }), ...offers]));
    expect(many.kinds).toBeLessThan(100);
    expect(many.differences[0]).toMatchObject({ name: 'offer-0', cost: 1.25, minutes: 1 });
    expect(many.differences.slice(1).every(({ cost, minutes: of }) => cost === 0 && of === 1)).toBe(
      true,
    );
  });
});
