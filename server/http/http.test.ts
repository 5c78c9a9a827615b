import { HOUSE_FILE_VERSION } from '@bienestar/contract/schemas/houseFile';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Health } from '@bienestar/contract/api';
import type { ProblemDocument } from '@bienestar/contract/problems';
import { createApp } from '../app';
import { connect } from '../db/connection';
import { demoHouse, freshDatabase, startApi, type TestApi } from '../testing/api';

async function listening(server: Server): Promise<string> {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

const log = pino({ level: 'silent' });
const NOWHERE = 'mariadb://nobody:x@127.0.0.1:1/none';

describe('pages', () => {
  let folder: string;
  let server: Server;
  let url: string;
  const database = connect(NOWHERE);
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'bienestar-pages-'));
    await mkdir(join(folder, 'assets'));
    await writeFile(join(folder, 'index.html'), '<title>Bienestar</title>');
    await writeFile(join(folder, 'assets', 'a.js'), 'export {}');
    server = createServer(
      createApp({ sequelize: database, databaseUrl: NOWHERE, log, pages: folder }),
    );
    url = await listening(server);
  });
  afterAll(async () => {
    server.close();
    await rm(folder, { recursive: true, force: true });
  });

  it('are served at every address of a place, fresh each time', async () => {
    for (const path of ['/', '/protocols/x/y', '/shelf']) {
      const page = await fetch(`${url}${path}`, { headers: { accept: 'text/html' } });
      expect([page.status, page.headers.get('cache-control')]).toEqual([200, 'no-cache']);
      expect(await page.text()).toContain('Bienestar');
    }
  });

  it('keep scripts for good, and say 404 for one that is gone', async () => {
    const script = await fetch(`${url}/assets/a.js`);
    expect(script.headers.get('cache-control')).toContain('immutable');
    expect((await fetch(`${url}/assets/old.js`)).status).toBe(404);
  });

  it('do not lead out of their folder', async () => {
    const status = await new Promise<number | undefined>((resolve) => {
      request(`${url}/`, { path: '/assets/../../../../etc/passwd' }, (response) =>
        resolve(response.statusCode),
      ).end();
    });
    expect(status).not.toBe(200);
  });

  it('are there while no database is, and the API says so', async () => {
    expect((await fetch(`${url}/menu`)).status).toBe(200);
    const health = (await (await fetch(`${url}/api/health`)).json()) as Health;
    expect(health).toEqual({ status: 'degraded', database: 'away' });
    const refused = await fetch(`${url}/api/house`);
    expect([refused.status, refused.headers.get('retry-after')]).toEqual([503, '2']);
    expect(((await refused.json()) as ProblemDocument).detail).toContain('What you typed is kept');
  });
});

describe('before a house is set up', () => {
  it('says that there is none, and takes one', async () => {
    const sequelize = await freshDatabase();
    const { migrations } = await import('../db/migrate');
    await migrations(sequelize).up();
    const server = createServer(createApp({ sequelize, databaseUrl: NOWHERE, log }));
    const url = await listening(server);
    expect((await fetch(`${url}/api/house`)).status).toBe(404);
    expect((await fetch(`${url}/api/settings`)).status).toBe(404);
    expect((await fetch(`${url}/api/house/file`)).status).toBe(404);
    server.close();
    await sequelize.close();
  });
});

describe('what clients send', () => {
  let api: TestApi;
  beforeAll(async () => {
    api = await startApi();
  });
  afterAll(() => api.close());

  it('is answered as a problem when its encoding is unknown or it breaks off', async () => {
    const odd = await fetch(`${api.url}/api/rooms`, {
      method: 'POST',
      headers: { 'content-type': 'application/json; charset=latin-9' },
      body: '{}',
    });
    expect(odd.status).toBe(415);
    const packed = await fetch(`${api.url}/api/rooms`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'content-encoding': 'zip' },
      body: '{}',
    });
    expect(packed.status).toBe(415);
  });

  it('is refused without a body or with one that is not JSON', async () => {
    const none = await fetch(`${api.url}/api/rooms`, { method: 'POST' });
    expect(none.status).toBe(400);
    const form = await fetch(`${api.url}/api/rooms`, {
      method: 'POST',
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
      body: 'id=lava',
    });
    expect(form.status).toBe(400);
    expect((await api.send('PUT', 'house/file')).status).toBe(400);
  });

  it('is taken from the house’s own pages and from programs, not from other pages', async () => {
    const write = (origin?: string): Promise<Response> =>
      fetch(`${api.url}/api/demand/none`, {
        method: 'PUT',
        body: '{}',
        headers: origin === undefined ? {} : { origin },
      });
    expect((await write()).status).toBe(400);
    expect((await write(api.url)).status).toBe(400);
    expect((await write('https://elsewhere.example')).status).toBe(403);
    expect((await write('null')).status).toBe(403);
  });

  it('is refused when it was meant for another name', async () => {
    const ask = (host: string): Promise<number | undefined> =>
      new Promise((resolve) => {
        request(`${api.url}/api/rooms`, { headers: { host } }, (response) => {
          response.resume();
          resolve(response.statusCode);
        }).end();
      });
    const port = new URL(api.url).port;
    expect(await ask(`localhost:${port}`)).toBe(200);
    expect(await ask(`LOCALHOST:${port}`)).toBe(200);
    expect(await ask(`[::1]:${port}`)).toBe(200);
    expect(await ask(`elsewhere.example:${port}`)).toBe(421);
  });

  it('keeps one transaction whole when the other side of it fails', async () => {
    const house = await demoHouse();
    const before = await api.house();
    const twice = { ...house.protocols[0]!, version: before.protocols[0]!.version };
    const steps = twice.steps.slice(0, 2);
    /* The document is written first; the rows of what it uses then find no place. */
    await api.sequelize.query('RENAME TABLE uses TO uses_away', { type: QueryTypes.RAW });
    const failed = await api.send('PUT', `protocols/${twice.id}`, { ...twice, steps });
    await api.sequelize.query('RENAME TABLE uses_away TO uses', { type: QueryTypes.RAW });
    expect(failed.status).toBe(500);
    expect(failed.body.detail).toContain('in the log');
    expect(failed.body.detail).not.toContain('uses');
    expect(await api.house()).toEqual(before);
  });

  it('is saved for everybody or for none when a house is replaced while others write', async () => {
    const house = await demoHouse();
    const { rooms } = await api.house();
    const file = JSON.stringify({
      format: 'bienestar-house',
      formatVersion: HOUSE_FILE_VERSION,
      ...house,
    });
    const answers = await Promise.all([
      api.send('PUT', 'house/file', file),
      ...rooms.map((room) =>
        api.send('PUT', `rooms/${room.id}`, { ...room, name: `${room.name}!` }),
      ),
      api.send('PUT', 'house/file', file),
    ]);
    for (const { status } of answers) expect([200, 409, 503]).toContain(status);
    const after = await api.house();
    expect(after.protocols).toHaveLength(house.protocols.length);
    const elsewhere = await api.sequelize.query(
      `SELECT * FROM information_schema.referential_constraints
       WHERE constraint_schema = DATABASE() AND unique_constraint_schema <> DATABASE()`,
      { type: QueryTypes.SELECT },
    );
    expect(elsewhere, 'nothing points into the house that was replaced').toEqual([]);
    const use = { id: 'after', kind: 'use', materialId: 'aloe-gel', quantity: 1 };
    expect((await api.send('POST', 'ledger', use)).status).toBe(201);
    expect(after.stock).toHaveLength(house.materials.filter(({ kind }) => kind !== 'linen').length);
  });
});
