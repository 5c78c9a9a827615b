import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { dayOf, daysAfter, mondayOf } from '@bienestar/core/days/days';
import { accessibilityFindings } from './support/accessibility';
import { freshHouse, readHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/* The week: what it carries and is worth, a day in it, and who works when. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());

const house = readHouse;
const today = (): string => dayOf(new Date(), 'Atlantic/Canary');

/** The day of the demo on which Alma R. comes: the second after its newest, which is shown as today. */
const dayOfAlma = (): string => daysAfter(today(), 2);

describe('the week', () => {
  it('says what it carries and what gives out first, with the figures of every line', async () => {
    await person.goTo('/week');
    await person.sees(/48 visits as planned/);
    await person.sees(/gives out/);
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.click('button', 'Rooms, dry: show its figures');
    await person.sees(/it carries [\d.]+ visits a week that come like these/);
    await person.page.keyboard.press('Escape');
    await person.click('radio', 'in the book');
    await person.sees(/visits? in the book/);
    /* The week goes along to the other places, and is in the address. */
    await person.click('button', 'The week after');
    await person.click('link', 'What an hour is worth');
    expect(new URL(person.page.url()).searchParams.get('week')).toBe(
      daysAfter(mondayOf(today()), 7),
    );
    expect(new URL(person.page.url()).searchParams.get('by')).toBe('book');
  });
});

describe('a day', () => {
  const alma = 'Black-sand clay facial 10:00 Alma R. 70 minutes';

  it('is moved by pulling, keeps what was moved, and takes it back', async () => {
    await person.goTo(`/week/day?day=${dayOfAlma()}`);
    const visit = await person.find('button', alma);
    expect(await accessibilityFindings(person)).toEqual([]);
    const box = await visit.boundingBox();
    const lane = await person.page.$eval('[data-room="duna"]', (element) => {
      const { top, height, width } = element.getBoundingClientRect();
      return { middle: top + height / 2, width };
    });
    if (!box) throw new Error('nothing is drawn');
    const { mouse } = person.page;
    await mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await mouse.down();
    /* The slot is drawn as long as it lasts: so many pixels are half an hour. */
    await mouse.move(box.x + box.width / 2 + (box.width * 30) / 70, lane.middle, { steps: 8 });
    await mouse.up();
    await person.find('button', alma.replace('10:00', '10:30'));
    const placed = async () => (await house()).placed.find(({ name }) => name === 'Alma R.');
    await person.waitFor(async () => (await placed())?.roomId === 'duna', 'the move');
    await person.click('button', 'Undo the last change');
    await person.waitFor(async () => (await placed())?.roomId === 'lava', 'the way back');
    await person.find('button', alma);
    await person.click('button', 'Redo the last change');
    await person.find('button', alma.replace('10:00', '10:30'));
    /* Reloaded at once it is as it was left. */
    await person.page.reload();
    await person.find('button', alma.replace('10:00', '10:30'));
    await person.waitFor(async () => (await placed())?.roomId === 'duna', 'the move');
  });

  it('keeps a visit of the book in hand when it is placed', async () => {
    await person.goTo(`/week/day?day=${dayOfAlma()}`);
    const needle = 'Fine-needle renewal 12:30 80 minutes';
    await person.click('button', `${needle}, not kept yet`);
    await person.fill('For whom', 'Celia B.');
    await person.page.keyboard.press('Enter');
    await person.find('button', needle.replace('12:30', '12:30 Celia B.'));
    expect(await person.valueOf('For whom')).toBe('Celia B.');
    /* On paper are the sheets alone, a page each. */
    await person.page.emulateMediaType('print');
    const drawn = (selector: string): Promise<number> =>
      person.page.$$eval(
        selector,
        (all) => all.filter((each) => each.getClientRects().length > 0).length,
      );
    await person.waitFor(async () => (await drawn('article h1')) > 5, 'the sheets are there');
    expect(await drawn('[data-room], aside')).toBe(0);
    await person.page.emulateMediaType('screen');
    await person.click('button', 'Back to the book');
    await person.find('button', `${needle}, not kept yet`);
  });

  it('offers both sides where two move the same visit', async () => {
    const other = await newPerson();
    await person.goTo(`/week/day?day=${dayOfAlma()}`);
    await other.goTo(`/week/day?day=${dayOfAlma()}`);
    await other.click('button', alma);
    await person.click('button', alma);
    await person.fill('Room from', '12:00');
    await person.page.keyboard.press('Enter');
    await person.waitFor(
      async () =>
        (await house()).placed.find(({ name }) => name === 'Alma R.')?.at.includes('12:00') ===
        true,
      'the first move',
    );
    await other.fill('Room from', '15:00');
    await other.page.keyboard.press('Enter');
    await other.sees(/Somebody else|changed/);
    await other.close();
  });

  it('is played through a thousand times, and can be cancelled', async () => {
    await person.goTo(`/week/played?day=${dayOfAlma()}`);
    await person.click('button', 'Play it a thousand times');
    await person.sees(/begin more than 5 min late/);
    await person.sees('Slots of other shares');
    await person.click('button', 'The whole week');
    await person.sees('somebody after closing');
    expect(await accessibilityFindings(person)).toEqual([]);
  });

  it('is drawn from the roster, which is pulled, and copied into the next week', async () => {
    await person.goTo('/week/roster');
    await person.sees("The week's pay");
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.click('radio', 'this week only');
    const day = await person.page.$$eval('tbody tr:nth-child(3) td button', (days) =>
      days.findIndex((each) => !/off|closed/.test(each.textContent)),
    );
    const end = await person.page.$$(
      `tbody tr:nth-child(3) td:nth-of-type(${day + 1}) span[title]`,
    );
    const box = await end.at(-1)?.boundingBox();
    if (!box) throw new Error('no hours are drawn');
    const { mouse } = person.page;
    await mouse.move(box.x + box.width / 2, box.y + 4);
    await mouse.down();
    await mouse.move(box.x + box.width / 2 + 12, box.y + 4, { steps: 4 });
    await mouse.up();
    const weeks = async () =>
      (await house()).people.find(({ name }) => name === 'Ione')?.hours?.weeks ?? [];
    await person.waitFor(async () => (await weeks()).length === 1, 'the pull');
    await person.click('button', 'Copy into the next week');
    await person.waitFor(async () => (await weeks()).length === 2, 'the copy');
    const [one, other] = await weeks();
    expect(other?.days).toEqual(one?.days);
    /* Copied for everybody in one go, it is taken back in one. */
    await person.click('button', 'Undo the last change');
    await person.waitFor(
      async () => (await house()).people.every(({ hours }) => (hours?.weeks ?? []).length < 2),
      'the copy taken back',
    );
    expect((await weeks()).length).toBe(1);
  });
});
