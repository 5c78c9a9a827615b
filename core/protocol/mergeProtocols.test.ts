import { describe, expect, it } from 'vitest';
import { asId } from '../house/ids';
import { optionsOf } from '../house/protocol';
import { dose, measured, minutes, protocol, step } from '../testing/sample';
import { added } from './addSteps';
import { conditionalsIn } from './deciding';
import { removeChoice } from './editChoices';
import { changeStep, nudgeStep, putBeside, removeStep } from './editSteps';
import { mergeProtocols } from './mergeProtocols';

const cleanse = step('cleanse', minutes(3), { id: asId('cleanse') });
const mask = step('mask', minutes(12), { id: asId('mask') });
const finish = step('finish', minutes(4), { id: asId('finish') });
const base = protocol([cleanse, mask, finish]);

describe('bringing two edits together', () => {
  it('keeps both when they touch different things', () => {
    const mine = { ...changeStep(base, cleanse.id, { minutes: minutes(5) }), summary: 'mine' };
    const theirs = {
      ...added(base, { line: step('tone', minutes(1), { id: asId('tone') }) }, mask, () => 'new'),
      name: 'Theirs',
    };
    const { protocol: merged, clashes } = mergeProtocols(base, mine, theirs);
    expect(clashes).toEqual([]);
    expect(merged).toMatchObject({ name: 'Theirs', summary: 'mine' });
    expect(merged.steps.map((each) => each.name)).toEqual(['cleanse', 'mask', 'tone', 'finish']);
    expect(merged.steps[0]).toMatchObject({ minutes: { usual: 5 } });
  });

  it('is the same from both sides when nothing clashes', () => {
    const mine = changeStep(base, cleanse.id, { note: 'gently' });
    const theirs = removeStep(base, finish.id);
    expect(mergeProtocols(base, mine, theirs).protocol).toEqual(
      mergeProtocols(base, theirs, mine).protocol,
    );
  });

  it('leaves nothing that hangs on a choice which the other took out', () => {
    const skin = {
      id: asId<never>('skin'),
      name: 'Skin',
      by: 'skin-type',
      take: 'first',
      options: [{ id: asId<never>('dry'), name: 'Dry', for: ['dry'] }],
    } as const;
    const on = { option: { choiceId: skin.id, optionId: skin.options[0].id } };
    const milk = dose(asId('milk'), measured(2, 'ml'));
    const layers = { id: asId<never>('l'), name: 'Layers', layers: { first: 1, returning: 2 } };
    const chosen = { ...base, choices: [skin], layerGroups: [layers] };
    const mine = {
      ...changeStep(chosen, mask.id, {
        doses: [milk, { ...milk, id: asId('rich'), ...on }],
        otherwise: [{ ...on, says: { minutes: minutes(6) } }],
      }),
      layerGroups: [{ ...layers, otherwise: [{ ...on, layers: { first: 1, returning: 1 } }] }],
    };
    const { protocol: merged } = mergeProtocols(chosen, mine, removeChoice(chosen, skin.id));
    expect(merged.choices).toEqual([]);
    expect(conditionalsIn(merged).flatMap(optionsOf)).toEqual([]);
    expect(merged.steps[1]).toMatchObject({ doses: [{ id: milk.id }, { id: 'rich' }] });
    expect(merged.steps[1]).not.toHaveProperty('otherwise');
    expect(merged.layerGroups).toEqual([layers]);
  });

  it('names what both changed, and keeps mine there', () => {
    const mine = changeStep(base, mask.id, { minutes: minutes(10) });
    const theirs = changeStep(base, mask.id, { minutes: minutes(15) });
    const { protocol: merged, clashes } = mergeProtocols(base, mine, theirs);
    expect(clashes).toEqual([{ key: mask.id, name: 'mask' }]);
    expect(merged.steps[1]).toMatchObject({ minutes: { usual: 10 } });
    expect(mergeProtocols(base, removeStep(base, mask.id), theirs).clashes).toEqual([
      { key: mask.id, name: 'mask' },
    ]);
  });

  it('brings a step together field by field, where it stands being one of them', () => {
    const mixing = putBeside(base, cleanse.id, mask.id);
    const theirs = changeStep(mixing, cleanse.id, { name: 'mix', note: 'cool' });
    const mine = nudgeStep(nudgeStep(mixing, mask.id, 'up'), mask.id, 'up');
    const { protocol: merged, clashes } = mergeProtocols(mixing, mine, theirs);
    expect(clashes).toEqual([]);
    expect(merged.steps.find(({ id }) => id === cleanse.id)).toEqual({
      ...cleanse,
      name: 'mix',
      note: 'cool',
      stretch: 'set-up',
      meanwhileOf: mask.id,
    });
    const apart = changeStep(theirs, cleanse.id, { meanwhileOf: undefined });
    const both = mergeProtocols(mixing, mine, apart);
    expect(both.clashes).toEqual([{ key: cleanse.id, name: 'cleanse' }]);
    expect(both.protocol.steps.find(({ id }) => id === cleanse.id)).toMatchObject({
      name: 'mix',
      stretch: 'set-up',
      meanwhileOf: mask.id,
    });
  });

  it('takes their side of a clash where that is chosen, step by step', () => {
    const edit = (of: typeof base, cleansing: number, masking: number): typeof base =>
      changeStep(changeStep(of, cleanse.id, { minutes: minutes(cleansing) }), mask.id, {
        minutes: minutes(masking),
      });
    const { protocol: merged } = mergeProtocols(base, edit(base, 6, 10), edit(base, 7, 15), (key) =>
      key === mask.id ? 'theirs' : 'mine',
    );
    expect(merged.steps.slice(0, 2)).toMatchObject([
      { minutes: { usual: 6 } },
      { minutes: { usual: 15 } },
    ]);
  });

  it('leaves no work beside a step that the other took out', () => {
    const mine = putBeside(base, finish.id, mask.id);
    const { protocol: merged } = mergeProtocols(base, mine, removeStep(base, mask.id));
    expect(merged.steps.map((each) => [each.name, each.meanwhileOf])).toEqual([
      ['cleanse', undefined],
      ['finish', undefined],
    ]);
  });

  it('keeps the steps that both moved, and asks where these moves cannot both be', () => {
    const order = (...ids: string[]) => ({
      ...base,
      steps: ids.flatMap((id) => base.steps.filter((each) => each.id === id)),
    });
    const names = (of: { readonly steps: readonly { readonly name: string }[] }) =>
      of.steps.map((each) => each.name);
    const theirs = changeStep(order('cleanse', 'finish', 'mask'), mask.id, { note: 'thinly' });
    const mine = order('finish', 'cleanse', 'mask');
    const both = mergeProtocols(base, mine, theirs);
    expect([names(both.protocol), both.clashes]).toEqual([['finish', 'cleanse', 'mask'], []]);
    expect(both.protocol.steps[2]).toMatchObject({ note: 'thinly' });

    const front = order('mask', 'cleanse', 'finish');
    const clash = mergeProtocols(base, front, theirs);
    expect(clash.clashes).toEqual([{ key: 'the order of steps', name: 'the order of steps' }]);
    expect(names(clash.protocol)).toEqual(['mask', 'cleanse', 'finish']);
    const chosen = mergeProtocols(base, front, theirs, () => 'theirs').protocol;
    expect(names(chosen)).toEqual(['cleanse', 'finish', 'mask']);
  });
});
