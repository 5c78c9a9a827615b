import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, leave, newPerson, type Person } from './support/person';

/* Finding, sorting, changing many; packs, prices and which is cheapest in use. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());
afterAll(leave);

const enter = (): Promise<void> => person.page.keyboard.press('Enter');
const names = (): Promise<string[]> =>
  person.page.$$eval('[role=table] a', (all) => all.map((link) => link.textContent));

describe('finding things', () => {
  it('by words in any order, without accents, by lot and by what is shown', async () => {
    await person.goTo('/shelf');
    await person.fillIn('searchbox', 'Find on the shelf', 'MÍLK péar');
    await person.waitFor(async () => (await names()).length === 1, 'one is found');
    expect(await names()).toEqual(['Prickly-pear cleansing milk']);
    await person.fillIn('searchbox', 'Find on the shelf', 'limonene');
    await person.waitFor(async () => (await names()).includes('Orange'), 'found by its allergen');
    await person.fillIn('searchbox', 'Find on the shelf', 'zzz');
    await person.sees('Nothing like that on the shelf');
    await person.click('button', 'Show everything');
    await person.choose('Show', 'archived (1)');
    await person.waitFor(async () => (await names()).length === 1, 'the archive is shown');
  });

  it('sorted, grouped, with columns of choice that stay', async () => {
    await person.goTo('/shelf');
    await person.choose('Group', 'one list');
    await person.click('button', 'True cost');
    await person.waitFor(async () => (await names())[0] === 'Distilled water', 'cheapest first');
    await person.click('button', 'Columns');
    await person.click('menuitemcheckbox', 'Cautions');
    await person.page.keyboard.press('Escape');
    await person.sees('gives off heat');
    await person.page.reload();
    await person.find('columnheader', 'Cautions');
  });

  it('with the arrow keys, beyond what is drawn', async () => {
    await person.goTo('/shelf');
    await (await person.find('link', 'Prickly-pear cleansing milk')).focus();
    for (let at = 0; at < 30; at += 1) await person.page.keyboard.press('ArrowDown');
    const focused = () => person.page.evaluate(() => document.activeElement?.textContent);
    await person.waitFor(
      async () => (await focused()) !== 'Prickly-pear cleansing milk',
      'the focus has moved',
    );
    await enter();
    await person.waitFor(
      () => person.page.evaluate(() => location.pathname.startsWith('/shelf/')),
      'what is focused is in hand',
    );
  });
});

describe('many at once', () => {
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

  it('are edited in their lines, and a column of prices is pasted', async () => {
    await person.goTo('/shelf/aloe-gel');
    await person.click('button', 'Edit in the list');
    await person.fill('On the shelf: Wild-fennel toner', '90');
    await enter();
    await person.fill('Name of Wild-fennel toner', 'Fennel toner');
    await enter();
    await person.find('textbox', 'Name of Fennel toner');
    const pasted = (text: string): Promise<void> =>
      person.page.$eval(
        'input[id]',
        (_first, of) => {
          const field = [...document.querySelectorAll('label')].find(
            (label) => label.textContent === 'Pack price of Fennel toner',
          )?.control;
          const data = new DataTransfer();
          data.setData('text', of);
          field?.dispatchEvent(
            new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
          );
        },
        text,
      );
    await pasted('17,20\nmuch');
    await person.sees('Line 2, “much”, is not a price. Nothing was changed.');
    await pasted('17,20\n3,90');
    await person.sees('2 prices taken over.');
    await person.waitFor(
      async () => (await person.valueOf('Pack price of Distilled water')) === '3.90',
      'the second price is in the second line',
    );
    expect(await person.valueOf('Pack price of Fennel toner')).toBe('17.20');
    await person.click('button', 'Edit in the list');
    await person.sees('90 ml');
  });

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
});

describe('packs', () => {
  it('are compared in use, and switching moves cost and history', async () => {
    await person.goTo('/shelf/prickly-pear-milk/bought?compare=packs');
    await person.sees('Switching saves');
    await person.click('button', 'Prefer 1,000 ml of Northquay Cosmetics Supply');
    await person.sees('You already buy it.');
    const cost = await person.figure('In use, 1,000 ml');
    await person.click('button', `In use, 1,000 ml: ${cost}. Show the working`);
    await person.sees('(C2)');
    await person.waitFor(
      () =>
        person.page.evaluate(
          () =>
            [...document.querySelectorAll('[role=dialog]')]
              .at(-1)
              ?.contains(document.activeElement) ?? false,
        ),
      'the working has the keyboard',
    );
    await person.page.keyboard.press('Escape');
    await person.seesNot('(C2)');
    await person.page.keyboard.press('Escape');
    await person.click('link', 'Used');
    await person.sees(/1,000 ml, €37\.00/);
  });

  it('are added, priced, and removed; the price history grows by a day', async () => {
    await person.goTo('/shelf/wood-spatula/bought');
    await person.fill('Pack price', '7.10');
    await enter();
    await person.sees('As a table');
    await person.page.$$eval('details', (all) => all.forEach((each) => (each.open = true)));
    await person.sees('€0.0355');
    await person.click('button', 'Another pack');
    /* The fields of the new pack take the place of the first one's once it is kept. */
    await person.page.waitForSelector('button[aria-label^="Remove the pack of"]');
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

describe('fields that are left in a hurry', () => {
  it('are all kept, however slowly the house answers', async () => {
    await person.goTo('/shelf/wood-spatula/bought');
    await person.find('textbox', 'Pack price');
    await person.page.emulateNetworkConditions({ latency: 500, download: 1e6, upload: 1e6 });
    await person.fill('Pack price', '7');
    await person.fill('Discount', '10');
    await person.fill('Freight share', '1,20');
    await person.fill('Least order, packs', '3');
    await enter();
    await person.waitFor(
      () =>
        person.page.evaluate(async () => {
          const found = (await (await fetch('/api/materials/wood-spatula')).json()) as {
            packs: { leastPacks?: number }[];
          };
          return found.packs[0]?.leastPacks === 3;
        }),
      'the last of them is saved',
    );
    await person.page.emulateNetworkConditions(null);
    await person.page.reload();
    await person.find('textbox', 'Pack price');
    const kept = ['Pack price', 'Discount', 'Freight share', 'Least order, packs'];
    expect(await Promise.all(kept.map((label) => person.valueOf(label)))).toEqual([
      '7.00',
      '10',
      '1.20',
      '3',
    ]);
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
    await person.page.waitForSelector('[aria-label="Running sum"]');
    await person.page.locator('[aria-label="Running sum"] button ::-p-text(of them stops)').click();
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
    const href = await link.evaluate((element) => element.getAttribute('href'));
    const text = await person.page.evaluate(
      (address) => fetch(address ?? '').then((answer) => answer.text()),
      href,
    );
    expect(text).toContain('prickly-pear-milk-lot-2');
  });
});
