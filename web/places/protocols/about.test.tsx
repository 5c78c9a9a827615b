import { beforeEach, describe, expect, it } from 'vitest';
import type { Protocol } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* What a protocol is for, and what can be done with all of it. */

const person = eachAtTheApp();
const ID = 'pumice-body-polish';

const present = (): Protocol => {
  const draft = person.store.getState().drafts.byId[ID];
  if (!draft) throw new Error('Nothing is being edited.');
  return draft.present;
};

beforeEach(async () => {
  await person.openApp(`/protocols/${ID}`);
  await person.click('button', 'More of this protocol');
  await person.click('menuitem', 'Goal and summary, copy, archive, remove');
  await person.find('textbox', 'Goal');
});

describe('a protocol', () => {
  it.each([
    ['Summary', 'summary', 'Arms, legs and back.'],
    ['Goal', 'goal', 'Even, soft skin'],
    ['For whom', 'meantFor', 'Dry skin in winter'],
    ['Who may do it', 'licence', 'By estheticians.'],
  ] as const)('says its %s in words, or nothing', async (label, key, words) => {
    await person.fill(label, words);
    await expect.poll(() => present()[key]).toBe(words);
    expect((await person.draft())[key]).toBe(words);
    await person.fill(label, '');
    await expect.poll(() => present()[key] ?? '').toBe('');
  });

  it('has a name, whatever is cleared', async () => {
    const { name } = present();
    await person.fill('Name', ' ');
    await person.sees('This is needed.');
    expect(present().name).toBe(name);
    await person.fill('Name', 'Polish with pumice');
    await expect.poll(() => present().name).toBe('Polish with pumice');
  });

  it('stays in hand where it cannot be copied just now', async () => {
    await person.click('button', 'Make a copy');
    await person.sees('The house does not answer just now.');
    expect(person.at()).toContain(`/protocols/${ID}`);
    expect(person.store.getState().undo.done).toEqual([]);
  });

  it('that is sold is not removed, and stays as it is', async () => {
    const { steps } = present();
    await person.click('button', 'Remove this protocol');
    await person.sees(/does not answer|is used/);
    expect(present().steps).toBe(steps);
    expect(person.at()).toContain(`/protocols/${ID}`);
  });

  it('is undone field by field, as it was typed', async () => {
    await person.fill('Goal', 'Soft skin');
    await person.fill('For whom', 'Everybody');
    await person.press('Escape');
    await person.seesNot('Stands on the card.');
    await person.press('Control+z');
    await expect.poll(() => present().meantFor).toBeUndefined();
    expect(present().goal).toBe('Soft skin');
  });
});
