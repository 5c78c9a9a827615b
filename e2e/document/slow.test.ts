import { setTimeout as pause } from 'node:timers/promises';
import { describe, expect, it } from 'vitest';
import { readHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

/* What a person in a hurry meets at a house that answers late. */

/** Longer than a hurried person needs from one field to the next. */
const ANSWERS_AFTER_MS = 1_200;
const GAP_MS = 150;

const person = eachAtAFreshHouse({ writesAfterMs: ANSWERS_AFTER_MS });

const snapshot = readHouse;
const enter = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.press('Tab');
  await pause(GAP_MS);
};
const nameOf = async (id: string): Promise<string | undefined> =>
  (await snapshot()).protocols
    .find((each) => each.id === 'black-sand-clay-facial')
    ?.steps.find((each) => each.id === id)?.name;

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

  it('what moved shows it to who goes there before it is saved', async () => {
    await person.goTo('/menu/margins/blade');
    await person.click('radio', '30 days');
    await person.sees('Price and cost over time');
    await person.goTo('/house');
    await enter('VAT', '7');
    await person.goTo('/menu/margins/blade');
    await person.click('radio', '30 days');
    await person.sees(/VAT\s*price/);
  });

  it('who undoes and goes on at once is not told that somebody else changed it', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    const before = await person.valueOf('Step');
    await person.fill('Step', 'Cleanse twice');
    await pause(700);
    await person.click('button', 'Undo');
    await person.waitFor(async () => (await person.valueOf('Step')) === before, 'it is undone');
    await pause(GAP_MS);
    await person.click('button', 'Redo');
    await person.click('button', 'Undo');
    await person.fill('Step', 'Cleanse once');
    await person.saved();
    await person.seesNot('Somebody else');
    expect(await nameOf('cleanse')).toBe('Cleanse once');
  });
});
