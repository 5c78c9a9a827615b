import { describe, expect, it } from 'vitest';
import { dayOf, daysAfter } from '@bienestar/core/days/days';
import { readHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

/* The week: what is worth most, a day that is kept, and one that is played through. */

const person = eachAtAFreshHouse();

const house = readHouse;
/** The day of the demo on which Alma R. comes. */
const dayOfAlma = (): string => daysAfter(dayOf(new Date(), 'Atlantic/Canary'), 2);

describe('the week', () => {
  it('finds the visits that bring most, and tries some of it as a scenario beside the plan', async () => {
    await person.goTo('/week/worth');
    await person.sees(/The visits that bring most bring/);
    await person.sees(/guests ask for no more/);
    await person.sees(/a week/);
    const before = await house();
    await person.click('radio', 'whole visits');
    await person.waitFor(
      () =>
        person
          .all('[aria-label="The best mix"] td:nth-child(6)')
          .every((cell) => /^\d+$|–/.test(cell.textContent.trim())),
      'whole visits',
    );
    await person.click('checkbox', 'Take over Fruit-acid renewal');
    await person.click('button', 'Try what is ticked as a scenario');
    await person.click('link', 'See what it does');
    await person.sees('The mix that brings most');
    const after = await house();
    expect(after.demand).toEqual(before.demand);
    expect(after.scenarios).toHaveLength(before.scenarios.length + 1);
    expect(after.scenarios.at(-1)?.changes).toMatchObject([
      { kind: 'visits', serviceId: 'acid-returning' },
    ]);
  });

  it('refuses to keep more visits than fit, and says of what there is too little', async () => {
    await person.goTo('/week/worth');
    await person.sees(/The visits that bring most bring/);
    await person.fill('At most, Black-sand clay facial', '300');
    await person.fill('At least, Black-sand clay facial', '200');
    await person.press('Enter');
    await person.sees(/Lava, Duna would need \d+ minutes more/);
    expect(await person.valueOf('At least, Black-sand clay facial')).toBe('200');
  });
});

describe('a day', () => {
  it('keeps a whole day as it is drawn in one go, and takes it back in one', async () => {
    await person.goTo(`/week/day?day=${dayOfAlma()}`);
    const before = (await house()).placed.length;
    const button = await person.find('button', 'Keep all as drawn');
    /* Pressed twice it is kept once. */
    button.click();
    button.click();
    await person.waitFor(async () => (await house()).placed.length > before + 3, 'it is kept');
    const kept = (await house()).placed;
    expect(kept.length).toBeGreaterThan(before + 3);
    expect(new Set(kept.map(({ bookingId, id }) => bookingId ?? id)).size).toBe(kept.length);
    await person.click('button', 'Undo the last change');
    await person.waitFor(async () => (await house()).placed.length === before, 'all taken back');
  });

  it('takes a visit by hand where it fits, which the room and the shelf then know', async () => {
    await person.goTo('/week/day');
    await person.choose('Service', 'Overnight tone corrector');
    await person.fill('For whom', 'Celia B.');
    await person.choose('Days', 'seven days');
    const place = await person.element('[aria-label="Where it fits"] li button');
    /* Pressed twice it is one visit. */
    place.click();
    place.click();
    await person.waitFor(
      async () => (await house()).placed.some(({ name }) => name === 'Celia B.'),
      'the visit',
    );
    const { placed } = await house();
    const made = placed.find(({ name }) => name === 'Celia B.');
    expect(made?.roomId).toBeDefined();
    expect(made?.therapistId).toBeDefined();
    /* Twice in the book of today, it would be two: it stands once. */
    expect(placed.filter(({ name }) => name === 'Celia B.')).toHaveLength(1);
  });
});
