import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, leave, newPerson, ownHouse, type Person, readHouse } from './support/person';

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterAll(leave);

const snapshot = readHouse;

const send = (method: string, path: string, body: object): Promise<Response> =>
  fetch(`${ownHouse().url}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

describe('what is removed', () => {
  it('says first what it does to the menu, and comes back with its plan as long as the page is open', async () => {
    await person.goTo('/house');
    const before = await snapshot();
    const [room] = before.rooms;
    await person.click('button', `Remove ${room?.name ?? ''}`);
    await person.sees(/Full cost (rises|falls) on \d+ services/);
    await person.click('button', 'Leave it');
    expect((await snapshot()).rooms).toHaveLength(before.rooms.length);
    await person.click('button', `Remove ${room?.name ?? ''}`);
    await person.click('button', 'Remove it');
    await person.waitFor(
      async () => (await snapshot()).rooms.length === before.rooms.length - 1,
      'it is removed',
    );
    await person.click('link', 'Menu');
    await person.click('button', 'Undo the last change');
    await person.sees('Undone');
    const after = await snapshot();
    const unversioned = after.rooms.map(({ version: _version, ...each }) => each);
    const { version: _version, ...whole } = room ?? { version: 0 };
    expect(unversioned).toContainEqual(whole);
    await person.close();
  });

  it('is a service with what is planned of it', async () => {
    const { services } = await snapshot();
    const { version: _version, ...like } = services[0] ?? { version: 0 };
    const id = 'once-more';
    await send('POST', '/services', { ...like, id, name: 'Once more' });
    await send('PUT', `/demand/${id}`, { serviceId: id, visitsPerWeek: 3, version: 0 });
    await person.goTo(`/menu/${id}`);
    await person.click('button', 'Remove this service');
    await person.sees('Once more is removed.');
    expect((await snapshot()).services).toHaveLength(services.length);
    await person.click('button', 'Undo the last change');
    await person.waitFor(async () => {
      const again = await snapshot();
      const plan = again.demand.find(({ serviceId }) => serviceId === id);
      return again.services.some((each) => each.id === id) && plan?.visitsPerWeek === 3;
    }, 'it is there again, planned as before');
    await person.close();
  });

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
