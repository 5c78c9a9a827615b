import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, readHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/* What is tried before it is done, what moved, what is sold together, and what guests read. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());

const house = readHouse;
const payOf = async (id: string): Promise<number | undefined> =>
  (await house()).people.find((each) => each.id === id)?.hourlyPayMinor;

describe('what if', () => {
  it('stands beside today, is adopted in parts, and can be taken back', async () => {
    await person.goTo('/menu/what-if');
    await person.sees('Next year: pay and rent');
    await person.sees('Everybody is paid 4% more');
    await person.sees(/Contribution a week\s+€[\d,.]+ \([+-]/);
    expect(await payOf('ione')).toBe(1600);
    await person.click('button', 'Adopt …');
    await person.sees('Written are: the settings of the house, 5 people.');
    await person.click('checkbox', 'Rooms, fixed cost a month €2,310.00 instead of €2,160.00');
    await person.sees('Written are: 5 people.');
    await person.click('button', 'Adopt 1 of 2');
    await person.waitFor(async () => (await payOf('ione')) === 1664, 'the new pay');
    expect((await house()).settings.roomCost.fixedPerMonthMinor).toBe(216_000);
    await person.sees('Adopted on');
    await person.goTo('/menu/what-if');
    await person.sees('Adopted on');
    await person.click('button', 'Adopt …');
    await person.click('button', 'Adopt 1 of 1');
    await person.waitFor(
      async () => (await house()).settings.roomCost.fixedPerMonthMinor === 231_000,
      'the rest is adopted',
    );
    /* From anywhere, long after its note is gone. */
    await person.moveTo('/shelf');
    await person.click('button', 'Undo the last change');
    await person.waitFor(
      async () => (await house()).settings.roomCost.fixedPerMonthMinor === 216_000,
      'the old rent',
    );
    expect(await payOf('ione')).toBe(1664);
  });
});

describe('a menu for guests', () => {
  it('is set on A4, and on A5 to be folded', async () => {
    await person.goTo('/menu/guests');
    const made = (): Promise<string> =>
      person.page.evaluate(async () => {
        const set = new Promise<Blob>((resolve) => {
          const make = URL.createObjectURL.bind(URL);
          URL.createObjectURL = (blob: Blob) => {
            URL.createObjectURL = make;
            resolve(blob);
            return make(blob);
          };
        });
        [...document.querySelectorAll('button')]
          .find((each) => each.textContent.trim() === 'PDF')
          ?.click();
        return (await set).text();
      });
    const flat = await made();
    expect(flat.slice(0, 5)).toBe('%PDF-');
    expect(flat).toMatch(/MediaBox \[0 0 595\.28\d* 841\.89\d*\]/);
    await person.click('radio', 'A5, folded');
    const folded = await made();
    expect(folded.slice(0, 5)).toBe('%PDF-');
    expect(folded.length).toBeGreaterThan(10_000);
  });
});
