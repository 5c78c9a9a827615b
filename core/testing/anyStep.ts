import fc from 'fast-check';
import type { Amount, Dose, Material, Step } from '../house/house';
import { asId } from '../house/ids';
import {
  DIRECTIONS,
  HAND_STATES,
  MOST_HOLDS,
  MOVEMENTS,
  PRESSURES,
  SKIN_STATES,
  TEMPERATURES,
  type Technique,
} from '../house/technique';
import { DOSE_INTO, REMOVALS, TOOLS } from '../house/ways';
import { ACTIONS, PHASES } from '../house/actions';
import { RESPONSES, SIGNS, type AnswerKind, type Question, type Reaction } from '../house/question';
import { step } from './sample';
import { clay, materials, pen, steamer } from './spoken';
import { ZONE_IDS } from '../zone/zoneOrder';

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
    const wholes = fc.constantFrom<Amount>(
      { how: 'all' },
      { how: 'rest' },
      { how: 'batches', quantity: { low: 1, usual: 1, high: 1 } },
      { how: 'batches', quantity: { low: 1, usual: 2, high: 2.5 } },
    );
    const amounts = 'unit' in thing ? amountsOf(unit) : fc.oneof(amountsOf(unit), wholes);
    return fc
      .tuple(
        amounts,
        fc.constantFrom<Dose['opening']>('fresh', 'left-over-first'),
        fc.option(fc.constantFrom(...DOSE_INTO)),
        fc.boolean(),
        fc.boolean(),
      )
      .map(([amount, opening, into, isOver, isAgain]): Dose => ({
        id: asId('d'),
        source:
          'unit' in thing
            ? { kind: 'material', materialId: thing.id }
            : { kind: 'mix', mixId: thing.id },
        amount,
        opening,
        ...(into && { into }),
        ...(isOver && { over: 'all-layers' as const }),
        ...(isAgain && { again: true as const }),
      }));
  });
export const someOf = <T>(values: readonly T[]): fc.Arbitrary<T[]> =>
  fc.uniqueArray(fc.constantFrom(...values), { minLength: 1, maxLength: 4 });
export const text = fc
  .array(fc.constantFrom('Warm', 'until', '"quoted"', 'on', '3 min', 'née', '\\', '%', 'at most'), {
    minLength: 1,
    maxLength: 5,
  })
  .map((each) => each.join(' '));
export const clock = fc
  .tuple(...Array.from({ length: 3 }, () => fc.integer({ min: 0, max: 600 })))
  .map((three) => three.sort((a, b) => a - b).map((each) => each / 10))
  .map(([least = 0, usual = 0, most = 0]) => ({ least, usual, most }));

const keyOf = <V extends string>(words: Readonly<Record<V, string>>): fc.Arbitrary<V> =>
  fc.constantFrom(...(Object.keys(words) as V[]));
const anyTechnique: fc.Arbitrary<Technique> = fc
  .record(
    {
      movement: keyOf(MOVEMENTS),
      direction: keyOf(DIRECTIONS),
      pressure: keyOf(PRESSURES),
      hold: fc.record(
        {
          times: fc.integer({ min: 1, max: MOST_HOLDS }),
          seconds: fc.integer({ min: 1, max: 60_000 }).map((each) => each / 100),
        },
        { requiredKeys: ['times'] },
      ),
      skin: keyOf(SKIN_STATES),
      hands: keyOf(HAND_STATES),
      temperature: keyOf(TEMPERATURES),
      stretched: fc.constant(true as const),
      upright: fc.constant(true as const),
    },
    { requiredKeys: [] },
  )
  .filter((technique) => Object.keys(technique).length > 0);

const anyResponse = keyOf(RESPONSES);
const withReactions = (
  answer: AnswerKind,
  threshold: fc.Arbitrary<Pick<Reaction, 'from' | 'at'>>,
): fc.Arbitrary<Question> =>
  fc
    .record({
      ask: text,
      reactions: fc.array(
        fc
          .tuple(threshold, anyResponse, fc.option(fc.integer({ min: 1, max: 60 })))
          .map(([of, response, cap]): Reaction => ({
            ...of,
            response,
            ...(cap !== null && { atMostMinutes: cap }),
          })),
        { maxLength: 3 },
      ),
    })
    .map(({ ask, reactions }) => ({ id: asId('q'), ask, answer, reactions }));
export const anyQuestion: fc.Arbitrary<Question> = fc.oneof(
  withReactions({ kind: 'score' }, fc.record({ from: fc.integer({ min: 0, max: 10 }) })),
  keyOf(SIGNS).chain((sign) =>
    withReactions({ kind: 'sign', sign }, fc.record({ from: fc.integer({ min: 0, max: 3 }) })),
  ),
  withReactions({ kind: 'yes-no' }, fc.record({ at: fc.constantFrom('yes', 'no') })),
  withReactions(
    { kind: 'choice', of: ['warm', 'or "hot"', '3 min'] },
    fc.record({ at: fc.constantFrom('warm', 'or "hot"', '3 min') }),
  ),
  withReactions(
    { kind: 'number', unit: 'cm' },
    fc.record({ from: fc.integer({ min: -500, max: 500 }).map((each) => each / 4) }),
  ),
  text.map((ask): Question => ({ id: asId('q'), ask, answer: { kind: 'text' }, reactions: [] })),
);

/** Steps that say whatever can be said, of the materials and devices of `spoken`. */
export const anyStep: fc.Arbitrary<Step> = fc
  .record(
    {
      action: fc.constantFrom(...ACTIONS),
      phase: fc.constantFrom(...PHASES),
      lightly: someOf(ZONE_IDS),
      more: someOf(ZONE_IDS),
      last: someOf(ZONE_IDS),
      never: someOf(ZONE_IDS),
      tools: someOf(TOOLS),
      technique: anyTechnique,
      asks: fc.uniqueArray(anyQuestion, { minLength: 1, maxLength: 2, selector: ({ ask }) => ask }),
      moments: fc.array(
        fc.record({
          atMinute: fc.integer({ min: 0, max: 900 }).map((each) => each / 10),
          what: text,
        }),
        { minLength: 1, maxLength: 2 },
      ),
      device: fc.constant({
        deviceId: pen.id,
        settings: [
          {
            zones: ['face', 'neck-front'] as const,
            values: [
              { kind: 'depth' as const, value: 0.5, upTo: 0.8 },
              { kind: 'temperature' as const, value: -4 },
            ],
            passes: 2,
          },
          {
            zones: ['chin'] as const,
            values: [{ kind: 'pulse' as const, value: 3 }],
            share: { of: 'face' as const, part: 0.5 },
          },
        ],
      }),
      running: fc.constant([steamer.id]),
      isSet: fc.boolean(),
      covers: fc.constant(true as const),
      removal: fc.record(
        {
          how: fc.constantFrom(...REMOVALS),
          taking: fc.constantFrom(
            { materialId: asId<Material['id']>('towel'), pieces: 2 },
            { materialId: asId<Material['id']>('towel'), pieces: 1, again: true as const },
          ),
          waterMl: fc.integer({ min: 1, max: 3000 }),
        },
        { requiredKeys: ['how'] },
      ),
      gloves: fc.constantFrom('plain' as const, 'sterile' as const),
      makes: fc.constant([clay.id]),
      holdsMinutes: fc.integer({ min: 1, max: 480 }),
      optional: fc.record({
        usually: fc.constantFrom('done' as const, 'left-out' as const),
        if: fc.oneof(text, fc.constant('')),
      }),
      offers: fc.constant([asId<never>('eye-sheet')]),
      say: text,
      why: text,
      watch: text,
      note: text,
      inLayers: fc.constantFrom('first' as const, 'last' as const, 'all-but-last' as const),
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
        isFromTouch: fc.boolean(),
      }),
    },
    { requiredKeys: ['name', 'zones', 'doses', 'minutes', 'by', 'hands'] },
  )
  .map(({ cap, phase, isSet, ...rest }): Step => {
    const runningAt =
      rest.running && isSet
        ? [
            {
              deviceId: steamer.id,
              values: [{ kind: 'temperature' as const, value: 40, upTo: 42 }],
            },
          ]
        : undefined;
    const made_ = step(rest.name, rest.minutes, {
      ...rest,
      ...(runningAt && { runningAt }),
      id: asId('s'),
    });
    return {
      ...made_,
      /* What has an action stands in its phase unless another is said. */
      ...(phase !== undefined || rest.action === undefined ? phase && { phase } : {}),
      ...(cap && {
        capMinutes: cap.capMinutes,
        ...(cap.isFromTouch && { capSince: 'first-touch' as const }),
        ...(cap.until !== undefined && { until: cap.until }),
      }),
    };
  });
