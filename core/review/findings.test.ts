import { describe, expect, it } from 'vitest';
import type { HouseRule } from '../house/houseRule';
import type { Choice, LayerGroup, Material, Mix, Step } from '../house/house';
import { asId } from '../house/ids';
import { device, named, found, words, material, takes, face } from '../testing/reviewed';
import { bought, cleanser, dose, measured, minutes, mix } from '../testing/sample';

describe('choices', () => {
  const choice = (changes: Partial<Choice>): Choice => ({
    id: asId('c'),
    name: 'Cream',
    by: 'skin-type',
    take: 'first',
    options: [],
    ...changes,
  });
  const option = (id: string, values: readonly string[]) => ({
    id: asId<never>(id),
    name: id,
    for: values,
  });
  const within = (of: Choice): string[] =>
    words({
      steps: of.options.map((each) =>
        named(each.id, { option: { choiceId: of.id, optionId: each.id } }),
      ),
      more: { choices: [of] },
    });

  it('without options, with one that nobody meets, or leaving somebody without', () => {
    expect(within(choice({}))).toEqual([expect.stringContaining('has no options yet')]);
    expect(within(choice({ options: [option('a', ['dry']), option('b', ['dry'])] }))).toEqual([
      expect.stringContaining('No client ever meets “b”'),
      expect.stringContaining('leaves nothing for: normal, oily, combination, mature, sensitive'),
    ]);
    const rest = [option('a', ['dry']), option('b', [])];
    expect(within(choice({ options: rest }))).toEqual([]);
    expect(within(choice({ options: [option('a', ['dry'])], noneIsFine: true }))).toEqual([]);
    expect(within(choice({ by: 'couch', options: [option('a', []), option('b', [])] }))).toEqual(
      [],
    );
  });

  it('by the visit of a course, or by how long ago the last was, leaving some without', () => {
    const every = choice({
      by: 'course-visit',
      options: [option('a', ['1', 'every-2', 'every-3'])],
    });
    expect(within(every)).toEqual([
      expect.stringContaining('leaves nothing for: visit 5, visit 7, visit 11'),
    ]);
    const last = choice({ by: 'since-last', options: [option('a', ['over-6-months'])] });
    expect(within(last)).toEqual([
      expect.stringContaining('leaves nothing for: first visits, under 1 week'),
    ]);
  });

  it('on which only what is otherwise for some depends', () => {
    const of = choice({ options: [option('a', ['dry']), option('b', [])], noneIsFine: true });
    const steps = [
      named('x', {
        otherwise: of.options.map(({ id }) => ({
          option: { choiceId: of.id, optionId: id },
          says: { capMinutes: 3 },
        })),
      }),
    ];
    expect(words({ steps, more: { choices: [of] } })).toEqual([]);
  });

  it('on which nothing depends', () => {
    const of = choice({ options: [option('a', [])] });
    expect(words({ steps: [named('x')], more: { choices: [of] } })).toEqual([
      expect.stringContaining('Nothing depends on “Cream” yet'),
    ]);
  });
});

describe('what cannot be at once', () => {
  const mask = (changes: Partial<Step> = {}): Step =>
    named('mask', { minutes: minutes(12), hands: 'free', ...face, ...changes });
  const beside = (name: string, changes: Partial<Step> = {}): Step =>
    named(name, { meanwhileOf: asId('mask'), ...changes });

  it('hands that are needed twice', () => {
    expect(words({ steps: [mask(), beside('hands')] })).toEqual([]);
    expect(words({ steps: [mask({ hands: 'hands-on' }), beside('hands')] })[0]).toMatch(
      /^hands-taken @hands: /,
    );
    expect(
      words({ steps: [mask({ hands: 'hands-on' }), beside('hands', { by: 'assistant' })] }),
    ).toEqual([]);
  });

  it('a device that is taken twice', () => {
    const steps = [mask({ running: [asId('pen')] }), beside('feet', { running: [asId('pen')] })];
    expect(words({ steps, devices: [device()] })[0]).toMatch(
      /^device-taken @feet: .*the house has 1/,
    );
    expect(words({ steps, devices: [device({ count: 2 })] })).toEqual([]);
  });

  it('a zone that is worked while something lies on it, until it is taken off', () => {
    const covered = mask({ covers: true });
    expect(words({ steps: [covered, beside('massage', { zones: ['cheeks'] })] })[0]).toMatch(
      /^zone-covered @massage: .*cheeks, which lies under “mask”/,
    );
    expect(words({ steps: [covered, beside('massage', { zones: ['hands'] })] })).toEqual([]);
    const later = named('serum', face);
    expect(words({ steps: [covered, later] })[0]).toContain('zone-covered @serum');
    expect(words({ steps: [covered, named('off', { action: 'remove', ...face }), later] })).toEqual(
      [],
    );
  });

  it('a cap that may be passed, with its chance (T6)', () => {
    const steps = [
      mask({ capMinutes: 10, minutes: minutes(8, 9, 10) }),
      beside('massage', { minutes: minutes(7, 9, 13) }),
    ];
    const [may] = found({ steps });
    expect(may).toMatchObject({ code: 'contact-cap-near', weight: 'prompt' });
    expect(may?.chance).toBeGreaterThan(0.2);
    const [does] = found({
      steps: [mask({ capMinutes: 10, minutes: minutes(8) }), beside('m', { minutes: minutes(12) })],
    });
    expect(does).toMatchObject({ weight: 'conflict', chance: 1 });
  });
});

describe('mixes', () => {
  const clay = (changes: Partial<Mix>): Mix =>
    mix({
      id: asId('clay'),
      name: 'Clay',
      parts: [
        { source: { kind: 'material', materialId: cleanser().id }, amount: measured(1, 'ml') },
      ],
      basis: 'ml',
      ...changes,
    });
  const mask = named('mask', {
    doses: [
      dose(cleanser().id, measured(5, 'ml'), { source: { kind: 'mix', mixId: asId('clay') } }),
    ],
  });
  const stir = named('stir', { makes: [asId('clay')], minutes: minutes(2) });
  const told = (mixed: Mix, between: number): string[] =>
    words({
      steps: [stir, named('wait', { minutes: minutes(between) }), mask],
      materials: [cleanser()],
      mixes: [mixed],
    });

  it('must have stood, and not too long (M3)', () => {
    expect(told(clay({ standingMinutes: 5 }), 5)).toEqual([]);
    expect(told(clay({ standingMinutes: 5 }), 3)[0]).toContain('mixed only 3 min before');
    expect(told(clay({ workingLifeMinutes: 10 }), 10)).toEqual([]);
    expect(told(clay({ workingLifeMinutes: 10 }), 15)[0]).toContain('15 min old');
  });
});

describe('combinations that ask for care', () => {
  const materials = [
    material('toner', ['alcohol']),
    material('acid', ['acid']),
    material('retinol', ['retinoid']),
    material('warm-mask', ['heat-producing', 'cold']),
    cleanser({ id: asId('screen'), name: 'screen', care: { protects: ['sun'] } }),
  ];
  const devices = [
    device({
      id: asId('rf'),
      name: 'RF',
      hazards: ['radio-frequency', 'heat'],
      neverZones: [],
      eyeProtection: true,
      settings: [],
    }),
  ];
  const warm = named('warm', { ...face, device: { deviceId: asId('rf'), settings: [] } });
  const on = (id: string, changes: Partial<Step> = {}): Step =>
    named(id, { ...face, doses: takes(id), ...changes });
  const told = (steps: readonly Step[], dayTime: 'day' | 'evening' = 'evening'): string =>
    words({ steps, materials, devices, dayTime }).join('\n');

  it('alcohol before heat, an acid under a retinoid, warmth with cold', () => {
    expect(told([on('toner'), warm])).toContain('toner is still on the skin');
    expect(told([on('toner'), named('rinse', { ...face, action: 'rinse' }), warm])).not.toContain(
      'toner',
    );
    expect(told([on('acid'), on('retinol')])).toContain('retinol goes over acid');
    expect(
      told([on('acid'), named('n', { ...face, action: 'neutralise' }), on('retinol')]),
    ).not.toContain('goes over');
    expect(told([on('warm-mask')])).toContain('warmth and cold');
  });

  it('strong exfoliation twice, but not in the layers of one acid', () => {
    expect(told([named('blade', { ...face, action: 'blade' }), on('acid')])).toContain(
      'exfoliates strongly what “blade”',
    );
    const group: LayerGroup = { id: asId('l'), name: 'L', layers: { first: 2, returning: 2 } };
    const layered = [
      on('acid', { layerGroupId: group.id }),
      on('acid', { id: asId('acid-2'), layerGroupId: group.id }),
    ];
    expect(
      words({ steps: layered, materials, more: { layerGroups: [group] } }).join(),
    ).not.toContain('exfoliates strongly');
  });

  it('an acid by day without sun protection, and eyes that are not covered for everybody', () => {
    expect(told([on('acid')], 'day')).toContain('does not end with sun protection');
    expect(told([on('acid'), on('screen')], 'day')).not.toContain('sun protection');
    expect(told([on('acid')], 'evening')).not.toContain('sun protection');
    expect(told([warm])).toContain('nothing covers them');
    const shield = (countedPer: 'client' | 'person'): Material => ({
      id: asId('shield'),
      kind: 'consumable',
      countedPer,
      name: 'Shields',
      unit: 'piece',
      measures: {},
      care: { protects: ['eyes'] },
      ...bought({}),
    });
    const cover = named('cover', { doses: [dose(asId('shield'), measured(1, 'piece'))] });
    const withCover = (per: 'client' | 'person'): string =>
      words({ steps: [cover, warm], materials: [shield(per)], devices }).join('\n');
    expect(withCover('client')).toContain('count Shields per person');
    expect(withCover('person')).toBe('');
  });
});

describe('at home', () => {
  it('what lasts longer than a pack of it is pointed out, and what does not is not', () => {
    const milk = cleanser();
    const pack = 'packs' in milk ? (milk.packs[0]?.content ?? 0) : 0;
    const at = (days: number): string[] =>
      words({
        steps: [named('a')],
        materials: [milk],
        more: {
          around: {
            before: [],
            avoid: [],
            expect: [],
            call: [],
            home: [
              {
                materialId: milk.id,
                amount: measured(pack / 20, 'ml'),
                at: ['morning', 'night'],
                for: { amount: days, unit: 'days' },
              },
            ],
          },
        },
      });
    expect(at(10)).toEqual([]);
    expect(at(11)[0]).toContain(`and a pack holds ${pack}`);
  });
});

describe('rules of the house', () => {
  const enzyme = named('enzyme rests', { ...face, minutes: minutes(6) });
  const always: HouseRule = {
    id: asId('r'),
    after: { is: 'named', words: 'enzyme' },
    comes: 'always',
    then: { is: 'action', action: 'tone' },
  };
  const never: HouseRule = {
    id: asId('n'),
    after: { is: 'brings', trait: 'alcohol' },
    comes: 'never',
    then: { is: 'action', action: 'steam' },
  };
  const tone = (changes: Partial<Step> = {}): Step =>
    named('tone', { action: 'tone', ...face, ...changes });

  it('something that must follow is missed where it does not, on the same skin, and can be added', () => {
    expect(words({ steps: [enzyme, tone()], rules: [always] })).toEqual([]);
    expect(words({ steps: [enzyme] })).toEqual([]);
    const missing = found({ steps: [tone(), enzyme], rules: [always] });
    expect(missing.map(({ message }) => message)).toEqual([
      'After “enzyme rests” always comes tone (a rule of the house), and nothing later does.',
    ]);
    expect(missing[0]?.fix).toEqual({ add: 'tone', after: 'enzyme rests' });
    const elsewhere = [enzyme, tone({ zones: ['hands'] })];
    expect(words({ steps: elsewhere, rules: [always] })).toHaveLength(1);
  });

  it('something that must not follow is pointed out where it does, and before it it is none', () => {
    const spirit = material('spirit', ['alcohol']);
    const degrease = named('degrease', { ...face, doses: takes('spirit') });
    const steam = named('steam', { action: 'steam', ...face });
    const rules = [never];
    const ruled = (steps: readonly Step[]): string[] =>
      words({ steps, materials: [spirit], rules }).filter((each) => each.startsWith('house-rule'));
    expect(ruled([degrease, steam])[0]).toContain('“steam” never comes after alcohol');
    expect(ruled([steam, degrease])).toEqual([]);
    expect(ruled([degrease, named('steam', { action: 'steam', zones: ['feet'] })])).toEqual([]);
  });
});
