import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { TherapistCharge } from '../house/settings';
import { asId, type DeviceId, type LayerGroupId } from '../house/ids';
import { drawsOf } from '../draws/drawsOf';
import { scheduleOf } from '../time/schedule';
import {
  AS_PAID,
  cleanser,
  dose,
  measured,
  minutes,
  protocol,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { costByStep } from './costByStep';
import { serviceCost } from './serviceCost';
import { unitCost } from './unitCost';

const lamp = asId<DeviceId>('lamp');
const device = {
  id: lamp,
  name: 'Lamp',
  count: 1,
  hazards: [],
  settings: [],
  neverZones: [],
  eyeProtection: false,
  trainedIds: [],
  economics: {
    priceMinor: 60_000,
    resaleMinor: 0,
    life: { amount: 1000, unit: 'uses' as const },
    servicePerYearMinor: 0,
    usesPerYear: 100,
  },
};
const rates = {
  therapist: 37,
  assistant: 25,
  room: 8,
  fixed: { therapist: 37, assistant: 25 },
};
const layers = asId<LayerGroupId>('acid');
const rest = step('rest', minutes(12), { hands: 'free', running: [lamp] });

function costed(least: number, amount: number, charge: TherapistCharge) {
  const written = protocol(
    [
      step('prepare', minutes(4), { by: 'assistant', stretch: 'set-up' }),
      step('brush', minutes(least, least + 1, least + 3), {
        layerGroupId: layers,
        doses: [dose(cleanser().id, measured(amount, 'ml'))],
      }),
      rest,
      step('massage', minutes(least), { meanwhileOf: rest.id }),
    ],
    {
      layerGroups: [
        {
          id: layers,
          name: 'Layers',
          layers: { first: 2, returning: 3 },
          between: { wait: minutes(1, 2, 3) },
        },
      ],
    },
  );
  const onShelf = shelf([cleanser()]);
  const schedule = valueOf(scheduleOf(written, 'returning', settings));
  const cost = valueOf(
    serviceCost(
      valueOf(drawsOf(written, 'returning', onShelf, settings)),
      schedule,
      { materials: onShelf.materials, devices: new Map([[lamp, device]]) },
      new Map([[cleanser().id, unitCost(cleanser(), AS_PAID)]]),
      rates,
      charge,
    ),
  );
  return { cost, lines: costByStep(written, schedule, cost, rates, charge) };
}

describe('the cost step by step', () => {
  it('puts things, hands and room where they fall, layers together', () => {
    const { lines } = costed(5, 3, 'attended');
    const [prepare, brush, resting, massage, between] = lines;
    expect(prepare).toMatchObject({ things: 0, hands: 4 * 25, room: 4 * 8 });
    expect(brush?.things).toBeCloseTo(9 * valueOf(unitCost(cleanser(), AS_PAID)), 9);
    expect(resting).toMatchObject({ things: 60, hands: 0 });
    expect(massage).toMatchObject({ hands: 5 * 37, room: 0 });
    expect(between?.hands).toBeCloseTo(2 * 2 * 37, 9);
  });

  it('adds up to the full cost, whatever is charged', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 50 }),
        fc.constantFrom('attended' as const, 'slot' as const),
        (least, amount, charge) => {
          const { cost, lines } = costed(least, amount, charge);
          const sum = lines.reduce((total, line) => total + line.sum, 0);
          expect(sum).toBeCloseTo(cost.full.usual, 6);
        },
      ),
    );
  });
});
