import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, leave, newPerson, type Person } from './support/person';

const MILK = 'Amount of Prickly-pear cleansing milk';

describe('an amount in a protocol', () => {
  let person: Person;
  beforeEach(async () => {
    await freshHouse();
    person = await newPerson();
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
  });
  afterEach(() => person.close());
  afterAll(leave);

  it('moves product cost, price and reorder point as it is typed, and is there after a reload', async () => {
    const before = {
      product: await person.figure('Product'),
      price: await person.figure('Price'),
      reorder: await person.figure('Reorder point of Prickly-pear cleansing milk'),
    };
    expect(before).toMatchObject({ product: '€4.71', price: '€80.00' });

    await person.fill(`${MILK}, high`, '60');
    await person.fill(`${MILK}, usual`, '42,5');
    await person.sees('since opened');
    const after = {
      product: await person.figure('Product'),
      price: await person.figure('Price'),
      reorder: await person.figure('Reorder point of Prickly-pear cleansing milk'),
    };
    expect(after.product).toBe('€7.52');
    expect(after.price).toBe('€85.00');
    const ml = (shown: string): number => Number(shown.replaceAll(/[^\d.]/g, ''));
    expect(ml(after.reorder)).toBeGreaterThan(ml(before.reorder));
    await person.saved();

    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    expect(await person.valueOf(`${MILK}, usual`)).toBe('42.5');
    expect(await person.figure('Price')).toBe('€85.00');
    /* What is sold is the published edition, until the draft is published too. */
    await person.click('link', 'Restock');
    await person.click('link', 'When to order');
    expect(await person.figure('Reorder point of Prickly-pear cleansing milk')).toBe(
      before.reorder,
    );
    await person.click('link', 'Menu');
    await person.sees('€80.00');
  });

  it.each([
    ['-3', 'Must not be below 0. Still counted with 3.'],
    ['much', 'Enter a number, such as 3 or 2.5. Still counted with 3.'],
    ['', 'Enter a number, such as 3 or 2.5. Still counted with 3.'],
    ['0', 'Must be more than 0. Still counted with 3.'],
    ['9', 'Put low, usual, high in order. Still counted with 3.'],
    ['1e9', 'Enter a number, such as 3 or 2.5. Still counted with 3.'],
    ['999999999', 'Must be at most 100000. Still counted with 3.'],
  ])(
    'is explained at its field when it is “%s”, and what was typed stays',
    async (typed, words) => {
      await person.fill(`${MILK}, usual`, typed);
      await person.sees(words);
      expect(await person.valueOf(`${MILK}, usual`)).toBe(typed);
      const field = await person.find('textbox', `${MILK}, usual`);
      expect(await field.evaluate((element) => element.getAttribute('aria-invalid'))).toBe('true');
      expect(await person.figure('Product')).toBe('€4.71');
      await person.fill(`${MILK}, usual`, '3.5');
      await person.seesNot('Still counted');
      await person.saved();
    },
  );

  it('says what is missing when a way of counting has no measure on the shelf', async () => {
    await person.choose('Prickly-pear cleansing milk, stated in', 'sprays');
    await person.sees('say on the shelf how many ml one spray gives');
    await person.sees('min slot; the guest is told 55');
    await person.click('button', 'Undo');
    await person.seesNot('say on the shelf');
  });

  it('shows its working down to the pack price', async () => {
    await person.click('button', 'Product: €4.71. Show the working');
    await person.sees('Everything drawn in the visit at what a unit of it costs, added up.');
    const dialog = await person.find('dialog', 'Product');
    const open = async (label: string): Promise<void> => {
      const summary = await dialog.waitForSelector(`::-p-text(${label})`);
      await summary?.click();
    };
    await open('Prickly-pear cleansing milk, First cleanse');
    await open('One ml of Prickly-pear cleansing milk');
    await person.sees(/Pack price.*\n*.*€21\.00/);
    await person.sees('(C1)');
    await person.page.keyboard.press('Escape');
    const reorder = await person.figure('Reorder point of Prickly-pear cleansing milk');
    await person.click(
      'button',
      `Reorder point of Prickly-pear cleansing milk: ${reorder}. Show the working`,
    );
    await person.sees('Demand while waiting is a random number of uses');
    await person.page.keyboard.press('Escape');
    const drawn = '4.8 ml (2.94–6.91)';
    await person.click(
      'button',
      `Prickly-pear cleansing milk in a visit: ${drawn}. Show the working`,
    );
    await person.sees('What each dose takes, added up');
  });
});
