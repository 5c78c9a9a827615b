import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { createApp } from '../server/app';
import { connect } from '../server/db/connection';
import { migrations } from '../server/db/migrate';
import { openDemo } from '../server/house/openDemo';
import { silentLog } from '../server/testing/silentLog';
import { openDatabase } from './lib/database.mjs';
import { QUICK } from './lib/paths.mjs';
import { readRubbish } from './rubbish/readRubbish';
import { throwRubbish } from './rubbish/throwRubbish';

/*
 * npm run fuzz -- [SEED] [REQUESTS] [FILES]
 * Throws rubbish at a house of its own: requests over every route, mutated house files, calendars, price
 * lists and workbooks. Ends with 1 when anything is answered by a fault of ours, changed by a refusal, or
 * slow.
 */

/** Less than a kilobyte a request. */
const MOST_GROWTH_BYTES = 10e6;

const [seed = 1, requests = 10_000, files = 1_000] = process.argv.slice(2).map(Number);
const folder = await mkdtemp(join(QUICK, 'bienestar-fuzz-'));
const database = await openDatabase(folder, () => undefined);
const sequelize = connect(database.url);
await migrations(sequelize).up();
await openDemo(sequelize, database.url);
const server = createServer(createApp({ sequelize, databaseUrl: database.url, log: silentLog() }));
await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;

/* What is still held after everything that is not has been given back. */
setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;
const held: number[] = [];
const thrown = await throwRubbish(url, sequelize, { seed, requests, files }, () => {
  collect();
  const { heapUsed, external } = process.memoryUsage();
  held.push(heapUsed + external);
});
const read = await readRubbish(seed, files);
server.close();
await sequelize.close();
await database.stop();
await rm(folder, { recursive: true, force: true });

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(0)} MB`;
say(`${thrown.sent} requests: ${JSON.stringify(thrown.statuses)}`);
say(`slowest ${thrown.slowestMs.toFixed(0)} ms`);
say(`memory held, every 500 requests: ${held.map(megabytes).join(', ')}`);
say(`${read.read} files read, slowest ${read.slowestMs.toFixed(0)} ms`);
/* Caches fill in the first third; after that nothing may be added. */
const filled = held[Math.floor(held.length / 3)] ?? 0;
const last = held.at(-1) ?? 0;
const grows =
  last > filled + MOST_GROWTH_BYTES
    ? [`memory grew: ${megabytes(filled)} to ${megabytes(last)}`]
    : [];
const faults = [...thrown.faults, ...read.faults, ...grows];
for (const fault of faults) say(`FAULT ${fault}`);
say(faults.length === 0 ? 'No fault.' : `${faults.length} faults.`);
process.exitCode = faults.length === 0 ? 0 : 1;

function say(text: string): void {
  process.stdout.write(`${text}\n`);
}
