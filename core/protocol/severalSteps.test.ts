import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Block, Choice, LayerGroup, Line, Step } from '../house/house';
import { asId, type BlockId, type StepId } from '../house/ids';
import { isStep } from '../house/protocol';
import { minutes, protocol, step } from '../testing/sample';
import { compareSteps } from './compareWritings';
import { changeChoice, removeChoice, removeOption } from './editChoices';
import {
  detachBlock,
  excerptOf,
  insertExcerpt,
  madeIntoBlock,
  mayStandIn,
  removeSteps,
  renewed,
} from './severalSteps';
import { stepCount, usersOfBlock } from './expandBlocks';

const layers: LayerGroup = { id: asId('l'), name: 'Layers', layers: { first: 1, returning: 2 } };
const choice: Choice = {
  id: asId('c'),
  name: 'Choice',
  by: 'couch',
  take: 'first',
  options: [
    { id: asId('a'), name: 'A', for: [] },
    { id: asId('b'), name: 'B', for: [] },
  ],
};
const named = (name: string, changes: Partial<Step> = {}): Step =>
  step(name, minutes(1), { id: asId(name), ...changes });
const facial = protocol(
  [
    named('set-up', { stretch: 'set-up' }),
    named('cleanse'),
    named('acid', { layerGroupId: layers.id }),
    named('mask', { option: { choiceId: choice.id, optionId: asId('a') } }),
    named('hands', { meanwhileOf: asId('mask') }),
    named('reset', { stretch: 'reset' }),
  ],
  { layerGroups: [layers], choices: [choice] },
);
const ids = (...names: string[]): ReadonlySet<StepId> =>
  new Set(names.map((name) => asId<StepId>(name)));
const names = (of: { readonly steps: readonly Line[] }): string =>
  of.steps.map((each) => each.name).join(' ');
let made = 0;
const newId = (): string => `new-${(made += 1)}`;

describe('several steps at once', () => {
  it('go along with what lies beside them, and the layers and choices they hang on', () => {
    const taken = excerptOf(facial, ids('mask'));
    expect(names(taken)).toBe('mask hands');
    expect([taken.choices, taken.layerGroups]).toEqual([[choice], []]);
    const alone = excerptOf(facial, ids('hands'));
    expect(alone.steps[0]?.meanwhileOf).toBeUndefined();
  });

  it('are put behind another with ids of their own, still beside and in options as they were', () => {
    const copy = renewed(excerptOf(facial, ids('mask', 'acid')), newId);
    const both = insertExcerpt(facial, copy, asId('cleanse'));
    expect(names(both)).toBe('set-up cleanse acid mask hands acid mask hands reset');
    expect(new Set(both.steps.map((each) => each.id)).size).toBe(both.steps.length);
    const hands = copy.steps.find((each) => each.name === 'hands');
    expect(copy.steps.find((each) => each.id === hands?.meanwhileOf)?.name).toBe('mask');
    expect(both.choices).toHaveLength(2);
    expect(copy.steps.find((each) => each.name === 'mask')?.option?.choiceId).toBe(
      copy.choices[0]?.id,
    );
  });

  it('taken out and put back are as before, whichever they are', () => {
    const which = fc.subarray(
      facial.steps.map((each) => each.id),
      { minLength: 1 },
    );
    fc.assert(
      fc.property(which, (some) => {
        const out = removeSteps(facial, new Set(some));
        expect(out.steps.some((each) => some.includes(each.id))).toBe(false);
        const copy = renewed(excerptOf(facial, new Set(some)), newId);
        const back = insertExcerpt(out, copy);
        expect(back.steps.length).toBeGreaterThanOrEqual(facial.steps.length);
        const known = new Set(back.steps.map((each) => each.id));
        for (const { meanwhileOf } of back.steps) {
          expect(meanwhileOf === undefined || known.has(meanwhileOf)).toBe(true);
        }
      }),
    );
  });
});

describe('a run of steps as a block', () => {
  const block = madeIntoBlock(facial, ids('cleanse', 'mask'), {
    id: asId<BlockId>('b'),
    name: 'Opening',
    lineId: asId('line'),
  });
  const blocks = new Map<BlockId, Block>(block ? [[block.block.id, block.block]] : []);

  it('stands as one line, and comes out again as its steps', () => {
    expect(block && names(block.writing)).toBe('set-up Opening acid reset');
    expect(block && names(block.block)).toBe('cleanse mask hands');
    const again = block && detachBlock(block.writing, asId('line'), blocks, newId);
    expect(again && names(again)).toBe('set-up cleanse mask hands acid reset');
    expect(again?.steps.every(isStep)).toBe(true);
  });

  it('knows who uses it, also through another block, and where it may not stand', () => {
    const line: Line = { id: asId('x'), stretch: 'visit', name: 'Opening', blockId: asId('b') };
    const outer: Block = {
      id: asId('outer'),
      name: 'Outer',
      summary: '',
      steps: [line],
      layerGroups: [],
      choices: [],
    };
    const all = new Map([...blocks, [outer.id, outer]]);
    const user = { ...facial, steps: [{ ...line, blockId: outer.id }] };
    expect(usersOfBlock(asId('b'), [user, facial], all)).toEqual([user]);
    expect(stepCount(user, all)).toBe(3);
    expect(mayStandIn(outer.id, 'b', all)).toBe(false);
    expect(mayStandIn(asId('b'), 'b', all)).toBe(false);
    expect(mayStandIn(asId('b'), 'protocol', all)).toBe(true);
  });
});

describe('choices', () => {
  it('that are taken out, or an option of them, leave their steps for everybody', () => {
    expect(removeChoice(facial, choice.id).steps.every((each) => each.option === undefined)).toBe(
      true,
    );
    const left = removeOption(facial, choice.id, asId('a'));
    expect(left.choices[0]?.options.map(({ name }) => name)).toEqual(['B']);
    expect(left.steps[3]?.option).toBeUndefined();
    const other = removeOption(facial, choice.id, asId('b'));
    expect(other.steps[3]?.option?.optionId).toBe('a');
    expect(changeChoice(facial, choice.id, { name: 'New' }).choices[0]?.name).toBe('New');
  });
});

describe('two writings side by side', () => {
  const told = (after: typeof facial): string[] =>
    compareSteps(facial, after).map(({ kind, name, keys }) =>
      `${kind} ${name} ${keys.join('+')}`.trim(),
    );

  it('tell what is new, gone, changed and moved', () => {
    expect(told(facial)).toEqual([]);
    const [setUp, cleanse, acid, mask, hands, reset] = facial.steps as [
      Step,
      Step,
      Step,
      Step,
      Step,
      Step,
    ];
    expect(
      told({
        ...facial,
        steps: [setUp, acid, { ...cleanse, minutes: minutes(3) }, named('tone'), mask, hands],
      }),
    ).toEqual(
      ['moved acid', 'changed cleanse minutes', 'new tone', 'moved mask', 'gone reset'].filter(
        Boolean,
      ),
    );
    expect(reset.name).toBe('reset');
  });
});
