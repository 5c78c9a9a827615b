import { describe, expect, it } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* What hangs in the room and what stands on the tray. */

const person = eachAtTheApp();
const open = async (path: string): Promise<void> => {
  await person.openApp(`/protocols/${path}`);
};

/** Says for whom it is shown. */
async function showFor(what: string, option: string): Promise<void> {
  const client = person
    .all('#place button[aria-expanded]')
    .find(({ textContent }) => textContent.includes('skin'));
  if (client?.getAttribute('aria-expanded') === 'false') client.click();
  await person.choose(what, option);
}

describe('a card for the room', () => {
  it('says each step in order, with amounts and minutes, for this client', async () => {
    await open('black-sand-clay-facial/card');
    await person.sees('Consult and settle');
    const text = (await person.element('#place')).textContent;
    const steps = ['Consult and settle', 'First cleanse', 'Enzyme paste rests', 'Rinse'];
    const places = steps.map((name) => text.indexOf(name));
    expect(places.every((at) => at >= 0)).toBe(true);
    expect(places).toEqual(places.toSorted((one, other) => one - other));
    await person.sees('2–4 pumps');
  });

  it('leaves out what is not for this client, and says it for everybody', async () => {
    await open('prickly-pear-calm/card');
    await person.sees('Calming mask rests');
    await showFor('Skin type', 'oily');
    const forOily = (await person.element('#place')).textContent;
    await person.click('radio', 'everybody');
    await person.waitFor(
      () => person.all('#place')[0]?.textContent !== forOily,
      'it says for whom each step is',
    );
    await person.sees(/sensitive/);
  });

  it('warns of what stops, and defers to the consultation', async () => {
    await open('fig-enzyme-steam/card');
    await person.sees('Metal implants or pins in the area');
    await person.sees(/never a permission/);
  });

  it('is of the published edition, and of the draft when that is chosen', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.fill('Step', 'Cleanse in circles');
    await person.goTo('/protocols/black-sand-clay-facial/card');
    await person.sees('First cleanse');
    await person.seesNot('Cleanse in circles');
    await person.click('radio', 'draft');
    await person.sees('Cleanse in circles');
    await person.seesNot('First cleanse');
    await person.click('radio', 'published');
    await person.sees('First cleanse');
  });
});

describe('a tray', () => {
  /** What one line of the tray says. */
  const line = (of: string): string =>
    person.all('#place li, #place tr').find(({ textContent }) => textContent.includes(of))
      ?.textContent ?? '';

  it('has all that must stand ready, for as many clients as come', async () => {
    await open('black-sand-clay-facial/tray');
    await person.sees('Prickly-pear cleansing milk');
    const forOne = line('Prickly-pear cleansing milk');
    await person.fill('For how many clients', '3');
    await person.press('Tab');
    await person.waitFor(
      () => line('Prickly-pear cleansing milk') !== forOne,
      'it is more for three',
    );
  });

  it.each([
    ['0', 'Must be at least 1.'],
    ['21', 'Must be at most 20.'],
    ['2.5', 'Enter a whole number.'],
    ['many', 'Enter a number'],
  ])('does not count for %s clients, and says why', async (typed, says) => {
    await open('black-sand-clay-facial/tray');
    await person.sees('Prickly-pear cleansing milk');
    const forOne = line('Prickly-pear cleansing milk');
    await person.fill('For how many clients', typed);
    await person.press('Tab');
    await person.sees(says);
    expect(line('Prickly-pear cleansing milk')).toBe(forOne);
  });

  it('follows the client: what only some need stands there for them', async () => {
    await open('prickly-pear-calm/tray');
    await person.sees('Calming');
    const usual = (await person.element('#place')).textContent;
    await showFor('Skin type', 'oily');
    await person.waitFor(() => person.all('#place')[0]?.textContent !== usual, 'it is another');
  });
});

describe('an address of nothing', () => {
  it.each(['ghost/card', 'ghost/tray'])('%s says so, and leads on', async (path) => {
    await open(path);
    await person.sees('There is no such protocol in the house.');
  });
});
