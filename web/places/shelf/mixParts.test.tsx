import { beforeEach, describe, expect, it } from 'vitest';
import type { Mix } from '@bienestar/core/house/house';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();

const mixIn = (id: string): Mix => {
  const kept = person.store
    .getState()
    .queue.writes.flatMap(({ change }) =>
      change.kind === 'edit' && change.part === 'mixes' ? [change.mine as Mix] : [],
    )
    .at(-1);
  const found = kept ?? DEMO.mixes.find((each) => (each.id as string) === id);
  if (!found) throw new Error(id);
  return found;
};
const partsBecome = (id: string, parts: readonly object[]): Promise<void> =>
  expect.poll(() => mixIn(id).parts).toMatchObject(parts);

describe('the parts of a mix', () => {
  beforeEach(() => person.openApp('/shelf/clay-mask'));

  it('are changed, each for itself', async () => {
    await person.fill('How much Black-sand clay, usual', '45');
    await person.press('Tab');
    await partsBecome('clay-mask', [{ amount: { quantity: { usual: 45 } } }, {}]);
    await person.fill('To texture', 'until it falls slowly');
    await person.press('Tab');
    await partsBecome('clay-mask', [{ toTexture: 'until it falls slowly' }, {}]);
    await person.fill('To texture', ' ');
    await person.press('Tab');
    await expect.poll(() => mixIn('clay-mask').parts[0]?.toTexture).toBeUndefined();
  });

  it('are measured in parts, or as they can be', async () => {
    await person.choose('How Black-sand clay is measured', 'parts (g)');
    await partsBecome('clay-mask', [
      { amount: { how: 'ratio', unit: 'g', parts: { usual: 40 } } },
      {},
    ]);
    await person.choose('How Black-sand clay is measured', 'tablespoons');
    await partsBecome('clay-mask', [
      { amount: { how: 'measured', unit: 'tbsp', quantity: { usual: 40 } } },
      {},
    ]);
  });

  it('are one more, and one less, which can be drawn from another mix', async () => {
    await person.click('button', 'A part');
    await expect.poll(() => mixIn('clay-mask').parts).toHaveLength(3);
    const added = mixIn('clay-mask').parts[2];
    expect(added?.amount).toMatchObject({ how: 'measured', quantity: { usual: 1 }, unit: 'g' });
    const source = added?.source.kind === 'material' ? added.source.materialId : '';
    const material = DEMO.materials.find(({ id }) => id === source);
    expect(material?.archivedOn).toBeUndefined();
    await person.click('button', 'Remove Black-sand clay from the mix');
    await expect.poll(() => mixIn('clay-mask').parts).toHaveLength(2);
    expect(mixIn('clay-mask').parts.map((part) => part.source)).not.toContainEqual({
      kind: 'material',
      materialId: 'black-sand-clay',
    });
  });
});

describe('a part that is drawn from elsewhere', () => {
  const chosen = async (name: string): Promise<void> => {
    const [first] = person.all(
      '[aria-label="Fig enzyme powder"] [role=combobox], [role=group] [role=combobox]',
    );
    first?.focus();
    await person.press('Enter');
    await person.click('option', name);
  };

  it('is measured as is usual there, where it cannot be measured as before', async () => {
    await person.openApp('/shelf/enzyme-paste');
    await person.find('button', 'A part');
    expect(mixIn('enzyme-paste').parts[0]?.amount.how).toBe('packs');
    await chosen('Aloe gel');
    await expect
      .poll(() => mixIn('enzyme-paste').parts[0]?.source)
      .toEqual({ kind: 'material', materialId: 'aloe-gel' });
    expect(mixIn('enzyme-paste').parts[0]?.amount.how).not.toBe('packs');
    expect(person.all('[role=alert]').map(({ textContent }) => textContent)).toEqual([]);
  });
});

describe('a recipe for some skins', () => {
  const recipes = () => mixIn('calm-mask').recipes ?? [];

  beforeEach(async () => {
    await person.openApp('/shelf/calm-mask');
    await person.click('button', 'Other recipes by skin and what is seen');
  });

  it('begins as the mix is, for nobody yet, and has a name', async () => {
    await person.click('button', 'A recipe');
    await expect
      .poll(() => recipes().at(-1))
      .toEqual({
        name: 'For some skins',
        skinTypes: [],
        parts: mixIn('calm-mask').parts,
      });
    await person.fill('Recipe 3', 'Thirsty');
    await person.press('Tab');
    await expect.poll(() => recipes().at(-1)?.name).toBe('Thirsty');
    await person.fill('Recipe 3', '');
    await person.press('Tab');
    await person.sees('This is needed.');
    expect(recipes().at(-1)?.name).toBe('Thirsty');
  });

  it('is for other skins, or where something is seen', async () => {
    const toggle = async (label: string, name: string): Promise<void> => {
      await person.sees(label);
      const words = person.all('span').find(({ textContent }) => textContent === label);
      const buttons = words?.parentElement?.querySelectorAll('button') ?? [];
      [...buttons].find(({ textContent }) => textContent === name)?.click();
    };
    await toggle('For whom Rich is', 'mature');
    await expect.poll(() => recipes()[0]?.skinTypes).toEqual(['dry']);
    await toggle('or where this is seen, Clarifying', 'blemishes');
    await expect.poll(() => recipes()[1]?.findings).toBeUndefined();
  });

  it('goes, and with the last of them the mix is one for all', async () => {
    await person.click('button', 'Remove the recipe Rich');
    await expect.poll(() => recipes().map(({ name }) => name)).toEqual(['Clarifying']);
    await person.click('button', 'Remove the recipe Clarifying');
    await expect.poll(() => mixIn('calm-mask').recipes).toBeUndefined();
  });
});
