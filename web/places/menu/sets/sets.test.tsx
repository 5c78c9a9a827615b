import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO } from '../../../testing/demoInBrowser';
import { eachAtTheApp } from '../../../testing/eachAtTheApp';

const person = eachAtTheApp();

const nameOf = (id: string): string => {
  const found = DEMO.materials.find((each) => (each.id as string) === id);
  if (!found) throw new Error(id);
  return found.name;
};
const ENZYME = nameOf('fig-enzyme');
const ALOE = nameOf('aloe-gel');
const CAPSULE = nameOf('night-capsule');

/** Today beside the other set, line by line. */
const table = (): Readonly<Record<string, readonly [string, string]>> =>
  Object.fromEntries(
    person.all('[aria-label="Side by side"] > table tbody tr').map(({ children }) => {
      const [name = '', one = '', other = ''] = [...children].map(({ textContent }) => textContent);
      return [name, [one, other]] as const;
    }),
  );
const differ = (): string[] =>
  Object.entries(table()).flatMap(([name, [one, other]]) => (one === other ? [] : [name]));

const SAME = 'Both are the same set so far.';

beforeEach(async () => {
  await person.openApp('/menu/enzyme-facial/sets');
  await person.sees(SAME);
});

describe('kit or bulk', () => {
  it('begins with the same set on both sides, and nothing to keep', async () => {
    expect(Object.keys(table())).toHaveLength(6);
    expect(differ()).toEqual([]);
    expect((await person.find('button', 'Keep as a scenario')).matches(':disabled')).toBe(true);
    expect(person.all('canvas')).toEqual([]);
  });

  it('draws another material instead, as much as is said, and goes back to as it is', async () => {
    const before = table();
    await person.choose(`Instead of ${ENZYME}`, ALOE);
    await person.seesNot(SAME);
    await expect.poll(differ).toContain('Product in a visit');
    await expect.poll(differ).toContain('Direct cost of a visit');
    const [today, other] = table()['Product in a visit'] ?? [];
    expect(today).toBe(before['Product in a visit']?.[0]);
    await person.fill(`${ALOE} each time`, '50');
    await person.press('Tab');
    await expect.poll(() => table()['Product in a visit']?.[1]).not.toBe(other);
    await person.fill(`${ALOE} each time`, '0');
    await person.press('Tab');
    await person.sees('Must be');
    await person.choose(`Instead of ${ENZYME}`, 'as it is');
    await person.sees(SAME);
    expect(table()).toEqual(before);
  });

  it('opens single doses as wholes, and begins with one', async () => {
    await person.choose(`Instead of ${nameOf('cactus-serum')}`, CAPSULE);
    expect(await person.valueOf(`${CAPSULE} each time`)).toBe('1');
    const one = table()['Product in a visit']?.[1];
    expect(one).toMatch(/€/);
    await person.fill(`${CAPSULE} each time`, '2');
    await person.press('Tab');
    await expect.poll(() => table()['Product in a visit']?.[1]).not.toBe(one);
  });

  it('says what is lacking where the other set cannot be counted', async () => {
    await person.choose(`Instead of ${ENZYME}`, nameOf('copper-ampoule'));
    await person.sees(/is stated in ml but kept in g: give its density/);
    expect(table()).toEqual({});
  });

  it('offers neither linen, nor what is put away, nor the same again', async () => {
    await person.click('combobox', `Instead of ${ENZYME}`);
    const offered = person.all('[role=option]').map(({ textContent }) => textContent);
    const not = DEMO.materials.filter(
      ({ kind, archivedOn, name }) =>
        kind === 'linen' || archivedOn !== undefined || name === ENZYME,
    );
    expect(offered[0]).toBe('as it is');
    expect(offered.filter((name) => not.some((each) => each.name === name))).toEqual([]);
  });

  it('takes longer or shorter to set up, which hands and cost follow', async () => {
    await person.fill('The tray takes longer by', '-2');
    await person.press('Tab');
    await expect
      .poll(differ)
      .toEqual(expect.arrayContaining(['Setting up', 'Hands', 'Direct cost of a visit']));
    const minutes = (text = ''): number => Number(text.replace(' min', ''));
    const [today, other] = table()['Setting up'] ?? [];
    expect(minutes(today) - minutes(other)).toBeCloseTo(2, 6);
    expect(differ()).not.toContain('Product in a visit');
    await person.fill('The tray takes longer by', '200');
    await person.press('Tab');
    await person.sees('Must be');
  });

  it('says from how many visits on which of the two is cheaper, and shows it as a table', async () => {
    await person.choose(`Instead of ${ENZYME}`, ALOE);
    await person.sees('Direct cost of a visit, by visits a month');
    await person.open('As a table');
    const rows = person.all('details table tbody tr').map(({ textContent }) => textContent);
    expect(rows.length).toBeGreaterThan(10);
    expect(rows[0]).toMatch(/^1€/);
    expect(person.all('[aria-label="Side by side"] [role=status]')[0]?.textContent).toMatch(
      /visit/,
    );
  });

  it('goes by the visits that are said', async () => {
    await person.choose(`Instead of ${ENZYME}`, ALOE);
    const at = (): string | undefined => table()['Direct cost of a visit']?.[0];
    const usual = at();
    await person.fill('Visits', '1');
    await person.press('Tab');
    await expect.poll(at).not.toBe(usual);
  });

  it('is kept as a scenario, and says why it is not where nobody answers', async () => {
    await person.choose(`Instead of ${ENZYME}`, ALOE);
    await person.click('button', 'Keep as a scenario');
    await person.sees('The house does not answer just now.');
    await person.sees('Kit or bulk');
  });
});

it('says so where there is no such service', async () => {
  await person.goTo('/menu/ghost/sets');
  await person.sees('There is no such service on the menu.');
});
