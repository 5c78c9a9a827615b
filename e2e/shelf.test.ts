import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/* Finding, sorting, changing many; packs, prices and which is cheapest in use. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());

const enter = (): Promise<void> => person.page.keyboard.press('Enter');

describe('finding things', () => {
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
