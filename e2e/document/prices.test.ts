import { describe, expect, it } from 'vitest';
import { read } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

/* What a service costs, where its price goes, and what the three ladders would charge. */

const person = eachAtAFreshHouse();

const slider = async (): Promise<string> =>
  (await person.find('slider', 'Charged price')).getAttribute('aria-valuetext') ?? '';

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

  it('may be below the floor with a reason, and says so', async () => {
    await person.goTo('/menu/clay-facial/price');
    await person.click('radio', 'A price of its own');
    await person.fill('Price of its own', '12');
    await person.press('Tab');
    await person.sees('does not pay its direct cost');
    await person.sees('▲ Missing');
    await person.fill('Why it may lose money', 'opening week');
    await person.press('Tab');
    await person.reload();
    await person.waitFor(
      async () => (await person.valueOf('Why it may lose money')) === 'opening week',
      'the reason is kept',
    );
  });

  it('says at the field what cannot be, and keeps it', async () => {
    await person.goTo('/menu/clay-facial/price');
    await person.fill('Usual elsewhere', '10');
    await person.press('Tab');
    await person.sees('The usual price must not be below the lowest.');
    expect(await person.valueOf('Usual elsewhere')).toBe('10');
  });

  it('carries what a device costs', async () => {
    await person.goTo('/menu/add-light/price');
    const before = await slider();
    await person.goTo('/house');
    await person.click('button', 'Light panel');
    await person.fill('Price of the device', '30000');
    await person.press('Tab');
    await person.waitFor(
      async () => JSON.stringify(await read('devices/light-panel')).includes('3000000'),
      'the price is kept',
    );
    await person.goTo('/menu/add-light/price');
    await person.waitFor(async () => (await slider()) !== before, 'the dearer device');
  });
});
