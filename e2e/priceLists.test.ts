import { afterEach, beforeEach, describe, it } from 'vitest';
import { freshHouse, ownHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

let person: Person;
const suppliers = (order: string) => fetch(`${ownHouse().suppliers}/${order}`, { method: 'POST' });
beforeEach(async () => {
  await freshHouse();
  await suppliers('fault?is=none');
  await suppliers('edition?is=1');
  person = await newPerson();
});
afterEach(() => person.close());

/** Offers a file of these bytes, as if it had been chosen. */
async function offer(name: string, bytes: Uint8Array): Promise<void> {
  await person.page.waitForSelector('input[type=file]');
  await person.page.evaluate(
    (fileName, text) => {
      const input = document.querySelector<HTMLInputElement>('input[type=file]');
      const files = new DataTransfer();
      const raw = Uint8Array.from(atob(text), (char) => char.charCodeAt(0));
      files.items.add(new File([raw], fileName));
      if (!input) return;
      input.files = files.files;
      input.dispatchEvent(new Event('change', { bubbles: true }));
    },
    name,
    Buffer.from(bytes).toString('base64'),
  );
}

describe('the list of a supplier', () => {
  it('is fetched, reviewed with what it does to the menu, and applied as ticked', async () => {
    await person.goTo('/price-lists/northquay');
    await person.click('button', 'Fetch the list of today');
    await person.sees('8 of 8 columns matched');
    await person.sees('€22.90');
    await person.sees('Black-sand clay facial');
    await person.sees(/cost €36\.80 → €3\d\.\d\d/);
    const apply = await person.page.$$eval('button', (all) =>
      all.map((each) => each.textContent).find((text) => text.startsWith('Apply')),
    );
    await person.click('button', apply ?? '');
    await person.sees('materials follow the list of Northquay Cosmetics Supply.');
    await person.click('link', 'Shelf');
    await person.click('link', 'Prickly-pear cleansing milk');
    await person.click('link', 'Bought');
    await person.waitFor(async () => (await person.valueOf('Pack price')) === '22.90', 'dearer');
    await person.page.$$eval('details', (all) => all.forEach((each) => (each.open = true)));
    await person.sees('€0.04845');
  });
});

describe('files', () => {
  it('that take long can be cancelled', async () => {
    const name = 'x'.repeat(300);
    const rows = Array.from({ length: 49_000 }, (_, at) => `X-${at},${name},${at}.50`);
    await person.goTo('/price-lists/northquay');
    await offer('long.csv', Buffer.from(`code,name,price\n${rows.join('\n')}\n`));
    await person.click('button', 'Cancel');
    await person.find('button', 'Choose a file');
    await person.seesNot('cells do not fit');
  });
});
