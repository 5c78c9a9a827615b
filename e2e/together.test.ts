import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { HTTPRequest, Page } from 'puppeteer-core';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

describe('two people at the same protocol', () => {
  let ione: Person;
  let nerea: Person;
  beforeEach(async () => {
    await freshHouse();
    [ione, nerea] = await Promise.all([newPerson(), newPerson()]);
    for (const person of [ione, nerea])
      await person.goTo('/protocols/black-sand-clay-facial/cleanse');
  });
  afterEach(async () => {
    await ione.close();
    await nerea.close();
  });

  it('keep the work of both', async () => {
    await ione.fill('Minutes, most', '9');
    await ione.saved();
    await nerea.fill('Amount of Cotton pads, usual', '6');
    await nerea.sees('Somebody else changed this protocol meanwhile');
    await nerea.click('button', 'Keep only mine');
    await nerea.saved();
    await nerea.click('button', 'Undo');
    await nerea.saved();
    expect(await nerea.valueOf('Amount of Cotton pads, usual')).toBe('6');
  });

  it('keep both when they touched different steps', async () => {
    await ione.fill('Minutes, most', '9');
    await ione.saved();
    await nerea.goTo('/protocols/black-sand-clay-facial/cleanse');
    await nerea.find('textbox', 'Step');
    await ione.fill('Minutes, most', '10');
    await ione.saved();
    await nerea.page.click('[data-step="rinse"]');
    await nerea.waitFor(
      async () => (await nerea.valueOf('Step')) === 'Rinse',
      'the rinse is in hand',
    );
    await nerea.fill('Step', 'Rinse twice');
    await nerea.sees('Somebody else changed this protocol meanwhile');
    await nerea.sees('so both can be kept');
    await nerea.click('button', 'Keep both');
    await nerea.saved();
    await ione.goTo('/protocols/black-sand-clay-facial/cleanse');
    expect(await ione.valueOf('Minutes, most')).toBe('10');
    await ione.sees('Rinse twice');
  });

  it('can take theirs and still get their own back', async () => {
    await ione.fill('Step', 'Gentle cleanse');
    await ione.saved();
    await nerea.fill('Step', 'Deep cleanse');
    await nerea.sees('Both of you changed these');
    await nerea.find('radio', 'theirs');
    await nerea.sees(/Theirs\s+"Gentle cleanse" 2/);
    await nerea.page.keyboard.press('Escape');
    await nerea.sees('is kept in this browser until you choose');
    expect(await nerea.valueOf('Step')).toBe('Deep cleanse');
    await nerea.click('button', 'Choose');
    await nerea.click('button', 'Take theirs');
    await nerea.saved();
    expect(await nerea.valueOf('Step')).toBe('Gentle cleanse');
    await nerea.click('button', 'Undo');
    await nerea.saved();
    expect(await nerea.valueOf('Step')).toBe('Deep cleanse');
  });

  it('choose between two margins of the house', async () => {
    await ione.goTo('/menu');
    await nerea.goTo('/menu');
    await ione.fill('Target margin', '40');
    await ione.page.keyboard.press('Enter');
    await ione.waitFor(
      () =>
        ione.page.evaluate(async () =>
          (await (await fetch('/api/settings')).text()).includes('"targetMargin":0.4'),
        ),
      'her margin is kept',
    );
    await nerea.fill('Target margin', '20');
    await nerea.page.keyboard.press('Enter');
    await nerea.sees('The house was changed by somebody else');
    await nerea.page.keyboard.press('Escape');
    await nerea.sees('Yours waits here until you choose');
    await nerea.click('button', 'Choose');
    await nerea.click('button', 'Keep mine');
    await nerea.sees('€65.00');
    await nerea.waitFor(async () => (await nerea.valueOf('Target margin')) === '20', 'hers stands');
  });
});

describe('a house that is read again while something is written', () => {
  let person: Person;
  beforeEach(async () => {
    await freshHouse();
    person = await newPerson();
  });
  afterEach(() => person.close());

  it('does not bring back what was there before, nor take the next write for somebody else’s', async () => {
    await person.goTo('/menu/clay-facial');
    const { release, read } = await holdNextHouse(person.page);
    await person.page.evaluate(() => window.dispatchEvent(new Event('focus')));
    await read;
    const planned = async (visits: string, shown: RegExp): Promise<void> => {
      await person.fill('Planned visits', visits);
      await person.page.keyboard.press('Enter');
      await person.sees(shown);
    };
    await planned('33', /Black-sand clay facial.*33/s);
    release();
    await person.fill('Its own target margin', '45');
    await person.page.keyboard.press('Enter');
    await person.sees('€100.00');
    expect(await person.valueOf('Planned visits')).toBe('33');
    await person.fill('Planned visits', '34');
    await person.page.keyboard.press('Enter');
    await person.click('link', 'House');
    await person.seesNot('by somebody else');
    await person.goTo('/menu/clay-facial');
    expect(await person.valueOf('Planned visits')).toBe('34');
  });
});

/** Reads the House once when the page asks for it, and hands it over when released. */
async function holdNextHouse(page: Page): Promise<{ release: () => void; read: Promise<void> }> {
  let release = (): void => undefined;
  const released = new Promise<void>((resolve) => (release = resolve));
  await page.setRequestInterception(true);
  const read = new Promise<void>((done) => {
    const take = async (request: HTTPRequest): Promise<void> => {
      if (new URL(request.url()).pathname !== '/api/house') return request.continue();
      page.off('request', handle);
      const body = await (await fetch(request.url())).text();
      done();
      await released;
      await request.respond({ contentType: 'application/json', body });
      await page.setRequestInterception(false);
    };
    const handle = (request: HTTPRequest): void => void take(request);
    page.on('request', handle);
  });
  return { release, read };
}
