import { describe, expect, it } from 'vitest';
import type { HouseRule } from '../house/houseRule';
import type { Question } from '../house/question';
import type { Device } from '../house/device';
import type { Choice, LayerGroup, Material, Mix, Step, WorkedProtocol } from '../house/house';
import { asId, type DeviceId } from '../house/ids';
import {
  bought,
  cleanser,
  dose,
  measured,
  minutes,
  mix,
  protocol,
  settings,
  shelf,
  step,
} from '../testing/sample';
import { scheduleOf } from '../time/schedule';
import { findingsIn } from './findings';

const device = (changes: Partial<Device> = {}): Device => ({
  id: asId('pen'),
  name: 'Pen',
  count: 1,
  hazards: ['needles'],
  settings: [{ kind: 'depth', unit: 'mm', least: 0.25, most: 1.5, safer: 'less' }],
  neverZones: ['eye-contour'],
  eyeProtection: false,
  trainedIds: [],
  ...changes,
});
const named = (name: string, changes: Partial<Step> = {}): Step =>
  step(name, changes.minutes ?? minutes(5), { id: asId(name), ...changes });

interface Given {
  readonly steps: readonly Step[];
  readonly materials?: readonly Material[];
  readonly mixes?: readonly Mix[];
  readonly devices?: readonly Device[];
  readonly more?: Partial<WorkedProtocol>;
  readonly dayTime?: 'day' | 'evening';
  readonly rules?: readonly HouseRule[];
}

function found({
  steps,
  materials = [],
  mixes = [],
  devices = [],
  more,
  dayTime = 'evening',
  rules,
}: Given) {
  const worked = protocol(steps, more);
  const byId = new Map<DeviceId, Device>(devices.map((each) => [each.id, each]));
  const onShelf = shelf(materials, mixes);
  return findingsIn({
    written: worked,
    worked,
    schedule: scheduleOf(worked, 'first', settings),
    shelf: onShelf,
    index: { devices: byId, materials: onShelf.materials },
    settings: { ...settings, ...(rules && { rules }) },
    dayTime,
  });
}
const words = (given: Given): string[] =>
  found(given).map(
    ({ code, where, message }) =>
      `${code} @${where.stepId ?? where.choiceId ?? where.layerGroupId ?? ''}: ${message}`,
  );
const material = (id: string, warnings: NonNullable<Material['care']>['warnings']): Material =>
  cleanser({ id: asId(id), name: id, care: { warnings } });
const takes = (id: string): Step['doses'] => [dose(asId(id), measured(1, 'ml'))];
const face = { zones: ['face'] } as const;

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

describe('what a step says of itself', () => {
  it('keeps an endpoint within its cap', () => {
    expect(
      words({
        steps: [named('peel', { until: 'pinkness', minutes: minutes(1, 2, 4), capMinutes: 3 })],
      })[0],
    ).toMatch(/at most 3 min, so it cannot take 4/);
    expect(words({ steps: [named('peel', { until: 'pinkness' })] })[0]).toMatch(
      /say how long at most/,
    );
  });

  it('keeps devices within the limits of the house, and off the zones that are never treated', () => {
    const pass = (value: number, zones: Step['zones'] = ['cheeks']): Step =>
      named('pass', {
        zones,
        device: {
          deviceId: asId('pen'),
          settings: [{ zones, values: [{ kind: 'depth', value }] }],
        },
      });
    const devices = [device()];
    expect(words({ steps: [pass(0.5)], devices })).toEqual([]);
    expect(words({ steps: [pass(2)], devices })[0]).toContain(
      'depth goes from 0.25 to 1.5 mm, not 2',
    );
    expect(words({ steps: [pass(0.5, ['face'])], devices })[0]).toBe(
      'device-zone @pass: Pen is never used on eye contour in this house: leave that out of face.',
    );
    expect(words({ steps: [pass(0.5, ['eye-contour'])], devices })[0]).toContain(
      'is never used on eye contour in this house.',
    );
    expect(words({ steps: [pass(0.5)] })[0]).toContain('no longer in the house');
  });

  it('keeps within limits also where it is otherwise for some, and says it once', () => {
    const zones: Step['zones'] = ['cheeks'];
    const deep = (value: number): Step['device'] => ({
      deviceId: asId('pen'),
      settings: [{ zones, values: [{ kind: 'depth', value }] }],
    });
    const some = (says: NonNullable<Step['otherwise']>[number]['says']) => ({
      option: { choiceId: asId<never>('c'), optionId: asId<never>('o') },
      says,
    });
    const of = (...otherwise: NonNullable<Step['otherwise']>): string[] =>
      words({
        steps: [named('pass', { zones, device: deep(0.5), otherwise })],
        devices: [device()],
      });
    expect(of(some({ device: deep(2) }), some({ device: deep(2) }))).toEqual([
      expect.stringContaining('depth goes from 0.25 to 1.5 mm, not 2'),
    ]);
    expect(of(some({ until: 'pinkness', capMinutes: 3 }))).toEqual([
      expect.stringContaining('at most 3 min, so it cannot take 5'),
    ]);
  });

  it('goes with one guest as far as the house does: minutes, passes over the same skin, visits a year', () => {
    const zones: Step['zones'] = ['cheeks'];
    const passes = (count: number, of: Step['zones'] = zones): Step =>
      named(`pass on ${of.join(' ')} ${count}`, {
        zones: of,
        minutes: minutes(6),
        device: {
          deviceId: asId('pen'),
          settings: [{ zones: of, values: [{ kind: 'depth', value: 0.5 }], passes: count }],
        },
      });
    const of = (limits: Device['limits'], steps: readonly Step[], more = {}): string[] =>
      words({ steps, devices: [device({ limits, neverZones: [] })], more });
    expect(of({ minutesPerVisit: 12 }, [passes(1), passes(2)])).toEqual([]);
    expect(of({ minutesPerVisit: 11 }, [passes(1), passes(2)])).toEqual([
      expect.stringContaining('is on for 12 min in a visit, and the house goes up to 11'),
    ]);
    expect(of({ passesPerVisit: 3 }, [passes(1), passes(2)])).toEqual([]);
    expect(of({ passesPerVisit: 3 }, [passes(2), passes(2, ['face'])])).toEqual([
      expect.stringMatching(/goes 4 times over .*cheek.* in a visit, and the house goes up to 3/),
    ]);
    expect(of({ passesPerVisit: 3 }, [passes(3), passes(3, ['forehead'])])).toEqual([]);
    const layers = { id: asId<never>('l'), name: 'L', layers: { first: 2, returning: 3 } };
    expect(
      of({ passesPerVisit: 3 }, [{ ...passes(2), layerGroupId: layers.id }], {
        layerGroups: [layers],
      }),
    ).toEqual([expect.stringContaining('goes 4 times')]);
    const around = { before: [], avoid: [], expect: [], call: [] };
    expect(of({ visitsPerYear: 6 }, [passes(1)], { around })).toEqual([
      expect.stringContaining('at most 6 times a year'),
    ]);
    const spacing = { leastDays: 30, mostPerYear: 6 };
    expect(of({ visitsPerYear: 6 }, [passes(1)], { around: { ...around, spacing } })).toEqual([]);
  });

  it('keeps what runs along within the limits of its device', () => {
    const along = (value: number, upTo?: number): string[] =>
      words({
        steps: [
          named('steam', {
            running: [asId('pen')],
            runningAt: [
              {
                deviceId: asId('pen'),
                values: [{ kind: 'depth', value, ...(upTo !== undefined && { upTo }) }],
              },
            ],
          }),
        ],
        devices: [device()],
      });
    expect(along(0.5)).toEqual([]);
    expect(along(0.5, 2)[0]).toContain('depth goes from 0.25 to 1.5 mm, not 2');
  });

  it('names zones that are said twice, or at once and never', () => {
    const steps = [
      named('a', { zones: ['face', 'forehead'], never: ['forehead'], lightly: ['back'] }),
    ];
    const all = words({ steps }).join('\n');
    expect(all).toContain('forehead twice');
    expect(all).toContain('never to do so');
    expect(all).toContain('lightly on back, but is not done there');
  });

  const sting = (reactions: Question['reactions']): Question => ({
    id: asId('sting'),
    ask: 'How does it sting?',
    answer: { kind: 'score' },
    reactions,
  });

  it('says when a material is off the shelf, and when scores are the wrong way round', () => {
    const old = cleanser({ archivedOn: '2026-01-01' });
    expect(
      words({ steps: [named('a', { doses: takes('cleanser') })], materials: [old] })[0],
    ).toContain('off the shelf since 2026-01-01');
    const group: LayerGroup = {
      id: asId('l'),
      name: 'Layers',
      layers: { first: 1, returning: 1 },
      asks: [
        sting([
          { from: 5, response: 'off' },
          { from: 7, response: 'lightly' },
        ]),
      ],
    };
    expect(
      words({ steps: [named('a', { layerGroupId: group.id })], more: { layerGroups: [group] } })[0],
    ).toContain('something milder is done');
  });

  it('says when no answer to a score stops, when waiting has no end, and what comes too late', () => {
    const asked = (...reactions: Question['reactions']): string[] =>
      words({ steps: [named('a', { asks: [sting(reactions)] })] });
    expect(asked({ from: 7, response: 'off' })).toEqual([]);
    expect(asked()[0]).toContain('no answer stops or takes it off');
    expect(asked({ from: 4, response: 'wait' }, { from: 7, response: 'stop' })[0]).toContain(
      'say for how long at most',
    );
    const late = [{ atMinute: 7, what: 'it grows warm' }];
    expect(words({ steps: [named('a', { minutes: minutes(5), moments: late })] })[0]).toContain(
      'which is over after 5',
    );
    expect(words({ steps: [named('a', { minutes: minutes(8), moments: late })] })).toEqual([]);
    const held = { technique: { hold: { seconds: 30, times: 4 } } };
    expect(words({ steps: [named('a', { minutes: minutes(1), ...held })] })[0]).toContain(
      'takes 2 min, and the step 1',
    );
  });
});

describe('a kit (D6)', () => {
  const { packs, preferredPackId } = cleanser();
  const box = (forVisits?: number): Material => ({
    id: asId('box'),
    name: 'Box',
    kind: 'kit',
    unit: 'piece',
    measures: {},
    packs,
    preferredPackId,
    parts: [{ id: asId('powder'), name: 'Powder', amount: 6, unit: 'g', measures: {} }],
    ...(forVisits !== undefined && { forVisits }),
    leftOver: 'lost',
  });
  const takingPowder = (grams: number, forVisits?: number): string[] =>
    words({
      steps: [
        named('paste', {
          doses: [
            dose(asId('box'), measured(grams, 'g'), {
              source: { kind: 'material', materialId: asId('box'), part: asId('powder') },
            }),
          ],
        }),
      ],
      materials: [box(forVisits)],
    });

  it('of which another box is opened says for which part, and one that holds enough does not', () => {
    expect(takingPowder(6)).toEqual([]);
    expect(takingPowder(6.5)).toEqual([
      expect.stringContaining('A box of Box holds 6 g of Powder, and a visit takes more'),
    ]);
    expect(takingPowder(2, 3)).toEqual([]);
    expect(takingPowder(2.5, 3)).toEqual([
      expect.stringContaining('For each of 3 visits, a box of Box holds 2 g of Powder'),
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
