import { setTimeout as pause } from 'node:timers/promises';
import type { HTTPRequest } from 'puppeteer-core';
import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { freshHouse, leave, newPerson, ownHouse, type Person } from './support/person';

/** Longer than a hurried person needs from one field to the next. */
const ANSWERS_AFTER_MS = 1_200;
const GAP_MS = 150;

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
  await person.page.setRequestInterception(true);
  person.page.on('request', late);
});
afterEach(async () => {
  person.page.off('request', late);
  await person.page.setRequestInterception(false);
  await person.close();
});
afterAll(leave);

function late(request: HTTPRequest): void {
  const isWrite = request.method() === 'PUT';
  void pause(isWrite ? ANSWERS_AFTER_MS : 0).then(() => request.continue());
}

const snapshot = async (): Promise<HouseSnapshot> =>
  (await (await fetch(`${ownHouse().url}/api/house`)).json()) as HouseSnapshot;
const enter = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.page.keyboard.press('Tab');
  await pause(GAP_MS);
};

describe('at a slow house, typed on at once', () => {
  it('measures keep every figure, and none that was there before comes back', async () => {
    await person.goTo('/shelf/prickly-pear-milk/measured');
    await enter('ml per pump', '2.5');
    await enter('give or take, ml per pump', '15');
    await enter('Density', '1.1');
    await enter('ml per pump', '2.25');
    expect(await person.valueOf('ml per pump')).toBe('2.25');
    expect(await person.valueOf('Density')).toBe('1.1');
    await person.waitFor(async () => {
      const { materials } = await snapshot();
      const milk = materials.find(({ id }) => id === 'prickly-pear-milk');
      const { mlPerPump, density } = milk?.measures ?? {};
      return mlPerPump?.usual === 2.25 && mlPerPump.spread === 0.15 && density === 1.1;
    }, 'all is saved');
    expect(await person.valueOf('ml per pump')).toBe('2.25');
  });

  it('lists keep what was changed in each of their lines', async () => {
    await person.goTo('/shelf/dragon-tree-cream/measured');
    await enter('Size of pea', '0.31');
    await enter('Size of hazelnut', '1.4');
    await enter('Give or take of pea', '25');
    await person.waitFor(async () => {
      const { materials } = await snapshot();
      const named = materials.find(({ id }) => id === 'dragon-tree-cream')?.measures.named ?? [];
      const [pea, hazelnut] = ['pea', 'hazelnut'].map((name) =>
        named.find((each) => each.name === name),
      );
      return pea?.usual === 0.31 && pea.spread === 0.25 && hazelnut?.usual === 1.4;
    }, 'all is saved');
  });

  it('so do the parts of a mix', async () => {
    await person.goTo('/shelf/clay-mask');
    const { mixes } = await snapshot();
    const parts = mixes.find(({ id }) => id === 'clay-mask')?.parts ?? [];
    await enter('How much Black-sand clay, usual', '33');
    await enter('How much Distilled water, usual', '44');
    await person.waitFor(async () => {
      const after = (await snapshot()).mixes.find(({ id }) => id === 'clay-mask')?.parts ?? [];
      const said = JSON.stringify(after);
      return after.length === parts.length && said.includes(':33') && said.includes(':44');
    }, 'both are saved');
  });
});
