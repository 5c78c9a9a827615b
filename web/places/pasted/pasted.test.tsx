import { beforeEach, describe, expect, it } from 'vitest';
import type { PastedKind } from '@bienestar/core/pasted/pastedRows';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();

/** The sheet alone, as it opens from a place. */
const sheetOf = (kind: PastedKind) => async () => {
  const { PasteRowsSheet } = await import('./PasteRowsSheet');
  return [{ path: '*', element: <PasteRowsSheet kind={kind} onClose={() => undefined} /> }];
};

const paste = (...rows: readonly string[]): Promise<void> => person.fill('Rows', rows.join('\n'));

/** What each row becomes, as it stands in the list. */
async function becomes(): Promise<readonly string[]> {
  const list = await person.element('[aria-label="What the rows become"]');
  return [...list.children].map((row) => row.children[1]?.textContent ?? '');
}

const isReady = async (name: string): Promise<boolean> =>
  !(await person.find('button', name)).hasAttribute('disabled');

describe('materials from a spreadsheet', () => {
  beforeEach(() => person.openApp('/', sheetOf('materials')));

  it('are nothing to add before anything is pasted', async () => {
    expect(await isReady('Add them')).toBe(false);
    await person.sees('Such as Name; Pack; Price; Supplier');
  });

  it('become packs with the kind that their words say, in any order of columns', async () => {
    await paste(
      'Price\tSupplier\tName\tPack',
      '18,40\tNorthquay Cosmetics Supply\tMarsh-mallow balm\t500 ml',
      '6\tNorthquay Cosmetics Supply\tNight ampoule\t10 x 2 ml',
      '4,10\tNorthquay Cosmetics Supply\tBamboo wipes\tbox of 100',
    );
    expect(await becomes()).toEqual([
      expect.stringMatching(/^Marsh-mallow balm500 ml.*€18\.40/),
      expect.stringMatching(/^Night ampoule10 × 2 ml.*€6\.00/),
      expect.stringMatching(/^Bamboo wipes100 pieces.*€4\.10/),
    ]);
    expect(await person.text('combobox', 'Kind of Marsh-mallow balm')).toContain('guessed:');
    expect(await person.text('combobox', 'Kind of Night ampoule')).toContain('single dose');
    expect(await person.text('combobox', 'Kind of Bamboo wipes')).toContain('consumable');
    expect(await isReady('Add 3 materials')).toBe(true);
  });

  it('are read without headings, and by semicolons', async () => {
    await paste('Marsh-mallow balm; 500 ml; 18.40', 'Bamboo wipes; box of 100; 4.10');
    expect(await becomes()).toHaveLength(2);
    expect(await person.text('combobox', 'Price is in')).toContain('18.40');
    expect(await isReady('Add 2 materials')).toBe(true);
  });

  it('take the pack out of the name where no column holds it', async () => {
    await paste('Name\tPrice', 'Marsh-mallow balm 250 ml\t9.90');
    expect(await becomes()).toEqual([expect.stringMatching(/^Marsh-mallow balm250 ml/)]);
  });

  it('say the row and the column of each fault, and are not added before all is right', async () => {
    await paste(
      'Name\tPack\tPrice',
      'Marsh-mallow balm\ta few\t9.90',
      '\t500 ml\t4',
      'Night ampoule\t10 x 2 ml\tmuch',
      'Bamboo wipes\tbox of 100\t',
      'Prickly-pear cleansing milk\t500 ml\t12',
    );
    await person.sees('Row 2, pack: “a few” is no pack: write 500 ml, 10 x 2 ml or box of 100.');
    await person.sees('Row 3, name: The name is missing.');
    await person.sees('Row 4, price: “much” is no number.');
    await person.sees('Row 5, price: This is missing.');
    await person.sees('Row 6, name: “Prickly-pear cleansing milk” is already in the house');
    const button = person.all('button').find(({ textContent }) => textContent.startsWith('Add '));
    expect(button?.hasAttribute('disabled')).toBe(true);
  });

  it('name a thing that stands twice in what was pasted', async () => {
    await paste('Name\tPack\tPrice', 'Balm\t500 ml\t9.90', 'bálm\t250 ml\t6');
    await person.sees('Row 3, name: “bálm” is already in row 2');
  });

  it('ask which column holds what is needed, and take what is said', async () => {
    await paste('Name\tPack\tX', 'Balm\t500 ml\t9.90');
    await person.sees('Say which column holds: Price.');
    await person.choose('Price is in', '3: X');
    await person.seesNot('Say which column holds');
    expect(await becomes()).toEqual([expect.stringMatching(/^Balm500 ml.*€9\.90/)]);
  });

  it('are of another kind or from somebody else where that was guessed wrong', async () => {
    await paste('Name\tPack\tPrice\tSupplier', 'Balm\t500 ml\t9.90\tSaltpan Traders');
    expect(await person.text('combobox', 'Supplier of Balm')).toBe('new: Saltpan Traders');
    await person.choose('Kind of Balm', 'to take home');
    expect(await person.text('combobox', 'Kind of Balm')).toBe('to take home');
    await person.choose('Supplier of Balm', 'Northquay Cosmetics Supply');
    expect(await person.text('combobox', 'Supplier of Balm')).toBe('Northquay Cosmetics Supply');
  });

  it('stay as they were pasted when nobody answers, and nothing is written', async () => {
    await paste('Name\tPack\tPrice', 'Balm\t500 ml\t9.90');
    await person.click('button', 'Add 1 material');
    await person.sees('Nothing was written.');
    expect(await person.valueOf('Rows')).toBe('Name\tPack\tPrice\nBalm\t500 ml\t9.90');
    expect(await isReady('Add 1 material')).toBe(true);
    expect(person.store.getState().queue.writes).toEqual([]);
  });

  it('keep their columns where the first heading is empty', async () => {
    await paste('\tPack\tPrice', 'Balm\t500 ml\t9.90');
    await person.sees('Say which column holds: Name.');
    expect(await person.text('combobox', 'Pack is in')).toBe('2: Pack');
  });
});

describe('services from a spreadsheet', () => {
  beforeEach(() => person.openApp('/', sheetOf('services')));

  it('begin with a protocol of one step that takes their minutes, and their own price', async () => {
    await paste('Treatment,Duration,Price', 'Dune-grass facial,75 min,€92');
    expect(await becomes()).toEqual([
      'Dune-grass facial75 min, €92.00; its protocol has one step to begin with',
    ]);
  });

  it('need minutes that a day can have', async () => {
    await paste('Treatment\tDuration\tPrice', 'Dune-grass facial\t2000\t92');
    await person.sees('Row 2, minutes: Must be from 0 to 1440.');
  });
});

describe('people from a spreadsheet', () => {
  beforeEach(() => person.openApp('/', sheetOf('people')));

  it('are therapists unless their role says that they assist', async () => {
    await paste('Name;Role;Wage', 'Ardis Quell;Senior;24,50', 'Bram Oster;assistant;17');
    expect(await becomes()).toEqual([
      'Ardis Quelltherapist, €24.50 an hour',
      'Bram Osterassistant, €17.00 an hour',
    ]);
    expect(await isReady('Add 2 people')).toBe(true);
  });

  it('are at most two thousand, of which none is left out in silence', async () => {
    const rows = Array.from({ length: 2_001 }, (_, at) => `Person ${at}\t10`);
    await paste('Name\tWage', ...rows);
    await person.sees('These are more than 2000 rows: paste a part of them.');
    expect(await isReady('Add 2,001 people')).toBe(false);
    await paste('Name\tWage', ...rows.slice(1));
    await person.seesNot('These are more than');
    expect(await becomes()).toHaveLength(100);
    await person.click('button', 'Show 500 more');
    expect(await becomes()).toHaveLength(600);
    expect(await isReady('Add 2,000 people')).toBe(true);
  });
});

describe('planned visits from a spreadsheet', () => {
  beforeEach(() => person.openApp('/', sheetOf('visits')));

  it('go to the services that are on the menu, and to no other', async () => {
    const [service] = await servicesOfTheHouse();
    await paste('Service;Visits a week', `${service ?? ''};6,5`, 'Moonlight bath;2');
    expect(await becomes()).toEqual([`${service ?? ''}6.5 visits a week`]);
    await person.sees('Row 3, name: There is no service “Moonlight bath” on the menu.');
  });
});

async function servicesOfTheHouse(): Promise<readonly string[]> {
  const { api } = await import('../../store/api');
  const { data } = api.endpoints.house.select()(person.store.getState());
  return (data?.services ?? []).map(({ name }) => name);
}
