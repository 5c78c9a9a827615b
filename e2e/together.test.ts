import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, leave, newPerson, type Person } from './support/person';

describe('two people at the same protocol', () => {
  let ione: Person;
  let nerea: Person;
  beforeEach(async () => {
    await freshHouse();
    [ione, nerea] = await Promise.all([newPerson(), newPerson()]);
    for (const person of [ione, nerea])
      await person.goTo('/protocols/black-sand-clay-facial/cleanse');
  });
  afterEach(async () => {
    await ione.close();
    await nerea.close();
  });
  afterAll(leave);

  it('keep the work of both', async () => {
    await ione.fill('Minutes, most', '9');
    await ione.saved();
    await nerea.fill('Amount of Cotton pads, usual', '6');
    await nerea.sees('Somebody else changed this protocol meanwhile');
    await nerea.click('button', 'Keep only mine');
    await nerea.saved();
    await nerea.click('button', 'Undo');
    await nerea.saved();
    expect(await nerea.valueOf('Amount of Cotton pads, usual')).toBe('6');
  });

  it('keep both when they touched different steps', async () => {
    await ione.fill('Minutes, most', '9');
    await ione.saved();
    await nerea.goTo('/protocols/black-sand-clay-facial/cleanse');
    await nerea.find('textbox', 'Step');
    await ione.fill('Minutes, most', '10');
    await ione.saved();
    await nerea.page.click('[data-step="rinse"]');
    await nerea.waitFor(
      async () => (await nerea.valueOf('Step')) === 'Rinse',
      'the rinse is in hand',
    );
    await nerea.fill('Step', 'Rinse twice');
    await nerea.sees('Somebody else changed this protocol meanwhile');
    await nerea.sees('so both can be kept');
    await nerea.click('button', 'Keep both');
    await nerea.saved();
    await ione.goTo('/protocols/black-sand-clay-facial/cleanse');
    expect(await ione.valueOf('Minutes, most')).toBe('10');
    await ione.sees('Rinse twice');
  });

  it('can take theirs and still get their own back', async () => {
    await ione.fill('Step', 'Gentle cleanse');
    await ione.saved();
    await nerea.fill('Step', 'Deep cleanse');
    await nerea.sees('keeping both takes yours there');
    await nerea.click('button', 'Take theirs');
    await nerea.saved();
    expect(await nerea.valueOf('Step')).toBe('Gentle cleanse');
    await nerea.click('button', 'Undo');
    await nerea.saved();
    expect(await nerea.valueOf('Step')).toBe('Deep cleanse');
  });

  it('choose between two margins of the house', async () => {
    await ione.goTo('/menu');
    await nerea.goTo('/menu');
    await ione.fill('Target margin', '40');
    await ione.page.keyboard.press('Enter');
    await ione.sees('€90.00');
    await nerea.fill('Target margin', '20');
    await nerea.page.keyboard.press('Enter');
    await nerea.sees('The house was changed by somebody else');
    await nerea.click('button', 'Keep mine');
    await nerea.sees('€65.00');
    expect(await nerea.valueOf('Target margin')).toBe('20');
  });
});
