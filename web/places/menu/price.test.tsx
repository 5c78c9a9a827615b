import { describe, expect, it } from 'vitest';
import type { Service } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const open = person.openApp;

const charged = async (): Promise<string> =>
  (await person.find('slider', 'Charged price')).getAttribute('aria-valuetext') ?? '';
const put = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.press('Tab');
};

describe('the price of a service', () => {
  it('says which add-ons fit into its free time, and what they bring', async () => {
    await open('/menu/calm-facial/price');
    await person.sees('Offered within it');
    await person.sees(/at “Calming mask rests”, \d+ of them free/);
    await person.click('link', 'Add-on: eye sheet');
    await person.find('heading', 'Add-on: eye sheet');
    await person.sees(/May be offered within .*Prickly-pear calm facial/);
  });

  it('follows the ladder that is chosen, and what the house wants of a room hour', async () => {
    await open('/menu/clay-facial/price');
    await person.click('radio', 'What a room hour brings');
    await person.seesNot('Where €80.00 goes');
    const before = await charged();
    await person.goTo('/menu/clay-facial');
    await put('A room hour brings', '60');
    await person.goTo('/menu/clay-facial/price');
    await expect.poll(charged).not.toBe(before);
    await person.click('radio', 'Neighbourhood');
    await expect.poll(charged).toBe('€80.00');
    expect(await person.figure('Margin')).toMatch(/%$/);
  });
});

describe('the margin of the house', () => {
  it('re-prices, with the endings that are allowed', async () => {
    await open('/menu/clay-facial');
    await person.sees('€80.00');
    await put('Target margin', '45');
    await person.sees('€100.00');
    await put('Endings repeat every', '10');
    await put('Allowed endings', '9');
    await person.sees('€99.00');
    await put('Its own target margin', '90');
    await person.sees('Margin, commission and card fee together take the whole price');
    await put('Its own target margin', '');
    await person.sees('€99.00');
  });
});

describe('who performs a service', () => {
  it('is flagged where a device needs training', async () => {
    await open('/menu/lift');
    await person.sees('Dacil');
    await person.seesNot('not trained for');
    await person.click('checkbox', 'Dacil');
    await person.sees('▲ not trained for Radio-frequency handpiece');
    const { after } = await person.written<Service>('services');
    expect(after.therapistIds).toContain('dacil');
  });

  it('moves its price, and is somebody', async () => {
    await open('/menu/acid-returning');
    await person.sees('€105.00');
    await person.click('checkbox', 'Nerea');
    await person.sees('€100.00');
    await person.click('checkbox', 'Ione');
    await person.sees('Name at least one therapist who performs this service');
    await person.click('checkbox', 'Mateo');
    await person.sees('€95.00');
  });

  it('and how many come decides what is to be ordered', async () => {
    await open('/menu/acid-returning');
    await put('Planned visits', '500');
    await person.goTo('/restock/levels');
    await person.click('radio', 'to order');
    await person.sees('Fruit-acid blend');
  });
});

describe('the menu as a map', () => {
  it('says what to do about a service, and leads to its price', async () => {
    await open('/menu/map');
    await person.sees('a room hour should bring €28.00');
    await person.sees(/would reach the line, and \d+% of visits may stay away/);
    await person.click('button', '1 Black-sand clay facial: 11 visits a week, €26.78 a room hour');
    await person.click('link', 'Black-sand clay facial');
    await person.sees('Where €80.00 goes');
  });

  it('moves with the price of the house’s hour', async () => {
    await open('/menu');
    await put('A room hour brings', '20');
    await person.click('link', 'What earns');
    await person.sees('a room hour should bring €20.00');
  });
});

describe('what is sold together', () => {
  it('a course says what it promises, and what a missed visit does', async () => {
    await open('/menu/offers');
    await person.sees('costs the house €');
    await person.click('button', 'What one sale promises');
    await person.sees('Copper-peptide ampoule');
    await put('Valid for', '20');
    await person.sees('The last visit is 30 days after the first: more than it is valid for.');
    await put('Let off', '100');
    await person.sees('Must be from 0 to 99 %.');
    expect(await person.valueOf('Let off')).toBe('100');
  });

  it('a package does once what both need', async () => {
    await open('/menu/offers/shore-and-sand');
    await person.sees(/Done once: .*Reset.* That saves \d+ min\./);
    await person.click('button', 'home care');
    const { after } = await person.written<{ once: string[] }>('offers');
    expect(after.once).not.toContain('home-care');
  });
});
