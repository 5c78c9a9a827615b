import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Device } from '../house/device';
import type { Amount, Dose, Material, Mix, Step } from '../house/house';
import { asId } from '../house/ids';
import { REMOVALS, TOOLS } from '../house/protocol';
import { ACTIONS, PHASES } from '../house/actions';
import {
  bought,
  cleanser,
  measured,
  minutes,
  mix,
  protocol,
  sachet,
  step,
} from '../testing/sample';
import { ZONE_IDS } from '../zone/zones';
import { forWhomOf, type ForWhom } from '../protocol/forWhom';
import { applyLine, changedByLine, type NewIds } from './applyLine';
import { completionsAt } from './completions';
import { parseLines } from './parseLines';
import { parseStepLine, type ParsedLine } from './parseStepLine';
import { vocabularyOf } from './vocabulary';
import { writeStepLine } from './writeStepLine';

const named = (id: string, name: string, changes: Partial<Material> = {}): Material =>
  ({ ...cleanser({ id: asId(id), name }), ...changes }) as Material;
const pieces = (id: string, name: string): Material => ({
  id: asId(id),
  kind: 'consumable',
  countedPer: 'client',
  name,
  unit: 'piece',
  measures: {},
  ...bought({}),
});

const materials: Material[] = [
  named('milk', 'Prickly-pear cleansing milk'),
  named('water', 'Distilled water'),
  named('acid', 'Fruit-acid blend 20 %'),
  named('oil', 'Night-jasmine massage oil', {
    measures: {
      named: [{ name: 'almond', usual: 1.5, unit: 'ml' }],
      coats: [{ name: 'mask', usual: 90 }],
    },
  }),
  named('polish', 'Pumice polish'),
  sachet({ id: asId('fig'), name: 'Fig enzyme powder' }),
  pieces('pad', 'Cotton pads'),
  pieces('towel', 'Face towel'),
  named('gone', 'Old tonic', { archivedOn: '2026-01-01' }),
];
const clay: Mix = mix({ id: asId('clay'), name: 'Clay mask, mixed' });
const pen: Device = {
  id: asId('pen'),
  name: 'Fine-needle pen',
  count: 1,
  hazards: ['needles'],
  settings: [{ kind: 'depth', unit: 'mm', least: 0.25, most: 1.5, safer: 'less' }],
  neverZones: [],
  eyeProtection: false,
  trainedIds: [],
};
const steamer: Device = { ...pen, id: asId('steamer'), name: 'Facial steamer', settings: [] };
const words = vocabularyOf({
  materials,
  mixes: [clay],
  devices: [pen, steamer],
  protocols: [{ id: asId('eye-sheet'), name: 'Eye sheet' }],
});

let made = 0;
const ids: NewIds = {
  step: () => asId(`s${(made += 1)}`),
  dose: () => asId(`d${(made += 1)}`),
  other: () => `o${(made += 1)}`,
};
beforeEach(() => {
  made = 0;
});
const read = (line: string): ParsedLine => parseStepLine(line, words);
const said = (line: string): ParsedLine['said'] => {
  const { faults, said: what } = read(line);
  expect(faults).toEqual([]);
  return what;
};
const faultOf = (line: string): string => {
  const [fault] = read(line).faults;
  return fault ? `${line.slice(fault.from, fault.to)} | ${fault.message}` : '';
};

describe('a step as it is said', () => {
  it('reads what is done, how much of what, where, how long and how it comes off', () => {
    expect(said('cleanse 3 pumps cleansing milk on face, neck 2-3 min then warm towel')).toEqual({
      action: 'cleanse',
      doses: [
        {
          source: { kind: 'material', materialId: 'milk' },
          amount: {
            how: 'counted',
            measure: 'pump',
            quantity: { low: 3, usual: 3, high: 3 },
          },
          opening: 'fresh',
        },
      ],
      zones: ['face', 'neck-front'],
      minutes: { least: 2, usual: 2.5, most: 3 },
      removal: { how: 'warm-towel' },
    });
  });

  it.each<[string, Amount]>([
    [
      '2,5 ml distilled water',
      { how: 'measured', unit: 'ml', quantity: { low: 2.5, usual: 2.5, high: 2.5 } },
    ],
    [
      '1/2/4 g pumice polish',
      { how: 'measured', unit: 'g', quantity: { low: 1, usual: 2, high: 4 } },
    ],
    ['5ml water', { how: 'measured', unit: 'ml', quantity: { low: 5, usual: 5, high: 5 } }],
    ['a sachet fig enzyme', { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } }],
    [
      'two pumps of milk',
      { how: 'counted', measure: 'pump', quantity: { low: 2, usual: 2, high: 2 } },
    ],
    ['half sachet of fig enzyme', { how: 'packs', quantity: { low: 0.5, usual: 0.5, high: 0.5 } }],
    ['1 fig enzyme powder', { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } }],
    ['2 cotton pads', { how: 'measured', unit: 'piece', quantity: { low: 2, usual: 2, high: 2 } }],
    [
      '1 almond massage oil',
      { how: 'named', name: 'almond', quantity: { low: 1, usual: 1, high: 1 } },
    ],
    ['thin coat of massage oil', { how: 'coat', coat: 'thin' }],
    ['mask layer massage oil', { how: 'coat', coat: 'mask' }],
    ['90 mg/cm2 polish', { how: 'coat-weight', mgPerCm2: { low: 90, usual: 90, high: 90 } }],
    ['2 ftu milk', { how: 'fingertip', quantity: { low: 2, usual: 2, high: 2 } }],
    [
      '3 g fruit acid blend 20 %',
      { how: 'measured', unit: 'g', quantity: { low: 3, usual: 3, high: 3 } },
    ],
    [
      '4 g clay mask, mixed',
      { how: 'measured', unit: 'g', quantity: { low: 4, usual: 4, high: 4 } },
    ],
  ])('knows every school of dosing: %s', (amount, expected) => {
    expect(said(`mask ${amount}`).doses.map((dose) => dose.amount)).toEqual([expected]);
  });

  it('knows hands, helpers, gloves, what is seen and said, settings by zone, and add-ons', () => {
    expect(
      said(
        '+ needle "Needling" with fine-needle pen (cheeks: depth 0,5, 2 passes; forehead: depth 0.25) running facial steamer until "even pinkness" at most 3 min sterile gloves if "scars are seen" usually left out say "Tell me." because "it heals" watch "bleeding" offer eye sheet by assistant watching makes clay mask, mixed covered never eye contour',
      ),
    ).toMatchObject({
      name: 'Needling',
      device: {
        deviceId: 'pen',
        settings: [
          { zones: ['cheeks'], values: [{ kind: 'depth', value: 0.5 }], passes: 2 },
          { zones: ['forehead'], values: [{ kind: 'depth', value: 0.25 }] },
        ],
      },
      running: ['steamer'],
      until: 'even pinkness',
      capMinutes: 3,
      gloves: 'sterile',
      optional: { usually: 'left-out', if: 'scars are seen' },
      say: 'Tell me.',
      why: 'it heals',
      watch: 'bleeding',
      offers: ['eye-sheet'],
      by: 'assistant',
      hands: 'watching',
      makes: ['clay'],
      covers: true,
      never: ['eye-contour'],
    });
    expect(read('+ massage 5 min').beside).toBe(true);
  });

  it('takes text from a word processor', () => {
    expect(said('massage “Hand massage” 7–9 min say “Lean back”')).toMatchObject({
      name: 'Hand massage',
      minutes: { least: 7, usual: 8, most: 9 },
      say: 'Lean back',
    });
    expect(said('MASSAGE on décolleté 1:15')).toMatchObject({
      zones: ['decollete'],
      minutes: { usual: 75 },
    });
  });

  it.each([
    ['Mask rests 12 min free', { action: 'mask', name: 'Mask rests', hands: 'free' }],
    ['look closely 2 min', { action: 'look', name: 'Look closely' }],
    ['prepare the room 2 cotton pads', { action: 'prepare', name: 'Prepare the room' }],
    ['home care 3-8 min', { phase: 'home-care', name: 'Home care' }],
    ['day cream 1 pump milk', { name: 'Day cream' }],
    ['consult watch allergies, pregnancy', { action: 'consult', watch: 'allergies, pregnancy' }],
    ['mask half pack fig enzyme cap 8', { action: 'mask', capMinutes: 8 }],
  ])('takes words as they are: %s', (line, expected) => {
    expect(faultOf(line)).toBe('');
    expect(said(line)).toMatchObject(expected);
  });
});

describe('what does not fit', () => {
  it.each([
    ['3 pumps cleansing milk', /^3 \| Begin with what is done/],
    ['cleanse 3 pumps', /\| Say which product/],
    ['cleanse 3 pumps fig milk', /^fig milk \| Nothing on the shelf is called “fig milk”/],
    ['cleanse 3 pumps old tonic', /^old tonic \| Nothing on the shelf/],
    ['cleanse 2 g oil or', /\| Nothing on the shelf/],
    ['cleanse with hammer', /^hammer \| There is no tool or device called “hammer”/],
    ['cleanse on moon 3 min', /^moon \| There is no zone called “moon”/],
    ['wait until dry', /^until dry \| An endpoint needs a cap/],
    ['wait 5-3 min', /^5-3 min \| Put least, usual and most/],
    ['wait 3 min 4 min', /^4 min \| The minutes are said twice/],
    ['cleanse free watching', /^watching \| It is said twice whose hands/],
    ['cleanse 3 min blah blah', /^blah blah \| This is not understood/],
    ['clense 3 min', /^clense \| Is “cleanse” meant/],
    ['masage "Hands"', /^masage \| Is “massage” meant/],
    ['cleanse then fire', /^then fire \| How does it come off/],
    ['""', /A step needs a name/],
    ['mask 3', /^3 \| Say of what/],
    ['mask 3 pumice polish', /^3 pumice polish \| Say how Pumice polish is measured/],
    ['say hello', /^say \| Begin with what is done/],
    ['cleanse say 3', /^say \| Which words/],
  ])('%s', (line, words_) => {
    expect(faultOf(line)).toMatch(words_);
  });

  it('asks which, where two things have the words', () => {
    const two = vocabularyOf({
      materials: [...materials, named('milk-2', 'Almond cleansing milk')],
      mixes: [],
      devices: [],
      protocols: [],
    });
    const [fault] = parseStepLine('cleanse 3 pumps cleansing milk', two).faults;
    expect(fault?.message).toBe('Which one: Prickly-pear cleansing milk or Almond cleansing milk?');
  });

  it('comes to an end whatever is typed, with every fault inside the line', () => {
    const bits = fc.constantFrom(
      ...'cleanse,3,pumps,min,on,face,with,then,until,at most,(,),:,;,"x,+,-,/,2,5 ml,milk,if,say,#,%'.split(
        ',',
      ),
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(bits).map((each) => each.join(' ')),
        ),
        (line) => {
          for (const { from, to } of read(line).faults) {
            expect(0 <= from && from <= to && to <= line.length).toBe(true);
          }
        },
      ),
    );
  });
});

const amountsOf = (unit: 'piece' | 'other'): fc.Arbitrary<Amount> => {
  const quantity = fc
    .tuple(...Array.from({ length: 3 }, () => fc.integer({ min: 1, max: 40_000 })))
    .map((three) => three.sort((a, b) => a - b).map((each) => each / 1000))
    .map(([low = 0, usual = 0, high = 0]) => ({ low, usual, high }));
  return unit === 'piece'
    ? quantity.map((each) => ({ how: 'measured', quantity: each, unit: 'piece' }))
    : fc.oneof(
        fc
          .tuple(quantity, fc.constantFrom('ml', 'g', 'tsp', 'tbsp', 'us-fl-oz', 'oz'))
          .map(([each, of]): Amount => ({ how: 'measured', quantity: each, unit: of as 'ml' })),
        fc
          .tuple(quantity, fc.constantFrom('pump', 'drop', 'dropper', 'spray', 'spatula'))
          .map(([each, of]): Amount => ({ how: 'counted', quantity: each, measure: of as 'pump' })),
        quantity.map((each): Amount => ({ how: 'named', quantity: each, name: 'almond' })),
        quantity.map((each): Amount => ({ how: 'packs', quantity: each })),
        quantity.map((each): Amount => ({ how: 'fingertip', quantity: each })),
        quantity.map((each): Amount => ({ how: 'coat-weight', mgPerCm2: each })),
        fc
          .constantFrom('thin', 'standard', 'generous', 'mask')
          .map((coat): Amount => ({ how: 'coat', coat })),
      );
};
const doseOf: fc.Arbitrary<Dose> = fc
  .constantFrom(...materials.filter(({ archivedOn }) => archivedOn === undefined), clay)
  .chain((thing) => {
    const unit = 'unit' in thing && thing.unit === 'piece' ? 'piece' : 'other';
    return fc
      .tuple(amountsOf(unit), fc.constantFrom<Dose['opening']>('fresh', 'left-over-first'))
      .map(([amount, opening]): Dose => ({
        id: asId('d'),
        source:
          'unit' in thing
            ? { kind: 'material', materialId: thing.id }
            : { kind: 'mix', mixId: thing.id },
        amount,
        opening,
      }));
  });
const someOf = <T>(values: readonly T[]): fc.Arbitrary<T[]> =>
  fc.uniqueArray(fc.constantFrom(...values), { minLength: 1, maxLength: 4 });
const text = fc
  .array(fc.constantFrom('Warm', 'until', '"quoted"', 'on', '3 min', 'née', '\\', '%', 'at most'), {
    minLength: 1,
    maxLength: 5,
  })
  .map((each) => each.join(' '));
const clock = fc
  .tuple(...Array.from({ length: 3 }, () => fc.integer({ min: 0, max: 600 })))
  .map((three) => three.sort((a, b) => a - b).map((each) => each / 10))
  .map(([least = 0, usual = 0, most = 0]) => ({ least, usual, most }));

const anyStep: fc.Arbitrary<Step> = fc
  .record(
    {
      action: fc.constantFrom(...ACTIONS),
      phase: fc.constantFrom(...PHASES),
      lightly: someOf(ZONE_IDS),
      never: someOf(ZONE_IDS),
      tools: someOf(TOOLS),
      device: fc.constant({
        deviceId: pen.id,
        settings: [
          {
            zones: ['face', 'neck-front'] as const,
            values: [{ kind: 'depth' as const, value: 0.5 }],
            passes: 2,
          },
        ],
      }),
      running: fc.constant([steamer.id]),
      covers: fc.constant(true as const),
      removal: fc.record(
        {
          how: fc.constantFrom(...REMOVALS),
          taking: fc.constant({ materialId: asId<Material['id']>('towel'), pieces: 2 }),
          waterMl: fc.integer({ min: 1, max: 3000 }),
        },
        { requiredKeys: ['how'] },
      ),
      gloves: fc.constantFrom('plain' as const, 'sterile' as const),
      makes: fc.constant([clay.id]),
      optional: fc.record({
        usually: fc.constantFrom('done' as const, 'left-out' as const),
        if: fc.oneof(text, fc.constant('')),
      }),
      offers: fc.constant([asId<never>('eye-sheet')]),
      say: text,
      why: text,
      watch: text,
      note: text,
      name: text,
      zones: fc.oneof(fc.constant([]), someOf(ZONE_IDS)),
      doses: fc.uniqueArray(doseOf, {
        maxLength: 3,
        selector: (each) => JSON.stringify(each.source),
      }),
      minutes: clock,
      by: fc.constantFrom('therapist' as const, 'assistant' as const),
      hands: fc.constantFrom('hands-on' as const, 'watching' as const, 'free' as const),
      cap: fc.record({
        until: fc.option(text, { nil: undefined }),
        capMinutes: fc.integer({ min: 1, max: 90 }),
      }),
    },
    { requiredKeys: ['name', 'zones', 'doses', 'minutes', 'by', 'hands'] },
  )
  .map(({ cap, phase, ...rest }): Step => {
    const made_ = step(rest.name, rest.minutes, { ...rest, id: asId('s') });
    return {
      ...made_,
      /* What has an action stands in its phase unless another is said. */
      ...(phase !== undefined || rest.action === undefined ? phase && { phase } : {}),
      ...(cap && {
        capMinutes: cap.capMinutes,
        ...(cap.until !== undefined && { until: cap.until }),
      }),
    };
  });

describe('from a step to its line and back', () => {
  it('gives the step again, whatever it says', () => {
    fc.assert(
      fc.property(anyStep, (before) => {
        const line = writeStepLine(before, words);
        const parsed = read(line);
        expect(parsed.faults, line).toEqual([]);
        const after = applyLine(parsed.said, before, ids);
        const phase = before.phase ?? after.phase;
        expect(after, line).toEqual({ ...before, ...(phase && { phase }) });
      }),
      { numRuns: 300 },
    );
  });

  it('keeps where a step stands, and the options of its products', () => {
    const before = step('Cleanse', minutes(3), {
      action: 'cleanse',
      phase: 'cleanse',
      stretch: 'set-up',
      meanwhileOf: asId('mask'),
      doses: [
        {
          id: asId('mine'),
          source: { kind: 'material', materialId: asId('milk') },
          amount: measured(2, 'ml'),
          opening: 'fresh',
          option: { choiceId: asId('c'), optionId: asId('o') },
        },
      ],
    });
    const after = applyLine(said('cleanse 4 ml cleansing milk and 1 ml water 5 min'), before, ids);
    expect(after).toMatchObject({ id: before.id, stretch: 'set-up', meanwhileOf: 'mask' });
    expect(after.doses.map(({ id, option }) => [id, option?.optionId])).toEqual([
      ['mine', 'o'],
      ['d1', undefined],
    ]);
  });
});

describe('for whom a step is', () => {
  const oily = { by: 'skin-type', values: ['oily'] } as const;
  const facial = protocol([step('Mask', minutes(3), { action: 'mask', phase: 'mask' })]);
  const [mask] = facial.steps;
  if (!mask) throw new Error('The facial has a step.');
  const changed = (line: string, of = facial, one = mask) =>
    changedByLine(of, one, said(line), ids);

  it.each<ForWhom>([
    oily,
    { by: 'skin-type', values: ['dry', 'sensitive'] },
    { by: 'phototype', values: ['IV', 'V', 'VI'] },
    { by: 'condition', values: ['visible-capillaries', 'redness'] },
    { by: 'visit-kind', values: ['first'] },
    { by: 'visit-kind', values: ['returning'] },
    { by: 'day-time', values: ['evening'] },
    { by: 'season', values: ['summer'] },
    { by: 'season', values: ['summer', 'autumn'] },
  ])('is said by its line, and read back: $by $values', (forWhom) => {
    expect(said(writeStepLine(mask, words, { forWhom })).for).toEqual(forWhom);
  });

  it('follows its line, and is everybody again when the line does not say it', () => {
    const some = changed('mask 3 min for oily skin');
    expect(forWhomOf(some, some.steps[0]?.option)).toEqual(oily);
    const all = changed('mask 3 min', some, some.steps[0]);
    expect(all.steps[0]?.option).toBeUndefined();
  });

  it('stays where no line can say it', () => {
    const option = { choiceId: asId<never>('c'), optionId: asId<never>('o') };
    const before = { ...mask, option };
    const after = changed('mask 4 min', protocol([before]), before);
    expect(after.steps[0]?.option).toEqual(option);
  });
});

describe('many lines at once', () => {
  it('become steps in their stretches, what begins with + beside the one before', () => {
    const parsed = parseLines(
      'Set-up:\n1. prepare 4 min\n\nVisit\n• mask 4 g clay mask, mixed on face 12 min\n  + massage on hands 7-9 min\n3 of nothing\nReset:\n- clean 6 min',
      words,
    );
    expect(parsed.map(({ stretch, beside, line }) => [stretch, beside, line])).toEqual([
      ['set-up', false, 'prepare 4 min'],
      ['visit', false, 'mask 4 g clay mask, mixed on face 12 min'],
      ['visit', true, '+ massage on hands 7-9 min'],
      ['visit', false, '3 of nothing'],
      ['reset', false, 'clean 6 min'],
    ]);
    expect(parsed.map(({ faults }) => faults.length > 0)).toEqual([
      false,
      false,
      false,
      true,
      false,
    ]);
  });
});

describe('going on with a line', () => {
  it.each([
    ['cl', 'cleanse'],
    ['cleanse 3 pu', 'pumps'],
    ['cleanse 3 pumps clea', 'Prickly-pear cleansing milk'],
    ['cleanse 3 pumps milk on fa', 'face'],
    ['cleanse 3 pumps milk on face, ne', 'neck front'],
    ['needle with fin', 'Fine-needle pen'],
    ['cleanse then warm', 'warm towel'],
    ['cleanse unt', 'until'],
  ])('%s: offers %s', (line, expected) => {
    expect(completionsAt(line, line.length, words).map(({ words: shown }) => shown)).toContain(
      expected,
    );
  });

  it('puts what is chosen in the place of what was begun', () => {
    const line = 'cleanse 3 pumps clea on face';
    const [first] = completionsAt(line, 'cleanse 3 pumps clea'.length, words);
    expect(first).toMatchObject({ from: 16, to: 20 });
  });
});
