import { afterEach, beforeEach, describe, it } from 'vitest';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

describe('the steps of a protocol', () => {
  let person: Person;
  beforeEach(async () => {
    await freshHouse();
    person = await newPerson();
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.find('textbox', 'Step');
  });
  afterEach(() => person.close());

  const names = (): Promise<string[]> =>
    person.page.$$eval('[data-step]', (rows) =>
      rows.map((row) => row.querySelector('.font-semibold')?.textContent ?? ''),
    );
  const order = async (expected: string[]): Promise<void> => {
    await person.waitFor(
      async () => (await names()).join('|').includes(expected.join('|')),
      `the order ${expected.join(', ')}`,
    );
  };
  const press = (...keys: Parameters<Person['page']['keyboard']['press']>[0][]): Promise<void> =>
    keys.reduce(
      (before, key) => before.then(() => person.page.keyboard.press(key)),
      Promise.resolve(),
    );

  it('are added and moved by the keyboard alone', async () => {
    await person.page.evaluate(() => document.querySelector<HTMLElement>('#place')?.focus());
    for (let tabs = 0; tabs < 20; tabs += 1) {
      if (await person.page.evaluate(() => document.activeElement?.hasAttribute('data-step')))
        break;
      await press('Tab');
    }
    await press('Enter');
    await person.waitFor(
      () =>
        person.page.evaluate(
          () => (document.activeElement as HTMLInputElement).value === 'New step',
        ),
      'the name of the new step is ready to be typed over',
    );
    await person.page.keyboard.type('Second cleanse');
    await order(['First cleanse', 'Second cleanse', 'Enzyme paste rests']);
    await press('Escape');
    await person.page.keyboard.down('Alt');
    await press('ArrowDown');
    await person.page.keyboard.up('Alt');
    await order([
      'First cleanse',
      'Enzyme paste rests',
      'meanwhileSoak pads, mix the clay',
      'Second cleanse',
      'Rinse',
    ]);
    await press('ArrowUp', 'ArrowUp');
    await person.waitFor(
      async () => (await person.valueOf('Step')) === 'Enzyme paste rests',
      'the step two above is in hand',
    );
    await person.saved();
    await person.goTo('/protocols/black-sand-clay-facial');
    await order([
      'Enzyme paste rests',
      'meanwhileSoak pads, mix the clay',
      'Second cleanse',
      'Rinse',
    ]);
  });

  it('are moved by dragging', async () => {
    const rinse = await person.page.waitForSelector('[data-step="rinse"]');
    const handle = await rinse?.evaluateHandle((row) => row.previousElementSibling as Element);
    const from = await handle?.asElement()?.boundingBox();
    const to = await (await person.page.$('[data-step="cleanse"]'))?.boundingBox();
    if (!from || !to) throw new Error('the rows are not in sight');
    await person.page.mouse.move(from.x + 5, from.y + 10);
    await person.page.mouse.down();
    await person.page.mouse.move(from.x + 5, from.y - 20, { steps: 4 });
    await person.page.mouse.move(from.x + 5, to.y + 12, { steps: 12 });
    /* It is let go when the other has made room for it. */
    await person.waitFor(async () => {
      const now = await (await person.page.$('[data-step="cleanse"]'))?.boundingBox();
      return now !== undefined && now !== null && now.y > to.y + 10;
    }, 'the other step makes room');
    await person.page.mouse.up();
    await order(['Consult and settle', 'Rinse', 'First cleanse', 'Enzyme paste rests']);
    await person.saved();
  });
});
