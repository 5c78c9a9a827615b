import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, leave, newPerson, type Person } from './support/person';

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());
afterAll(leave);

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

  it('is put into new layers, which are named and counted', async () => {
    await person.goTo('/protocols/pumice-body-polish/oil');
    await person.choose('Repeated', 'in new layers …');
    await person.fill('Name of the layers', 'Oil rounds');
    await person.fill('On later visits', '3');
    await person.sees('Oil rounds: 1 on a first visit, 3 on later ones');
    await person.sees('in each of 3 layers');
    await person.fill('Wait between layers, usual', '3');
    await person.sees('Put least, usual, most in order.');
    await person.fill('Wait between layers, most', '3');
    await person.fill('Wait between layers, usual', '2');
    await person.saved();
    await person.page.reload();
    await person.sees('Oil rounds: 1 on a first visit, 3 on later ones');
    await person.choose('Repeated', 'done once');
    await person.saved();
  });
});

describe('a working', () => {
  it('leads to where its inputs can be changed', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.click('button', 'Price: €80.00. Show the working');
    await person.page.waitForSelector('[role=dialog] details');
    await person.page.$$eval('[role=dialog] details', (all) =>
      all.forEach((each) => (each.open = true)),
    );
    await person.page.$$eval('[role=dialog] a', (all) => {
      all.find((link) => link.getAttribute('href')?.startsWith('/shelf/'))?.click();
    });
    await person.waitFor(
      () =>
        person.page.evaluate(
          () => location.pathname.startsWith('/shelf/') && !document.querySelector('[role=dialog]'),
        ),
      'the material of the first input is in hand',
    );
    await person.page.goBack();
    expect(await person.valueOf('Step')).toBe('First cleanse');
  });
});
