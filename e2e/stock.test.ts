import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/* What comes, is opened, used, thrown away, counted and weighed; the ledger keeps all of it. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());

/** Tells the simulated scale what lies on it, or what is wrong with it. */
function scale(order: object): Promise<unknown> {
  return person.page.evaluate(
    (body) =>
      fetch('/api/scale/stand-in', {
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json' },
      }).then(({ status }) => status),
    JSON.stringify(order),
  );
}

/** Waits until the scale on the screen is stable at so many grams. */
async function settled(grams: RegExp): Promise<void> {
  await person.waitFor(
    async () => {
      const shown = await person.page.$eval(
        'output[aria-label="Bench scale"]',
        (element) => element.textContent,
      );
      return grams.test(shown);
    },
    `the scale settles at ${String(grams)}`,
  );
}

describe('the calibration helper', () => {
  it('finds ml per pump from weighings, also when the scale is unplugged in the middle', async () => {
    await scaleReady();
    await person.goTo('/shelf/aloe-gel/measured');
    await person.click('button', 'Weigh it out');
    await settled(/^0 g|^-?0\.\d+ g/);
    for (const grams of [6.12, 6.18]) {
      await scale({ add: grams });
      await settled(/^6\.\d/);
      await person.click('button', 'Take the weight of 5');
      await settled(/^-?0(\.0\d)? g/);
    }
    await person.sees(/One pump gives 1\.2\d* ml, give or take/);
    await scale({ fault: 'unplugged' });
    await person.sees('The scale does not answer');
    await person.sees(/One pump gives 1\.2/);
    await person.fill('Or type the weight', '6.15');
    await person.click('button', 'Take what I typed');
    await scale({ fault: 'none' });
    await person.sees(/Stable|Still moving/);
    await person.click('button', 'Keep on the shelf');
    await person.waitFor(
      async () => (await person.valueOf('ml per pump')).startsWith('1.2'),
      'the measure is kept',
    );
    expect(await person.valueOf('give or take, ml per pump')).not.toBe('10');
  });

  async function scaleReady(): Promise<void> {
    await person.goTo('/shelf');
    await scale({ fault: 'none' });
    await scale({ put: 0 });
  }
});
