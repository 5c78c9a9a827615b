import { describe, expect, it } from 'vitest';
import { ownHouse, readHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

const person = eachAtAFreshHouse();

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
    await person.sees(`${room?.name ?? ''} is removed.`);
    await person.click('link', 'Menu');
    await person.click('button', 'Undo the last change');
    await person.sees(`Undone: ${room?.name ?? ''} was removed.`);
    const after = await snapshot();
    const unversioned = after.rooms.map(({ version: _version, ...each }) => each);
    const { version: _version, ...whole } = room ?? { version: 0 };
    expect(unversioned).toContainEqual(whole);
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
  });
});
