import { pricesOf } from '../core/figures/trial';
import { createCalculator } from '../core/figures/createCalculator';
import { matrixOf } from '../core/figures/matrix';
import { shelfOf } from '../core/figures/serviceWork';
import { createTrial } from '../core/figures/trial';
import { clientWith } from '../core/house/client';
import { SEASONS, SKIN_TYPES } from '../core/house/traits';
import type { Choice, House, Protocol, Step } from '../core/house/house';
import { indexHouse } from '../core/house/houseIndex';
import { asId } from '../core/house/ids';
import { expandBlocks } from '../core/protocol/expandBlocks';
import { findingsIn } from '../core/review/findings';
import { exactly } from '../core/quantity/triple';
import { parseStepLine } from '../core/stepLine/parseStepLine';
import { vocabularyOf } from '../core/stepLine/vocabulary';
import { timed, type Row } from './benchTools';

const STEPS = 60;
const CHOICES: readonly Choice[] = [
  choice('skin', 'skin-type', SKIN_TYPES),
  choice('season', 'season', SEASONS),
  choice('visit', 'visit-kind', ['first', 'returning']),
  choice('light', 'day-time', ['day', 'evening']),
  choice('couch', 'couch', ['a', 'b', 'c']),
  choice('again', 'couch', ['d', 'e']),
];

function choice(id: string, by: Choice['by'], values: readonly string[]): Choice {
  return {
    id: asId(id),
    name: id,
    by,
    take: 'first',
    options: values.map((value) => ({
      id: asId(value),
      name: value,
      for: by === 'couch' ? [] : [value],
    })),
  };
}

function longProtocol(): Protocol {
  const options = CHOICES.flatMap(({ id, options: of }) =>
    of.map((option) => ({ choiceId: id, optionId: option.id })),
  );
  return {
    id: asId('long'),
    name: 'Long',
    summary: '',
    layerGroups: [],
    choices: CHOICES,
    steps: Array.from({ length: STEPS }, (_, at): Step => ({
      id: asId(`step-${at}`),
      stretch: 'visit',
      name: `Step ${at}`,
      by: 'therapist',
      hands: 'hands-on',
      minutes: { least: 1, usual: 2 + (at % 3), most: 6 },
      zones: ['face'],
      ...(at < options.length && { option: options[at] }),
      doses: [
        {
          id: asId('dose'),
          source: { kind: 'material', materialId: asId(`m${at}`) },
          amount: { how: 'measured', quantity: exactly(1 + (at % 5)), unit: 'ml' },
          opening: 'fresh',
        },
      ],
    })),
  };
}

function withAmount(protocol: Protocol, run: number): Protocol {
  return {
    ...protocol,
    steps: protocol.steps.map((line, at) => {
      if (at !== STEPS - 1 || !('doses' in line)) return line;
      const amount = { how: 'measured', quantity: exactly(1 + run / 10), unit: 'ml' } as const;
      return { ...line, doses: line.doses.map((dose) => ({ ...dose, amount })) };
    }),
  };
}

/** How fast a long protocol follows a keystroke, a line is read, and all clients are counted. */
export function benchWriting(house: House): readonly Row[] {
  const protocol = longProtocol();
  const [first] = house.services;
  if (!first) return [];
  const service = { ...first, protocolId: protocol.id, edition: undefined };
  const { materials } = createCalculator()({ ...house, services: [], demand: [] });
  const index = indexHouse(house);
  const attempt = createTrial();
  const client = clientWith();
  const keystroke = timed((run) => {
    const draft = withAmount(protocol, run);
    const { work, figures } = attempt(
      house,
      materials,
      service,
      { protocol: draft, mixes: house.mixes },
      client,
    );
    const written = expandBlocks(draft, index.blocks, {});
    if (!work.protocol.ok || !written.ok) throw new Error('The protocol does not work.');
    return findingsIn({
      written: written.value,
      worked: work.protocol.value,
      schedule: figures.schedule,
      shelf: shelfOf(work, index),
      index,
      settings: house.settings,
      dayTime: client.dayTime,
    });
  });
  let kinds = 0;
  const matrix = timed(() => {
    const made = matrixOf({
      house,
      index,
      inUse: { protocol, mixes: house.mixes },
      ...pricesOf(materials),
      rates: { therapist: 37, assistant: 20, room: 8, fixed: { therapist: 37, assistant: 20 } },
    });
    if (!made.ok) throw new Error(made.problems[0]?.message);
    kinds = made.value.kinds;
  }, 10);
  const words = vocabularyOf(house);
  const line = timed(() =>
    parseStepLine('cleanse 3 ml material 7 on face, neck 2-3 min then warm towel', words),
  );
  return [
    ['a keystroke: figures and what does not fit', keystroke, 'aim: under 16 ms with the screen'],
    [`${kinds} kinds of clients`, matrix, 'aim: 500 under 200 ms'],
    ['a step line, read', line, ''],
  ];
}
