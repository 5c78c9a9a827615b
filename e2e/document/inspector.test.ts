import { describe, expect, it } from 'vitest';
import { eachAtAFreshHouse } from '../support/personInDocument';

const person = eachAtAFreshHouse();

describe('the step in hand', () => {
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
    await person.reload();
    await person.sees('Oil rounds: 1 on a first visit, 3 on later ones');
    await person.choose('Repeated', 'done once');
    await person.saved();
  });
});

describe('a working', () => {
  it('leads to where its inputs can be changed', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.click('button', 'Price: €80.00. Show the working');
    await person.element('[role=dialog] details');
    for (const each of person.all('[role=dialog] details')) each.setAttribute('open', '');
    (await person.element('[role=dialog] a[href^="/shelf/"]')).click();
    await person.waitFor(
      () => person.at().startsWith('/shelf/') && person.all('[role=dialog]').length === 0,
      'the material of the first input is in hand',
    );
    await person.back();
    expect(await person.valueOf('Step')).toBe('First cleanse');
  });
});
