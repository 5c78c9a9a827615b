import { describe, expect, it } from 'vitest';
import type { LayerGroup, Step, VisitKind, WorkedProtocol } from '../house/house';
import { asId } from '../house/ids';
import { minutes, problemOf, protocol, step, valueOf } from '../testing/sample';
import { arrange, STRETCHES } from './arrange';

const layers: LayerGroup = {
  id: asId('layers'),
  name: 'Acid layers',
  layers: { first: 2, returning: 3 },
  between: { wait: minutes(1) },
};

/** What happens, in words: name, layer and what lies beside it. */
function told(of: WorkedProtocol, kind: VisitKind): string[] {
  const arranged = valueOf(arrange(of, kind));
  return STRETCHES.flatMap((stretch) =>
    arranged[stretch].map((occurrence) => {
      if (occurrence.kind === 'between') return `wait after ${occurrence.layer}`;
      if (occurrence.kind === 'test') return `test ${occurrence.spot.zones.join('+')}`;
      const beside = occurrence.meanwhile.map((one) => one.name).join('+');
      const { half } = occurrence;
      const turn = half === undefined ? '' : half === 'one-half' ? 'a' : 'b';
      const layer = occurrence.layer === undefined ? '' : ` ${occurrence.layer}${turn}`;
      return `${occurrence.step.name}${layer}${beside === '' ? '' : ` with ${beside}`}`;
    }),
  );
}

const inLayers = (name: string, changes: Partial<Step> = {}): Step =>
  step(name, minutes(1), { layerGroupId: layers.id, ...changes });

describe('a protocol as it is worked (D4, T3)', () => {
  it('goes stretch by stretch, whatever the order of writing', () => {
    const mixed = protocol([
      step('reset', minutes(1), { stretch: 'reset' }),
      step('cleanse', minutes(1)),
      step('set-up', minutes(1), { stretch: 'set-up' }),
    ]);
    expect(told(mixed, 'first')).toEqual(['set-up', 'cleanse', 'reset']);
  });

  it('repeats the steps of a layer together, with the wait between layers and none after the last', () => {
    const brush = inLayers('brush');
    const layered = protocol(
      [step('degrease', minutes(1)), brush, inLayers('watch'), step('rinse', minutes(1))],
      { layerGroups: [layers] },
    );
    expect(told(layered, 'first')).toEqual([
      'degrease',
      'brush 1',
      'watch 1',
      'wait after 1',
      'brush 2',
      'watch 2',
      'rinse',
    ]);
    expect(told(layered, 'returning')).toHaveLength(2 + 3 * 2 + 2);
  });

  it('repeats what is done beside a layer with it', () => {
    const brush = inLayers('brush');
    const beside = step('record', minutes(1), { meanwhileOf: brush.id, layerGroupId: layers.id });
    expect(told(protocol([brush, beside], { layerGroups: [layers] }), 'first')).toEqual([
      'brush 1 with record',
      'wait after 1',
      'brush 2 with record',
    ]);
  });

  it('keeps the order of several things done beside one step', () => {
    const mask = step('mask', minutes(9));
    const beside = ['hands', 'feet', 'scalp'].map((name) =>
      step(name, minutes(1), { meanwhileOf: mask.id }),
    );
    expect(told(protocol([mask, ...beside]), 'first')).toEqual(['mask with hands+feet+scalp']);
  });

  it('has no wait where none is written', () => {
    const { between: _between, ...plain } = layers;
    expect(told(protocol([inLayers('brush')], { layerGroups: [plain] }), 'first')).toEqual([
      'brush 1',
      'brush 2',
    ]);
  });
});

describe('what cannot be worked', () => {
  const mask = step('mask', minutes(9));
  const hands = step('hands', minutes(1), { meanwhileOf: mask.id });

  it.each<[string, WorkedProtocol, string, RegExp]>([
    ['no steps', protocol([], { name: 'Blank' }), 'protocol-empty', /Blank has no steps yet/],
    [
      'work beside a step that is gone',
      protocol([mask, { ...hands, meanwhileOf: asId('gone') }]),
      'step-unknown',
      /no longer there/,
    ],
    [
      'work beside work done meanwhile',
      protocol([mask, hands, step('feet', minutes(1), { meanwhileOf: hands.id })]),
      'meanwhile-nested',
      /put it beside the outer step/,
    ],
    [
      'layers that are gone',
      protocol([inLayers('brush')]),
      'layers-invalid',
      /layers that do not exist/,
    ],
    [
      'no layers',
      protocol([inLayers('brush')], {
        layerGroups: [{ ...layers, layers: { first: 0, returning: 1 } }],
      }),
      'layers-invalid',
      /at least 1, for a first visit/,
    ],
    [
      'layers that are parted',
      protocol([inLayers('a'), step('b', minutes(1)), inLayers('c')], { layerGroups: [layers] }),
      'layers-invalid',
      /follow one another/,
    ],
  ])('%s is refused in words', (_, faulty, code, words) => {
    const problem = problemOf(arrange(faulty, 'first'));
    expect(problem.code).toBe(code);
    expect(problem.message).toMatch(words);
    expect(problem.where).toMatchObject({ protocolId: 'protocol' });
  });

  it('tells all of it at once', () => {
    const faulty = protocol([inLayers('brush'), { ...hands, meanwhileOf: asId('gone') }]);
    const arranged = arrange(faulty, 'first');
    expect(arranged.ok ? [] : arranged.problems.map((problem) => problem.code)).toEqual([
      'step-unknown',
      'layers-invalid',
    ]);
  });
});
