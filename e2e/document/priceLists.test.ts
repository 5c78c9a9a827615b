import ExcelJS from 'exceljs';
import { beforeEach, describe, expect, it } from 'vitest';
import { ownHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

const person = eachAtAFreshHouse();
const suppliers = (order: string) => fetch(`${ownHouse().suppliers}/${order}`, { method: 'POST' });
beforeEach(async () => {
  await suppliers('fault?is=none');
  await suppliers('edition?is=1');
});

/** Chooses a file of these bytes. */
const offer = (name: string, bytes: Uint8Array): Promise<void> =>
  person.upload('Price list file', new File([new Uint8Array(bytes)], name));

async function paste(text: string): Promise<void> {
  await person.fill('Or paste the cells, with their headings', text);
  await person.click('button', 'Read what I pasted');
}

/** Applies what is ticked. */
async function apply(): Promise<void> {
  const words = (): string | undefined =>
    person.all('button').find(({ textContent }) => textContent.startsWith('Apply'))?.textContent;
  await person.waitFor(() => words() !== undefined, 'there is something to apply');
  await person.click('button', words() ?? '');
}

/** The names of the lists to choose from. */
const choices = (): readonly string[] =>
  person.all('[role=combobox]').map((each) => each.getAttribute('aria-label') ?? '');

describe('the list of a supplier', () => {
  it('leaves alone what is not ticked, and can be undone', async () => {
    await person.goTo('/price-lists/northquay');
    await person.click('button', 'Fetch the list of today');
    await person.click('checkbox', 'Tick Prickly-pear cleansing milk, 500 ml');
    await apply();
    await person.sees('materials follow the list');
    await person.click('button', 'Undo');
    await person.sees('Undone:');
    await person.goTo('/shelf/cactus-serum/bought');
    await person.waitFor(async () => (await person.valueOf('Pack price')) === '48.00', 'undone');
    await person.goTo('/shelf/prickly-pear-milk/bought');
    await person.waitFor(async () => (await person.valueOf('Pack price')) === '21.00', 'as before');
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
    const label = choices().find((text) => text.endsWith('is another pack of'));
    await person.choose(label ?? '', 'pack of Aloe gel');
    await apply();
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
    const first = choices().find((text) => text.startsWith('M-1'));
    await person.choose(first ?? '', 'pack of Orange');
    await person.click('button', 'Apply 1 ticked');
    await person.sees('1 material follows the list of Mercado.');
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
    const button = await person.find('button', 'Apply 0 ticked');
    expect(button.matches(':disabled')).toBe(true);
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
    await offer('large.csv', new Uint8Array(21 * 1024 * 1024));
    await person.sees('large.csv is larger than the 20 MB');
  });

  it('of 5 000 rows are read in a worker', async () => {
    const rows = Array.from({ length: 5000 }, (_, at) => `X-${at},Thing ${at},${at}.50`);
    await person.goTo('/price-lists/northquay');
    await offer('large.csv', Buffer.from(`code,name,price\n${rows.join('\n')}\n`));
    await person.sees('5,000 articles read');
    await person.sees('New in the list (5,000)');
  });
});
