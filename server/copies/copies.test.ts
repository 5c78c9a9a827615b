import { mkdtemp, readdir, rm, stat, truncate } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import fc from 'fast-check';
import { QueryTypes, type Sequelize } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { HouseSnapshot, SafeCopy } from '@bienestar/contract/api';
import type { ProblemDocument } from '@bienestar/contract/problems';
import { QUICK } from '../../tools/lib/paths.mjs';
import { createApp } from '../app';
import { connect } from '../db/connection';
import { migrations } from '../db/migrate';
import { openDemo } from '../house/openDemo';
import { freshDatabaseUrl } from '../testing/api';
import { silentLog } from '../testing/silentLog';
import { copyBeforeMigrating, copyBeforeUpgrade } from './beforeUpgrade';
import { safeCopies, type Copies } from './copies';
import { copiesToLetGo, copyFrom, copyName, isNightCopyDue } from './copySchedule';
import { withoutKits } from '../testing/withoutKits';

const copyAt = (at: string): SafeCopy => {
  const copy = copyFrom(copyName(new Date(at), 'night'), 10);
  if (!copy) throw new Error(at);
  return copy;
};

describe('when copies are made and let go of', () => {
  it('a copy is due once a night, also after a night in which the machine slept', () => {
    /* Three in the night is six in the morning of UTC. */
    const timeZone = 'America/Santiago';
    const clock = { now: new Date('2026-11-27T12:00:00Z'), timeZone };
    const at = (day: number, hour: number): SafeCopy =>
      copyAt(`2026-11-${day}T${String(hour).padStart(2, '0')}:00:00Z`);
    expect(isNightCopyDue([], clock)).toBe(true);
    expect(isNightCopyDue([at(27, 7)], clock)).toBe(false);
    expect(isNightCopyDue([at(27, 5), at(26, 7)], clock)).toBe(true);
    const before = { now: new Date('2026-11-27T05:59:00Z'), timeZone };
    expect(isNightCopyDue([at(26, 7)], before)).toBe(false);
  });

  it('of years of nights the last seven days, five weeks and twelve months stay', () => {
    const now = new Date('2026-11-27T05:00:00Z');
    const nights = Array.from({ length: 800 }, (_, back) =>
      copyAt(new Date(now.getTime() - back * 86_400_000 - 3_600_000).toISOString()),
    );
    const gone = new Set(copiesToLetGo(nights, { now, timeZone: 'UTC' }));
    const kept = nights.filter((copy) => !gone.has(copy)).map(({ at }) => at.slice(0, 10));
    expect(kept.slice(0, 7)).toEqual([
      '2026-11-27',
      '2026-11-26',
      '2026-11-25',
      '2026-11-24',
      '2026-11-23',
      '2026-11-22',
      '2026-11-21',
    ]);
    expect(kept).toContain('2026-11-15');
    expect(kept).toContain('2026-11-01');
    expect(new Set(kept.map((day) => day.slice(0, 7))).size).toBe(12);
    expect(kept.length).toBeLessThanOrEqual(7 + 5 + 12);
  });

  it('the newest is never let go of, and letting go twice changes nothing', () => {
    const moment = fc.date({
      min: new Date('2020-01-01'),
      max: new Date('2026-11-27'),
      noInvalidDate: true,
    });
    fc.assert(
      fc.property(fc.array(moment, { minLength: 1, maxLength: 80 }), (moments) => {
        const copies = moments.map((at) => copyAt(at.toISOString()));
        const clock = { now: new Date('2026-11-27T00:00:00Z'), timeZone: 'Asia/Kathmandu' };
        const gone = new Set(copiesToLetGo(copies, clock));
        const left = copies.filter((copy) => !gone.has(copy));
        const newest = copies
          .map(({ at }) => at)
          .sort()
          .at(-1);
        expect(left.map(({ at }) => at)).toContain(newest);
        expect(copiesToLetGo(left, clock)).toEqual([]);
      }),
    );
  });

  it.each(['../secret', 'x.house.json.gz', '2026-11-27T03-00-00-night.house.json.gz.part'])(
    '%s is no copy',
    (name) => expect(copyFrom(name, 1)).toBeUndefined(),
  );
});

describe('safe copies of a house', () => {
  let folder: string;
  let url: string;
  let sequelize: Sequelize;
  let copies: Copies;
  let server: Server;
  let address: string;
  beforeAll(async () => {
    folder = await mkdtemp(join(QUICK, 'bienestar-copies-'));
    url = await freshDatabaseUrl();
    sequelize = connect(url);
    await migrations(sequelize).up();
    copies = safeCopies(join(folder, 'copies'), sequelize);
    const app = createApp({ sequelize, databaseUrl: url, log: silentLog(), copies });
    server = createServer(app);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
  });
  afterAll(async () => {
    server.close();
    await sequelize.close();
    await rm(folder, { recursive: true });
  });

  const ask = async <T>(method: string, path: string, body?: unknown) => {
    const answer = await fetch(`${address}/${path}`, {
      method,
      ...(body !== undefined && {
        body: JSON.stringify(body),
        headers: { 'content-type': 'application/json' },
      }),
    });
    return { status: answer.status, body: (await answer.json()) as T };
  };
  const rename = async (name: string): Promise<void> => {
    const { body } = await ask<object>('GET', 'rooms/lava');
    expect((await ask('PUT', 'rooms/lava', { ...body, name })).status).toBe(200);
  };
  const nameOfRoom = async () => (await ask<{ name: string }>('GET', 'rooms/lava')).body.name;

  it('where there is no house none is made, and one is begun only where there is none', async () => {
    expect((await ask('POST', 'copies')).status).toBe(404);
    expect((await ask('POST', 'house', { begin: 'anything' })).status).toBe(400);
    const begun = await ask<HouseSnapshot>('POST', 'house', { begin: 'new' });
    expect([begun.status, begun.body.rooms.length]).toEqual([200, 1]);
    expect((await ask('POST', 'house', { begin: 'demo' })).status).toBe(409);
  });

  it('puts the house that is here aside, whole, where another is begun instead', async () => {
    await openDemo(sequelize, url);
    await rename('Painted');
    const begun = await ask<HouseSnapshot>('POST', 'house', { begin: 'new', instead: true });
    expect([begun.status, begun.body.services.length]).toEqual([200, 0]);
    const { body: copies } = await ask<readonly SafeCopy[]>('GET', 'copies');
    const aside = copies.find(({ why }) => why === 'aside');
    const back = await ask<HouseSnapshot>('POST', `copies/${aside?.name ?? ''}/bring-back`);
    expect([back.status, await nameOfRoom()]).toEqual([200, 'Painted']);
  });

  it('are made by hand and before a house is opened, and brought back', async () => {
    await openDemo(sequelize, url);
    await rename('Painted');
    const made = await ask<SafeCopy>('POST', 'copies');
    expect([made.status, made.body.why]).toEqual([201, 'by-hand']);
    expect((await stat(join(folder, 'copies', made.body.name))).mode & 0o077).toBe(0);
    await rename('Painted again');
    const back = await ask<HouseSnapshot>('POST', `copies/${made.body.name}/bring-back`);
    expect(back.body.rooms[0]?.name).toBe('Painted');
    const { body: list } = await ask<SafeCopy[]>('GET', 'copies');
    const before = list.find(({ why }) => why === 'opening');
    expect((await ask('POST', `copies/${before?.name}/bring-back`)).status).toBe(200);
    expect(await nameOfRoom()).toBe('Painted again');
  });

  it('are not made for a file that is wrong, which is found before anything is made', async () => {
    /* Other houses are made on the same server at the same time. */
    const schemas = async (): Promise<unknown> =>
      sequelize.query(
        "SELECT schema_name FROM information_schema.schemata WHERE schema_name LIKE CONCAT(DATABASE(), '%') ORDER BY schema_name",
        { type: QueryTypes.SELECT },
      );
    const { body: file } = await ask<Record<string, unknown>>('GET', 'house/file');
    const [copies, there] = [await ask('GET', 'copies'), await schemas()];
    const refused = await ask('PUT', 'house/file', { ...file, rooms: 'none' });
    expect(refused.status).toBe(400);
    expect([await ask('GET', 'copies'), await schemas()]).toEqual([copies, there]);
    expect((await ask('PUT', 'house/file', file)).status).toBe(200);
    expect((await ask('GET', 'copies')).body).not.toEqual(copies.body);
  });

  it('the house that was in use is put aside whole, and brought back with its ledger and who wrote what', async () => {
    const asides = async () =>
      (await ask<SafeCopy[]>('GET', 'copies')).body.filter(({ why }) => why === 'aside');
    const written = async () => (await ask<unknown[]>('GET', 'audit/rooms/lava')).body;
    const movements = async () =>
      sequelize.query('SELECT * FROM movements ORDER BY ordinal', { type: QueryTypes.SELECT });
    await rename('Painted green');
    const [audit, ledger] = [await written(), await movements()];
    expect(audit.length).toBeGreaterThan(0);
    await openDemo(sequelize, url);
    expect(await written()).toEqual([]);
    const { version } = (await ask<{ version: number }>('GET', 'rooms/lava')).body;

    const [aside] = await asides();
    const back = await ask<HouseSnapshot>('POST', `copies/${aside?.name}/bring-back`);
    expect([back.status, back.body.rooms[0]?.name]).toEqual([200, 'Painted green']);
    expect(await written()).toEqual(audit);
    expect(await movements()).toEqual(ledger);
    /* Nobody who still edits the demo overwrites it unasked. */
    expect(back.body.rooms[0]?.version).toBeGreaterThan(version);
    const late = { id: 'lava', name: 'Late', kind: 'dry', version };
    expect((await ask('PUT', 'rooms/lava', late)).status).toBe(409);

    await openDemo(sequelize, url);
    const kept = await asides();
    expect(kept).toHaveLength(2);
    expect(new Set([...kept.map(({ name }) => name), aside?.name]).size).toBe(3);
    expect((await ask('POST', `copies/${aside?.name}/bring-back`)).status).toBe(404);
    expect((await ask('GET', `copies/${kept[0]?.name}`)).status).toBe(404);
    expect((await ask('POST', `copies/${kept[0]?.name}/bring-back`)).status).toBe(200);
    await rename('Painted again');
  });

  it('are brought back in the place of a house that cannot be read, which is told by its place', async () => {
    const { body: copy } = await ask<SafeCopy>('POST', 'copies');
    const broken = '{"id":"lava","name":"Lava","kind":"dry","slope":3}';
    await sequelize.query(
      `UPDATE rooms SET body = '${broken}', version = version + 1 WHERE id = 'lava'`,
    );
    const read = await ask<ProblemDocument>('GET', 'house');
    expect([read.status, read.body.title]).toEqual([422, 'Not as it was written']);
    expect(read.body.detail).toContain('“lava” in rooms');
    expect(read.body.detail).toContain('/slope');
    expect((await ask('POST', `copies/${copy.name}/bring-back`)).status).toBe(200);
    expect(await nameOfRoom()).toBe('Painted again');
  });

  it('that are damaged change nothing, and unknown ones are not there', async () => {
    const { body: copy } = await ask<SafeCopy>('POST', 'copies');
    await truncate(join(folder, 'copies', copy.name), Math.floor((copy.bytes ?? 0) / 2));
    const damaged = await ask<ProblemDocument>('POST', `copies/${copy.name}/bring-back`);
    expect([damaged.status, damaged.body.title]).toEqual([422, 'This copy is damaged']);
    expect((await ask('POST', 'copies/..%2Fsecret/bring-back')).status).toBe(404);
    expect(await nameOfRoom()).toBe('Painted again');
    const names = await readdir(join(folder, 'copies'));
    expect(names.filter((name) => name.endsWith('.part'))).toEqual([]);
  });

  it('are made before another version of the program, or of the database, takes over', async () => {
    const count = async () => (await copies.list()).filter(({ why }) => why === 'upgrade').length;
    await copyBeforeUpgrade(folder, 'one', copies);
    expect(await count()).toBe(0);
    await copyBeforeUpgrade(folder, 'two', copies);
    await copyBeforeUpgrade(folder, 'two', copies);
    expect(await count()).toBe(1);

    const whole = await (await fetch(`${address}/house/file`)).text();
    const opened = await ask('PUT', 'house/file', JSON.parse(withoutKits(whole)));
    expect(opened.status).toBe(200);
    await migrations(sequelize).down({ to: '0007-answers' });
    expect(await copyBeforeMigrating(sequelize, url, copies)).toBe(true);
    expect(await count()).toBe(2);
    const [answers] = await sequelize.query<{ tables: number }>(
      "SELECT COUNT(*) AS tables FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name = 'answers'",
      { type: QueryTypes.SELECT },
    );
    expect(answers?.tables, 'the house in use is as it was').toBe(0);
    await migrations(sequelize).up();
    expect(await copyBeforeMigrating(sequelize, url, copies)).toBe(false);
    const newest = (await copies.list()).find(({ why }) => why === 'upgrade');
    const back = await ask<HouseSnapshot>('POST', `copies/${newest?.name}/bring-back`);
    expect(back.body.rooms[0]?.name).toBe('Painted again');
  });
});
