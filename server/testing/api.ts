import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { QueryTypes, type Sequelize } from 'sequelize';
import { inject } from 'vitest';
import type { HouseSnapshot } from '@bienestar/contract/api';
import type { ProblemDocument } from '@bienestar/contract/problems';
import { readHouseFile } from '@bienestar/contract/houseFile';
import type { HouseArchive } from '@bienestar/core/house/archive';
import { createApp, type Outside } from '../app';
import { connect, withDatabase } from '../db/connection';
import { migrations } from '../db/migrate';
import { DEMO } from '../places';
import { silentLog } from './silentLog';
import { keepTemplate, restoreTemplate } from './template';

/** By whose clocks the days of the demo house go. */
export const DEMO_TIME_ZONE = 'Atlantic/Canary';

/** The demo house as its file says. */
export async function demoHouse(): Promise<HouseArchive> {
  const house = readHouseFile(await readFile(DEMO, 'utf8'));
  if (!house.ok) throw new Error(JSON.stringify(house.faults));
  return house.value;
}

/** What the server answered. */
interface Answer<T> {
  readonly status: number;
  readonly headers: Headers;
  readonly body: T;
}

/** An API of its own, on a database of its own. */
export interface TestApi {
  readonly url: string;
  readonly sequelize: Sequelize;
  readonly send: <T = ProblemDocument>(
    method: string,
    path: string,
    body?: unknown,
  ) => Promise<Answer<T>>;
  readonly house: () => Promise<HouseSnapshot>;
  /** puts the demo house in the place of what the last test left */
  readonly demoAgain: () => Promise<void>;
  readonly close: () => Promise<void>;
}

/** An empty, migrated database of its own. */
export async function freshDatabase(): Promise<Sequelize> {
  return connect(await freshDatabaseUrl());
}

/** The address of an empty database of its own. */
export async function freshDatabaseUrl(): Promise<string> {
  const server = inject('databaseUrl');
  const name = `bienestar_${randomUUID().replaceAll('-', '')}`;
  const maker = connect(server);
  await maker.query(`CREATE DATABASE ${name}`, { type: QueryTypes.RAW });
  await maker.close();
  return withDatabase(server, name);
}

const MOST_TRIES = 4;

/** The demo house as the first test of this worker opened it. */
let template: string | undefined;

/** Starts the API on a fresh database with the demo house. */
export async function startApi(outside: Outside = {}): Promise<TestApi> {
  const databaseUrl = await freshDatabaseUrl();
  const sequelize = connect(databaseUrl);
  await migrations(sequelize).up();
  const server = createServer(createApp({ sequelize, databaseUrl, log: silentLog(), outside }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;

  const send: TestApi['send'] = async <T>(method: string, path: string, body?: unknown) => {
    const response = await fetch(`${url}/api/${path}`, {
      method,
      ...(body === undefined
        ? {}
        : {
            body: typeof body === 'string' ? body : JSON.stringify(body),
            headers: { 'content-type': 'application/json' },
          }),
    });
    const text = await response.text();
    const answered: unknown = text === '' ? undefined : JSON.parse(text);
    return { status: response.status, headers: response.headers, body: answered as T };
  };
  if (template === undefined) {
    const file = await readFile(DEMO, 'utf8');
    let loaded = await send('PUT', 'house/file', file);
    /* A database that was begun a moment ago may answer late: who is told so asks again. */
    for (let tries = 1; loaded.status === 503 && tries < MOST_TRIES; tries += 1)
      loaded = await send('PUT', 'house/file', file);
    if (loaded.status !== 200) throw new Error(`No demo house: ${loaded.body.detail}`);
    const name = `${sequelize.getDatabaseName()}_template`;
    await keepTemplate(sequelize, name);
    template = name;
  } else await restoreTemplate(sequelize, template);
  const demo = template;

  return {
    url,
    sequelize,
    send,
    house: async () => (await send<HouseSnapshot>('GET', 'house')).body,
    demoAgain: () => restoreTemplate(sequelize, demo),
    close: async () => {
      await new Promise((resolve) => server.close(resolve));
      await sequelize.close();
    },
  };
}
