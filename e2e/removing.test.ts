import { beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, readHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});

const snapshot = readHouse;

describe('what is removed', () => {
  it('is a protocol, unless a service is sold of it; begun by mistake it was never there', async () => {
    const { protocols } = await snapshot();
    await person.goTo('/protocols/black-sand-clay-facial');
    const remove = async (): Promise<void> => {
      await person.click('button', 'More of this protocol');
      await person.click('menuitem', 'Goal and summary, copy, archive, remove');
      await person.click('button', 'Remove this protocol');
    };
    await remove();
    await person.sees('still used by');
    await person.click('button', 'Make a copy');
    await person.waitFor(
      async () => (await snapshot()).protocols.length === protocols.length + 1,
      'the copy is there',
    );
    await person.waitFor(
      async () => (await person.valueOf('Name of the protocol')).endsWith(', copy'),
      'the copy is opened',
    );
    await remove();
    await person.sees('Black-sand clay facial, copy is removed.');
    await person.click('button', 'Undo the last change');
    await person.sees('Undone');
    expect((await snapshot()).protocols).toHaveLength(protocols.length + 1);
    await person.click('button', 'New protocol');
    await person.find('textbox', 'Name of the protocol');
    await person.click('link', 'All protocols');
    expect((await snapshot()).protocols).toHaveLength(protocols.length + 1);
    await person.click('button', 'New protocol');
    await person.fill('Name of the protocol', 'Sea-glass facial');
    await person.saved();
    expect((await snapshot()).protocols.map(({ name }) => name)).toContain('Sea-glass facial');
    await person.page.reload();
    expect(await person.valueOf('Name of the protocol')).toBe('Sea-glass facial');
    await person.close();
  });
});
