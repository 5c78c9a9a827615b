import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { visitsIn } from '@bienestar/core/house/visitLog';
import { fillDisk, smallDisk } from '../tools/reliability/fullDisk';
import { killProcesses } from '../tools/reliability/kills';
import { ownFolder } from '../tools/reliability/startedHouse';
import { anotherHouse } from './support/anotherHouse';
import { newPerson, type Person } from './support/person';
import type { ServedHouse } from './support/servedHouse';

/* The whole of the kills is `npm run kills`. */

it('whatever is killed comes back, and nothing that was acknowledged is lost', async () => {
  const of = await ownFolder(undefined, 'built');
  const found = await killProcesses(of, 6, 5);
  await of.remove();
  expect(found.faults).toEqual([]);
  expect(found.lost).toBe(0);
  expect(found.acknowledged).toBeGreaterThan(20);
}, 180_000);

it.runIf(process.getuid?.() === 0)(
  'on a full disk reading goes on, writing says so, nothing ends, and all goes on when there is room',
  async () => {
    const disk = smallDisk();
    if (!disk) throw new Error('No disk can be made here: loop devices and mkfs.ext4 are needed.');
    const found = await fillDisk(disk.path);
    disk.remove();
    expect(found.faults).toEqual([]);
    expect(found.lost).toBe(0);
    expect(found.slowestReadMs).toBeLessThan(5_000);
  },
  180_000,
);

describe('while MariaDB is frozen', () => {
  let house: ServedHouse;
  let person: Person;
  beforeAll(async () => {
    house = await anotherHouse();
    person = await newPerson(house.url);
  });
  afterAll(async () => {
    house.thawDatabase();
    await person.close();
    await house.close();
  });

  const timed = async (ask: () => Promise<Response>) => {
    const began = Date.now();
    const { status } = await ask();
    return { status, ms: Date.now() - began };
  };
  const snapshot = async () =>
    (await (await fetch(`${house.url}/api/house`)).json()) as HouseSnapshot;

  it('everybody is told within five seconds, fifteen for a change, and it goes on afterwards', async () => {
    const [room] = (await snapshot()).rooms;
    const change = (id: string) =>
      fetch(`${house.url}/api/rooms/${room?.id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', 'idempotency-key': id },
        body: JSON.stringify({ ...room, name: 'Frozen and thawed' }),
      });
    house.freezeDatabase();
    const answers = await Promise.all([
      ...Array.from({ length: 15 }, () => timed(() => fetch(`${house.url}/api/rooms`))),
      timed(() => fetch(`${house.url}/api/house`)),
    ]);
    const write = await timed(() => change('frozen'));
    const health = await timed(() => fetch(`${house.url}/api/health`));
    house.thawDatabase();
    expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 503));
    expect(Math.max(...answers.map(({ ms }) => ms))).toBeLessThan(5_000);
    expect([write.status, write.ms < 15_000]).toEqual([503, true]);
    expect([health.status, health.ms < 4_000]).toEqual([200, true]);
    /* Whether it was done meanwhile or not: sent again it is one's own. */
    await person.waitFor(async () => (await change('frozen')).status === 200, 'it is saved');
    expect((await snapshot()).rooms[0]).toMatchObject({
      name: 'Frozen and thawed',
      version: (room?.version ?? 0) + 1,
    });
  });

  it('what is typed meanwhile is saved as one’s own, and nobody else is said to have changed it', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.fill('Step', 'Cleanse once');
    await person.saved();
    await person.fill('Step', 'Cleanse twice');
    house.freezeDatabase();
    await person.sees('kept in this browser, not saved yet');
    await person.fill('Step', 'Cleanse three times');
    house.thawDatabase();
    await person.saved();
    await person.seesNot('Somebody else');
    const { protocols } = await snapshot();
    const clay = protocols.find(({ id }) => id === 'black-sand-clay-facial');
    expect(JSON.stringify(clay)).toContain('Cleanse three times');
  });

  it('fields that are left meanwhile are saved when it is back, each of them', async () => {
    await person.goTo('/house');
    const [room] = (await snapshot()).rooms;
    const other = room?.kind === 'wet' ? 'dry' : 'wet';
    house.freezeDatabase();
    await person.fill('Room', 'Steam cabin');
    await person.page.keyboard.press('Tab');
    await person.sees('1 change not saved yet');
    await person.click('radio', other);
    house.thawDatabase();
    await person.waitFor(async () => {
      const now = (await snapshot()).rooms.find(({ id }) => id === room?.id);
      return now?.name === 'Steam cabin' && now.kind === other;
    }, 'both are saved');
    await person.seesNot('not saved yet');
    await person.seesNot('Somebody else');
  });

  it('a visit that is performed meanwhile waits, and is one visit', async () => {
    const at = `${new Date(Date.now() - 86_400_000).toISOString().slice(0, 19)}Z`;
    await fetch(`${house.url}/api/bookings`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify([{ id: 'yesterday', title: 'Express', at, minutes: 30 }]),
    });
    const before = await snapshot();
    await person.goTo('/restock/demand');
    await person.click('button', 'Performed');
    const [button] = await person.page.$$('button[aria-label^="Performed:"]');
    await button?.evaluate((element) => element.scrollIntoView());
    house.freezeDatabase();
    await button?.click();
    await person.sees('it is entered when the house answers again');
    await person.sees('that it was performed');
    expect(await person.page.$$('button[aria-label^="Performed:"]')).toEqual([]);
    house.thawDatabase();
    await person.seesNot('not saved yet');
    const after = await snapshot();
    expect(visitsIn(after.log)).toBe(visitsIn(before.log) + 1);
  });
});

describe('asked to end, the server ends in order', () => {
  it('whoever goes on asking does not keep it', async () => {
    const house = await anotherHouse();
    let isGone = false;
    const ask = async (): Promise<void> => {
      while (!isGone) {
        const answer = await fetch(`${house.url}/api/rooms`).catch(() => undefined);
        isGone = answer === undefined;
      }
    };
    const asking = [ask(), ask()];
    const began = Date.now();
    expect(await house.stopServer()).toBe(0);
    expect(Date.now() - began).toBeLessThan(2_000);
    await Promise.all(asking);
    await house.close();
  });

  it('what waits for a database that is away was not acknowledged, and is cut off', async () => {
    const house = await anotherHouse();
    const rooms = await fetch(`${house.url}/api/rooms`);
    const [room] = (await rooms.json()) as { readonly id: string }[];
    house.freezeDatabase();
    const began = Date.now();
    const change = fetch(`${house.url}/api/rooms/${room?.id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'idempotency-key': 'cut-off' },
      body: JSON.stringify({ ...room, name: 'Cut off' }),
    }).catch(() => undefined);
    /* It has arrived when what was asked after it is answered. */
    await fetch(`${house.url}/leaf.svg`);
    const code = await house.stopServer();
    expect([code, (await change)?.status]).toEqual([0, undefined]);
    expect(Date.now() - began).toBeLessThan(5_000);
    house.thawDatabase();
    await house.close();
  });
});
