import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { anotherHouse } from './support/anotherHouse';
import { newPerson, type Person } from './support/person';
import type { ServedHouse } from './support/servedHouse';

let house: ServedHouse;
beforeAll(async () => {
  house = await anotherHouse();
});
afterAll(async () => {
  await house.close();
});

describe('a house of one’s own', () => {
  let person: Person;
  beforeAll(async () => {
    person = await newPerson(house.url);
  });
  afterAll(() => person.close());

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

describe('an empty house', () => {
  let person: Person;
  beforeAll(async () => {
    await fetch(`${house.url}/api/house`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ begin: 'new', instead: true }),
    });
    person = await newPerson(house.url);
  });
  afterAll(() => person.close());

  const paste = async (rows: string): Promise<void> => {
    await person.click('button', 'Paste rows');
    await insert(rows);
  };
  /* As a clipboard would: all at once, tabs and line ends with it. */
  const insert = async (rows: string): Promise<void> => {
    await person.fill('Rows', '');
    const cdp = await person.page.createCDPSession();
    await cdp.send('Input.insertText', { text: rows });
    await cdp.detach();
  };
  const snapshot = async (): Promise<HouseSnapshot> =>
    (await (await fetch(`${house.url}/api/house`)).json()) as HouseSnapshot;

  it('is filled from rows of a spreadsheet: shelf, people, services, planned visits', async () => {
    await person.goTo('/shelf');
    await paste(
      'Product\tSize\tPrice\tSupplier\nAloe gel\tlots\t28,00\tVerde\nCopper\t10 x 2 ml\t59,50\tVerde',
    );
    await person.sees('Row 2, pack: “lots” is no pack');
    expect((await snapshot()).materials).toEqual([]);
    await insert(
      'Product\tSize\tPrice\tSupplier\nAloe gel\t500 ml\t28,00\tVerde\nCopper\t10 x 2 ml\t59,50\tVerde',
    );
    await person.sees('guessed: back-bar product');
    await person.click('button', 'Add 2 materials');
    await person.sees('Added: 2 materials.');
    const { materials, suppliers } = await snapshot();
    expect(suppliers.map(({ name }) => name)).toEqual(['Verde']);
    expect(materials.map(({ name, kind }) => [name, kind])).toEqual([
      ['Aloe gel', 'back-bar'],
      ['Copper', 'single-dose'],
    ]);
    await person.click('button', 'Undo the last change');
    await person.sees('Undone: 2 materials were added.');
    const left = await snapshot();
    expect([left.materials, left.suppliers]).toEqual([[], []]);
    await person.click('button', 'Redo the last change');
    await person.sees('Done again: 2 materials were added.');
    expect((await snapshot()).materials.map(({ name }) => name)).toEqual(['Aloe gel', 'Copper']);
    await person.goTo('/house');
    await paste('Ione; therapist; 16,00\nOlaya; assistant; 10,50');
    await person.click('button', 'Add 2 people');
    await person.sees('Added: 2 people.');
    await person.goTo('/menu');
    await paste('Treatment; Minutes; Price\nExpress; 30; 45\nLong calm; 75; 98,50');
    await person.click('button', 'Add 2 services');
    await person.sees('Added: 2 services.');
    await person.sees('98.50');
    await person.goTo('/restock/demand');
    await paste('Express; 12\nlong calm; 4');
    await person.click('button', 'Add 2 lines of the plan');
    await person.sees('Added: 2 lines of the plan.');
    const { demand, services } = await snapshot();
    const planned = demand.map(({ serviceId, visitsPerWeek }) => [
      services.find(({ id }) => id === serviceId)?.name,
      visitsPerWeek,
    ]);
    expect(planned).toEqual([
      ['Express', 12],
      ['Long calm', 4],
    ]);
  });
});
