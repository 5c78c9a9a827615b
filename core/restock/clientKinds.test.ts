import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import { SKIN_TYPES } from '../house/traits';
import type { House } from '../house/house';
import { asId, type ChoiceId } from '../house/ids';
import { USUAL_RESTOCK } from '../house/restock';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  protocol,
  service,
  settings,
  step,
  valueOf,
} from '../testing/sample';
import { seasonOf, USUAL_CLIENT_MIX, withSkinShare } from './clientKinds';
import { createRestocker } from './restocker';

const milk = cleanser();
const rich = cleanser({ id: asId('rich'), name: 'Rich milk' });

/** Dry skin takes the rich milk, and twice as much of it. */
function chosen(clientMix: House['settings']['restock']['clientMix']): House {
  const choice = {
    id: asId<ChoiceId>('skin'),
    name: 'Cleanser',
    by: 'skin-type',
    options: [
      { id: asId('usual'), name: 'usual', for: [], otherwise: true },
      { id: asId('dry'), name: 'dry', for: ['dry'] },
    ],
  };
  const base = protocol([
    step('cleanse', minutes(3), {
      doses: [
        {
          ...dose(milk.id, measured(5, 'ml')),
          option: { choiceId: choice.id, optionId: asId('usual') },
        },
        {
          ...dose(rich.id, measured(10, 'ml')),
          option: { choiceId: choice.id, optionId: asId('dry') },
        },
      ],
    }),
  ]);
  return house({
    settings: {
      ...settings,
      restock: { ...USUAL_RESTOCK, ...(clientMix && { clientMix }) },
    },
    materials: [milk, rich],
    protocols: [{ ...base, choices: [choice as unknown as (typeof base.choices)[number]] }],
    services: [service()],
    demand: [{ serviceId: service().id, visitsPerWeek: 70 }],
  });
}

function perDay(of: House): readonly number[] {
  const restock = createRestocker()(of, createCalculator()(of), new Date('2026-11-25T12:00:00Z'));
  return [milk, rich].map(({ id }) => valueOf(restock.materials.get(id)!).demand.perDay);
}

describe('kinds of clients', () => {
  it('weigh the doses by who comes, also of what the usual client never takes', () => {
    expect(perDay(chosen(undefined))).toEqual([50, 0]);
    const dry = withSkinShare(USUAL_CLIENT_MIX.skinTypes, 'dry', 0.4);
    const [usual = 0, rare = 0] = perDay(chosen({ ...USUAL_CLIENT_MIX, skinTypes: dry }));
    expect(usual).toBeCloseTo(0.6 * 50, 4);
    expect(rare).toBeCloseTo(0.4 * 100, 4);
  });

  it('sum to 1, whatever one of them is set to', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SKIN_TYPES),
        fc.constantFrom(...SKIN_TYPES),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (first, second, one, two) => {
          const shares = withSkinShare(
            withSkinShare(USUAL_CLIENT_MIX.skinTypes, first, one),
            second,
            two,
          );
          const sum = SKIN_TYPES.reduce((total, type) => total + shares[type], 0);
          expect(sum).toBeCloseTo(1, 6);
          expect(shares[second]).toBeCloseTo(two, 5);
        },
      ),
    );
  });

  it('come in the season of the day', () => {
    expect(
      ['2026-01-15', '2026-04-01', '2026-07-09', '2026-10-31', '2026-12-01'].map(seasonOf),
    ).toEqual(['winter', 'spring', 'summer', 'autumn', 'winter']);
  });
});
