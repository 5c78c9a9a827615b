import { describe, expect, it } from 'vitest';
import { ownHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

/* Finding, sorting, changing many; packs, prices and which is cheapest in use. */

const person = eachAtAFreshHouse();

const enter = (): Promise<void> => person.press('Enter');
const names = (): readonly string[] => person.all('[role=table] a').map((link) => link.textContent);

describe('finding things', () => {
  it('by words in any order, without accents, by lot and by what is shown', async () => {
    await person.goTo('/shelf');
    await person.fillIn('searchbox', 'Find on the shelf', 'MÍLK péar');
    await person.waitFor(() => names().length === 1, 'one is found');
    expect(names()).toEqual(['Prickly-pear cleansing milk']);
    await person.fillIn('searchbox', 'Find on the shelf', 'limonene');
    await person.waitFor(() => names().includes('Orange'), 'found by its allergen');
    await person.fillIn('searchbox', 'Find on the shelf', 'zzz');
    await person.sees('Nothing like that on the shelf');
    await person.click('button', 'Show everything');
    await person.choose('Show', 'archived (1)');
    await person.waitFor(() => names().length === 1, 'the archive is shown');
  });

  it('sorted, grouped, with columns of choice that stay', async () => {
    await person.goTo('/shelf');
    await person.choose('Group', 'one list');
    await person.click('button', 'True cost');
    await person.waitFor(() => names()[0] === 'Distilled water', 'cheapest first');
    await person.click('button', 'Columns');
    await person.click('menuitemcheckbox', 'Cautions');
    await person.press('Escape');
    await person.sees('gives off heat');
    await person.reload();
    await person.find('columnheader', 'Cautions');
  });
});

describe('many at once', () => {
  it('go into the archive, and nothing of them is lost', async () => {
    await person.goTo('/shelf/leg-film/used');
    await person.click('button', 'Archive');
    await person.sees('Archived since');
    await person.choose('Show', 'archived (2)');
    await person.click('link', 'Leg wrap film, piece');
    await person.sees('31 pieces');
    await person.click('link', 'Used');
    await person.click('button', 'Out of the archive');
    await person.seesNot('Archived since');
    await person.click('button', 'Make a copy');
    await person.sees('Leg wrap film, piece, copy');
    await person.click('link', 'What is left');
    await person.sees('Nothing has come in yet');
  });

  it('get dearer together, and are as before when that is undone', async () => {
    await person.goTo('/shelf/aloe-gel/bought');
    await person.click('checkbox', 'Tick Aloe gel');
    await person.click('checkbox', 'Tick Fruit-acid blend 20 %');
    await person.sees('2 ticked:');
    await person.fill('Change of price', '10');
    await person.click('button', 'Change all');
    await person.sees('2 materials changed.');
    await person.waitFor(async () => (await person.valueOf('Pack price')) === '30.80', 'dearer');
    await person.click('button', 'Undo');
    await person.waitFor(async () => (await person.valueOf('Pack price')) === '28.00', 'as before');
  });
});

describe('care facts', () => {
  it('feed the cautions of the protocols that use the material', async () => {
    await person.goTo('/shelf/prickly-pear-milk/care');
    await person.click('checkbox', 'asthma');
    await person.fill('Allergens, as the label names them', 'linalool, citral');
    await enter();
    await person.click('link', 'Used');
    await person.click('link', 'Black-sand clay facial');
    await person.element('[aria-label="Running sum"]');
    person
      .all('[aria-label="Running sum"] button')
      .find((each) => each.textContent.includes('of them stops'))
      ?.click();
    await person.sees('Asthma');
    await person.sees('Allergy to citral');
    await person.sees('limits of your licence');
  });
});

describe('lists for other programs', () => {
  it('are offered as CSV and XLSX', async () => {
    await person.goTo('/shelf');
    await person.click('button', 'Export as a list');
    const link = await person.find('menuitem', 'Ledger as CSV');
    const href = link.getAttribute('href') ?? '';
    const text = await (await fetch(new URL(href, ownHouse().url))).text();
    expect(text).toContain('prickly-pear-milk-lot-2');
  });
});

describe('packs', () => {
  it('are added, priced, and removed; the price history grows by a day', async () => {
    await person.goTo('/shelf/wood-spatula/bought');
    await person.fill('Pack price', '7.10');
    await enter();
    await person.sees('As a table');
    await person.open('As a table');
    await person.sees('€0.0355');
    await person.click('button', 'Another pack');
    /* The fields of the new pack take the place of the first one's once it is kept. */
    await person.element('button[aria-label^="Remove the pack of"]');
    await person.fill('Containers in the pack', '0');
    await enter();
    await person.sees('Must be at least 1.');
    await person.fill('Containers in the pack', '5');
    await enter();
    await person.click('button', 'A break');
    await person.fill('Break 1, from packs', '1');
    await enter();
    await person.sees('Must be at least 2.');
    await person.click('button', 'Remove the pack of 1,000 pieces');
    await person.seesNot('Which pack is cheapest in use?');
  });
});
