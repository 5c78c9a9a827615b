import { beforeEach, describe, expect, it } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
beforeEach(async () => {
  await person.openApp('/shelf');
  await person.click('button', 'Add a material');
});

const add = (): Promise<void> => person.click('button', 'Add to the shelf');

describe('a material that is added', () => {
  it('says all that is still needed, and less of it as it is filled in', async () => {
    await add();
    await person.sees('Still needed: a name, what a pack holds, a price.');
    await person.fill('Name', 'Sea-lavender mist');
    await person.fill('In the pack', '200');
    await add();
    await person.sees('Still needed: a price.');
  });

  it('is not added with a figure that was taken out of its field again', async () => {
    await person.fill('Name', 'Sea-lavender mist');
    await person.fill('In the pack', '200');
    await person.fill('Price of the pack', '12,50');
    await person.fill('Price of the pack', '');
    await add();
    await person.sees('Still needed: a price.');
    await person.fill('Price of the pack', '13');
    await person.fill('In the pack', '');
    await add();
    await person.sees('Still needed: what a pack holds.');
    expect(person.store.getState().queue.writes).toEqual([]);
  });

  it('is not added with the figure that was there before what cannot be taken', async () => {
    await person.fill('Name', 'Sea-lavender mist');
    await person.fill('In the pack', '200');
    await person.fill('Price of the pack', '12,50');
    await person.fill('Price of the pack', '12,50 or so');
    await add();
    await person.sees('Nothing was entered: put “Price of the pack” right first.');
    await person.fill('Price of the pack', '13');
    await add();
    await person.seesNot('Nothing was entered');
  });

  it('asks for what its kind needs: a piece of linen, a dose of what is opened whole', async () => {
    await person.choose('Kind', 'linen');
    await person.seesNot('In the pack');
    await person.find('textbox', 'Price of a new piece');
    await person.choose('Kind', 'single dose');
    await person.find('textbox', 'Price of one dose');
  });

  it('keeps what was typed when nobody answers, and says so', async () => {
    await person.fill('Name', 'Sea-lavender mist');
    await person.fill('In the pack', '200');
    await person.fill('Price of the pack', '12,50');
    await add();
    await person.sees(/does not answer|could not|not reached/);
    expect(await person.valueOf('Name')).toBe('Sea-lavender mist');
    expect(await person.valueOf('Price of the pack')).toBe('12.50');
  });
});
