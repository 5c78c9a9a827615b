import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

const MILK = 'Amount of Prickly-pear cleansing milk';

describe('an amount in a protocol', () => {
  let person: Person;
  beforeEach(async () => {
    await freshHouse();
    person = await newPerson();
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
  });
  afterEach(() => person.close());

  it('moves product cost, price and reorder point as it is typed, and is there after a reload', async () => {
    const before = {
      product: await person.figure('Product'),
      price: await person.figure('Price'),
      reorder: await person.figure('Reorder point of Prickly-pear cleansing milk'),
    };
    expect(before).toMatchObject({ product: '€4.74', price: '€80.00' });

    await person.fill(`${MILK}, high`, '60');
    await person.fill(`${MILK}, usual`, '42,5');
    await person.sees('since opened');
    const after = {
      product: await person.figure('Product'),
      price: await person.figure('Price'),
      reorder: await person.figure('Reorder point of Prickly-pear cleansing milk'),
    };
    expect(after.product).toBe('€7.34');
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
});
