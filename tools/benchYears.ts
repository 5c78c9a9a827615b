import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { withoutVersions, type HouseSnapshot } from '../contract/api';
import { writeHouseFile } from '../contract/houseFile';
import { toSecond } from '../core/days/instants';
import { createCalculator } from '../core/figures/createCalculator';
import { createRestocker } from '../core/restock/restocker';
import { createApp } from '../server/app';
import { connect, withDatabase } from '../server/db/connection';
import { migrations } from '../server/db/migrate';
import { openHouse } from '../server/house/openHouse';
import { silentLog } from '../server/testing/silentLog';
import { timedByTurns, type Row } from './benchTools';
import { demoOfToday, FIVE_YEARS, fiveYears } from './fiveYears';
import { openDatabase } from './lib/database.mjs';

const RUNS = 40;
/** As many counts of a material as are looked at. */
const ROUNDS = 4;
const LINES = 6;
const MATERIAL = 'aloe-gel';

/** What is opened all day: in the demo house, and in the same house after five years. */
export async function benchYears(): Promise<readonly Row[]> {
  const folder = await mkdtemp(join(tmpdir(), 'bienestar-years-'));
  const database = await openDatabase(join(folder, 'database'), () => undefined);
  const now = new Date();
  const path = join(folder, 'house.json');
  const served = async (name: string): Promise<Served> => {
    const url = withDatabase(database.url, name);
    const maker = connect(database.url);
    await maker.query(`CREATE DATABASE ${name}`);
    await maker.close();
    const sequelize = connect(url);
    await migrations(sequelize).up();
    const checked = await openHouse(sequelize, url, path);
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults.slice(0, 3)));
    return serve(sequelize, url);
  };
  const begin = database.url.slice(database.url.lastIndexOf('/') + 1);
  const house = begin.split('?')[0] ?? '';
  await writeFile(path, fiveYears(FIVE_YEARS, now));
  const years = await served(`${house}_years`);
  await writeFile(path, writeHouseFile(demoOfToday(now)));
  const demo = await served(`${house}_demo`);
  const rows: Row[] = [];
  const [yearsWorks, demoWorks] = [await worksIn(years.url), await worksIn(demo.url)];
  for (const [what, work] of yearsWorks) {
    const before = demoWorks.get(what) ?? work;
    /* By turns, so that whatever else the machine does falls on both. */
    const times = await timedByTurns([work, before], RUNS);
    const [ms = Number.NaN, then = Number.NaN] = times;
    rows.push([what, ms, `${then.toFixed(1)} ms in the demo house: × ${(ms / then).toFixed(2)}`]);
  }
  for (const each of [years, demo]) await each.close();
  await database.stop();
  await rm(folder, { recursive: true, force: true });
  return rows;
}

interface Served {
  readonly url: string;
  readonly close: () => Promise<void>;
}

async function serve(sequelize: ReturnType<typeof connect>, databaseUrl: string): Promise<Served> {
  const server = createServer(createApp({ sequelize, databaseUrl, log: silentLog() }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`,
    close: async () => {
      await new Promise((resolve) => server.close(resolve));
      await sequelize.close();
    },
  };
}

type Work = (run: number) => Promise<unknown>;

/** What is opened all day. */
async function worksIn(url: string): Promise<ReadonlyMap<string, Work>> {
  const get = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${url}/${path}`)).json()) as T;
  const send = async (path: string, body: object): Promise<Response> => {
    const answer = await fetch(`${url}/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(await answer.text());
    return answer;
  };
  const house = await get<HouseSnapshot>('house');
  const [order] = house.orders;
  const counted = house.materials.filter(({ kind }) => kind !== 'linen').slice(0, LINES);
  const figures = createCalculator()(withoutVersions(house));
  const tag = Date.now().toString(36);
  const enterLine = (round: string, materialId: string, id: string) => {
    const at = toSecond(new Date());
    const line = { materialId, at, entryId: id, found: 300, by: 'scale' };
    const entry = { kind: 'total-count', id, materialId, quantity: 300, lotId: id };
    return send(`counts/${round}/lines`, { line, entry });
  };
  const rounds = Array.from({ length: ROUNDS }, (_, at) => `r${tag}${at}`);
  const last = rounds.at(-1) ?? '';
  /* The same counts in both houses: how many are looked at for each material has a limit of its own. */
  for (const id of rounds) {
    await send('counts', { id, name: 'Bench', startedOn: '2026-01-01', blind: true, lines: [] });
    for (const [at, { id: materialId }] of counted.entries())
      await enterLine(id, materialId, `${id}-${at}`);
  }
  const works: Readonly<Record<string, Work>> = {
    'opening the app': async () => createCalculator()(withoutVersions(await get('house'))),
    'Today and Who comes, besides': () =>
      Promise.resolve(createRestocker()(withoutVersions(house), figures, new Date())),
    'a material: its history and prices': () =>
      Promise.all([get(`ledger/${MATERIAL}`), get(`materials/${MATERIAL}/prices`)]),
    'an order, and earlier ones': () =>
      Promise.all([get(`orders/${order?.id ?? ''}`), get('orders?ended')]),
    'the logbook: its first page, and a visit': () =>
      Promise.all([get('logbook?most=200'), get('logbook/visit-0480')]),
    'what a count has found': () => get(`counts/${last}/history`),
    'a line of a count': (run) => enterLine(last, MATERIAL, `c${tag}${run}`),
  };
  return new Map(Object.entries(works));
}
