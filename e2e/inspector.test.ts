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
  it('is given zones, and a region takes the place of its parts', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/finish');
    await person.sees('takes 1.6 ml');
    await person.click('button', 'change zones');
    await person.sees(/1 face\s*2 neck front/);
    await person.click('checkbox', 'décolleté');
    await person.sees('3 décolleté');
    await person.click('checkbox', 'forehead, worked 1.');
    await person.sees(/1 cheeks\s*2 nose/);
    await person.click('button', 'Undo');
    await person.sees(/1 face\s*2 neck front\s*3 décolleté/);
    await person.click('checkbox', 'décolleté, worked 3.');
    await person.seesNot('3 décolleté');
    await person.saved();
  });

  it('says that a coat needs zones', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/finish');
    await person.click('button', 'change zones');
    await person.click('button', 'face and neck');
    await person.sees('A coat of Mineral sunscreen needs the zones it covers');
    await person.click('button', 'Undo');
    await person.seesNot('needs the zones it covers');
  });

  it('is drawn from another product, a mix or nothing', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/mask-off');
    await person.click('button', 'Add a product');
    const product = await person.find('group', 'Prickly-pear cleansing milk');
    await (await product.$('button[role=combobox]'))?.click();
    await person.click('option', 'Clay mask, mixed (mix)');
    await person.sees(/takes 0\.43 g .*Black-sand clay/);
    await person.click('button', 'Take Clay mask, mixed out of the step');
    await person.seesNot('takes 0.43 g');
    await person.saved();
  });

  it('opens a new ampoule or uses up the open one', async () => {
    await person.goTo('/protocols/layered-fruit-acid/ampoule-neck');
    const before = await person.figure('Product');
    await person.click('radio', 'open new');
    await person.sees('takes 2 ml');
    expect(await person.figure('Product')).not.toBe(before);
    await person.click('radio', 'use what is left first');
    await person.sees('takes 0 ml');
    expect(await person.figure('Product')).toBe(before);
    await person.saved();
  });

  it('is put beside another, by hands that are free, and then by its own', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/finish');
    const alone = await person.text('button', 'Slot: 70. Show the working');
    await person.choose('Done meanwhile, beside', 'Mask rests');
    await person.find('button', 'Slot: 65. Show the working');
    await person.choose('Done meanwhile, beside', 'by itself');
    await person.find('button', `Slot: ${alone}. Show the working`);
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

  it('moves to another stretch and to other hands', async () => {
    await person.goTo('/protocols/pumice-body-polish/close');
    await person.click('radio', 'reset');
    await person.click('radio', 'assistant');
    await person.click('radio', 'watching');
    await person.sees(/Reset[\s\S]*Tea, home care, next visit/);
    await person.sees('assistant');
    await person.fill('What to watch', 'Ask for <shoes> & robe.');
    await person.saved();
    await person.page.reload();
    await person.find('textbox', 'Step');
    expect(await person.valueOf('What to watch')).toBe('Ask for <shoes> & robe.');
  });

  it('shows what changed since the protocol was opened', async () => {
    await person.goTo('/protocols/pumice-body-polish/oil');
    await person.fill('Minutes, most', '60');
    await person.fill('Minutes, usual', '50');
    await person.sees('since opened');
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

  it('of a reorder point names visits, lead time and service level', async () => {
    await person.goTo('/restock/levels');
    const point = await person.figure('Reorder point of Fig enzyme powder, sachet');
    await person.click(
      'button',
      `Reorder point of Fig enzyme powder, sachet: ${point}. Show the working`,
    );
    await person.page.waitForSelector('[role=dialog] details');
    await person.page.$$eval('[role=dialog] details', (all) =>
      all.forEach((each) => (each.open = true)),
    );
    for (const words of [
      '11 visits a week',
      'Lead time of Northquay Cosmetics Supply',
      '95%',
      'negative binomial',
      '(S3)',
    ]) {
      await person.sees(words);
    }
  });

  it('of attended minutes lists the steps', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.click('button', 'Attended minutes: 46.7 min. Show the working');
    await person.sees('Hand and arm massage');
    await person.sees('(T4)');
    await person.page.keyboard.press('Escape');
    await person.click('button', 'More of this protocol');
    await person.click('menuitem', 'Keys of the workbench');
    await person.sees('go through the steps');
  });
});
