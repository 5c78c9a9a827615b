import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { accessibilityFindings } from './support/accessibility';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';
import { faultsAtWidths } from './support/widths';

let person: Person;

/** Each test is a person of its own, on a house of its own. */
function eachAnew(): void {
  beforeEach(async () => {
    await freshHouse();
    person = await newPerson();
  });
  afterEach(() => person.close());
}

const findings = (rule?: 'color-contrast', part?: string): Promise<string[]> =>
  accessibilityFindings(person, rule, part);

type Light = 'light' | 'dim';

/** The light by itself, without the switch: what is looked at in both is not what a press may fail at. */
async function inLight(light: Light): Promise<void> {
  await person.page.evaluate((one) => {
    document.documentElement.dataset.theme = one;
  }, light);
}

function inWhatLight(): Promise<string | undefined> {
  return person.page.evaluate(() => document.documentElement.dataset.theme);
}

interface Place {
  readonly seen: string | RegExp;
  /** whether it is looked at as a screen reader tells it, and for its contrast */
  readonly read?: 'in both lights';
  /** where it is looked at in every width: what is read and done on foot goes nowhere beside the screen */
  readonly room?: 'on-foot' | 'at-a-desk';
}

const PLACES: readonly (readonly [path: string, place: Place])[] = [
  ['/restock', { seen: 'Runs out before it can arrive', read: 'in both lights', room: 'on-foot' }],
  ['/shelf', { seen: 'Add a material', read: 'in both lights', room: 'on-foot' }],
  ['/restock/orders/order-32', { seen: 'No. 32 to', read: 'in both lights', room: 'on-foot' }],
  [
    '/restock/counts/count-2',
    { seen: 'Of what was used', read: 'in both lights', room: 'on-foot' },
  ],
  ['/protocols/fine-needle-renewal/card', { seen: /hands on/i, room: 'on-foot' }],
  ['/protocols/prickly-pear-calm/tray', { seen: /Tray: Prickly-pear/i, room: 'on-foot' }],
  ['/shelf/cactus-serum', { seen: /30 ml in 1 container/i, room: 'on-foot' }],
  ['/protocols', { seen: 'Layered fruit-acid renewal', read: 'in both lights', room: 'at-a-desk' }],
  ['/menu/lift/price', { seen: 'Step by step', read: 'in both lights', room: 'at-a-desk' }],
  ['/menu/map', { seen: 'Carries the house', read: 'in both lights', room: 'at-a-desk' }],
  ['/menu/adds-up', { seen: 'Do slots hold?', read: 'in both lights', room: 'at-a-desk' }],
  ['/menu/what-if', { seen: 'Contribution a week', read: 'in both lights', room: 'at-a-desk' }],
  [
    '/menu/margins',
    { seen: 'Price and cost over time', read: 'in both lights', room: 'at-a-desk' },
  ],
  ['/menu/offers', { seen: 'What one sale promises', read: 'in both lights', room: 'at-a-desk' }],
  ['/menu/guests', { seen: 'Beside another treatment', read: 'in both lights', room: 'at-a-desk' }],
  [
    '/restock/levels/copper-ampoule',
    { seen: 'Of 400 runs', read: 'in both lights', room: 'at-a-desk' },
  ],
  ['/restock/demand', { seen: 'Counted with', read: 'in both lights', room: 'at-a-desk' }],
  ['/restock/risk', { seen: 'as it is', read: 'in both lights', room: 'at-a-desk' }],
  ['/room', { seen: 'In the book for today', read: 'in both lights', room: 'at-a-desk' }],
  [
    '/logbook/visit-0480',
    { seen: 'planned above, done below', read: 'in both lights', room: 'at-a-desk' },
  ],
  ['/logbook/teaches', { seen: '8 lessons', read: 'in both lights', room: 'at-a-desk' }],
  [
    '/logbook/foresees',
    { seen: 'ended within their slot', read: 'in both lights', room: 'at-a-desk' },
  ],
  [
    '/week/worth',
    { seen: 'The visits that bring most bring', read: 'in both lights', room: 'at-a-desk' },
  ],
  ['/house', { seen: 'What time costs', read: 'in both lights', room: 'at-a-desk' }],
  [
    '/price-lists/northquay',
    { seen: 'Fetch the list of today', read: 'in both lights', room: 'at-a-desk' },
  ],
  ['/protocols/black-sand-clay-facial/cleanse', { seen: /Full cost/i, room: 'at-a-desk' }],
  ['/menu/acid-first', { seen: /Performed by/i, room: 'at-a-desk' }],
  ['/restock/orders', { seen: /New order to/i, room: 'at-a-desk' }],
  ['/logbook', { seen: /480 visits/, room: 'at-a-desk' }],
  ['/week', { seen: /gives? out/, room: 'at-a-desk' }],
  ['/week/pairs', { seen: /Which go together/, room: 'at-a-desk' }],
  ['/week/day', { seen: /A visit more/, room: 'at-a-desk' }],
  ['/week/played', { seen: /a thousand times/, room: 'at-a-desk' }],
  ['/week/roster', { seen: /The week's pay/, room: 'at-a-desk' }],
  ['/house/set-up', { seen: /question/i, room: 'at-a-desk' }],
  ['/shelf/prickly-pear-milk', { seen: 'Prickly-pear cleansing milk', read: 'in both lights' }],
  ['/shelf/cactus-serum/bought', { seen: 'Price of one ml', read: 'in both lights' }],
  ['/shelf/cactus-serum/bought?compare=packs', { seen: 'cheapest in use', read: 'in both lights' }],
  ['/shelf/prickly-pear-milk/measured', { seen: 'Amounts by eye', read: 'in both lights' }],
  ['/shelf/fruit-acid/care', { seen: 'Allergens', read: 'in both lights' }],
  ['/shelf/eye-shield/used', { seen: 'for everybody in the room', read: 'in both lights' }],
  ['/shelf/clay-mask', { seen: 'One batch', read: 'in both lights' }],
  ['/protocols/layered-fruit-acid/acid', { seen: 'Acid layers', read: 'in both lights' }],
  [
    '/protocols/fig-enzyme-steam/card',
    { seen: 'Metal implants or pins in the area', read: 'in both lights' },
  ],
  ['/protocols/fig-enzyme-steam/tray', { seen: 'For how many clients', read: 'in both lights' }],
  ['/protocols/blocks/opening-ritual', { seen: 'changes the drafts', read: 'in both lights' }],
  ['/menu/clay-facial', { seen: 'How the house prices', read: 'in both lights' }],
  ['/menu/enzyme-facial/sets', { seen: 'On the shelf after an order', read: 'in both lights' }],
  ['/house/set-up/8', { seen: 'How full do you plan to be?', read: 'in both lights' }],
  ['/restock/levels/face-towel', { seen: 'must go round', read: 'in both lights' }],
];

describe('every place', () => {
  /* Only looked at: one house does for all, and one window. */
  beforeAll(async () => {
    await freshHouse();
    person = await newPerson();
    await person.goTo('/protocols');
  });
  afterAll(() => person.close());

  it.each(PLACES)(
    '%s is fit for screen readers, in both lights, and has room',
    async (path, place) => {
      await person.moveTo(path);
      await person.sees(place.seen);
      if (place.read !== undefined) {
        /* The list beside what is in hand is looked at once, at /shelf. */
        const part = path.startsWith('/shelf/') ? 'aside' : undefined;
        expect(await findings(undefined, part)).toEqual([]);
        await inLight('dim');
        expect(await findings('color-contrast', part)).toEqual([]);
        await inLight('light');
      }
      if (place.room !== undefined) expect(await faultsAtWidths(person, place.room)).toEqual([]);
    },
  );

  it('is dimmed, and stays dim until the light is turned up', async () => {
    await person.goTo('/house');
    await person.click('button', 'Dim the light');
    await person.find('button', 'Turn up the light');
    await person.goTo('/house');
    expect(await inWhatLight()).toBe('dim');
    await person.click('button', 'Turn up the light');
    await person.find('button', 'Dim the light');
    expect(await inWhatLight()).toBe('light');
  });

  it('is fit with a working, a dialog and a list open', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.click('button', 'Full cost: €36.80. Show the working');
    await person.sees('Direct cost and the room for the slot.');
    expect(await findings()).toEqual([]);
    await person.page.keyboard.press('Escape');
    await person.click('button', 'change zones');
    await person.find('checkbox', 'décolleté');
    expect(await findings()).toEqual([]);
    await person.goTo('/shelf');
    await person.click('button', 'Add a material');
    await person.sees('What every figure needs');
    expect(await findings()).toEqual([]);
  });

  it.each([
    ['Before and after the visit', 'Taken off at home'],
    ['Over all clients', 'cheapest'],
    ['Keys of the workbench', 'take several steps'],
  ])('is fit with %s laid over it', async (laid, says) => {
    await person.goTo('/protocols/layered-fruit-acid/acid');
    await person.click('button', 'More of this protocol');
    await person.click('menuitem', laid);
    await person.sees(says);
    expect(await findings()).toEqual([]);
  });

  it('is fit with editions, cautions, pasted lines and the client for whom it is shown', async () => {
    await person.goTo('/protocols/layered-fruit-acid?editions');
    await person.sees('Edition 1 and the draft');
    expect(await findings()).toEqual([]);
    await person.goTo('/protocols/layered-fruit-acid/acid');
    await person.click('button', 'Paste many lines');
    await person.fill('Lines', 'this is nothing');
    expect(await findings()).toEqual([]);
  });
});

describe('the house file', () => {
  eachAnew();

  const offer = async (name: string, content: string): Promise<void> => {
    await person.page.evaluate(
      (fileName, text) => {
        const input = document.querySelector<HTMLInputElement>(
          'input[type=file][aria-label="House file"]',
        );
        const files = new DataTransfer();
        files.items.add(new File([text], fileName));
        if (!input) return;
        input.files = files.files;
        input.dispatchEvent(new Event('change', { bubbles: true }));
      },
      name,
      content,
    );
  };

  it('is refused with the place of every fault, and the house stays as it is', async () => {
    await person.goTo('/house');
    await offer('broken.json', '{"format":"bienestar-house","formatVersion":1}');
    await person.click('button', 'Replace the house');
    await person.sees('It was not opened; nothing was changed.');
    await person.sees('/settings');
    await offer('notes.txt', 'buy towels');
    await person.click('button', 'Replace the house');
    await person.sees('it is not valid JSON');
    await person.click('link', 'Protocols');
    await person.sees('Black-sand clay facial');
  });
});
