import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { consumptionByMaterial } from '../draws/consumption';
import { drawsOf } from '../draws/drawsOf';
import type { LayerGroup, Mix, Step, WorkedProtocol } from '../house/house';
import { asId, type DeviceId, type MaterialId } from '../house/ids';
import {
  bought,
  cleanser,
  dose,
  measured,
  minutes,
  mix,
  protocol,
  sachet,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { exactly } from '../quantity/triple';
import { scheduleOf } from '../time/schedule';
import { cardForEverybody, protocolCard, stepsThatMayBe } from './protocolCard';
import { trayOf, type Tray, type TrayThing, type TrayVisit } from './tray';

const towel = {
  id: asId<MaterialId>('towel'),
  kind: 'consumable',
  countedPer: 'client',
  name: 'Towel',
  unit: 'piece',
  measures: {},
  ...bought({}),
} as const;
const gloves = {
  ...towel,
  id: asId<MaterialId>('gloves'),
  name: 'Gloves',
  gloves: { kind: 'plain', perPair: 2 },
} as const;
const linen = { ...towel, id: asId<MaterialId>('linen'), name: 'Face towel' } as const;
const clay: Mix = mix({
  id: asId('clay'),
  name: 'Clay',
  bowlLoss: 0.1,
  made: 'ahead',
  mixingMinutes: 2,
  standingMinutes: 5,
  parts: [
    {
      source: { kind: 'material', materialId: sachet().id },
      amount: { how: 'packs', quantity: exactly(1) },
    },
    {
      source: { kind: 'material', materialId: cleanser().id },
      amount: { how: 'ratio', parts: exactly(6), unit: 'g' },
    },
  ],
});
const onShelf = shelf(
  [
    cleanser({ measures: { density: 1, mlPerPump: { usual: 1.6 } } }),
    sachet(),
    towel,
    linen,
    gloves,
  ],
  [clay],
);
const layers: LayerGroup = {
  id: asId('layers'),
  name: 'Layers',
  layers: { first: 2, returning: 3 },
  between: { wait: minutes(1) },
  asks: [{ id: asId('how'), ask: '0 to 10?', answer: { kind: 'score' }, reactions: [] }],
};
const facial: WorkedProtocol = protocol(
  [
    step('prepare', minutes(4), { stretch: 'set-up' }),
    step('soak pads', minutes(1), { stretch: 'set-up', action: 'soak' }),
    step('cleanse', minutes(5), {
      gloves: 'plain',
      doses: [dose(cleanser().id, measured(3, 'ml'))],
      removal: { how: 'warm-towel', taking: { materialId: towel.id, pieces: 2 }, waterMl: 200 },
    }),
    step('layer', minutes(2), {
      layerGroupId: layers.id,
      doses: [dose(cleanser().id, measured(1, 'ml'))],
      gloves: 'plain',
    }),
    step('mask', minutes(12), {
      id: asId('mask'),
      doses: [dose(cleanser().id, measured(18, 'g'), { source: { kind: 'mix', mixId: clay.id } })],
    }),
    step('hands', minutes(9), {
      meanwhileOf: asId('mask'),
      doses: [dose(cleanser().id, measured(2, 'ml'))],
    }),
  ],
  { layerGroups: [layers] },
);
const visit = (name = 'A', of = facial): TrayVisit => ({
  name,
  protocol: of,
  schedule: valueOf(scheduleOf(of, 'first', settings)),
  draws: valueOf(drawsOf(of, 'first', onShelf, settings)),
});
const tray = (visits: readonly TrayVisit[]): Tray => valueOf(trayOf(visits, onShelf, settings));
const amounts = (of: Tray): Map<MaterialId, number> => {
  const sums = new Map<MaterialId, number>();
  const add = (id: MaterialId, amount: number): void =>
    void sums.set(id, (sums.get(id) ?? 0) + amount);
  for (const item of of.items) {
    if (item.kind === 'thing') add(item.materialId, item.amount.usual);
    if (item.kind === 'mix') item.parts.forEach((part) => add(part.materialId, part.amount.usual));
  }
  return sums;
};

describe('the card', () => {
  const [setUp, body] = protocolCard(facial, facial, visit().schedule, visit().draws);

  it('numbers the steps through, with what lies beside them, and says how often layers are done', () => {
    expect(setUp?.steps.map(({ number, step: of }) => `${number} ${of.name}`)).toEqual([
      '1 prepare',
      '2 soak pads',
    ]);
    expect(
      body?.steps.map(({ number, times, step: of }) => `${number ?? '-'} ${of.name} x${times}`),
    ).toEqual(['3 cleanse x1', '4 layer x2', '5 mask x1', '- hands x1']);
    expect(body?.steps[1]?.layersBegin?.name).toBe('Layers');
  });

  it('has what may be done and what is for others in its place, each as it stands', () => {
    const choice = {
      id: asId<never>('who'),
      name: 'Who',
      by: 'skin-type',
      take: 'first',
      options: [{ id: asId<never>('oily'), name: 'oily', for: ['oily'] }],
    } as const;
    const option = { choiceId: choice.id, optionId: choice.options[0].id };
    const more = [
      step('extract', minutes(3), { optional: { usually: 'left-out', if: 'seen' } }),
      step('mattify', minutes(1), { option }),
    ];
    const written = { ...facial, steps: [...facial.steps, ...more], choices: [choice] };
    const of = protocolCard(written, facial, visit().schedule, visit().draws);
    const standings = of.flatMap(({ steps }) =>
      steps.map(({ step: each, standing }) => [each.name, standing]),
    );
    expect(standings.slice(-2)).toEqual([
      ['extract', 'if-needed'],
      ['mattify', 'for-others'],
    ]);
    expect(stepsThatMayBe(written, facial).map(({ name }) => name)).toContain('extract');
    expect(stepsThatMayBe(written, facial).map(({ name }) => name)).not.toContain('mattify');
    const all = cardForEverybody(written).flatMap(({ steps }) => steps);
    expect(all.map(({ step: each }) => each.name)).toEqual(written.steps.map(({ name }) => name));
  });

  it('begins the guest’s clock when the guest comes in', () => {
    expect(setUp?.steps[0]?.clock).toEqual({ room: 0 });
    expect(body?.steps[0]?.clock?.guest).toBe(0);
    expect(body?.steps[0]?.clock?.room).toBeGreaterThan(0);
  });

  it('gives what a step takes each time it is done', () => {
    expect(body?.steps[1]?.draws.map((draw) => draw.consumed.usual)).toEqual([1]);
    expect(body?.steps[0]?.draws.map((draw) => draw.for ?? 'dose')).toEqual([
      'removal',
      'gloves',
      'dose',
    ]);
  });
});

describe('the tray', () => {
  it('holds exactly what is costed', () => {
    const costed = consumptionByMaterial(visit().draws);
    for (const [id, amount] of amounts(tray([visit()]))) {
      expect(amount).toBeCloseTo(costed.get(id)?.usual ?? NaN, 9);
    }
    expect(amounts(tray([visit()])).size).toBe(costed.size);
  });

  it('is in the order of need, with mixes when they are made, warm towels and water', () => {
    const of = tray([visit()]);
    expect(of.items.map((item) => item.at)).toEqual(
      [...of.items].map((item) => item.at).sort((a, b) => a - b),
    );
    const made = of.items.find((item) => item.kind === 'mix');
    expect(made).toMatchObject({ kind: 'mix', shared: false, readyAt: 15 });
    expect(made?.at).toBe(8);
    expect(of.items.find((item) => item.kind === 'thing' && item.warmed === 2)).toBeDefined();
    expect(of.items.find((item) => item.kind === 'task')).toMatchObject({
      what: 'soak pads',
      at: 4,
    });
    expect(of.waterMl).toBe(200);
  });

  it.each<[string, Partial<Step>, Partial<TrayThing>]>([
    ['Hot towels on the feet', {}, { warmed: 2, chilled: 0 }],
    ['Rest under a warm sheet', {}, { warmed: 2 }],
    ['Compress', { action: 'heat' }, { warmed: 2 }],
    ['Cold towel on the neck', {}, { chilled: 2, warmed: 0 }],
    ['Globes', { action: 'cool' }, { chilled: 2 }],
    ['Prepare the room, warm the oil, lay a towel out', {}, { warmed: 0, chilled: 0 }],
    ['Wipe off', { removal: { how: 'cool-towel' } }, { warmed: 0, chilled: 0 }],
    ['Cool-down massage', {}, { chilled: 0 }],
  ])('warms and chills what “%s” puts on', (name, changes, expected) => {
    const written = protocol([
      step(name, minutes(5), { doses: [dose(linen.id, measured(2, 'piece'))], ...changes }),
    ]);
    const draws = valueOf(drawsOf(written, 'first', onShelf, settings));
    const schedule = valueOf(scheduleOf(written, 'first', settings));
    const of = tray([{ name: 'one', protocol: written, schedule, draws }]);
    expect(of.items.find((item) => item.kind === 'thing')).toMatchObject(expected);
  });

  it('holds tools that no material stands for, and devices, each once with its steps', () => {
    const steamer = asId<DeviceId>('steamer');
    const written = protocol([
      step('Steam', minutes(5), { running: [steamer], tools: ['fingers', 'brush'] }),
      step('Dry', minutes(5), {
        tools: ['towel', 'stones'],
        device: { deviceId: steamer, settings: [] },
        doses: [dose(linen.id, measured(1, 'piece'))],
      }),
    ]);
    const draws = valueOf(drawsOf(written, 'first', onShelf, settings));
    const schedule = valueOf(scheduleOf(written, 'first', settings));
    const of = (name: string) => ({ name, protocol: written, schedule, draws });
    const { items } = tray([of('one'), of('two')]);
    expect(
      items.flatMap((item) => (item.kind === 'tool' ? [[item.tool, item.visits, item.at]] : [])),
    ).toEqual([
      ['brush', 2, 0],
      ['stones', 2, 5],
    ]);
    expect(items.filter(({ kind }) => kind === 'device')).toEqual([
      { kind: 'device', deviceId: steamer, at: 0, stepNames: ['Steam', 'Dry'] },
    ]);
  });

  it('counts one pair of gloves for steps that follow one another', () => {
    expect(amounts(tray([visit()])).get(gloves.id)).toBe(2);
  });

  it('for a day makes what may stand ahead once: never more than one by one (M3)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), (count) => {
        const all = Array.from({ length: count }, (_, at) => visit(`client ${at}`));
        const day = amounts(tray(all));
        const one = amounts(tray([visit()]));
        for (const [id, amount] of day) {
          expect(amount).toBeLessThanOrEqual((one.get(id) ?? 0) * count + 1e-9);
        }
        expect(day.get(towel.id)).toBe(2 * count);
      }),
    );
    const [shared] = tray([visit('A'), visit('B')]).items.filter((item) => item.kind === 'mix');
    expect(shared).toMatchObject({ shared: true, needed: exactly(36) });
  });
});
