import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { anotherHouse } from './support/anotherHouse';
import { newPerson, type Person } from './support/person';
import type { ServedHouse } from './support/servedHouse';

describe('while MariaDB is stopped', () => {
  let house: ServedHouse;
  let person: Person;
  beforeAll(async () => {
    house = await anotherHouse();
  });
  beforeEach(async () => {
    person = await newPerson(house.url);
  });
  afterEach(() => person.close());
  afterAll(async () => {
    await house.close();
  });

  it('the app says so, keeps what is typed, and goes on when it is back', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.find('textbox', 'Step');
    await house.stopDatabase();
    await person.fill('Step', 'Cleanse in the dark');
    await person.sees('kept in this browser, not saved yet');
    await person.sees('The database does not answer.');
    expect(await person.figure('Price')).toBe('€80.00');

    const health = (await (await fetch(`${house.url}/api/health`)).json()) as unknown;
    expect(health).toEqual({ status: 'degraded', database: 'away' });
    const refused = await fetch(`${house.url}/api/rooms`);
    expect(refused.status).toBe(503);
    expect(refused.headers.get('content-type')).toContain('application/problem+json');

    await house.startDatabase();
    await person.saved();
    await person.seesNot('The database does not answer.');
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    expect(await person.valueOf('Step')).toBe('Cleanse in the dark');
  });

  it('what was typed outlives the window, too', async () => {
    await person.goTo('/protocols/pumice-body-polish/consult');
    await person.find('textbox', 'Step');
    await house.stopDatabase();
    await person.fill('Step', 'Talk and settle');
    await person.sees('kept in this browser, not saved yet');
    await person.page.goto('about:blank');
    await house.startDatabase();
    await person.goTo('/protocols/pumice-body-polish/consult');
    expect(await person.valueOf('Step')).toBe('Talk and settle');
    await person.saved();
  });
});
