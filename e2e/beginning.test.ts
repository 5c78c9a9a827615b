import { afterAll, beforeAll, describe, it } from 'vitest';
import { leave, newPerson, type Person } from './support/person';
import { serveHouse, type ServedHouse } from './support/servedHouse';

describe('a house of one’s own', () => {
  let house: ServedHouse;
  let person: Person;
  beforeAll(async () => {
    house = await serveHouse();
    person = await newPerson(house.url);
  });
  afterAll(async () => {
    await person.close();
    await leave();
    await house.close();
  });

  it('is begun from the demonstration, which is put aside and comes back with one press', async () => {
    await person.goTo('/');
    await person.sees('This is a demonstration house.');
    await person.click('button', 'Begin my own house');
    await person.sees('Your house is begun.');
    await person.goTo('/protocols');
    await person.sees('No protocol yet');
    await person.seesNot('This is a demonstration house.');
    await person.goTo('/house');
    await person.sees('the whole house, put aside for another');
    const [aside] = await person.page.$$('[aria-label^="Bring back the copy of"]');
    await aside?.click();
    await person.click('button', 'Bring it back');
    await person.sees('The house is as it was on');
    await person.sees('This is a demonstration house.');
  });

  it('may wait while one looks around', async () => {
    await person.goTo('/protocols');
    await person.click('button', 'Look around');
    await person.seesNot('This is a demonstration house.');
    await person.page.reload();
    await person.sees('Black-sand clay facial');
    await person.seesNot('This is a demonstration house.');
  });
});
