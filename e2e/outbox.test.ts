import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { anotherHouse } from './support/anotherHouse';
import { newPerson, type Person } from './support/person';
import type { ServedHouse } from './support/servedHouse';

const CLAY = '/protocols/black-sand-clay-facial';

let house: ServedHouse;
beforeAll(async () => {
  house = await anotherHouse();
});
afterAll(async () => {
  await house.close();
});

const snapshot = async (): Promise<HouseSnapshot> =>
  (await (await fetch(`${house.url}/api/house`)).json()) as HouseSnapshot;

describe('what is changed while the house is away', () => {
  let person: Person;
  beforeEach(async () => {
    person = await newPerson(house.url);
  });
  afterEach(() => person.close());

  it('is seen wherever one goes, kept when the window is closed, and saved when it is opened again', async () => {
    await person.goTo('/menu');
    await person.find('textbox', 'Target margin');
    await house.stopDatabase();
    await person.fill('Target margin', '37');
    await person.page.keyboard.press('Enter');
    await person.sees('1 change not saved yet');
    await person.click('link', 'House');
    await person.click('link', 'Menu');
    expect(await person.valueOf('Target margin')).toBe('37');
    await person.page.goto('about:blank');
    await house.startDatabase();
    await person.goTo('/menu');
    expect(await person.valueOf('Target margin')).toBe('37');
    await person.waitFor(
      async () => (await snapshot()).settings.targetMargin === 0.37,
      'the margin is saved',
    );
    await person.seesNot('not saved yet');
  });

  it('counts once, and for when it happened', async () => {
    await person.goTo('/shelf/black-sand-clay/left');
    await person.find('button', 'Used some');
    await house.stopDatabase();
    await person.click('button', 'Used some');
    await person.fill('How much', '40');
    const pressedAt = Date.now();
    await person.click('button', 'Enter the use');
    await person.sees('it is entered when the house answers again');
    await person.sees(/Kept in this browser, and not entered yet:[^]*what was used/);
    await person.page.goto('about:blank');
    await new Promise((resolve) => setTimeout(resolve, 1_200));
    await house.startDatabase();
    await person.goTo('/shelf/black-sand-clay/left');
    await person.seesNot('not entered yet');
    const page = (await (await fetch(`${house.url}/api/ledger/black-sand-clay`)).json()) as {
      readonly movements: readonly { kind: string; at: string; quantity: number }[];
    };
    const uses = page.movements.filter(({ kind, quantity }) => kind === 'use' && quantity === -40);
    expect(uses).toHaveLength(1);
    expect(Math.abs(Date.parse(uses[0]?.at ?? '') - pressedAt)).toBeLessThan(2_500);
  });

  it('can be left, where it has not been sent, and says why where it is refused', async () => {
    await person.goTo('/house');
    const [room] = (await snapshot()).rooms;
    await person.find('textbox', 'Room');
    await house.stopDatabase();
    await person.fill('Room', 'Lagoon');
    await person.page.keyboard.press('Tab');
    await person.sees('1 change not saved yet');
    await person.fill('Name', 'Casa Nueva');
    await person.page.keyboard.press('Tab');
    await person.click('button', '2 changes not saved yet');
    await person.click('button', 'Do not save: The house, what was changed');
    await person.seesNot('The house: what was changed');
    await person.page.keyboard.press('Escape');
    await house.startDatabase();
    await person.seesNot('not saved yet');
    const after = await snapshot();
    expect(after.rooms.find(({ id }) => id === room?.id)?.name).toBe('Lagoon');
    expect(after.settings.name).not.toBe('Casa Nueva');
  });
});

describe('two windows of one browser at the same protocol', () => {
  it('both closed while the house is away: what each wrote is saved, or shown', async () => {
    const first = await newPerson(house.url);
    const second = await newPerson(house.url, first);
    await first.goTo(`${CLAY}/cleanse`);
    await second.goTo(`${CLAY}/rinse`);
    for (const person of [first, second]) await person.find('textbox', 'Step');
    await house.stopDatabase();
    await first.fill('Step', 'Cleanse by the first window');
    await second.fill('Step', 'Rinse by the second window');
    for (const person of [first, second]) await person.sees('kept in this browser, not saved yet');
    await second.close();
    await first.page.goto('about:blank');
    await house.startDatabase();
    await first.goTo(CLAY);
    await first.sees('Somebody else changed this protocol meanwhile');
    await first.sees('so both can be kept');
    await first.click('button', 'Keep both');
    await first.saved();
    const { protocols } = await snapshot();
    const steps = protocols.find(({ id }) => id === 'black-sand-clay-facial')?.steps ?? [];
    const names = steps.map(({ name }) => name);
    expect(names).toContain('Cleanse by the first window');
    expect(names).toContain('Rinse by the second window');
    await first.close();
  });
});
