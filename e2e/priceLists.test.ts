import ExcelJS from 'exceljs';
import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, leave, newPerson, ownHouse, type Person } from './support/person';

let person: Person;
const suppliers = (order: string) => fetch(`${ownHouse().suppliers}/${order}`, { method: 'POST' });
beforeEach(async () => {
  await freshHouse();
  await suppliers('fault?is=none');
  await suppliers('edition?is=1');
  person = await newPerson();
});
afterEach(() => person.close());
afterAll(leave);

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

async function paste(text: string): Promise<void> {
  await person.page.waitForSelector('#pasted');
  await person.page.$eval(
    '#pasted',
    (element, value) => {
      const area = element as HTMLTextAreaElement;
      Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')?.set?.call(
        area,
        value,
      );
      area.dispatchEvent(new Event('input', { bubbles: true }));
    },
    text,
  );
  await person.click('button', 'Read what I pasted');
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

  it('leaves alone what is not ticked, and can be undone', async () => {
    await person.goTo('/price-lists/northquay');
    await person.click('button', 'Fetch the list of today');
    await person.click('checkbox', 'Tick Prickly-pear cleansing milk, 500 ml');
    const apply = await person.page.$$eval('button', (all) =>
      all.map((each) => each.textContent).find((text) => text.startsWith('Apply')),
    );
    await person.click('button', apply ?? '');
    await person.sees('materials follow the list');
    await person.click('button', 'Undo');
    await person.sees('Undone:');
    await person.goTo('/shelf/cactus-serum/bought');
    await person.waitFor(async () => (await person.valueOf('Pack price')) === '48.00', 'undone');
    await person.goTo('/shelf/prickly-pear-milk/bought');
    expect(await person.valueOf('Pack price')).toBe('21.00');
  });

  it('that cannot be had is said in words: down, or too slow', async () => {
    await person.goTo('/price-lists/atalaya');
    await suppliers('fault?is=down');
    await person.click('button', 'Fetch the list of today');
    await person.sees('answered with an error (503). Nothing was changed');
    await suppliers('fault?is=slow');
    await person.click('button', 'Fetch the list of today');
    await person.sees('did not answer within 5 seconds');
    await suppliers('fault?is=none');
    await person.click('button', 'Fetch the list of today');
    await person.sees('articles read');
  });

  it('takes a new article as another pack of a material', async () => {
    await person.goTo('/price-lists/northquay');
    await person.click('button', 'Fetch the list of today');
    await person.sees('New in the list');
    const label = await person.page.$$eval('[role=combobox]', (all) =>
      all
        .map((each) => each.getAttribute('aria-label') ?? '')
        .find((text) => text.endsWith('is another pack of')),
    );
    await person.choose(label ?? '', 'pack of Aloe gel');
    const apply = await person.page.$$eval('button', (all) =>
      all.map((each) => each.textContent).find((text) => text.startsWith('Apply')),
    );
    await person.click('button', apply ?? '');
    await person.sees('materials follow the list');
    await person.goTo('/shelf/aloe-gel/bought');
    await person.sees(label?.split(' ')[0] ?? '?');
  });
});

describe('pasted cells', () => {
  it('are matched by hand once, and by themselves the next time', async () => {
    await person.goTo('/price-lists/mercado');
    const cells = 'Kennung\tPreis\nM-1\t3,40\nM-2\t12,00';
    await paste(cells);
    await person.sees('Say which column holds the article number.');
    await person.choose('article number (needed)', 'Kennung');
    await person.sees('2 articles read');
    const first = await person.page.$$eval('[role=combobox]', (all) =>
      all
        .map((each) => each.getAttribute('aria-label') ?? '')
        .find((text) => text.startsWith('M-1')),
    );
    await person.choose(first ?? '', 'pack of Orange');
    await person.click('button', 'Apply 1 ticked');
    await person.sees('1 materials follow the list of Mercado.');
    await paste(cells);
    await person.sees('2 of 2 columns matched');
    await person.sees('2 articles read');
  });

  it('with faults are shown by row and column, and nothing can be applied', async () => {
    await person.goTo('/price-lists/northquay');
    await paste(
      'code,name,price,currency\nN-1102,Milk,"1,234",EUR\nN-1102,Milk,22,EUR\nN-9,=1+1,2,CHF\n',
    );
    await person.sees('may be read in two ways');
    await person.sees('Article N-1102 is already in row 2');
    await person.sees('holds a formula');
    await person.sees('This price is in CHF; the house counts in EUR.');
    const disabled = await (
      await person.find('button', 'Apply 0 ticked')
    ).evaluate((button) => (button as HTMLButtonElement).disabled);
    expect(disabled).toBe(true);
  });
});

describe('files', () => {
  it('of a spreadsheet are read; merged cells and formulas are found', async () => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('prices');
    sheet.addRows([
      ['code', 'name', 'price'],
      ['N-1102', 'Milk', 22.5],
      ['N-1151', 'Serum', { formula: '40+9', result: 49 }],
      ['N-1110', 'Toner', 17],
    ]);
    sheet.mergeCells('B3:B4');
    await person.goTo('/price-lists/northquay');
    await offer('prices.xlsx', new Uint8Array(await book.xlsx.writeBuffer()));
    await person.sees('This cell is merged with others');
    await person.sees('This cell holds a formula');
    await person.click('button', 'Put the list away');
    sheet.unMergeCells('B3:B4');
    sheet.getCell('C3').value = 49;
    await offer('prices.xlsx', new Uint8Array(await book.xlsx.writeBuffer()));
    await person.sees('3 articles read');
    await person.sees('€49.00');
  });

  it('that are no lists, too large or in another encoding are refused in words', async () => {
    await person.goTo('/price-lists/northquay');
    await offer('photo.csv', Uint8Array.from([0, 1, 2, 0, 255, 0]));
    await person.sees('photo.csv is neither CSV nor an XLSX workbook.');
    await person.click('button', 'Put the list away');
    await offer('latin.csv', Buffer.from('code,name,price\nN-1102,Crème,22\n', 'latin1'));
    await person.sees('save the list as UTF-8');
    await person.click('button', 'Put the list away');
    await person.page.evaluate(() => {
      const input = document.querySelector<HTMLInputElement>('input[type=file]');
      const files = new DataTransfer();
      files.items.add(new File([new Uint8Array(21 * 1024 * 1024)], 'large.csv'));
      if (!input) return;
      input.files = files.files;
      input.dispatchEvent(new Event('change', { bubbles: true }));
    });
    await person.sees('large.csv is larger than the 20 MB');
  });

  it('of 5 000 rows are read in a worker', async () => {
    const rows = Array.from({ length: 5000 }, (_, at) => `X-${at},Thing ${at},${at}.50`);
    await person.goTo('/price-lists/northquay');
    await offer('large.csv', Buffer.from(`code,name,price\n${rows.join('\n')}\n`));
    await person.sees('5,000 articles read');
    await person.sees('New in the list (5,000)');
  });

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
