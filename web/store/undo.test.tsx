import { describe, expect, it, vi } from 'vitest';
import { eachAtTheApp } from '../testing/eachAtTheApp';

const person = eachAtTheApp();

const rename = async (from: string, to: string): Promise<void> => {
  await person.fill('Name', to);
  await person.press('Enter');
  await person.sees(to);
  await person.seesNot(from);
};
const isOff = async (button: string): Promise<boolean> =>
  ((await person.find('button', button)) as HTMLButtonElement).disabled;

describe('what was changed', () => {
  it('goes back step by step and comes again, also from another place', async () => {
    await person.openApp('/house');
    expect(await isOff('Undo the last change')).toBe(true);
    await rename('Casa Cenera', 'Casa Una');
    await rename('Casa Una', 'Casa Otra');
    await person.goTo('/menu');
    await person.click('button', 'Undo the last change');
    await person.sees('Casa Una');
    await person.click('button', 'Undo the last change');
    await person.sees('Casa Cenera');
    expect(await isOff('Undo the last change')).toBe(true);
    await person.click('button', 'Redo the last change');
    await person.sees('Casa Una');
  });

  it('goes back without what else was changed since', async () => {
    await person.openApp('/house');
    await rename('Casa Cenera', 'Casa Una');
    await person.click('radio', 'the whole slot');
    const [first] = person.store.getState().undo.done;
    const { takeBack } = await import('./takeBack');
    await person.store.dispatch(takeBack(first?.key));
    await person.sees('Casa Cenera');
    const slot = (await person.find('radio', 'the whole slot')).getAttribute('aria-checked');
    expect(slot).toBe('true');
  });

  it('is not undone from a field, where the keys undo what is typed', async () => {
    await person.openApp('/house');
    await rename('Casa Cenera', 'Casa Una');
    const field = await person.find('textbox', 'Name');
    const typed = new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true });
    field.dispatchEvent(typed);
    await person.sees('Casa Una');
    document.body.dispatchEvent(
      new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true }),
    );
    await person.sees('Casa Cenera');
  });
});

describe('what would empty figures', () => {
  it('is asked first, says what it does, and can be left', async () => {
    await person.openApp('/shelf/dragon-tree-cream/measured');
    await person.click('button', 'Remove pea');
    await person.sees(/\d+ services? cannot be counted any more/);
    await person.click('button', 'Leave it');
    await person.find('button', 'Remove pea');
    expect(person.store.getState().queue.writes).toEqual([]);
    await person.click('button', 'Remove pea');
    await person.click('button', 'Remove it');
    await person.seesNot('Remove pea?');
    await vi.waitFor(() => expect(person.store.getState().queue.writes).toHaveLength(1));
  });
});

describe('a price ten times the one before', () => {
  it('is asked, and stays as it was where it was not meant', async () => {
    await person.openApp('/shelf/aloe-gel/bought');
    await person.fill('Pack price', '280');
    await person.press('Enter');
    await person.sees('€280.00 for a pack of Aloe gel?');
    await person.click('button', 'Leave it');
    await person.sees('It is still €28.00.');
    expect(person.store.getState().queue.writes).toEqual([]);
  });
});
