import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LayerGroup, Line, Step, Writing } from '../house/house';
import { asId, type StepId } from '../house/ids';
import { minutes, protocol, step } from '../testing/sample';
import { added, addedAll, placeOfNew, type NewLine } from './addSteps';
import { joinedOf } from './forWhom';

const layers: LayerGroup = {
  id: asId('layers'),
  name: 'Layers',
  layers: { first: 1, returning: 2 },
};

function named(name: string, changes: Partial<Step> = {}): Step {
  return step(name, minutes(1), { id: asId(name), ...changes });
}

const facial = protocol(
  [
    named('lay-out', { stretch: 'set-up' }),
    named('warm', { stretch: 'set-up' }),
    named('cleanse'),
    named('brush', { layerGroupId: layers.id }),
    named('wait', { layerGroupId: layers.id }),
    named('mask'),
    named('hands', { meanwhileOf: asId('mask') }),
    named('close'),
    named('tidy', { stretch: 'reset' }),
  ],
  { layerGroups: [layers] },
);
const lineOf = (of: Writing, name: string): Line | undefined =>
  of.steps.find((each) => each.name === name);
const names = (of: Writing): string => of.steps.map((each) => each.name).join(' ');
let made = 0;
const newId = (): string => `made-${(made += 1)}`;
const add = (after: string, what: Partial<NewLine<Step>> = {}): Writing =>
  added(facial, { line: named('new'), ...what }, lineOf(facial, after), newId);

describe('where a new step goes', () => {
  it.each([
    ['cleanse', 'after the one in hand', 'cleanse new brush'],
    ['hands', 'on by itself after what is done meanwhile', 'mask hands new close'],
    ['brush', 'within layers', 'brush new wait'],
    ['wait', 'on after the last of layers', 'wait new mask'],
    ['lay-out', 'to the guest, not into set-up', 'warm new cleanse'],
    ['warm', 'to the guest, not into set-up', 'warm new cleanse'],
    ['tidy', 'on in reset', 'tidy new'],
  ])('after %s it goes %s', (after, _why, expected) => {
    expect(names(add(after))).toContain(expected);
  });

  it('is in no layers and beside nothing unless it is said to be', () => {
    expect(lineOf(add('wait'), 'new')?.layerGroupId).toBeUndefined();
    expect(lineOf(add('brush'), 'new')?.layerGroupId).toBe(layers.id);
    expect(lineOf(add('hands'), 'new')?.meanwhileOf).toBeUndefined();
    expect(lineOf(add('hands', { beside: true }), 'new')?.meanwhileOf).toBe('mask');
    expect(names(add('mask', { beside: true }))).toContain('mask hands new close');
  });

  it('is where it can only be, wherever one stands', () => {
    for (const after of ['cleanse', 'hands', 'wait', 'tidy']) {
      expect(names(add(after, { stretch: 'set-up' }))).toContain('warm new cleanse');
      expect(lineOf(add(after, { stretch: 'set-up' }), 'new')?.stretch).toBe('set-up');
      expect(names(add(after, { stretch: 'reset' }))).toContain('tidy new');
    }
    expect(names(add('lay-out', { stretch: 'set-up' }))).toContain('lay-out new warm');
    const treat = named('treat', { action: 'treat' });
    expect(names(added(facial, { line: treat }, lineOf(facial, 'tidy'), newId))).toContain(
      'close treat tidy',
    );
  });

  it('is told before it is there', () => {
    const told = placeOfNew(facial, { line: named('new') }, lineOf(facial, 'hands'));
    expect(told).toEqual({ stretch: 'visit', after: 'mask' });
  });

  it('loses nothing, and stands as it was told, whatever is added after whatever', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...facial.steps),
        fc.boolean(),
        fc.constantFrom(undefined, 'set-up', 'visit', 'reset'),
        (after, beside, stretch) => {
          const what: NewLine = { line: named('new'), beside, ...(stretch && { stretch }) };
          const place = placeOfNew(facial, what, after);
          const all = added(facial, what, after, newId);
          expect(all.steps.filter((each) => each.name !== 'new')).toEqual(facial.steps);
          expect(lineOf(all, 'new')).toMatchObject({ stretch: place.stretch });
          expect(lineOf(all, 'new')?.meanwhileOf).toBe(place.beside);
        },
      ),
    );
  });
});

describe('many lines', () => {
  const lines = (...said: readonly [string, Partial<NewLine<Step>>?][]): NewLine<Step>[] =>
    said.map(([name, what]) => ({ line: named(name), ...what }));

  it('follow one another; one that is beside is beside one, and the next goes on', () => {
    const all = addedAll(
      facial,
      lines(['wrap'], ['feet', { beside: true }], ['unwrap']),
      lineOf(facial, 'cleanse'),
      newId,
    );
    expect(names(all)).toContain('cleanse wrap feet unwrap brush');
    expect(lineOf(all, 'feet')?.meanwhileOf).toBe('wrap');
    expect(lineOf(all, 'unwrap')?.meanwhileOf).toBeUndefined();
  });

  it('go to their stretches, and on where one was', () => {
    const all = addedAll(
      facial,
      lines(['soak', { stretch: 'set-up' }], ['wrap'], ['clean', { stretch: 'reset' }], ['oil']),
      lineOf(facial, 'cleanse'),
      newId,
    );
    expect(names(all)).toBe(
      'lay-out warm soak cleanse wrap oil brush wait mask hands close tidy clean',
    );
  });

  it('make a protocol from nothing in the order in which they were said', () => {
    const empty = protocol([]);
    const all = addedAll(
      empty,
      lines(['prepare', { stretch: 'set-up' }], ['one'], ['two'], ['reset', { stretch: 'reset' }]),
      undefined,
      newId,
    );
    expect(names(all)).toBe('prepare one two reset');
  });

  it('that are put right later come where they would have been', () => {
    const first = addedAll(facial, lines(['one'], ['three']), lineOf(facial, 'cleanse'), newId);
    const then = addedAll(
      first,
      lines(['two', { follows: asId<StepId>('one') }]),
      lineOf(first, 'close'),
      newId,
    );
    expect(names(then)).toContain('cleanse one two three brush');
  });
});

describe('for whom a new step is', () => {
  it('is an option of a choice, by which everybody else goes without', () => {
    const all = add('cleanse', { forWhom: [{ by: 'skin-type', values: ['oily'] }] });
    expect(all.choices).toMatchObject([
      { by: 'skin-type', noneIsFine: true, options: [{ name: 'oily', for: ['oily'] }] },
    ]);
    expect(joinedOf(all, lineOf(all, 'new') ?? {})).toEqual([
      { by: 'skin-type', values: ['oily'] },
    ]);
    const again = added(
      all,
      { line: named('more'), forWhom: [{ by: 'skin-type', values: ['oily'] }] },
      lineOf(all, 'new'),
      newId,
    );
    expect(again.choices).toHaveLength(1);
    expect(lineOf(again, 'more')?.option).toEqual(lineOf(all, 'new')?.option);
  });

  it.each([
    ['skin-type', ['dry', 'oily'], ['oily']],
    ['condition', ['redness'], ['scars']],
  ] as const)(
    'is a choice of its own by %s where another option would come before it',
    (by, first, mine) => {
      const known = {
        id: asId<never>('known'),
        name: 'Known',
        by,
        take: 'first',
        options: [
          { id: asId<never>('before'), name: 'before', for: first },
          { id: asId<never>('hidden'), name: 'hidden', for: mine },
        ],
      } as const;
      const of = { ...facial, choices: [known] };
      const all = added(
        of,
        { line: named('new'), forWhom: [{ by, values: mine }] },
        lineOf(of, 'cleanse'),
        newId,
      );
      expect(all.choices).toHaveLength(2);
      expect(lineOf(all, 'new')?.option?.choiceId).not.toBe('known');
    },
  );

  it('is decided at the couch between the step and leaving it out', () => {
    const all = add('cleanse', { forWhom: [{ by: 'couch', values: [] }] });
    expect(all.choices).toMatchObject([
      { name: 'new', by: 'couch', options: [{ name: 'new' }, { name: 'Left out' }] },
    ]);
  });
});
