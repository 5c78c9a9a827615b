import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, leave, newPerson, type Person } from './support/person';

/* What a service costs, where its price goes, and what the three ladders would charge. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());
afterAll(leave);

const slider = async (): Promise<string> =>
  (await person.find('slider', 'Charged price')).evaluate(
    (element) => element.getAttribute('aria-valuetext') ?? '',
  );
const price = (): Promise<string> => person.figure('Margin');

describe('the price of a service', () => {
  it('shows where each cent goes and what each step takes', async () => {
    await person.goTo('/menu/clay-facial');
    await person.click('link', 'Cost and price');
    await person.sees('Where €80.00 goes');
    await person.sees('Left over');
    await person.sees('stays in the bowl');
    await person.sees('Whole slot charged');
    await person.sees('Between, and the rest of the slot');
    await person.click('link', 'First cleanse');
    expect(await person.valueOf('Step')).toBe('First cleanse');
  });

  it('says which add-ons fit into its free time, and what they bring', async () => {
    await person.goTo('/menu/calm-facial/price');
    await person.sees('Offered within it');
    await person.sees(/at “Calming mask rests”, \d+ of them free/);
    await person.click('link', 'Add-on: eye sheet');
    await person.find('heading', 'Add-on: eye sheet');
    await person.sees(/May be offered within .*Prickly-pear calm facial/);
  });

  it('is tried on the ladders, and charged when it is right', async () => {
    await person.goTo('/menu/clay-facial/price');
    expect(await slider()).toBe('€80.00');
    await (await person.find('slider', 'Charged price')).focus();
    await person.page.keyboard.press('ArrowUp');
    await person.sees('Where €85.00 goes');
    await person.sees(/The service earns as much if [\d.]+% of visits stay away/);
    await person.page.keyboard.press('Escape');
    await person.sees('Where €80.00 goes');
    await (await person.find('slider', 'Charged price')).focus();
    await person.page.keyboard.press('ArrowDown');
    await person.sees(/It takes [\d.]+% more visits to earn as much/);
    await person.page.keyboard.press('Enter');
    await person.waitFor(async () => (await slider()) === '€75.00', 'the new price');
    await person.goTo('/menu');
    await person.sees('€75.00');
  });

  it('follows the ladder that is chosen, and what the house wants of a room hour', async () => {
    await person.goTo('/menu/clay-facial/price');
    await person.click('radio', 'What a room hour brings');
    await person.waitFor(async () => (await slider()) !== '€80.00', 'the price of the room hour');
    const before = await slider();
    await person.goTo('/menu/clay-facial');
    await person.fill('A room hour brings', '60');
    await person.page.keyboard.press('Tab');
    await person.waitFor(
      () =>
        person.page.evaluate(async () =>
          (await (await fetch('/api/settings')).text()).includes('"targetPerRoomHourMinor":6000'),
        ),
      'it is saved',
    );
    await person.goTo('/menu/clay-facial/price');
    await person.waitFor(async () => (await slider()) !== before, 'a dearer room hour');
    await person.click('radio', 'Neighbourhood');
    await person.waitFor(async () => (await slider()) === '€80.00', 'the usual price elsewhere');
    expect(await price()).toMatch(/%$/);
  });

  it('may be below the floor with a reason, and says so', async () => {
    await person.goTo('/menu/clay-facial/price');
    await person.click('radio', 'A price of its own');
    await person.fill('Price of its own', '12');
    await person.page.keyboard.press('Tab');
    await person.sees('does not pay its direct cost');
    await person.sees('▲ Missing');
    await person.fill('Why it may lose money', 'opening week');
    await person.page.keyboard.press('Tab');
    await person.page.reload();
    await person.waitFor(
      async () => (await person.valueOf('Why it may lose money')) === 'opening week',
      'the reason is kept',
    );
  });

  it('says at the field what cannot be, and keeps it', async () => {
    await person.goTo('/menu/clay-facial/price');
    await person.fill('Usual elsewhere', '10');
    await person.page.keyboard.press('Tab');
    await person.sees('The usual price must not be below the lowest.');
    expect(await person.valueOf('Usual elsewhere')).toBe('10');
  });

  it('carries what a device costs', async () => {
    await person.goTo('/menu/add-light/price');
    const before = await slider();
    await person.goTo('/house');
    await person.click('button', 'Light panel');
    await person.fill('Price of the device', '30000');
    await person.page.keyboard.press('Tab');
    await person.waitFor(
      () =>
        person.page.evaluate(async () =>
          (await (await fetch('/api/devices/light-panel')).text()).includes('3000000'),
        ),
      'the price is kept',
    );
    await person.goTo('/menu/add-light/price');
    await person.waitFor(async () => (await slider()) !== before, 'the dearer device');
  });
});

describe('who performs a service', () => {
  it('is flagged where a device needs training', async () => {
    await person.goTo('/menu/lift');
    await person.seesNot('not trained for');
    await person.click('checkbox', 'Dacil');
    await person.sees('▲ not trained for Radio-frequency handpiece');
  });
});

describe('the menu as a map', () => {
  it('says what to do about a service, and leads to its price', async () => {
    await person.goTo('/menu');
    await person.click('link', 'What earns');
    await person.sees('a room hour should bring €28.00');
    await person.sees(/would reach the line, and \d+% of visits may stay away/);
    await person.click('button', '1 Black-sand clay facial: 11 visits a week, €26.83 a room hour');
    await person.click('link', 'Black-sand clay facial');
    await person.sees('Where €80.00 goes');
  });

  it('moves with the price of the house’s hour', async () => {
    await person.goTo('/menu');
    await person.fill('A room hour brings', '20');
    await person.page.keyboard.press('Tab');
    await person.click('link', 'What earns');
    await person.sees('a room hour should bring €20.00');
  });
});
