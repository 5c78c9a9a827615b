import { setTimeout as pause } from 'node:timers/promises';
import type { HTTPRequest } from 'puppeteer-core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, readHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/** Longer than a hurried person needs from one field to the next. */
const ANSWERS_AFTER_MS = 1_200;

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

function late(request: HTTPRequest): void {
  const isWrite = request.method() === 'PUT';
  /* What the page that asked is left for meanwhile never goes out. */
  void pause(isWrite ? ANSWERS_AFTER_MS : 0).then(() => request.continue().catch(() => undefined));
}

const snapshot = readHouse;

describe('at a slow house, typed on at once', () => {
  const nameOf = async (id: string): Promise<string | undefined> =>
    (await snapshot()).protocols
      .find((each) => each.id === 'black-sand-clay-facial')
      ?.steps.find((each) => each.id === id)?.name;

  it.each([60, 500, 1_500])(
    'who reloads %s ms after a change is not told that somebody else made it',
    async (after) => {
      await person.goTo('/protocols/black-sand-clay-facial/cleanse');
      await person.fill('Step', 'Cleanse twice');
      await pause(after);
      await person.page.reload({ waitUntil: 'load' });
      await person.waitFor(
        async () => (await person.valueOf('Step')) === 'Cleanse twice',
        'the change is there after reloading',
      );
      await person.fill('Step', 'Cleanse three times');
      await person.saved();
      await person.seesNot('Somebody else');
      expect(await nameOf('cleanse')).toBe('Cleanse three times');
    },
  );
});
