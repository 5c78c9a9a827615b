import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LayerGroup, Line, Step, WorkedProtocol } from '../house/house';
import { asId, type StepId } from '../house/ids';
import { minutes, protocol, step } from '../testing/sample';
import { added } from './addSteps';
import { arrange } from './arrange';
import { changeStep, moveStepTo, nudgeStep, putBeside, putInLayers, removeStep } from './editSteps';

const layers: LayerGroup = {
  id: asId('layers'),
  name: 'Layers',
  layers: { first: 1, returning: 2 },
};

function named(name: string, changes: Partial<Step> = {}): Step {
  return step(name, minutes(1), { id: asId(name), ...changes });
}

const sample = protocol(
  [
    named('set-up', { stretch: 'set-up' }),
    named('cleanse'),
    named('acid', { layerGroupId: layers.id }),
    named('mask'),
    named('massage', { meanwhileOf: asId('mask') }),
    named('record', { meanwhileOf: asId('mask') }),
    named('reset', { stretch: 'reset' }),
  ],
  { layerGroups: [layers] },
);
const id = (name: string): StepId => asId(name);
const names = (of: WorkedProtocol): string => of.steps.map((each) => each.name).join(' ');
const find = (of: WorkedProtocol, name: string): Line | undefined =>
  of.steps.find((each) => each.name === name);

describe('editing steps', () => {
  it('moves a step with what is beside it, over the edges of layers and stretches', () => {
    expect(names(nudgeStep(sample, id('record'), 'up'))).toBe(
      'set-up cleanse acid mask record massage reset',
    );
    expect(nudgeStep(sample, id('massage'), 'up').steps).toEqual(sample.steps);
    const joined = nudgeStep(sample, id('mask'), 'up');
    expect(find(joined, 'mask')?.layerGroupId).toBe(layers.id);
    expect(names(nudgeStep(joined, id('mask'), 'up'))).toBe(
      'set-up cleanse mask massage record acid reset',
    );
    const out = nudgeStep(sample, id('cleanse'), 'up');
    expect(find(out, 'cleanse')?.stretch).toBe('set-up');
    expect(nudgeStep(sample, id('set-up'), 'up')).toBe(sample);
  });

  it('moves to the place of another step', () => {
    expect(names(moveStepTo(sample, id('mask'), id('cleanse')))).toBe(
      'set-up mask massage record cleanse acid reset',
    );
    const toReset = moveStepTo(sample, id('cleanse'), id('reset'));
    expect(find(toReset, 'cleanse')?.stretch).toBe('reset');
    const beside = moveStepTo(sample, id('massage'), id('cleanse'));
    expect(names(beside)).toBe('set-up cleanse massage acid mask record reset');
    expect(find(beside, 'massage')?.meanwhileOf).toBe('cleanse');
    expect(moveStepTo(sample, id('mask'), id('massage'))).toBe(sample);
  });

  it('keeps what was beside a step that is taken out', () => {
    const without = removeStep(sample, id('mask'));
    expect(names(without)).toBe('set-up cleanse acid massage record reset');
    expect(find(without, 'massage')?.meanwhileOf).toBeUndefined();
    expect(names(removeStep(sample, id('massage')))).toBe('set-up cleanse acid mask record reset');
  });

  it('puts work beside a step and takes its own company along', () => {
    const moved = putBeside(sample, id('mask'), id('cleanse'));
    expect(names(moved)).toBe('set-up cleanse mask massage record acid reset');
    expect(find(moved, 'massage')?.meanwhileOf).toBe('cleanse');
    expect(
      find(putBeside(sample, id('massage'), undefined), 'massage')?.meanwhileOf,
    ).toBeUndefined();
    expect(putBeside(sample, id('mask'), id('mask'))).toBe(sample);
  });

  it('brings a step to the layers it joins', () => {
    const more = added(sample, { line: named('rinse') }, find(sample, 'mask'), () => 'new');
    expect(names(putInLayers(more, id('rinse'), layers.id))).toBe(
      'set-up cleanse acid rinse mask massage record reset',
    );
    expect(find(putInLayers(sample, id('acid'), undefined), 'acid')?.layerGroupId).toBeUndefined();
  });

  it('changes only the step meant', () => {
    const changed = changeStep(sample, id('cleanse'), { hands: 'watching' });
    expect(changed.steps.filter((each, at) => each !== sample.steps[at])).toHaveLength(1);
  });
});

describe('laws of editing', () => {
  const which = fc.constantFrom(...sample.steps.map((each) => each.id));
  const edit = fc.oneof(
    fc.tuple(which, fc.constantFrom<'up' | 'down'>('up', 'down')).map(
      ([a, d]) =>
        (p: WorkedProtocol) =>
          nudgeStep(p, a, d),
    ),
    fc.tuple(which, which).map(
      ([a, b]) =>
        (p: WorkedProtocol) =>
          moveStepTo(p, a, b),
    ),
  );

  it('moving never loses a step, and what can be worked stays workable', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        const after = edits.reduce((p, make) => make(p), sample);
        expect(after.steps.map((each) => each.id).sort()).toEqual(
          sample.steps.map((each) => each.id).sort(),
        );
        const arranged = arrange(after, 'first');
        expect(arranged.ok ? [] : arranged.problems).toEqual([]);
      }),
    );
  });
});
