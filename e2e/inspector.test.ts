import { afterEach, beforeEach, describe, it } from 'vitest';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());

describe('the step in hand', () => {
  it('is drawn from another product, a mix or nothing', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/mask-off');
    await person.click('button', 'Add a product');
    await person.fillIn('combobox', 'Find a product', 'pear milk');
    await person.click('option', 'Prickly-pear cleansing milk');
    const product = await person.find('group', 'Prickly-pear cleansing milk');
    await (await product.$('button[role=combobox]'))?.click();
    await person.click('option', 'Clay mask, mixed (mix)');
    await person.sees(/takes 0\.43 g .*Black-sand clay/);
    await person.click('button', 'Remove Clay mask, mixed from the step');
    await person.seesNot('takes 0.43 g');
    await person.saved();
  });
});
