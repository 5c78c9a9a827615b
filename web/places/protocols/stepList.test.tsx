import { fireEvent } from '@testing-library/dom';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Protocol } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* The steps of a protocol by the keyboard alone, and several at once. */

const person = eachAtTheApp();
const ID = 'black-sand-clay-facial';

const present = (): Protocol => {
  const draft = person.store.getState().drafts.byId[ID];
  if (!draft) throw new Error('Nothing is being edited.');
  return draft.present;
};
const ids = (): string[] => present().steps.map(({ id }) => id as string);
const shown = (): string[] => person.all('[data-step]').map(({ dataset }) => dataset['step'] ?? '');
const inHand = (): string => person.at().split('/').at(-1) ?? '';
const row = (id: string): HTMLElement => {
  const found = person.all(`[data-step="${id}"]`)[0];
  if (!found) throw new Error(`There is no row ${id}.`);
  return found;
};
/** A key on the row in hand. */
function key(name: string, held: object = {}): void {
  row(inHand()).focus();
  fireEvent.keyDown(row(inHand()), { key: name, ...held });
}
const isInHand = (id: string | undefined): Promise<void> =>
  person.waitFor(() => inHand() === id, `${id ?? '?'} is in hand`);

beforeEach(async () => {
  await person.openApp(`/protocols/${ID}/cleanse`);
  await person.find('textbox', 'Step');
});

describe('by the keyboard', () => {
  it('one goes through the steps, to the first and to the last', async () => {
    const all = ids();
    const at = all.indexOf('cleanse');
    key('ArrowDown');
    await isInHand(all[at + 1]);
    key('ArrowUp');
    await isInHand('cleanse');
    key('End');
    await isInHand(all.at(-1));
    key('ArrowDown');
    expect(inHand()).toBe(all.at(-1));
    key('Home');
    await isInHand(all[0]);
  });

  it('a step is moved up and down, stays in hand, and goes back by undo', async () => {
    const before = ids();
    const at = before.indexOf('cleanse');
    key('ArrowDown', { altKey: true });
    /* What runs beside the next step goes along with it. */
    await expect.poll(() => ids().indexOf('cleanse')).toBeGreaterThan(at);
    expect(inHand()).toBe('cleanse');
    const moved = ids();
    key('ArrowUp', { altKey: true });
    await expect.poll(ids).toEqual(before);
    await person.press('Control+z');
    await expect.poll(ids).toEqual(moved);
  });

  it('one is added below the one in hand, and is in hand itself', async () => {
    const before = ids();
    key('Enter');
    await expect.poll(() => ids().length).toBe(before.length + 1);
    const added = ids()[before.indexOf('cleanse') + 1];
    expect(before).not.toContain(added);
    await isInHand(added);
  });

  it('one is taken out, and the next is in hand', async () => {
    const before = ids();
    key('Delete');
    await expect.poll(ids).toEqual(before.filter((id) => id !== 'cleanse'));
    await person.waitFor(() => before.includes(inHand()) && inHand() !== 'cleanse', 'another is');
  });

  it('its fields are gone to', () => {
    key('ArrowRight');
    expect(document.activeElement).toBe(document.querySelector('#step-inspector input'));
  });

  it('one is copied and put in below, with ids of its own', async () => {
    const before = ids();
    key('c', { ctrlKey: true });
    key('v', { ctrlKey: true });
    await expect.poll(() => ids().length).toBe(before.length + 1);
    expect(new Set(ids()).size).toBe(ids().length);
    const name = present().steps.find(({ id }) => (id as string) === 'cleanse')?.name;
    expect(present().steps.filter((each) => each.name === name)).toHaveLength(2);
  });
});

describe('finding a step', () => {
  it('is by name, product or zone; Enter takes the first, Escape shows all again', async () => {
    const all = shown();
    key('f', { ctrlKey: true });
    await person.fillIn('searchbox', 'Find a step', 'clay');
    await person.waitFor(() => shown().length < all.length, 'fewer are shown');
    const [first] = shown();
    await person.press('Enter');
    await isInHand(first);
    await person.fillIn('searchbox', 'Find a step', 'no such words');
    await person.sees('No step has these words.');
    expect(shown()).toEqual([]);
    const field = await person.find('searchbox', 'Find a step');
    fireEvent.keyDown(field, { key: 'Escape' });
    await person.waitFor(() => shown().length === all.length, 'all are shown');
  });
});

describe('several steps at once', () => {
  const toolbar = (): HTMLElement | undefined => person.all('[aria-label="Several steps"]')[0];
  const count = (): string => toolbar()?.querySelector('strong')?.textContent ?? '';
  const next = (): string => ids()[ids().indexOf('cleanse') + 1] ?? '';

  it('are ticked one by one or up to another, and let go by Escape', async () => {
    const all = ids();
    const at = all.indexOf('cleanse');
    fireEvent.click(row(all[at + 2] ?? ''), { ctrlKey: true });
    await expect.poll(count).toBe('2 steps');
    fireEvent.click(row(all[at + 1] ?? ''), { ctrlKey: true });
    await expect.poll(count).toBe('3 steps');
    fireEvent.click(row(all[at + 1] ?? ''), { ctrlKey: true });
    await expect.poll(count).toBe('2 steps');
    key('Escape');
    await person.waitFor(() => toolbar() === undefined, 'one step is in hand');
    key('Home');
    await isInHand(all[0]);
    key('ArrowDown', { shiftKey: true });
    await expect.poll(count).toBe('2 steps');
    await person.click('button', 'Only one step');
    await person.waitFor(() => toolbar() === undefined, 'one step is in hand');
  });

  it('are removed together, and come back together', async () => {
    const before = ids();
    fireEvent.click(row(next()), { shiftKey: true });
    await expect.poll(count).toBe('2 steps');
    [...(toolbar()?.querySelectorAll('button') ?? [])]
      .find(({ textContent }) => textContent.trim() === 'Remove')
      ?.click();
    await expect.poll(() => ids().length).toBe(before.length - 2);
    await person.press('Control+z');
    await expect.poll(ids).toEqual(before);
  });

  it('are kept as a block by a name; while nobody answers the protocol stays as it is', async () => {
    const before = ids();
    fireEvent.click(row(next()), { shiftKey: true });
    await person.click('button', 'Make a block');
    const keep = await person.find('button', 'Keep it');
    expect(keep.matches(':disabled')).toBe(true);
    await person.fill('Name of the block', 'Opening');
    await person.click('button', 'Keep it');
    await person.sees('The house does not answer just now.');
    expect(await person.valueOf('Name of the block')).toBe('Opening');
    expect(ids()).toEqual(before);
  });
});
