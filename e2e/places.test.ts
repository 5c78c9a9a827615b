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

/** Places that are looked at for the same, with what is seen there first. */
const each = (
  looked: Omit<Place, 'seen'>,
  places: readonly (readonly [path: string, seen: Place['seen']])[],
): readonly (readonly [path: string, place: Place])[] =>
  places.map(([path, seen]) => [path, { ...looked, seen }]);

const PLACES = [
  ...each({ read: 'in both lights', room: 'on-foot' }, [
    ['/restock', 'Runs out before it can arrive'],
    ['/shelf', 'Add a material'],
    ['/restock/orders/order-32', 'No. 32 to'],
    ['/restock/counts/count-2', 'Of what was used'],
  ]),
  ...each({ room: 'on-foot' }, [
    ['/protocols/fine-needle-renewal/card', /hands on/i],
    ['/protocols/prickly-pear-calm/tray', /Tray: Prickly-pear/i],
    ['/shelf/cactus-serum', /30 ml in 1 container/i],
  ]),
  ...each({ read: 'in both lights', room: 'at-a-desk' }, [
    ['/protocols', 'Layered fruit-acid renewal'],
    ['/menu/lift/price', 'Step by step'],
    ['/menu/map', 'Carries the house'],
    ['/menu/adds-up', 'Do slots hold?'],
    ['/menu/what-if', 'Contribution a week'],
    ['/menu/margins', 'Price and cost over time'],
    ['/menu/offers', 'What one sale promises'],
    ['/menu/guests', 'Beside another treatment'],
    ['/restock/levels/copper-ampoule', 'Of 400 runs'],
    ['/restock/demand', 'Counted with'],
    ['/restock/risk', 'as it is'],
    ['/room', 'In the book for today'],
    ['/logbook/visit-0480', 'planned above, done below'],
    ['/logbook/teaches', '8 lessons'],
    ['/logbook/foresees', 'ended within their slot'],
    ['/week/worth', 'The visits that bring most bring'],
    ['/house', 'What time costs'],
    ['/price-lists/northquay', 'Fetch the list of today'],
  ]),
  ...each({ room: 'at-a-desk' }, [
    ['/protocols/black-sand-clay-facial/cleanse', /Full cost/i],
    ['/menu/acid-first', /Performed by/i],
    ['/restock/orders', /New order to/i],
    ['/logbook', /480 visits/],
    ['/week', /gives? out/],
    ['/week/pairs', /Which go together/],
    ['/week/day', /A visit more/],
    ['/week/played', /a thousand times/],
    ['/week/roster', /The week's pay/],
    ['/house/set-up', /question/i],
  ]),
  ...each({ read: 'in both lights' }, [
    ['/shelf/prickly-pear-milk', 'Prickly-pear cleansing milk'],
    ['/shelf/cactus-serum/bought', 'Price of one ml'],
    ['/shelf/cactus-serum/bought?compare=packs', 'cheapest in use'],
    ['/shelf/prickly-pear-milk/measured', 'Amounts by eye'],
    ['/shelf/fruit-acid/care', 'Allergens'],
    ['/shelf/eye-shield/used', 'for everybody in the room'],
    ['/shelf/clay-mask', 'One batch'],
    ['/protocols/layered-fruit-acid/acid', 'Acid layers'],
    ['/protocols/fig-enzyme-steam/card', 'Metal implants or pins in the area'],
    ['/protocols/fig-enzyme-steam/tray', 'For how many clients'],
    ['/protocols/blocks/opening-ritual', 'changes the drafts'],
    ['/menu/clay-facial', 'How the house prices'],
    ['/menu/enzyme-facial/sets', 'On the shelf after an order'],
    ['/house/set-up/8', 'How full do you plan to be?'],
    ['/restock/levels/face-towel', 'must go round'],
  ]),
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
