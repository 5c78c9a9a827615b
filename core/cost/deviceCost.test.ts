import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DeviceEconomics } from '../house/device';
import { asId, type DeviceId } from '../house/ids';
import { clockLoad } from '../time/clockLoad';
import { scheduleOf } from '../time/schedule';
import { minutes, protocol, settings, step, valueOf } from '../testing/sample';
import { deviceCost } from './deviceCost';

const byUses: DeviceEconomics = {
  priceMinor: 119_000,
  resaleMinor: 25_000,
  life: { amount: 1_500, unit: 'uses' },
  servicePerYearMinor: 12_000,
  usesPerYear: 160,
};
const byMinutes: DeviceEconomics = { ...byUses, life: { amount: 72_000, unit: 'minutes' } };

describe('the use of a device (C5)', () => {
  it('loses of its price by the use, and carries its share of the service', () => {
    const cost = deviceCost({ economics: byUses }, 11);
    expect(cost?.wear).toBeCloseTo(62.666667, 6);
    expect(cost?.service).toBe(75);
    expect(cost?.cost).toBeCloseTo(137.666667, 6);
  });

  it('or by the minute that it is on', () => {
    expect(deviceCost({ economics: byMinutes }, 11)?.wear).toBeCloseTo(14.361111, 6);
    expect(deviceCost({ economics: byMinutes }, 22)?.wear).toBeCloseTo(28.722222, 6);
  });

  it('costs nothing where nobody told what it costs', () => {
    expect(deviceCost({}, 11)).toBeUndefined();
  });

  it('never costs less when it is on for longer or is worth less in the end', () => {
    const amount = fc.integer({ min: 0, max: 90_000 });
    fc.assert(
      fc.property(amount, amount, amount, (a, b, resaleMinor) => {
        const at = (on: number, resale: number): number =>
          deviceCost({ economics: { ...byMinutes, resaleMinor: resale } }, on)?.cost ?? 0;
        expect(at(Math.max(a, b), 0)).toBeGreaterThanOrEqual(at(Math.min(a, b), 0));
        expect(at(a, resaleMinor)).toBeLessThanOrEqual(at(a, 0));
      }),
    );
  });
});

describe('how long a device is on', () => {
  const pen = asId<DeviceId>('pen');
  const lamp = asId<DeviceId>('lamp');
  const rest = step('rest', minutes(10), { hands: 'free', running: [lamp] });
  const written = protocol([
    step('work', minutes(6), { device: { deviceId: pen, settings: [] }, running: [lamp] }),
    rest,
    step('beside', minutes(4), {
      meanwhileOf: rest.id,
      device: { deviceId: pen, settings: [] },
    }),
  ]);

  it('is what its steps take, also beside another, and the same in a clock without lines', () => {
    const { deviceMinutes } = valueOf(scheduleOf(written, 'first', settings));
    expect([...deviceMinutes]).toEqual([
      [pen, 10],
      [lamp, 16],
    ]);
    expect(valueOf(clockLoad(written, 'first', settings)).deviceMinutes).toEqual(deviceMinutes);
  });

  it('is counted once where it is worked with and runs along, in a step and beside it', () => {
    const host = step('work', minutes(6), {
      device: { deviceId: pen, settings: [] },
      running: [pen, lamp],
    });
    const beside = [2, 3].map((each) =>
      step('beside', minutes(each), { meanwhileOf: host.id, running: [pen] }),
    );
    const { deviceMinutes } = valueOf(scheduleOf(protocol([host, ...beside]), 'first', settings));
    expect([...deviceMinutes]).toEqual([
      [pen, 6],
      [lamp, 6],
    ]);
  });
});
