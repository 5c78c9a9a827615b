import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Device } from '../house/device';
import { asId } from '../house/ids';
import { minutes, step } from '../testing/sample';
import { passesInAct, setBy, settingsInAct } from './settingsInAct';

const device = {
  id: asId('pen'),
  name: 'Pen',
  settings: [{ kind: 'depth', unit: 'mm', least: 0.2, most: 2, safer: 'less' }],
} as unknown as Device;
const act = {
  id: 'pass//',
  step: step('pass', minutes(5), {
    device: {
      deviceId: asId('pen'),
      settings: [
        { zones: ['cheeks'], values: [{ kind: 'depth', value: 0.5, upTo: 0.75 }], passes: 2 },
      ],
    },
  }),
};
const nothing = { set: new Map<string, number>() };

it('begins at the gentler end of what is written, and says what was set', () => {
  const [depth, ...more] = settingsInAct(act, nothing, [device]);
  expect(more).toEqual([]);
  expect(depth).toMatchObject({ value: 0.5, low: 0.5, high: 0.75, isOther: false, step: 0.1 });
  const key = depth?.key ?? '';
  const set = (value: number) => settingsInAct(act, { set: new Map([[key, value]]) }, [device])[0];
  expect(set(0.9)).toMatchObject({ value: 0.9, isOther: true, isStronger: true });
  expect(set(0.3)).toMatchObject({ isOther: true, isStronger: false });
  expect(settingsInAct(act, nothing, [])).toEqual([]);
});

it('never leaves the limits of the house, whatever is pressed', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(-1, 1), { maxLength: 80 }), (presses) => {
      const [depth] = settingsInAct(act, nothing, [device]);
      if (!depth) throw new Error('There is no setting.');
      let { value } = depth;
      for (const press of presses) value = setBy({ ...depth, value }, press);
      expect(value).toBeGreaterThanOrEqual(0.2);
      expect(value).toBeLessThanOrEqual(2);
    }),
  );
});

it('counts the passes over each zone', () => {
  const [cheeks] = passesInAct(act, { passed: new Map() });
  expect(cheeks).toMatchObject({ zones: ['cheeks'], planned: 2, done: 0 });
  expect(passesInAct(act, { passed: new Map([[cheeks?.key ?? '', 1]]) })[0]?.done).toBe(1);
  expect(passesInAct({ id: 'x' }, { passed: new Map() })).toEqual([]);
});
