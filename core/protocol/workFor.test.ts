import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clientWith, type Client } from '../house/client';
import {
  COURSE_VISITS,
  BUILDS,
  CONDITIONS,
  DAY_TIMES,
  PHOTOTYPES,
  SEASONS,
  SKIN_TYPES,
  VISIT_KINDS,
} from '../house/traits';
import type { Block, Choice, LayerGroup, Protocol, Step } from '../house/house';
import { asId, type BlockId } from '../house/ids';
import {
  cleanser,
  dose,
  measured,
  minutes,
  mix,
  problemOf,
  protocol,
  step,
  valueOf,
} from '../testing/sample';
import type { ZoneId } from '../zone/zones';
import { arrange } from './arrange';
import { lineOfStep } from './expandBlocks';
import { detachBlock } from './severalSteps';
import { draftFrom, editionFrom } from './publish';
import { recipeFor, workFor } from './workFor';

const skin: Choice = {
  id: asId('skin'),
  name: 'Cream',
  by: 'skin-type',
  take: 'first',
  options: [
    { id: asId('rich'), name: 'Rich', for: ['dry', 'mature'] },
    { id: asId('light'), name: 'Light', for: ['oily'] },
    { id: asId('plain'), name: 'Plain', for: [] },
  ],
};
const seen: Choice = {
  id: asId('seen'),
  name: 'Additives',
  by: 'condition',
  take: 'each',
  noneIsFine: true,
  options: [
    { id: asId('calm'), name: 'Calming', for: ['redness', 'visible-capillaries'] },
    { id: asId('clear'), name: 'Clearing', for: ['blemishes'] },
  ],
};
const couch: Choice = {
  id: asId('couch'),
  name: 'Removal',
  by: 'couch',
  take: 'first',
  options: [
    { id: asId('rinse'), name: 'Rinse', for: [] },
    { id: asId('lift'), name: 'Lift off', for: [] },
  ],
};
const inOption = (choiceId: string, optionId: string): Pick<Step, 'option'> => ({
  option: { choiceId: asId(choiceId), optionId: asId(optionId) },
});
const id = (name: string): Step['id'] => asId(name);
const named = (name: string, changes: Partial<Step> = {}): Step =>
  step(name, minutes(2), { id: id(name), ...changes });
const milk = (option?: string): Step['doses'][number] =>
  dose(cleanser().id, measured(1, 'ml'), option === undefined ? {} : inOption('seen', option));

const written: Protocol = protocol(
  [
    named('cleanse'),
    named('extract', { optional: { usually: 'left-out', if: 'comedones' } }),
    named('rinse', inOption('couch', 'rinse')),
    named('lift', inOption('couch', 'lift')),
    named('hands', { meanwhileOf: id('rinse') }),
    named('mask', { doses: [milk(), milk('calm'), milk('clear')] }),
    named('rich', inOption('skin', 'rich')),
    named('light', inOption('skin', 'light')),
    named('plain', inOption('skin', 'plain')),
  ],
  { choices: [skin, seen, couch] },
);
const none = new Map<BlockId, Block>();
const names = (traits: Partial<Client> = {}): string =>
  valueOf(workFor(written, none, clientWith(traits)))
    .steps.map(({ name }) => name)
    .join(' ');

describe('a protocol worked for somebody', () => {
  it('takes the option that fits, and the one for anybody else where none does', () => {
    expect(names()).toBe('cleanse rinse hands mask plain');
    expect(names({ skinType: 'mature' })).toContain('mask rich');
    expect(names({ skinType: 'oily' })).toContain('mask light');
  });

  it('takes each additive whose condition is seen', () => {
    const mask = (conditions: Client['conditions']): number =>
      valueOf(workFor(written, none, clientWith({ conditions }))).steps.find(
        ({ name }) => name === 'mask',
      )?.doses.length ?? 0;
    expect([mask([]), mask(['redness']), mask(['redness', 'blemishes'])]).toEqual([1, 2, 3]);
  });

  it('follows what is decided at the couch; what lies beside goes along', () => {
    const decided = new Map([[couch.id, asId<never>('lift')]]);
    const worked = valueOf(workFor(written, none, clientWith({ decided })));
    expect(worked.steps.map(({ name }) => name).join(' ')).toContain('lift hands');
    expect(worked.steps.find(({ name }) => name === 'hands')?.meanwhileOf).toBe('lift');
    const optional = new Map([[id('extract'), 'done' as const]]);
    expect(names({ optional })).toContain('cleanse extract rinse');
  });

  it('leaves out what lies beside an optional step that is left out, though others have its option', () => {
    const rich = { choiceId: skin.id, optionId: asId<never>('rich') };
    const facial = protocol(
      [
        named('steam', { option: rich, optional: { usually: 'left-out', if: 'dry' } }),
        named('scalp', { meanwhileOf: id('steam') }),
        named('cream', { option: rich }),
      ],
      { choices: [skin] },
    );
    const done = (optional: Client['optional']): string[] =>
      valueOf(workFor(facial, none, clientWith({ skinType: 'dry', optional }))).steps.map(
        ({ name, meanwhileOf }) =>
          `${name}${meanwhileOf === undefined ? '' : ` by ${meanwhileOf}`}`,
      );
    expect(done(new Map())).toEqual(['cream']);
    expect(done(new Map([[id('steam'), 'done' as const]]))).toEqual([
      'steam',
      'scalp by steam',
      'cream',
    ]);
  });

  it('is otherwise for some: what is said for them stands, the later over the earlier', () => {
    const rich = { choiceId: skin.id, optionId: asId<never>('rich') };
    const calm = { choiceId: seen.id, optionId: asId<never>('calm') };
    const facial = protocol(
      [
        named('mask', {
          zones: ['face'],
          lightly: ['chin'],
          capMinutes: 9,
          technique: { movement: 'circles', pressure: 'firm' },
          otherwise: [
            { option: rich, says: { minutes: minutes(4), technique: { pressure: 'light' } } },
            { option: calm, says: { minutes: minutes(3), zones: ['cheeks'] } },
            { option: rich, also: [calm], says: { capMinutes: 5 } },
          ],
        }),
      ],
      {
        choices: [skin, seen],
        layerGroups: [
          {
            id: asId('g'),
            name: 'Coats',
            layers: { first: 1, returning: 3 },
            otherwise: [{ option: calm, layers: { first: 1, returning: 2 } }],
          },
        ],
      },
    );
    const of = (traits: Partial<Client>) => {
      const worked = valueOf(workFor(facial, none, clientWith(traits)));
      const [mask] = worked.steps;
      return {
        minutes: mask?.minutes.usual,
        cap: mask?.capMinutes,
        zones: mask?.zones,
        lightly: mask?.lightly,
        technique: mask?.technique,
        layers: worked.layerGroups[0]?.layers.returning,
        left: mask?.otherwise,
      };
    };
    const technique = { movement: 'circles', pressure: 'firm' };
    const plain = { zones: ['face'], lightly: ['chin'], technique, layers: 3, left: undefined };
    expect(of({})).toEqual({ ...plain, minutes: 2, cap: 9 });
    expect(of({ skinType: 'dry' })).toEqual({
      ...plain,
      minutes: 4,
      cap: 9,
      technique: { ...technique, pressure: 'light' },
    });
    expect(of({ conditions: ['redness'] })).toEqual({
      ...plain,
      minutes: 3,
      cap: 9,
      zones: ['cheeks'],
      lightly: undefined,
      layers: 2,
    });
    expect(of({ skinType: 'dry', conditions: ['redness'] })).toMatchObject({ minutes: 3, cap: 5 });
  });

  it('knows which visit of a course it is, and how long ago the last was', () => {
    const course: Choice = {
      id: asId('course'),
      name: 'Course',
      by: 'course-visit',
      take: 'first',
      noneIsFine: true,
      options: [{ id: asId('third'), name: 'Third', for: ['3', 'every-4'] }],
    };
    const last: Choice = {
      ...course,
      id: asId('last'),
      by: 'since-last',
      options: [{ id: asId('long'), name: 'Long', for: ['2-to-6-months', 'over-6-months'] }],
    };
    const facial = protocol(
      [named('a', inOption('course', 'third')), named('b', inOption('last', 'long'))],
      { choices: [course, last] },
    );
    const done = (traits: Partial<Client>): string =>
      valueOf(workFor(facial, none, clientWith(traits)))
        .steps.map(({ name }) => name)
        .join(' ');
    expect(COURSE_VISITS.filter((courseVisit) => done({ courseVisit }) === 'a')).toEqual([
      '3',
      '4',
      '8',
      '12',
    ]);
    expect(done({ sinceLast: 'over-6-months' })).toBe('b');
    expect(done({ sinceLast: 'over-6-months', visitKind: 'first' })).toBe('');
  });

  it('takes what is for a finding only where that is seen on the skin it speaks of', () => {
    const spots: Choice = {
      ...seen,
      options: [
        { id: asId('cheeks'), name: 'Cheeks', for: ['redness'], where: ['cheeks'] },
        { id: asId('own'), name: 'Glow', for: ['own-loss-of-glow'] },
      ],
    };
    const facial = protocol(
      [named('calm', inOption('seen', 'cheeks')), named('glow', inOption('seen', 'own'))],
      { choices: [spots] },
    );
    const done = (traits: Partial<Client>): string =>
      valueOf(workFor(facial, none, clientWith(traits)))
        .steps.map(({ name }) => name)
        .join(' ');
    const redness = (...zones: ZoneId[]): Partial<Client> => ({
      conditions: ['redness'],
      seenOn: new Map([['redness', zones]]),
    });
    expect(done({ conditions: ['redness'] })).toBe('calm');
    expect(done(redness('nose'))).toBe('');
    expect(done(redness('nose', 'upper-cheek-left'))).toBe('calm');
    expect(done(redness('face'))).toBe('calm');
    expect(done({ conditions: ['own-loss-of-glow'] })).toBe('glow');
  });

  it('takes exactly one of several, whoever it is', () => {
    const anybody = fc.record({
      skinType: fc.constantFrom(...SKIN_TYPES),
      phototype: fc.constantFrom(...PHOTOTYPES),
      conditions: fc.uniqueArray(fc.constantFrom(...CONDITIONS)),
      visitKind: fc.constantFrom(...VISIT_KINDS),
      dayTime: fc.constantFrom(...DAY_TIMES),
      season: fc.constantFrom(...SEASONS),
      build: fc.constantFrom(...BUILDS),
    });
    fc.assert(
      fc.property(anybody, (traits) => {
        const worked = valueOf(workFor(written, none, clientWith(traits))).steps;
        const ofSkin = worked.filter(({ option }) => option?.choiceId === skin.id);
        expect(ofSkin).toHaveLength(1);
        /* The order of work is that of the protocol. */
        const order = worked.map((each) => written.steps.findIndex(({ id: of }) => of === each.id));
        expect(order).toEqual([...order].sort((a, b) => a - b));
      }),
    );
  });

  it('knows the recipe of a mix for the skin', () => {
    const other = [
      { source: { kind: 'mix' as const, mixId: asId<never>('x') }, amount: measured(1, 'g') },
    ];
    const mask = mix({ recipes: [{ name: 'Oily', skinTypes: ['oily'], parts: other }] });
    const none = { conditions: [] };
    expect(recipeFor(mask, { skinType: 'oily', ...none }).parts).toBe(other);
    expect(recipeFor(mask, { skinType: 'dry', ...none }).parts).toBe(mask.parts);
    const seenOn = mix({
      recipes: [{ name: 'Red', skinTypes: [], findings: ['redness'], parts: other }],
    });
    expect(recipeFor(seenOn, { skinType: 'dry', conditions: ['redness'] }).parts).toBe(other);
    expect(recipeFor(seenOn, { skinType: 'dry', ...none }).parts).toBe(seenOn.parts);
  });
});

describe('blocks', () => {
  const layers: LayerGroup = {
    id: asId('l'),
    name: 'Layers',
    layers: { first: 1, returning: 2 },
  };
  const block = (name: string, changes: Partial<Block>): Block => ({
    id: asId(name),
    name,
    summary: '',
    steps: [],
    layerGroups: [],
    choices: [],
    ...changes,
  });
  const opening = block('opening', {
    steps: [
      named('milk', { doses: [milk()] }),
      named('towel', { meanwhileOf: id('milk') }),
      named('acid', { layerGroupId: layers.id }),
    ],
    layerGroups: [layers],
  });
  const use = (of: string, line: string) =>
    ({ id: id(line), stretch: 'visit', name: of, blockId: asId<BlockId>(of) }) as const;
  const blocks = (...all: Block[]): ReadonlyMap<BlockId, Block> =>
    new Map(all.map((each) => [each.id, each]));
  const twice: Protocol = {
    ...protocol([]),
    steps: [use('opening', 'first'), named('mask'), use('opening', 'again')],
  };

  it('are written out wherever they are used, each time with steps and layers of their own', () => {
    const worked = valueOf(workFor(twice, blocks(opening), clientWith()));
    expect(worked.steps.map(({ name }) => name).join(' ')).toBe(
      'milk towel acid mask milk towel acid',
    );
    expect(new Set(worked.steps.map((each) => each.id)).size).toBe(7);
    expect(worked.steps.map((each) => lineOfStep(each.id)).join(' ')).toBe(
      'first first first mask again again again',
    );
    const arranged = valueOf(arrange(worked, 'returning')).visit;
    expect(arranged.filter((each) => each.kind === 'step' && each.layer === 2)).toHaveLength(2);
  });

  it('say so where every step is for others, apart from a protocol without steps', () => {
    const rich = { choiceId: skin.id, optionId: asId<never>('rich') };
    const all = protocol([named('cream', { option: rich })], { choices: [skin] });
    const worked = valueOf(workFor(all, none, clientWith({ skinType: 'oily' })));
    expect(problemOf(arrange(worked, 'first'))).toMatchObject({ code: 'nothing-done' });
    const blank = valueOf(workFor(protocol([]), none, clientWith()));
    expect(problemOf(arrange(blank, 'first')).code).toBe('protocol-empty');
  });

  it('are done only for whom their line is, beside what their own steps ask', () => {
    const evening: Choice = {
      id: asId('evening'),
      name: 'When',
      by: 'day-time',
      take: 'first',
      noneIsFine: true,
      options: [{ id: asId('late'), name: 'In the evening', for: ['evening'] }],
    };
    const night = block('night', {
      steps: [
        named('rich', { option: { choiceId: skin.id, optionId: asId('rich') } }),
        named('any'),
      ],
      choices: [skin],
    });
    const whole: Protocol = {
      ...protocol([], { choices: [evening] }),
      steps: [
        { ...use('night', 'line'), option: { choiceId: evening.id, optionId: asId('late') } },
      ],
    };
    const done = (client: Partial<Client>): string[] =>
      valueOf(workFor(whole, blocks(night), clientWith(client))).steps.map(({ name }) => name);
    expect(done({ skinType: 'dry', dayTime: 'evening' })).toEqual(['rich', 'any']);
    expect(done({ skinType: 'dry', dayTime: 'day' })).toEqual([]);
    expect(done({ skinType: 'oily', dayTime: 'evening' })).toEqual(['any']);
    /* The same when the block is written out into the protocol. */
    let made = 0;
    const detached = detachBlock(whole, asId('line'), blocks(night), () => `new-${(made += 1)}`);
    const apart = (client: Partial<Client>): string[] =>
      valueOf(workFor(detached, blocks(night), clientWith(client))).steps.map(({ name }) => name);
    expect(apart({ skinType: 'dry', dayTime: 'day' })).toEqual([]);
    expect(apart({ skinType: 'dry', dayTime: 'evening' })).toEqual(['rich', 'any']);
  });

  it('stand in the layers of their line, in those it says, and beside what it lies beside', () => {
    const two = block('two', { steps: [named('a'), named('b')] });
    const layers: LayerGroup = {
      id: asId('l'),
      name: 'Passes',
      layers: { first: 2, returning: 2 },
    };
    const layered: Protocol = {
      ...protocol([], { layerGroups: [layers] }),
      steps: [
        named('each', { layerGroupId: layers.id }),
        { ...use('two', 'line'), layerGroupId: layers.id, inLayers: 'last' },
      ],
    };
    const worked = valueOf(workFor(layered, blocks(two), clientWith()));
    expect(
      valueOf(arrange(worked, 'returning')).visit.map(
        (each) => each.kind === 'step' && `${each.step.name}${each.layer}`,
      ),
    ).toEqual(['each1', false, 'each2', 'a2', 'b2'].filter((each) => each !== false));
    const host = named('mask', { id: asId('mask') });
    const beside: Protocol = {
      ...protocol([]),
      steps: [host, { ...use('two', 'line'), meanwhileOf: host.id }],
    };
    expect(
      valueOf(workFor(beside, blocks(two), clientWith())).steps.map(
        ({ meanwhileOf }) => meanwhileOf,
      ),
    ).toEqual([undefined, 'mask', 'mask']);
  });

  it('that are gone, or contain themselves, are named', () => {
    expect(problemOf(workFor(twice, none, clientWith()))).toMatchObject({
      code: 'block-unknown',
      where: { stepId: 'first' },
    });
    const self = blocks(
      block('opening', { steps: [use('closing', 'c')] }),
      block('closing', { steps: [use('opening', 'o')] }),
    );
    expect(problemOf(workFor(twice, self, clientWith())).message).toBe(
      'A block cannot contain itself: opening → closing → opening.',
    );
  });

  it('stand in an edition as steps, with the recipes they use: later edits change nothing in it', () => {
    const clay = mix({ id: asId('clay'), name: 'Clay' });
    const used = block('opening', {
      steps: [
        named('mask', {
          doses: [
            dose(cleanser().id, measured(1, 'g'), { source: { kind: 'mix', mixId: clay.id } }),
          ],
        }),
      ],
    });
    const said = { number: 3, publishedAt: '2026-01-01T10:00:00Z', note: 'first' };
    const mixes = new Map([
      [clay.id, clay],
      [asId<typeof clay.id>('other'), mix({ id: asId('other') })],
    ]);
    const edition = valueOf(editionFrom(twice, { blocks: blocks(used), mixes }, said));
    expect(edition).toMatchObject({ number: 3, note: 'first', protocolId: twice.id });
    expect(edition.mixes).toEqual([clay]);
    expect(valueOf(workFor(edition.protocol, none, clientWith())).steps).toHaveLength(3);
    expect(draftFrom(edition, { ...twice, name: 'Renamed' })).toMatchObject({
      name: 'Renamed',
      steps: edition.protocol.steps,
    });
  });
});

describe('layers and passes as they are worked', () => {
  const told = (group: Partial<LayerGroup>, steps: readonly Partial<Step>[]): string => {
    const of: LayerGroup = {
      id: asId('l'),
      name: 'Passes',
      layers: { first: 1, returning: 2 },
      between: { wait: minutes(1) },
      ...group,
    };
    const worked = protocol(
      steps.map((changes, at) => named(`${'abc'[at]}`, { layerGroupId: of.id, ...changes })),
      { layerGroups: [of] },
    );
    return valueOf(arrange(worked, 'returning'))
      .visit.map((each) =>
        each.kind === 'step'
          ? `${each.step.name}${each.layer}${each.half === undefined ? '' : each.half === 'one-half' ? 'l' : 'r'}`
          : each.kind,
      )
      .join(' ');
  };

  it('begin with a test spot, and go one half of the face after the other', () => {
    const testSpot = {
      zones: ['cheeks'],
      minutes: minutes(1),
      wait: minutes(10),
      watch: 'redness',
    } as const;
    expect(told({ testSpot }, [{}])).toBe('test a1 between a2');
    expect(told({ halves: true }, [{}, {}])).toBe('a1l b1l a1r b1r between a2l b2l a2r b2r');
  });

  it('do some steps only in the first, in the last, or before the last', () => {
    expect(
      told({}, [{ inLayers: 'first' }, { inLayers: 'all-but-last' }, { inLayers: 'last' }]),
    ).toBe('a1 b1 between c2');
  });
});
