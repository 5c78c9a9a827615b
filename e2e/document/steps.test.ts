import { beforeEach, describe, expect, it } from 'vitest';
import { eachAtAFreshHouse } from '../support/personInDocument';

describe('the steps of a protocol', () => {
  const person = eachAtAFreshHouse();
  beforeEach(async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.find('textbox', 'Step');
  });

  const names = (): readonly string[] =>
    person.all('[data-step]').map((row) => row.querySelector('.font-semibold')?.textContent ?? '');
  const order = async (expected: string[]): Promise<void> => {
    await person.waitFor(
      () => names().join('|').includes(expected.join('|')),
      `the order ${expected.join(', ')}`,
    );
  };
  it('that are typed one right after the other stand in their order', async () => {
    await person.click('combobox', 'Say a step');
    for (const line of ['press lips 3 s', 'pat 10 s', 'look 20 s']) {
      await person.type(line);
      await person.press('Enter');
    }
    await order(['First cleanse', 'Press lips', 'Pat', 'Look']);
  });

  it('are removed, put back and removed again by undo and redo', async () => {
    await person.click('button', 'Remove this step');
    await order(['Consult and settle', 'Enzyme paste rests']);
    await person.press('Control+z');
    await order(['Consult and settle', 'First cleanse', 'Enzyme paste rests']);
    await person.press('Control+y');
    await order(['Consult and settle', 'Enzyme paste rests']);
    await person.click('button', 'Undo');
    await person.saved();
    expect(await person.figure('Product')).toBe('€4.74');
  });
});

describe('a protocol from nothing', () => {
  const person = eachAtAFreshHouse();

  it('says so when there is no such protocol, step or place', async () => {
    await person.goTo('/protocols/ghost');
    await person.sees('There is no such protocol in the house.');
    await person.goTo('/nowhere');
    await person.sees('There is nothing at this address.');
    await person.goTo('/protocols/pumice-body-polish/ghost');
    expect(await person.valueOf('Step')).toBe('Prepare wet room, warm the oil');
  });

  it('helps with the first step, counts from then on, and goes on the menu', async () => {
    await person.goTo('/protocols');
    await person.click('button', 'New protocol');
    await person.sees('No steps yet');
    await person.fill('Name of the protocol', 'Moon facial <b>& more</b>');
    await person.click('button', 'Write the first step');
    await person.fill('Step', 'Cleanse');
    await person.sees('Not on the menu yet');
    await person.click('button', 'Add a product');
    await person.fillIn('combobox', 'Find a product', 'pear milk');
    await person.press('Enter');
    await person.sees('takes 1.6 ml');
    await person.saved();
    await person.click('button', 'Put it on the menu');
    await person.seesNot('Not on the menu yet');
    await person.click('link', 'Menu');
    await person.sees('How the house prices');
    await person.sees('Moon facial <b>& more</b>');
    await person.back();
    await person.sees('min slot');
  });
});
