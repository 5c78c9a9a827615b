import { describe, expect, it } from 'vitest';
import { joinedOf } from '@bienestar/core/protocol/forWhom';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const at = async (stepId: string): Promise<void> => {
  await person.openApp(`/protocols/black-sand-clay-facial/${stepId}`);
  await person.find('combobox', 'Say a step');
};

const say = async (line: string): Promise<void> => {
  await person.fillIn('combobox', 'Say a step', line);
  await person.press('Enter');
};
const added = async (name: string) => {
  const find = async () => (await person.draft()).steps.find((each) => each.name === name);
  await expect.poll(find).toBeDefined();
  return find();
};
const around = async (name: string): Promise<string> => {
  await added(name);
  const { steps } = await person.draft();
  const names = steps.map((each) => each.name);
  return names.slice(names.indexOf(name) - 1, names.indexOf(name) + 2).join(' | ');
};

describe('a step that is said', () => {
  it('goes on by itself after one that was said beside another', async () => {
    await at('mask');
    await say('+ massage "Scalp" 2 min');
    expect(await added('Scalp')).toMatchObject({ meanwhileOf: 'mask' });
    await say('treat "Lift off" 1 min');
    const next = await added('Lift off');
    expect(next?.meanwhileOf).toBeUndefined();
  });

  it('goes to set-up when it prepares, and to reset when it tidies up, wherever one stands', async () => {
    await at('cleanse');
    await say('prepare "Fold the towels" 2 min');
    expect(await added('Fold the towels')).toMatchObject({ stretch: 'set-up' });
    await say('clean "Wipe the trolley" 2 min');
    expect(await added('Wipe the trolley')).toMatchObject({ stretch: 'reset' });
  });

  it('says where it will stand before it is there', async () => {
    await at('hands');
    await person.sees('Enter adds it after “');
    await person.fillIn('combobox', 'Say a step', 'prepare 2 min');
    await person.sees(/after “[^”]+” · prepare/);
    await person.seesNot('beside “');
    await person.fillIn('combobox', 'Say a step', '+ massage 2 min');
    await person.sees('beside “');
  });

  it('is for whom it says, and for everybody when its line no longer says it', async () => {
    await at('cleanse');
    await say('tone "Mattifying" 1 min for oily skin');
    const toned = await added('Mattifying');
    expect(joinedOf(await person.draft(), toned ?? {})).toEqual([
      { by: 'skin-type', values: ['oily'] },
    ]);
    await person.sees('for oily skin');
  });

  it.each([
    ['cleanse 2/3 pumps cleansing milk', 'Is 2/3 a part of one, or from 2 to 3?'],
    ['wash 1,500 ml distilled water', 'Is 1,500 1500, or 1.5?'],
    ['apply mineral sunscreen', 'How much Mineral sunscreen?'],
  ])('asks about “%s”, and adds nothing', async (line, words) => {
    await at('cleanse');
    await say(line);
    await person.sees(words);
    expect(person.store.getState().queue.writes).toEqual([]);
  });
});

describe('a step that is added by pointing', () => {
  it('stands by itself after one that is done meanwhile', async () => {
    await at('hands');
    await person.click('button', 'Add a step');
    expect((await added('New step'))?.meanwhileOf).toBeUndefined();
  });

  it('is for the guest after a step of set-up', async () => {
    await person.openApp('/protocols/black-sand-clay-facial');
    await person.click('button', 'Add a step');
    expect(await added('New step')).toMatchObject({ stretch: 'visit' });
  });
});

describe('many lines', () => {
  it('that are put right one by one stand in the order in which they were written', async () => {
    await at('cleanse');
    await person.click('button', 'Paste many lines');
    await person.fill('Lines', 'press "One" 1 min\npress "Two" 1 mun\npress "Three" 1 min');
    await person.sees(/line 2: .*mun/);
    await person.click('button', 'Add the 2 steps that are clear');
    await person.fill('Lines', 'press "Two" 1 min');
    await person.click('button', 'Add 1 step');
    expect(await around('Two')).toBe('One | Two | Three');
  });

  it('none of which is understood are not offered to be added', async () => {
    await at('cleanse');
    await person.click('button', 'Paste many lines');
    await person.fill('Lines', '3 of nothing');
    const add = await person.find('button', 'Nothing to add yet');
    expect(add.hasAttribute('disabled')).toBe(true);
  });
});
