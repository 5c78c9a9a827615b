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

  it('is tried on the ladders, and charged when it is right', async () => {
    await person.goTo('/menu/clay-facial/price');
    expect(await slider()).toBe('€80.00');
    await (await person.find('slider', 'Charged price')).focus();
    await person.page.keyboard.press('ArrowUp');
    await person.sees('Where €85.00 goes');
    await person.sees(
      /it earns as much if [\d.]+% of visits stay away; once the paid hours follow/,
    );
    await person.page.keyboard.press('Escape');
    await person.sees('Where €80.00 goes');
    await (await person.find('slider', 'Charged price')).focus();
    await person.page.keyboard.press('ArrowDown');
    await person.sees(/it earns as much with [\d.]+% more visits; once the paid hours follow/);
    await person.page.keyboard.press('Enter');
    await person.waitFor(async () => (await slider()) === '€75.00', 'the new price');
    await person.goTo('/menu');
    await person.sees('€75.00');
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
