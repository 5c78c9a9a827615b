import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();

const waiting = () => person.store.getState().queue.writes;

describe('a new protocol', () => {
  it('is not there because a button was pressed, and its name is what is typed first', async () => {
    await person.openApp('/protocols');
    await person.click('button', 'New protocol');
    const name = (await person.find('textbox', 'Name of the protocol')) as HTMLInputElement;
    expect(document.activeElement).toBe(name);
    expect([name.selectionStart, name.selectionEnd]).toEqual([0, name.value.length]);
    await person.goTo('/protocols');
    await person.sees('Black-sand clay facial');
    expect(waiting()).toEqual([]);
  });

  it('is there once it has a name', async () => {
    await person.openApp('/protocols');
    await person.click('button', 'New protocol');
    await person.fill('Name of the protocol', 'Sea-glass facial');
    expect(await person.draft()).toMatchObject({ name: 'Sea-glass facial', steps: [] });
  });

  it('is there once it has a step, which can be said at once', async () => {
    await person.openApp('/protocols');
    await person.click('button', 'New protocol');
    await person.fillIn('combobox', 'Say a step', 'cleanse 3 pumps cleansing milk on face 2-3 min');
    await person.press('Enter');
    const { steps } = await person.draft();
    expect(steps).toHaveLength(1);
  });

  it('is typed on at once: the next line needs no press', async () => {
    await person.openApp('/protocols');
    await person.click('button', 'New protocol');
    await person.fillIn('combobox', 'Say a step', 'cleanse 5 min');
    await person.press('Enter');
    const line = (await person.find('combobox', 'Say a step')) as HTMLInputElement;
    await vi.waitFor(() => expect(document.activeElement).toBe(line));
    await userEvent.keyboard('tone 1/2 min{Enter}mask 4 min{Enter}');
    const { steps } = await person.draft();
    expect(steps.map(({ name }) => name)).toEqual(['Cleanse', 'Tone', 'Mask']);
  });
});

describe('a protocol as a whole', () => {
  const about = async (): Promise<void> => {
    await person.openApp('/protocols/black-sand-clay-facial');
    await person.click('button', 'More of this protocol');
    await person.click('menuitem', 'Goal and summary, copy, archive, remove');
  };

  it('says what it is for, which stands in the list', async () => {
    await about();
    await person.fill('Goal', 'Clear pores, calm by the evening');
    expect(await person.draft()).toMatchObject({ goal: 'Clear pores, calm by the evening' });
    await person.goTo('/protocols');
    await person.sees('Goal: Clear pores, calm by the evening');
  });

  it('is put into the archive, where it can be found, and comes out again', async () => {
    await about();
    await person.click('button', 'Archive');
    expect((await person.draft()).archivedOn).toMatch(/^\d{4}-\d\d-\d\d$/);
    await person.sees('Archived since');
    await person.click('button', 'Out of the archive');
    await vi.waitFor(async () => expect((await person.draft()).archivedOn).toBeUndefined());
  });
});
