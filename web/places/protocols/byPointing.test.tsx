import { afterEach, expect, it, vi } from 'vitest';
import { personAtApp } from '../../testing/personAtApp';
import { cleanup } from '../../testing/render';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const STEPS = 18;
/** Presses and fields that are filled. */
const MOST_ACTIONS = 120;

it('a facial of eighteen steps is written by pointing in as many actions as one has patience for', async () => {
  const person = await personAtApp('/protocols');
  let actions = 0;
  const click: typeof person.click = (...what) => ((actions += 1), person.click(...what));
  const fill: typeof person.fill = (...what) => ((actions += 1), person.fill(...what));
  await click('button', 'New protocol');
  await fill('Name of the protocol', 'Long calm facial');
  for (let at = 1; at <= STEPS; at += 1) {
    await click('button', at === 1 ? 'Write the first step' : 'Add a step');
    await fill('Step', `Work ${at}`);
    await fill('Minutes, usual', String(2 + (at % 4)));
    await click('button', 'Add a product');
    actions += 1;
    await person.fillIn('combobox', 'Find a product', 'milk pear');
    await person.press('Enter');
    await fill('Amount of Prickly-pear cleansing milk, usual', '2');
  }
  const { steps } = await person.draft();
  expect(steps.map(({ name }) => name)).toEqual(
    Array.from({ length: STEPS }, (_, at) => `Work ${at + 1}`),
  );
  expect(steps.every((step) => 'doses' in step && step.doses.length === 1)).toBe(true);
  expect(steps.at(-1)).toMatchObject({ minutes: { least: 4, usual: 4, most: 4 } });
  expect(actions).toBeLessThanOrEqual(MOST_ACTIONS);
}, 120_000);
