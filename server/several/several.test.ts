import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Journal, Several } from '@bienestar/contract/api';
import { houseOn } from '@bienestar/core/house/journal';
import { dayOf, daysAfter } from '@bienestar/core/days/days';
import { DEMO_TIME_ZONE, startApi, type TestApi } from '../testing/api';

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

const put = (several: object) => api.send<Several>('PUT', 'several', several);

describe('several parts at once', () => {
  it('are written together, with new versions', async () => {
    const { settings, people, services, demand } = await api.house();
    const [person] = people;
    const [service] = services;
    const [line] = demand;
    if (!person || !service || !line) throw new Error('the demo house is empty');
    const saved = await put({
      settings: { ...settings, vat: 0.21 },
      people: [{ ...person, hourlyPayMinor: 1999 }],
      services: [{ ...service, pricing: { by: 'own', ownMinor: 9900 } }],
      demand: [{ ...line, visitsPerWeek: 3 }],
    });
    expect(saved.status).toBe(200);
    expect(saved.body.settings).toMatchObject({ vat: 0.21, version: settings.version + 1 });
    const after = await api.house();
    expect(after.settings.vat).toBe(0.21);
    expect(after.people[0]).toEqual(saved.body.people?.[0]);
    expect(after.services[0]?.pricing).toEqual({ by: 'own', ownMinor: 9900 });
    expect(after.demand[0]).toMatchObject({ visitsPerWeek: 3, version: line.version + 1 });
  });

  it('are all left as they were when one of them is stale', async () => {
    const { people, services } = await api.house();
    const [person] = people;
    const [service] = services;
    if (!person || !service) throw new Error('the demo house is empty');
    const stale = await api.send('PUT', 'several', {
      people: [{ ...person, hourlyPayMinor: 1 }],
      services: [{ ...service, version: service.version - 1 }],
    });
    expect(stale.status).toBe(409);
    expect(stale.body.current).toMatchObject({ id: service.id, version: service.version });
    expect((await api.house()).people[0]).toEqual(person);
    const gone = await api.send('PUT', 'several', { people: [{ ...person, id: 'nobody' }] });
    expect([gone.status, gone.body.current]).toEqual([409, null]);
  });

  it('are refused with the place of every fault', async () => {
    const { people, services, settings } = await api.house();
    const wrong = async (body: unknown): Promise<readonly (string | number | undefined)[]> => {
      const answer = await api.send('PUT', 'several', body);
      return [answer.status, answer.body.errors?.[0]?.pointer];
    };
    expect(await wrong([])).toEqual([400, '']);
    expect(await wrong({ offers: [] })).toEqual([400, '/offers']);
    expect(await wrong({ people: 7 })).toEqual([400, '/people']);
    expect(await wrong({ people: [people[0], { ...people[1], hourlyPayMinor: -1 }] })).toEqual([
      400,
      '/people/1/hourlyPayMinor',
    ]);
    expect(await wrong({ settings: { ...settings, vat: 2 } })).toEqual([400, '/settings/vat']);
    expect(await wrong({ services: [{ ...services[0], protocolId: 'none' }] })).toEqual([
      400,
      '/services/0/protocolId',
    ]);
    expect(await wrong({ demand: [{ serviceId: 'none', visitsPerWeek: 1, version: 0 }] })).toEqual([
      400,
      '/demand/0/serviceId',
    ]);
  });

  it('begin what was not there, one thing on the other, or nothing of it', async () => {
    const before = await api.house();
    const supplier = {
      id: 'verde',
      name: 'Verde',
      leadTimeDays: 7,
      leadTimeSdDays: 1,
      reviewDays: 0,
    };
    const like = before.materials.find(({ kind }) => kind === 'back-bar');
    if (!like || like.kind === 'linen') throw new Error('a back-bar product');
    const packs = like.packs.slice(0, 1).map((pack) => ({ ...pack, supplierId: 'verde' }));
    const [pack] = packs;
    const material = {
      ...like,
      id: 'new-gel',
      name: 'New gel',
      packs,
      preferredPackId: pack?.id,
      version: 0,
    };
    const lonely = await put({ materials: [material] });
    expect(lonely.status).toBe(400);
    const saved = await put({ suppliers: [{ ...supplier, version: 0 }], materials: [material] });
    expect(saved.status).toBe(200);
    const after = await api.house();
    expect(after.suppliers.at(-1)).toEqual({ ...supplier, version: 1 });
    expect(after.materials.at(-1)).toMatchObject({ id: 'new-gel', version: 1 });
  });

  it('place visits, all of them or none where somebody has placed one meanwhile', async () => {
    const visit = (id: string) => ({
      id,
      name: 'Alma R.',
      serviceId: 'clay-facial',
      at: '2026-12-01T10:00:00Z',
      addOnIds: ['add-eye-sheet'],
      version: 0,
    });
    const saved = await put({ placed: [visit('one'), visit('two')] });
    expect(saved.body.placed?.map(({ version }) => version)).toEqual([1, 1]);
    const late = await put({ placed: [visit('three'), visit('one')] });
    expect([late.status, late.body]).toMatchObject([409, { current: { id: 'one' } }]);
    const { placed } = await api.house();
    expect(placed.map(({ id }) => id)).not.toContain('three');
    expect(placed.find(({ id }) => id === 'two')?.addOnIds).toEqual(['add-eye-sheet']);
  });

  it('begin a line of the plan that was not there', async () => {
    const { services } = await api.house();
    const { version: _version, ...service } = { ...services[0], id: 'brand-new', version: 0 };
    await api.send('POST', 'services', service);
    const line = { serviceId: 'brand-new', visitsPerWeek: 2, version: 0 };
    expect((await put({ demand: [line] })).body.demand).toEqual([{ ...line, version: 1 }]);
    const { demand } = await api.house();
    expect(demand.find(({ serviceId }) => serviceId === 'brand-new')?.visitsPerWeek).toBe(2);
  });
});

describe('the journal', () => {
  it('keeps how things were before the first change of a day', async () => {
    const before = await api.house();
    const [room] = before.rooms;
    if (!room) throw new Error('no room');
    for (const name of ['Once', 'Twice']) {
      const now = (await api.house()).rooms[0];
      await api.send('PUT', `rooms/${room.id}`, { ...now, name });
    }
    await api.send('POST', 'rooms', { id: 'fourth', name: 'Fourth', kind: 'dry' });
    const { entries, editions, prices } = (await api.send<Journal>('GET', 'journal')).body;
    const today = dayOf(new Date(), DEMO_TIME_ZONE);
    const ofRooms = entries.filter(({ on, part }) => on === today && part === 'rooms');
    const { version: _version, ...was } = room;
    expect(ofRooms).toEqual([
      { on: today, part: 'rooms', id: 'fourth', before: null },
      { on: today, part: 'rooms', id: room.id, before: was },
    ]);
    expect(editions.length).toBeGreaterThan(0);
    expect(prices.length).toBeGreaterThan(0);
    const yesterday = houseOn(await api.house(), entries, daysAfter(today, -1));
    expect(yesterday.rooms.map(({ id }) => id)).toEqual(before.rooms.map(({ id }) => id));
    expect(yesterday.rooms[0]).toEqual(was);
  });

  it('remembers what was removed', async () => {
    const { menus, scenarios, ...house } = await api.house();
    for (const [part, list] of [
      ['soldCourses', house.soldCourses],
      ['menus', menus],
      ['scenarios', scenarios],
      ['offers', house.offers],
    ] as const) {
      for (const { id, version } of list) {
        expect((await api.send('DELETE', `${part}/${id}?version=${version}`)).status).toBe(204);
      }
    }
    const service = house.services.find(({ id }) => id === 'warm-sand');
    const gone = await api.send('DELETE', `services/warm-sand?version=${service?.version ?? 0}`);
    expect(gone.status).toBe(204);
    const { entries } = (await api.send<Journal>('GET', 'journal')).body;
    expect(entries.find(({ id }) => id === 'warm-sand')?.before).toMatchObject({
      name: 'Warm-sand back treatment',
    });
  });

  it('a service that is in a course or on a menu is not removed', async () => {
    const fresh = await startApi();
    const { services } = await fresh.house();
    const copper = services.find(({ id }) => id === 'copper');
    const refused = await fresh.send('DELETE', `services/copper?version=${copper?.version ?? 0}`);
    expect(refused.status).toBe(409);
    expect(refused.body.usedBy).toEqual([
      { kind: 'offer', id: 'copper-course', name: 'Copper firming, four visits' },
      { kind: 'menu', id: 'house-menu', name: 'Treatments' },
    ]);
    await fresh.close();
  });
});
