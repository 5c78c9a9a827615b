import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/* What a service costs, where its price goes, and what the three ladders would charge. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());

const slider = async (): Promise<string> =>
  (await person.find('slider', 'Charged price')).evaluate(
    (element) => element.getAttribute('aria-valuetext') ?? '',
  );

describe('the price of a service', () => {
  it('is tried on the ladders, and charged when it is right', async () => {
    await person.goTo('/menu/clay-facial/price');
    expect(await slider()).toBe('€80.00');
    await (await person.find('slider', 'Charged price')).focus();
    await person.page.keyboard.press('ArrowUp');
    await person.sees('Where €85.00 goes');
    await person.sees(
      /it earns as much if [\d.]+% of visits stay away; once the paid hours follow/,
    );
    await person.page.keyboard.press('Escape');
    await person.sees('Where €80.00 goes');
    await (await person.find('slider', 'Charged price')).focus();
    await person.page.keyboard.press('ArrowDown');
    await person.sees(/it earns as much with [\d.]+% more visits; once the paid hours follow/);
    await person.page.keyboard.press('Enter');
    await person.waitFor(async () => (await slider()) === '€75.00', 'the new price');
    await person.goTo('/menu');
    await person.sees('€75.00');
  });
});
