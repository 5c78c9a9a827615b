import { beforeEach, describe, expect, it } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* The list of a supplier, laid over the shelf: what changes, what is ticked, and what that does to the menu. */

const person = eachAtTheApp();

const HEADINGS = 'Article no.\tName\tPrice';
const ROWS = [
  'A-201\tFruit-acid blend\t57.20',
  'A-202\tNeutraliser\t18.00',
  'A-310\tCotton pads\t9.00',
  'A-399\tQuiet balm\t12.50',
];
const read = async (rows: readonly string[] = ROWS, headings = HEADINGS): Promise<void> => {
  await person.fill('Or paste the cells, with their headings', [headings, ...rows].join('\n'));
  await person.click('button', 'Read what I pasted');
};

const box = async (label: string): Promise<HTMLInputElement> =>
  (await person.find('checkbox', label)) as HTMLInputElement;
const countOfTicked = (): number => {
  const apply = person.all('button').find(({ textContent }) => textContent.startsWith('Apply'));
  return Number(/\d+/.exec(apply?.textContent ?? '')?.[0]);
};
const kinds = (): string[] =>
  person.all('th[scope=rowgroup]').map(({ textContent }) => textContent);
const moved = (): string[] =>
  person.all('[aria-label="Services that move"] li').map(({ textContent }) => textContent);

const ACID = 'Tick Fruit-acid blend 20 %, 100 ml';

beforeEach(async () => {
  await person.openApp('/price-lists/atalaya');
  await person.sees('nothing is written until you apply it');
});

describe('a list in review', () => {
  beforeEach(() => read());

  it('says kind by kind what changes, with the price of today beside it', async () => {
    await person.sees('pasted cells: 4 articles read.');
    expect(kinds().slice(0, 2)).toEqual(['Dearer (1)', 'Cheaper (1)']);
    expect(kinds()[2]).toMatch(/^No longer listed \(\d+\)$/);
    expect(kinds()[3]).toBe('New in the list (1)');
    await person.sees('1 unchanged.');
    const row = (await box(ACID)).closest('tr');
    expect([...(row?.children ?? [])].slice(2).map(({ textContent }) => textContent)).toEqual([
      '€52.00',
      '€57.20',
      '▲ +10%',
    ]);
  });

  it('ticks what is dearer and cheaper, and neither takes away nor adds unless that is said', async () => {
    await person.sees(/articles? read/);
    expect(countOfTicked()).toBe(2);
    expect((await box(ACID)).checked).toBe(true);
    expect((await box('Tick Fruit-acid blend 20 %, 50 ml')).checked).toBe(false);
  });

  it('counts what is ticked, and says what only that does to the menu', async () => {
    await person.sees('cost €');
    const both = moved();
    expect(both.length).toBeGreaterThan(0);
    await person.click('checkbox', ACID);
    await person.waitFor(() => countOfTicked() === 1, 'one is ticked');
    await person.waitFor(() => moved().join() !== both.join(), 'the menu follows');
    await person.click('checkbox', 'Tick Calming neutraliser, 250 ml');
    await person.sees('No service costs anything else with what is ticked.');
    const apply = await person.find('button', 'Apply 0 ticked');
    expect(apply.matches(':disabled')).toBe(true);
  });

  it('takes no pack away that is counted with, one by one or all at once', async () => {
    await person.sees(/articles? read/);
    const held = await box('Tick Gauze squares, 200 pieces').catch(() => undefined);
    const rows = person
      .all('tbody tr')
      .filter(({ textContent }) => textContent.includes('choose another pack first'));
    expect(rows.length).toBeGreaterThan(3);
    expect(rows.every((row) => row.querySelector(':disabled') !== null)).toBe(true);
    expect(held?.disabled ?? true).toBe(true);
    await person.click('checkbox', 'Tick all: No longer listed');
    const free = person
      .all('tbody input[type=checkbox]:not(:disabled)')
      .filter((each) => !each.getAttribute('aria-label')?.startsWith('Tick all'));
    await person.waitFor(() => countOfTicked() === free.length, 'all that can be are ticked');
    expect(rows.some((row) => row.querySelector('input:checked') !== null)).toBe(false);
    await person.click('checkbox', 'Tick all: No longer listed');
    await person.waitFor(() => countOfTicked() === 2, 'and none of them');
  });

  it('takes a new article as another pack of what is said, or leaves it out again', async () => {
    await person.sees('Quiet balm');
    await person.choose('A-399 is another pack of', 'pack of Aloe gel');
    await person.waitFor(() => countOfTicked() === 3, 'it is ticked');
    await person.choose('A-399 is another pack of', 'leave it out');
    await person.waitFor(() => countOfTicked() === 2, 'it is left out');
  });

  it('keeps what was left out and placed by hand when it is read in another way', async () => {
    await person.sees(/articles? read/);
    await person.click('checkbox', ACID);
    await person.choose('A-399 is another pack of', 'pack of Aloe gel');
    await person.waitFor(() => countOfTicked() === 2, 'one is out, one is in');
    await person.open('columns matched');
    await person.choose('decimal mark', 'point: 1,234.50');
    await person.waitFor(
      () =>
        person
          .all('[role=combobox]')
          .some(
            (each) =>
              each.getAttribute('aria-label') === 'decimal mark' &&
              each.textContent.includes('point'),
          ),
      'it is read by points',
    );
    expect((await box(ACID)).checked).toBe(false);
    expect(countOfTicked()).toBe(2);
    const place = await person.find('combobox', 'A-399 is another pack of');
    expect(place.textContent).toContain('Aloe gel');
  });

  it('cannot be applied while it is being read in another way', async () => {
    await person.sees(/articles? read/);
    await person.open('columns matched');
    const apply = await person.find('button', 'Apply 2 ticked');
    const was: string[] = [];
    const watch = new MutationObserver(() =>
      was.push(apply.matches(':disabled') ? 'not to be applied' : 'to be applied'),
    );
    watch.observe(apply, { attributes: true });
    await person.choose('decimal mark', 'point: 1,234.50');
    await person.waitFor(() => was.at(-1) === 'to be applied', 'it is read anew');
    watch.disconnect();
    expect(was).toEqual(['not to be applied', 'to be applied']);
    await person.sees('pasted cells: 4 articles read.');
  });

  it('stays in review while nobody takes it, and can be put away', async () => {
    await person.click('button', 'Apply 2 ticked');
    await person.sees('The house does not answer just now.');
    expect(countOfTicked()).toBe(2);
    await person.click('button', 'Put the list away');
    await person.sees('Or paste the cells');
  });
});

describe('a list', () => {
  it('that asks for what is paid already says so', async () => {
    await read(['A-310\tCotton pads\t9.00', 'A-202\tNeutraliser\t19.00']);
    await person.sees('2 unchanged.');
  });

  it('with faults shows them by row and column, and applies nothing', async () => {
    await read(['A-201\tAcid\ttwelve', 'A-201\tAcid\t12']);
    await person.sees('cells do not fit, so nothing can be applied');
    const rows = person.all('table tbody tr').map(({ textContent }) => textContent);
    expect(rows.some((row) => row.startsWith('2Price'))).toBe(true);
    expect(rows.some((row) => row.includes('already in row 2'))).toBe(true);
    expect((await person.find('button', 'Apply 0 ticked')).matches(':disabled')).toBe(true);
    expect((await person.find('button', 'Try it first')).matches(':disabled')).toBe(true);
  });

  it('of columns that nobody knows asks which holds what', async () => {
    await read(['A-201\t57.20'], 'Kennung\tBetrag');
    await person.sees('Say which column holds the article number.');
    await person.choose('article number (needed)', 'Kennung');
    await person.choose('price (needed)', 'Betrag');
    await person.sees('2 of 2 columns matched');
    await person.sees('pasted cells: 1 article read.');
    await person.choose('article number (needed)', '– not in this list –');
    await person.sees('Say which column holds the article number.');
  });

  it('is fetched where the supplier publishes one; while nobody answers that is said', async () => {
    await person.click('button', 'Fetch the list of today');
    await person.sees('The house does not answer just now.');
    await person.goTo('/price-lists/mercado');
    await person.seesNot('Fetch the list of today');
    await person.sees('Choose a file');
  });

  it('that is empty cannot be read', async () => {
    await person.fill('Or paste the cells, with their headings', '   ');
    expect((await person.find('button', 'Read what I pasted')).matches(':disabled')).toBe(true);
  });

  it('that is no list is said to be none', async () => {
    await person.upload('Price list file', new File([new Uint8Array([0, 1, 2, 0])], 'photo.csv'));
    await person.sees('photo.csv is neither CSV nor an XLSX workbook.');
  });
});
