import { beforeEach, describe, expect, it } from 'vitest';
import type { Material } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
beforeEach(async () => {
  await person.openApp('/shelf/dragon-tree-cream/measured');
});

/** The field with the name of an amount by eye. */
const nameOf = (amount: string): HTMLInputElement | undefined =>
  person
    .all(`[role=group][aria-label="${amount}"] input`)
    .find((each): each is HTMLInputElement => each instanceof HTMLInputElement);
async function rename(from: string, to: string): Promise<void> {
  await person.waitFor(() => nameOf(from) !== undefined, `${from} is there`);
  nameOf(from)?.focus();
  nameOf(from)?.select();
  await person.type(to);
  await person.press('Tab');
}

describe('an amount by eye that steps say by its name', () => {
  it('is called otherwise only when that is meant: nothing could be counted where they do', async () => {
    await rename('pea', 'lentil');
    await person.sees('Call pea “lentil”?');
    await person.sees(/services? cannot be counted any more/);
    await person.press('Escape');
    await person.sees('It is still called pea.');
    expect(nameOf('pea')?.value).toBe('lentil');
    expect(person.store.getState().queue.writes).toEqual([]);
  });

  it('is, when it is meant, and nothing else of it changes', async () => {
    await rename('pea', 'lentil');
    await person.click('button', 'Call it that');
    const { before, after } = await person.written<Material>('materials');
    const names = (of: Material) => of.measures.named?.map(({ name }) => name);
    expect(names(after)).toEqual(names(before)?.map((name) => (name === 'pea' ? 'lentil' : name)));
    expect(after.measures.named?.map(({ usual }) => usual)).toEqual(
      before.measures.named?.map(({ usual }) => usual),
    );
  });

  it('is taken away only when that is meant', async () => {
    await person.click('button', 'Remove pea');
    await person.sees(/services? cannot be counted any more/);
    await person.press('Escape');
    await person.find('button', 'Remove pea');
    expect(person.store.getState().queue.writes).toEqual([]);
  });
});
