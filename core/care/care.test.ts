import { describe, expect, it } from 'vitest';
import type { BoughtMaterial, Step } from '../house/house';
import { asId } from '../house/ids';
import { CAUTION_RULES } from './cautionRules';
import { drawsOf } from '../draws/drawsOf';
import { unitCost } from '../cost/unitCost';
import { exactly } from '../quantity/triple';
import {
  AS_PAID,
  bought,
  cleanser,
  dose,
  measured,
  minutes,
  mix,
  protocol,
  sachet,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { cautionsByTime, cautionsOf } from './cautionsOf';

const LEVELS = ['stop', 'refer', 'take-care'];

describe('what the materials of a protocol ask to be minded', () => {
  const acid = cleanser({
    id: asId('acid'),
    care: {
      warnings: ['acid', 'light-sensitising'],
      stopFor: ['pregnancy'],
      allergens: ['limonene'],
      patchTest: { hoursBefore: 48 },
    },
  });
  const toner = cleanser({
    id: asId('toner'),
    care: { warnings: ['acid'], allergens: ['limonene'] },
  });
  const mixed = mix({
    basis: 'ml',
    parts: [{ source: { kind: 'material', materialId: toner.id }, amount: measured(1, 'ml') }],
  });
  const both = protocol([
    step('peel', minutes(5), { doses: [dose(acid.id, measured(2, 'ml'))] }),
    step('tone', minutes(1), {
      doses: [dose(acid.id, measured(1, 'ml'), { source: { kind: 'mix', mixId: mixed.id } })],
    }),
  ]);

  const noDevices = new Map();

  it('is gathered once each, with where it comes from, stops in front', () => {
    const { cautions, notice } = cautionsOf(both, shelf([acid, toner], [mixed]), noDevices);
    expect(cautions.map(({ level }) => level)).toEqual(
      [...cautions].map(({ level }) => level).sort((a, b) => LEVELS.indexOf(a) - LEVELS.indexOf(b)),
    );
    const ids = cautions.flatMap(({ of }) => (of.kind === 'rule' ? [of.ruleId] : []));
    expect(ids).toEqual(expect.arrayContaining(['pregnancy', 'sunburn', 'sun-after']));
    expect(ids).not.toContain('pacemaker');
    const sun = cautions.find(({ of }) => of.kind === 'rule' && of.ruleId === 'sunburn');
    expect(sun?.because.map(({ stepName, thing }) => [stepName, thing])).toEqual([
      ['peel', 'Cleanser'],
      ['tone', 'Cleanser'],
    ]);
    expect(cautions.some(({ of }) => of.kind === 'allergen' && of.name === 'limonene')).toBe(true);
    expect(cautions.some(({ of }) => of.kind === 'patch-test')).toBe(true);
    expect(notice).toContain('never a permission');
  });

  it('stays in the list with its reason when the house takes it off, and knows what it added', () => {
    const own = {
      ...both,
      cautions: {
        added: [{ level: 'refer', text: 'Long flight', why: 'swelling' } as const],
        removed: [{ ruleId: 'sunburn', reason: 'Only done in winter.' }],
      },
    };
    const { cautions } = cautionsOf(own, shelf([acid, toner], [mixed]), noDevices);
    const sun = cautions.find(({ of }) => of.kind === 'rule' && of.ruleId === 'sunburn');
    expect(sun?.removed).toBe('Only done in winter.');
    expect(cautions.map(({ text }) => text)).toContain('Long flight');
  });

  it('is asked first, then looked for, then minded at work, the most severe in front', () => {
    const { cautions } = cautionsOf(both, shelf([acid, toner], [mixed]), noDevices);
    const times = cautionsByTime(cautions);
    expect(times.map(({ time }) => time)).toEqual(['ask', 'look', 'afterwards']);
    for (const { cautions: of } of times) {
      const levels = of.map(({ level }) => LEVELS.indexOf(level));
      expect(levels).toEqual(levels.toSorted((a, b) => a - b));
    }
    const asked = times[0]?.cautions.map(({ text }) => text) ?? [];
    expect(asked).toEqual(expect.arrayContaining(['Allergy to limonene', 'Pregnancy']));
    expect(times.flatMap((each) => each.cautions)).toHaveLength(cautions.length);
  });

  const oil = cleanser({
    id: asId('oil'),
    name: 'Oil',
    care: { warnings: ['flammable', 'fragrance'] },
  });
  const idsOf = (changes: Partial<Step>): string[] =>
    cautionsOf(
      protocol([step('one', minutes(3), { doses: [dose(oil.id, measured(1, 'ml'))], ...changes })]),
      shelf([oil], []),
      noDevices,
    ).cautions.flatMap(({ of }) => (of.kind === 'rule' ? [of.ruleId] : []));

  /* Each rule that looks where something is done: its case, and its neighbour. */
  it.each<[string, Partial<Step>, Partial<Step>]>([
    [
      'recent-injectables',
      { action: 'massage', zones: ['face'] },
      { action: 'massage', zones: ['hands', 'forearms'] },
    ],
    [
      'recent-injectables',
      { action: 'massage', zones: ['neck-front'] },
      { action: 'massage', zones: ['feet'] },
    ],
    [
      'heart-disease',
      { action: 'massage', zones: ['back'] },
      { action: 'massage', zones: ['hands'] },
    ],
    [
      'abdomen-cold',
      { action: 'cool', zones: ['lower-legs'] },
      { action: 'cool', zones: ['face'] },
    ],
    [
      'abdomen-cold',
      { action: 'cool', zones: ['abdomen'] },
      { action: 'cool', zones: ['eye-contour'] },
    ],
    [
      'alcohol-before-heat',
      { action: 'heat', zones: ['face'] },
      { action: 'steam', zones: ['face'] },
    ],
    /* Into the steam it is breathed, and does not lie on the skin; a cloth brings it there. */
    [
      'alcohol-before-heat',
      {
        action: 'heat',
        zones: ['face'],
        doses: [{ ...dose(oil.id, measured(1, 'ml')), into: 'cloth' }],
      },
      {
        action: 'heat',
        zones: ['face'],
        doses: [{ ...dose(oil.id, measured(1, 'ml')), into: 'steam' }],
      },
    ],
    [
      'vein-disease',
      { action: 'massage', zones: ['thighs'] },
      { action: 'massage', zones: ['back'] },
    ],
    [
      'lash-extensions',
      { action: 'apply', zones: ['eye-contour'] },
      { action: 'apply', zones: ['chin'] },
    ],
  ])('%s is drawn where it can apply, and not beside it', (rule, here, beside) => {
    expect(idsOf(here)).toContain(rule);
    expect(idsOf(beside)).not.toContain(rule);
  });

  it('is drawn where it is not said where something is done', () => {
    expect(idsOf({ action: 'massage', zones: [] })).toContain('recent-injectables');
  });

  it('is nothing where neither shelf nor work asks for care', () => {
    const plain = protocol([step('record', minutes(3))]);
    expect(cautionsOf(plain, shelf([cleanser()], []), noDevices)).toEqual({ cautions: [] });
  });

  it('has about forty usual rules, each with its reason, each drawn by something', () => {
    expect(CAUTION_RULES.length).toBeGreaterThanOrEqual(40);
    expect(new Set(CAUTION_RULES.map(({ id }) => id)).size).toBe(CAUTION_RULES.length);
    for (const { why, by, text } of CAUTION_RULES) {
      expect([text !== '', why.length > 10, by.length > 0]).toEqual([true, true, true]);
    }
  });
});

describe('kinds of material in a visit', () => {
  const goggles: BoughtMaterial = {
    id: asId('goggles'),
    kind: 'consumable',
    countedPer: 'person',
    name: 'Eye shields',
    unit: 'piece',
    measures: {},
    ...bought({ containers: 50, content: 1, priceMinor: 1000 }),
  };
  const light = step('light', minutes(5), { doses: [dose(goggles.id, measured(1, 'piece'))] });
  const drawn = (steps: Parameters<typeof protocol>[0]) =>
    valueOf(drawsOf(protocol(steps), 'first', shelf([goggles, sachet()]), settings))[0]!.consumed
      .usual;

  it('a piece counted per person is drawn for everybody in the room (D5)', () => {
    expect(drawn([light])).toBe(2);
    expect(drawn([light, step('help', minutes(1), { by: 'assistant' })])).toBe(3);
    expect(drawn([light, step('tidy', minutes(1), { by: 'assistant', stretch: 'reset' })])).toBe(2);
  });

  it('fresh goods cost what the juice of one piece costs (Q3, C1)', () => {
    const orange: BoughtMaterial = {
      id: asId('orange'),
      kind: 'fresh',
      name: 'Orange',
      unit: 'ml',
      measures: {},
      yieldPerPiece: { usual: 60 },
      keeps: { amount: 6, unit: 'days' },
      openLife: { amount: 6, unit: 'hours' },
      ...bought({ containers: 6, content: 1, priceMinor: 300 }),
    };
    expect(valueOf(unitCost(orange, AS_PAID))).toBeCloseTo(300 / 360, 12);
  });

  it('a coat of the material’s own is resolved by name, and an unknown one is named', () => {
    const mask = cleanser({ measures: { density: 1, coats: [{ name: 'mask', usual: 90 }] } });
    const coat = (name: string) =>
      drawsOf(
        protocol([
          step('mask', minutes(5), {
            zones: ['face'],
            doses: [dose(mask.id, { how: 'coat', coat: name })],
          }),
        ]),
        'first',
        shelf([mask]),
        settings,
      );
    expect(valueOf(coat('mask'))[0]!.resolved.coat!.mgPerCm2).toEqual(exactly(90));
    const missing = coat('veil');
    expect(missing.ok ? '' : missing.problems[0]!.message).toContain('no coat named “veil”');
  });
});
