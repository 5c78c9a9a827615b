import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LayerGroup, Otherwise, Step } from '../house/house';
import { withOtherwise } from '../protocol/otherwise';
import { clientWith, type Client } from '../house/client';
import { asId } from '../house/ids';
import { workFor } from '../protocol/workFor';
import { VARYING } from '../house/ways';
import type { Question } from '../house/question';
import { measured, minutes, protocol, step } from '../testing/sample';
import { anyQuestion, anyStep, clock, someOf, text } from '../testing/anyStep';
import { ids, read, said, words } from '../testing/spoken';
import { ZONE_IDS } from '../zone/zoneOrder';
import { dosesForOf, joinedOf, type ForWhom, type Joined } from '../protocol/forWhom';
import { added, addedAll } from '../protocol/addSteps';
import { applyLine, changedByLine, lineToAdd } from './applyLine';
import { aroundStep, writeStepLine } from './writeStepLine';

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
    { by: 'skin-type', values: [] },
    { by: 'phototype', values: [] },
    { by: 'condition', values: [] },
    { by: 'visit-kind', values: [] },
    { by: 'day-time', values: [] },
    { by: 'season', values: [] },
    { by: 'condition', values: ['redness'], where: ['cheeks', 'nose'] },
    { by: 'condition', values: ['redness', 'own-loss-of-glow'], where: ['forehead'] },
    { by: 'condition', values: ['own-loss-of-glow'] },
    { by: 'course-visit', values: ['3', '6', 'every-4'] },
    { by: 'course-visit', values: [] },
    { by: 'since-last', values: ['2-to-4-weeks', 'over-6-months'] },
    { by: 'since-last', values: [] },
  ])('is said by its line, and read back: $by $values', (forWhom) => {
    expect(said(writeStepLine(mask, words, { forWhom: [forWhom] })).for).toEqual([forWhom]);
  });

  it('follows its line, and is everybody again when the line does not say it', () => {
    const some = changed('mask 3 min for oily skin');
    expect(joinedOf(some, some.steps[0] ?? {})).toEqual([oily]);
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

const anew = () => ({ ...ids, other: counted() });

describe('several conditions that are joined', () => {
  const mask = step('Mask', minutes(3), { action: 'mask', phase: 'mask' });
  const joined: Joined = [
    { by: 'skin-type', values: ['dry', 'mature'] },
    { by: 'day-time', values: ['evening'] },
    { by: 'course-visit', values: ['3', '6'] },
  ];

  it('all hold, are said one behind the other and read back', () => {
    const of = changedByLine(
      protocol([mask]),
      mask,
      said('mask 3 min for dry, mature skin in the evening on the third visit of the course'),
      ids,
    );
    const of3 = changedByLine(
      protocol([mask]),
      mask,
      said('mask 3 min for dry, mature skin in the evening for course visit 3, 6'),
      anew(),
    );
    expect(of.choices).toHaveLength(3);
    expect(joinedOf(of3, of3.steps[0] ?? {})).toEqual(joined);
    const line = writeStepLine(of3.steps[0] as Step, words, aroundStep(of3, of3.steps[0] as Step));
    expect(line).toContain('for dry, mature skin in the evening for course visit 3, 6');
    expect(changedByLine(of3, of3.steps[0] as Step, said(line), ids)).toEqual(of3);
    const all = changedByLine(of3, of3.steps[0] as Step, said('mask 3 min'), ids);
    expect(joinedOf(all, all.steps[0] ?? {})).toBeUndefined();
  });

  it('are for a product, too', () => {
    expect(
      said('cleanse 3 ml cleansing milk (for dry skin, in winter) 5 min').doses[0]?.for,
    ).toEqual([
      { by: 'skin-type', values: ['dry'] },
      { by: 'season', values: ['winter'] },
    ]);
  });

  it('cannot both hold where they decide the same', () => {
    expect(read('mask 3 min for dry skin for oily skin').faults[0]?.message).toContain('twice');
  });
});

const varied = anyStep.map(
  ({ minutes: time, hands, zones, lightly, more, last, never, ...of }): Otherwise['says'] => ({
    minutes: time,
    hands,
    ...(zones.length > 0 && { zones }),
    ...(lightly && { lightly }),
    ...(more && { more }),
    ...(last && { last }),
    ...(never && { never }),
    ...Object.fromEntries(
      Object.entries(of).filter(([key]) => (VARYING as readonly string[]).includes(key)),
    ),
  }),
);

describe('how a step is otherwise for some', () => {
  const facial = protocol([step('Mask', minutes(12), { action: 'mask', phase: 'mask' })], {
    layerGroups: [{ id: asId('g'), name: 'Coats', layers: { first: 1, returning: 2 } }],
  });
  const layered = { ...facial, steps: [{ ...facial.steps[0], layerGroupId: asId('g') } as Step] };
  const [mask] = facial.steps;
  if (!mask) throw new Error('The facial has a step.');

  it('is written and read back, whatever is otherwise and for whom', () => {
    const whoms = fc.uniqueArray(
      fc.constantFrom<Joined>(
        [{ by: 'skin-type', values: ['sensitive'] }],
        [{ by: 'season', values: ['winter'] }],
        [
          { by: 'visit-kind', values: ['first'] },
          { by: 'couch', values: ['Gentle', 'Today'] },
        ],
      ),
      { minLength: 1 },
    );
    fc.assert(
      fc.property(whoms, fc.array(varied, { minLength: 3, maxLength: 3 }), (all, says) => {
        const layers = { first: 1, returning: 3 };
        const otherwise = all.map((whom, at) => ({
          for: whom,
          says: says[at] ?? {},
          ...(at === 1 && { layers }),
        }));
        const so = withOtherwise(layered, mask.id, otherwise, counted());
        const made = so.steps[0] as Step;
        const line = writeStepLine(made, words, aroundStep(so, made));
        const parsed = read(line);
        expect(parsed.faults, line).toEqual([]);
        expect(parsed.said.otherwise, line).toEqual(otherwise);
        expect(changedByLine(so, made, parsed.said, ids), line).toEqual(so);
      }),
      { numRuns: 100 },
    );
  });

  it('is at the couch only when that is decided, and as for everybody usually', () => {
    const some = changedByLine(
      facial,
      mask,
      said('mask 12 min but at the couch "Touchy" of "Skin today" 6 min'),
      anew(),
    );
    expect(some.choices[0]?.options.map(({ name }) => name)).toEqual([
      'As for everybody',
      'Touchy',
    ]);
    const minutesFor = (decided: Client['decided']) => {
      const worked = workFor(some, new Map(), clientWith({ decided }));
      return worked.ok && worked.value.steps[0]?.minutes.usual;
    };
    const [choice] = some.choices;
    if (!choice?.options[1]) throw new Error('There are two.');
    expect(minutesFor(new Map())).toBe(12);
    expect(minutesFor(new Map([[choice.id, choice.options[1].id]]))).toBe(6);
  });

  it('is taken off when the line does not say it any more', () => {
    const some = changedByLine(
      facial,
      mask,
      said('mask 12 min but for sensitive skin 6 min at most 8 min but in winter on cheeks'),
      anew(),
    );
    const made = some.steps[0] as Step;
    expect(made.otherwise).toMatchObject([
      { says: { minutes: minutes(6), capMinutes: 8 } },
      { says: { zones: ['cheeks'] } },
    ]);
    const all = changedByLine(some, made, said('mask 12 min'), ids);
    expect((all.steps[0] as Step).otherwise).toBeUndefined();
  });

  it.each([
    ['mask 12 min but for dry skin', 'What is otherwise'],
    ['mask 12 min but for dry skin 3 ml cleansing milk', 'Another product'],
    ['mask 12 min but for dry skin say "Now"', 'can be otherwise where'],
    ['mask 12 min but for dry skin in 2 layers', 'Say first in how many layers'],
  ])('asks about “%s”', (line, message) => {
    expect(read(line).faults[0]?.message).toContain(message);
  });
});

describe('what is decided at the couch', () => {
  const couch = protocol(
    [step('Lift', minutes(3), { option: { choiceId: asId('hold'), optionId: asId('firm') } })],
    {
      choices: [
        {
          id: asId('hold'),
          name: 'How "firm"',
          by: 'couch',
          take: 'first',
          options: [
            { id: asId('soft'), name: 'Soft', for: [] },
            { id: asId('firm'), name: 'Firm', for: [] },
          ],
        },
      ],
    },
  );
  const lift = couch.steps[0] as Step;
  const line = writeStepLine(lift, words, aroundStep(couch, lift));

  it('is said by the names of the option and of what is decided, and read back', () => {
    expect(line).toContain('at the couch "Firm" of "How \\"firm\\""');
    expect(changedByLine(couch, lift, said(line), ids)).toEqual(couch);
  });

  it('is another option of the same when that is said, and a new one where there is none', () => {
    const soft = changedByLine(couch, lift, said(line.replace('"Firm"', '"Soft"')), ids);
    expect(soft.steps[0]?.option).toEqual({ choiceId: 'hold', optionId: 'soft' });
    const harder = changedByLine(couch, lift, said(line.replace('"Firm"', '"Harder"')), ids);
    expect(harder.choices[0]?.options.map(({ name }) => name)).toEqual(['Soft', 'Firm', 'Harder']);
  });

  it('makes a choice with the names that are said, beside going without', () => {
    const of = added(
      protocol([]),
      lineToAdd(read('lift 3 min at the couch "Firm" of "Hold"'), ids),
      undefined,
      counted(),
    );
    expect(of.choices.map(({ name, options }) => [name, options.map((each) => each.name)])).toEqual(
      [['Hold', ['Firm', 'Left out']]],
    );
    const both = added(
      of,
      lineToAdd(read('press 3 min at the couch "Soft" of "Hold"'), ids),
      undefined,
      counted(),
    );
    expect(both.choices).toHaveLength(1);
    expect(both.choices[0]?.options.map(({ name }) => name)).toContain('Soft');
  });
});

describe('for whom a product is', () => {
  const dry: ForWhom = { by: 'skin-type', values: ['dry'] };
  const evening: ForWhom = { by: 'day-time', values: ['evening'] };
  const line = 'cleanse 3 ml cleansing milk and 2 ml water (for dry skin) 5 min';
  const written = (of: ReturnType<typeof protocol>) =>
    writeStepLine(of.steps[0] as Step, words, {
      dosesFor: dosesForOf(of, of.steps[0] as Step),
    });

  it('is said in brackets behind it, and not of the step', () => {
    const read_ = said(line);
    expect(read_.for).toBeUndefined();
    expect(read_.doses.map((each) => each.for)).toEqual([undefined, [dry]]);
  });

  it('makes the choice when it is added, and is written and read back', () => {
    const what = lineToAdd(read(line), ids);
    const of = added(protocol([]), what, undefined, ids.other);
    expect(of.choices).toHaveLength(1);
    expect(dosesForOf(of, of.steps[0] as Step)).toEqual(
      new Map([[(of.steps[0] as Step).doses[1]?.id, [dry]]]),
    );
    expect(written(of)).toContain('(for dry skin)');
    expect(said(written(of)).doses.map((each) => each.for)).toEqual([undefined, [dry]]);
  });

  it('follows its line, and is everybody again when the line does not say it', () => {
    const of = added(protocol([]), lineToAdd(read(line), ids), undefined, ids.other);
    const change = (to: string, from = of) =>
      changedByLine(from, from.steps[0] as Step, said(to), ids);
    const later = change('cleanse 3 ml cleansing milk (in the evening) and 2 ml water 5 min');
    expect([...dosesForOf(later, later.steps[0] as Step).values()]).toEqual([[evening]]);
    const all = change('cleanse 3 ml cleansing milk and 2 ml water 5 min');
    expect(dosesForOf(all, all.steps[0] as Step).size).toBe(0);
  });

  it('is anybody else of the same choice', () => {
    const two =
      'cleanse 3 ml cleansing milk (for dry skin) and 2 ml water (for anybody else) 5 min';
    const of = added(protocol([]), lineToAdd(read(two), ids), undefined, counted());
    expect(of.choices.map(({ options }) => options.map((each) => each.for))).toEqual([
      [['dry'], []],
    ]);
    const line = writeStepLine(of.steps[0] as Step, words, aroundStep(of, of.steps[0] as Step));
    expect(line).toContain('(for any other skin)');
    expect(changedByLine(of, of.steps[0] as Step, said(line), ids)).toEqual(of);
    expect(read('cleanse 2 ml water (for anybody else) 5 min').faults[0]?.message).toContain(
      'Anybody else than for whom',
    );
  });

  it('asks for the bracket to be closed', () => {
    expect(read('cleanse 3 ml cleansing milk (for dry skin 5 min').faults[0]?.message).toContain(
      'not closed',
    );
  });
});

const unnamed = ({ id: _id, ...question }: Question): Omit<Question, 'id'> => question;
const toldOfLayers: fc.Arbitrary<Partial<LayerGroup>> = fc.record(
  {
    between: clock.map((wait) => ({ wait })),
    halves: fc.constant(true as const),
    testSpot: fc.record({ zones: someOf(ZONE_IDS), minutes: clock, wait: clock, watch: text }),
    asks: fc.uniqueArray(anyQuestion, { minLength: 1, maxLength: 2, selector: ({ ask }) => ask }),
  },
  { requiredKeys: [] },
);

describe('in how many layers a step is done', () => {
  const after = (lines: readonly string[]) =>
    addedAll(
      protocol([]),
      lines.map((line) => lineToAdd(read(line), ids)),
      undefined,
      counted(),
    );
  const lineOf = (of: ReturnType<typeof after>, at: number) =>
    writeStepLine(of.steps[at] as Step, words, aroundStep(of, of.steps[at] as Step));

  it('is said of each of its steps, and is one number for all of them', () => {
    const of = after([
      'mask 3 min in 2 layers, 3 on later visits "Clay"',
      'massage 2 min in 2 layers, 3 on later visits',
      'protect 1 min',
    ]);
    expect(of.layerGroups).toMatchObject([{ name: 'Clay', layers: { first: 2, returning: 3 } }]);
    expect(of.steps.map(({ layerGroupId }) => layerGroupId !== undefined)).toEqual([
      true,
      true,
      false,
    ]);
    expect(lineOf(of, 1)).toContain('in 2 layers, 3 on later visits "Clay"');
  });

  it('follows its line: another number, once, and again', () => {
    const of = after(['mask 3 min in 2 layers', 'massage 2 min in 2 layers']);
    const change = (to: string, from = of) =>
      changedByLine(from, from.steps[0] as Step, said(to), ids);
    expect(change('mask 3 min in three layers').layerGroups).toMatchObject([
      { layers: { first: 3, returning: 3 } },
    ]);
    const once = change('mask 3 min');
    expect(once.steps[0]?.layerGroupId).toBeUndefined();
    expect(change('mask 3 min in 2 layers "Mask"', once).layerGroups).toHaveLength(1);
  });

  it('is read back as it was written, with what the layers ask between them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 50 }),
        fc.integer({ min: 1, max: 50 }),
        text,
        toldOfLayers,
        (first, returning, name, told) => {
          const of = after([`mask 3 min in ${first} layers, ${returning} on later visits`]);
          const named = {
            ...of,
            layerGroups: of.layerGroups.map((each) => ({ ...each, name, ...told })),
          };
          const line = lineOf(named, 0);
          expect(changedByLine(named, named.steps[0] as Step, said(line), ids), line).toEqual(
            named,
          );
          /* And by itself, in a protocol that has none of it yet. */
          const anew = addedAll(protocol([]), [lineToAdd(read(line), ids)], undefined, counted());
          const plain = { id: '', asks: named.layerGroups[0]?.asks?.map(unnamed) };
          const made = anew.layerGroups[0];
          expect({ ...made, id: '', asks: made?.asks?.map(unnamed) }, line).toEqual({
            ...named.layerGroups[0],
            ...plain,
          });
        },
      ),
      { numRuns: 100 },
    );
  });

  it('is a whole number, said once, and only before layers', () => {
    expect(read('mask 3 min in 0 layers').faults[0]?.message).toContain('from 1 to 50');
    expect(read('mask 3 min in 1/2 layers').faults[0]?.message).toContain('from 1 to 50');
    expect(read('mask 3 min in 2 layers in 3 layers').faults[0]?.message).toContain('twice');
    expect(said('rest in quiet 3 min').name).toBe('Rest in quiet');
  });
});

function counted(): () => string {
  let made = 0;
  return () => `made-${(made += 1)}`;
}
