import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newPerson, type Person } from './support/person';

let person: Person;
beforeEach(async () => {
  person = await newPerson();
});
afterEach(() => person.close());

const open = (path: string): Promise<void> => person.goTo(`/protocols/${path}`);
const press = (...keys: string[]): Promise<void> =>
  keys.reduce(
    (done, key) => done.then(() => person.page.keyboard.press(key as never)),
    Promise.resolve(),
  );
const combobox = 'combobox';

describe('a step that is said', () => {
  it('is understood as it is typed, offers what can follow, and is there with its figures', async () => {
    await open('warm-sand-back');
    await person.fillIn(combobox, 'Say a step', 'cleanse 3 pumps cleansing mi');
    await person.sees('Nothing on the shelf is called “cleansing mi”');
    await press('Tab');
    await person.page.keyboard.type('on back 2-3 min then warm towel');
    await person.sees('how it comes off: then warm towel');
    await press('Enter');
    await person.waitFor(async () => (await person.valueOf('Step')) === 'Cleanse', 'the new step');
    await person.sees('3 pumps Prickly-pear cleansing milk — back');
    await person.saved();
  });

  it('may come from a word processor, two hundred at once', async () => {
    const written = Array.from(
      { length: 200 },
      (_, at) =>
        `${at + 1}.\u00a0massage “Stroke ${at + 1}” 1,5\u00a0ml massage oil on face 0.5–1\u00a0min`,
    );
    await open('scalp-massage');
    await person.click('button', 'Paste many lines');
    await (await person.find('textbox', 'Lines')).focus();
    await person.page.keyboard.sendCharacter(written.join('\r\n'));
    await person.click('button', 'Add 200 steps');
    await person.waitFor(
      async () => (await person.valueOf('Step')) === 'Stroke 1',
      'the first of them',
    );
    await person.sees('Stroke 200');
    await person.saved();
    await person.fill('Step', 'First stroke');
    await person.saved();
    await person.click('button', 'Undo');
    await person.click('button', 'Undo');
    await person.seesNot('Stroke 200');
    await person.saved();
  });
});

describe('what does not fit', () => {
  it('is said at the step: hands twice, a device beyond its limits, an endpoint beyond its cap', async () => {
    await open('fresh-harvest/arms-and-hands');
    await person.choose('Done meanwhile, beside', 'Orange rinse');
    await person.sees('needs the therapist’s hands while “Orange rinse” has them');
    await open('fine-needle-renewal/one-pass-zone-by-zone');
    await person.click('button', 'Device');
    await person.fill('depth', '3');
    await person.sees('The house goes from 0.2 to 1.');
    await person.click('button', 'How it is worked');
    await person.fill('Contact at most', '7');
    await person.sees('is waited for at most 7 min, so it cannot take 11');
  });
});

describe('blocks', () => {
  it('are put in below the line in hand, but never into themselves', async () => {
    await open('blocks/opening-ritual');
    await person.seesNot('Put it on the menu');
    await person.click('button', 'Put in a block');
    await person.find('menuitem', 'Close by day or evening, 7 steps');
    await person.seesNot('Opening ritual\n4 steps');
    await press('Escape');
    await open('light-session/light');
    await person.click('button', 'Put in a block');
    await person.click('menuitem', 'Opening ritual, 4 steps');
    await person.sees('Settle and headband, Eye make-up off');
    await person.saved();
  });
});

describe('what was undone', () => {
  it('can still be, after the page was loaded anew', async () => {
    await open('light-session/light');
    await person.fill('Step', 'Light, ten minutes');
    await person.saved();
    await person.page.reload();
    await person.page.waitForSelector('button[aria-label="Undo"]:not(:disabled)');
    await person.click('button', 'Undo');
    await person.waitFor(async () => (await person.valueOf('Step')) === 'Light', 'the old name');
  });
});

describe('for the room', () => {
  it('the PDF is made with our fonts, and no page of it holds a few lines only', async () => {
    await open('warm-sand-back/card');
    const made = await person.page.evaluate(async () => {
      const took = new Promise<string>((resolve) => {
        const make = URL.createObjectURL.bind(URL);
        URL.createObjectURL = (blob: Blob) => {
          void blob.text().then(resolve);
          return make(blob);
        };
      });
      const button = [...document.querySelectorAll('button')].find(
        (each) => each.textContent.trim() === 'PDF',
      );
      button?.click();
      return took;
    });
    expect(made.slice(0, 5)).toBe('%PDF-');
    expect(made.length).toBeGreaterThan(10_000);
    /* At full size its last lines would need a second one. */
    expect(made.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
  });
});
