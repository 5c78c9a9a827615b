import { beforeEach, expect, it } from 'vitest';
import type { LogbookVisit } from '@bienestar/core/house/logbook';
import { drawsThatCame } from '@bienestar/core/logbook/cameOut';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const { logbook, logbookPlans, materials } = DEMO;
const entry = logbook.find(({ id }) => id === 'visit-0480');
const plan = logbookPlans.find(({ id }) => id === entry?.planId);
if (!entry || !plan) throw new Error('The demo house has no logbook.');
const visit: LogbookVisit = { entry, plan };

const person = eachAtTheApp();
beforeEach(() =>
  person.openApp('/', async () => {
    const { CorrectAmounts } = await import('./CorrectAmounts');
    return [{ path: '*', element: <CorrectAmounts visit={visit} onDone={() => undefined} /> }];
  }),
);

/** The first amount: its label, and what stands there. */
async function first(): Promise<readonly [label: string, value: string]> {
  const field = (await person.element('input')) as HTMLInputElement;
  return [field.labels?.[0]?.textContent ?? '', field.value];
}

it('asks for each amount that was taken, by its product and its step', async () => {
  const [label] = await first();
  const [draw] = drawsThatCame(visit);
  const material = materials.find(({ id }) => id === draw?.draw.materialId);
  expect(label).toBe(`${material?.name ?? ''}, ${plan.acts[draw?.draw.act ?? -1]?.name ?? ''}`);
});

it('tells layers and halves of one product apart', async () => {
  await first();
  const labels = person.all('label').map(({ textContent }) => textContent);
  expect(labels).toEqual(
    expect.arrayContaining(['Aloe gel, Gel, layer 1, 1 of 2', 'Aloe gel, Gel, layer 1, 2 of 2']),
  );
  expect(new Set(labels).size).toBe(labels.length);
});

it('is nothing while no amount is another, also where one was changed and changed back', async () => {
  const [label, value] = await first();
  await person.fill('Why', 'a slip');
  await person.click('button', 'Correct it');
  await person.sees('Say an amount that was another.');
  await person.fill(label, '9');
  await person.fill(label, value);
  await person.click('button', 'Correct it');
  await person.sees('Say an amount that was another.');
});

it('wants to know why', async () => {
  const [label] = await first();
  await person.fill(label, '9');
  await person.click('button', 'Correct it');
  await person.sees('Say in a word why it is corrected.');
});

it('does not go by what was there before an amount that cannot be taken', async () => {
  const [label] = await first();
  await person.fill(label, '9');
  await person.fill(label, '9 or 10');
  await person.fill('Why', 'a slip');
  await person.click('button', 'Correct it');
  await person.sees(`Nothing was entered: put “${label}” right first.`);
  expect(await person.valueOf(label)).toBe('9 or 10');
});

it('keeps all of it when nobody answers', async () => {
  const [label] = await first();
  await person.fill(label, '9');
  await person.fill('Why', 'a slip');
  await person.click('button', 'Correct it');
  await person.sees(/does not answer|not reached/);
  expect([await person.valueOf(label), await person.valueOf('Why')]).toEqual(['9', 'a slip']);
});
