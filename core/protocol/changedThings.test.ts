import { describe, expect, it } from 'vitest';
import type { Protocol } from '../house/house';
import { asId, type ChoiceId, type LayerGroupId, type OptionId } from '../house/ids';
import { minutes, protocol, step } from '../testing/sample';
import { changedThings } from './changedThings';

const named = (name: string) => step(name, minutes(5), { id: asId(name) });
const before = protocol([named('one'), named('two'), named('three')]);
const layers = {
  id: asId<LayerGroupId>('l'),
  name: 'Layers',
  layers: { first: 2, returning: 3 },
};
const choice = {
  id: asId<ChoiceId>('c'),
  name: 'Skin',
  by: 'couch' as const,
  take: 'first' as const,
  options: [{ id: asId<OptionId>('o'), name: 'Touchy', for: [] }],
};

describe('what somebody changed in a protocol', () => {
  it('is nothing where all is the same, whatever holds nothing', () => {
    expect(changedThings(before, { ...before, goal: undefined })).toEqual([]);
  });

  it.each<readonly [Partial<Protocol>, string]>([
    [{ name: 'Other' }, 'the name'],
    [{ summary: 'Other' }, 'the summary'],
    [{ goal: 'Calm' }, 'the goal'],
    [{ meantFor: 'Adults' }, 'for whom it is meant'],
    [{ licence: 'By nurses' }, 'the limits of the licence'],
    [{ archivedOn: '2026-11-01' }, 'whether it is archived'],
    [{ cautions: { added: [], removed: [] } }, 'the cautions'],
    [{ around: { before: [], avoid: [], expect: [], call: [] } }, 'before and after'],
    [{ painRelief: 'cooling' }, 'pain relief'],
  ])('%o is told', (change, words) => {
    expect(changedThings(before, { ...before, ...change })).toEqual([{ kind: 'own', words }]);
  });

  it('is told beside what was moved, which is told of what stands in both', () => {
    const [one, two, three] = before.steps;
    if (!one || !two || !three) throw new Error('three steps');
    const after = {
      ...before,
      steps: [three, named('four'), { ...one, name: 'First' }],
    };
    expect(changedThings(before, after)).toEqual([
      { kind: 'new', of: 'steps', name: 'four' },
      { kind: 'changed', of: 'steps', name: 'First' },
      { kind: 'gone', of: 'steps', name: 'two' },
      { kind: 'order', words: 'the order of steps' },
    ]);
  });

  it('is not said to be another order where something was only added or taken out', () => {
    const [one, , three] = before.steps;
    if (!one || !three) throw new Error('three steps');
    expect(changedThings(before, { ...before, steps: [one, three] })).toEqual([
      { kind: 'gone', of: 'steps', name: 'two' },
    ]);
  });

  it('is of layers and choices, too', () => {
    const after = { ...before, layerGroups: [layers], choices: [choice] };
    expect(changedThings(before, after)).toEqual([
      { kind: 'new', of: 'layerGroups', name: 'Layers' },
      { kind: 'new', of: 'choices', name: 'Skin' },
    ]);
    const other = { ...after, layerGroups: [{ ...layers, layers: { first: 1, returning: 3 } }] };
    expect(changedThings(after, other)).toEqual([
      { kind: 'changed', of: 'layerGroups', name: 'Layers' },
    ]);
  });
});
