import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createReadStream, createWriteStream } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createApp } from '../server/app';
import { safeCopies } from '../server/copies/copies';
import { connect } from '../server/db/connection';
import { migrations } from '../server/db/migrate';
import { openDemo } from '../server/house/openDemo';
import { silentLog } from '../server/testing/silentLog';
import { openDatabase } from './lib/database.mjs';
import { largeHouse } from './largeHouse';

/*
 * npm run bench:large -- [MOVEMENTS] [CHANGES]
 * A house of many years goes in and out while somebody else looks things up and writes: how long it
 * takes, and how long the slowest of the others waits.
 */

const [movements = 500_000, changes = 60_000] = process.argv.slice(2).map(Number);
const folder = await mkdtemp(join(tmpdir(), 'bienestar-large-'));
const database = await openDatabase(`${folder}-database`, () => undefined);
const sequelize = connect(database.url);
await migrations(sequelize).up();
await openDemo(sequelize, database.url);
const copies = safeCopies(join(folder, 'copies'), sequelize);
const app = createApp({ sequelize, databaseUrl: database.url, log: silentLog(), copies });
const server = createServer(app);
await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;

const path = join(folder, 'large.house.json');
await writeFile(path, largeHouse(movements, changes));
say(`a house of ${movements} movements and ${changes} changes`);

/* The second time there is a large house of which a safe copy is made first. */
for (const what of ['opened', 'opened in the place of the large one']) await measured(what, open);
for (const file of ['house/file', 'exports/ledger.csv', 'exports/ledger.xlsx']) {
  await measured(`${file} went out`, async () => {
    const answer = await fetch(`${url}/${file}`);
    if (answer.status !== 200 || !answer.body) throw new Error(await answer.text());
    await pipeline(
      Readable.fromWeb(answer.body as never),
      createWriteStream(join(folder, file.replace('/', '-'))),
    );
  });
}
server.close();
await sequelize.close();
await database.stop();
await rm(folder, { recursive: true, force: true });
await rm(`${folder}-database`, { recursive: true, force: true });

async function open(): Promise<void> {
  const answer = await fetch(`${url}/house/file`, {
    method: 'PUT',
    body: Readable.toWeb(createReadStream(path)) as ReadableStream,
    duplex: 'half',
  } as RequestInit);
  const text = await answer.text();
  if (answer.status !== 200) throw new Error(text.slice(0, 300));
}

/** Does `work` while somebody reads and writes, and says how long both took. */
async function measured(what: string, work: () => Promise<void>): Promise<void> {
  const over = new AbortController();
  const waits: number[] = [];
  const others = (async () => {
    for (let at = 0; !over.signal.aborted; at += 1) {
      const began = performance.now();
      await (at % 2 === 0 ? fetch(`${url}/rooms`) : use(at)).then((answer) => answer.text());
      waits.push(performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  })();
  const before = process.memoryUsage().rss;
  let most = before;
  const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 100);
  const began = performance.now();
  await work();
  const took = performance.now() - began;
  over.abort();
  clearInterval(watch);
  await others;
  const sorted = waits.sort((a, b) => a - b);
  const slowest = sorted.at(-1) ?? 0;
  const usual = sorted[Math.floor(sorted.length / 2)] ?? 0;
  say(
    `${what} in ${(took / 1000).toFixed(1)} s; ${waits.length} others waited ${usual.toFixed(0)} ms usually, ${slowest.toFixed(0)} ms at most; memory ${megabytes(before)} to ${megabytes(most)} MB`,
  );
}

function use(at: number): Promise<Response> {
  return fetch(`${url}/ledger`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      kind: 'use',
      id: `bench-${Date.now()}-${at}`,
      materialId: 'aloe-gel',
      quantity: 0.001,
    }),
  });
}

function megabytes(bytes: number): string {
  return (bytes / 1e6).toFixed(0);
}

function say(text: string): void {
  process.stdout.write(`${text}\n`);
}
