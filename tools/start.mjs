import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createInterface } from 'node:readline';
import { setTimeout as wait } from 'node:timers/promises';
import { commandOf, openDatabase } from './lib/database.mjs';
import { needDebian, needNpm } from './lib/needs.mjs';
import { needPages } from './lib/pages.mjs';
import { OWN, ROOT } from './lib/paths.mjs';
import { isFree } from './lib/ports.mjs';
import { createSay, seconds, Told } from './lib/say.mjs';
import { startStandIns } from './lib/standIns.mjs';

/*
 * npm start: brings a machine to where Bienestar runs on it, and runs it until Ctrl-C or SIGTERM.
 * PORT (4310) is where it answers; DATABASE_URL uses a MariaDB server that is already there,
 * SCALE_ADDRESS a scale, PRICE_LISTS and ORDERS suppliers, BOOKINGS a calendar that are.
 */

/** How long the server of a killed run may take to leave its port. */
const LEAVES_WITHIN_MS = 6_000;
const began = performance.now();
const say = createSay(`${OWN}/log/start.log`);
const runFile = `${OWN}/start.pid`;
/** @type {(() => Promise<void>)[]} */
const undo = [];
let stopping = false;

/** @param {number} code */
async function stop(code) {
  if (stopping) return;
  stopping = true;
  for (const step of undo.reverse()) await step();
  process.exit(code);
}

process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));
process.on('SIGHUP', () => void stop(0));

try {
  await start();
} catch (error) {
  const words =
    error instanceof Told
      ? error.message
      : `This should not happen: ${error instanceof Error ? error.stack : error}`;
  process.stderr.write(`\n${words}\n`);
  say.log(words);
  await stop(1);
}

async function start() {
  say.line('Bienestar');
  const port = portFrom(process.env.PORT ?? '4310');
  refuseSecondRun();
  if (!(await isFreeSoon(port))) {
    throw new Told(
      `Port ${port} is taken by another program. Stop it, or choose another port: PORT=${port + 10} npm start`,
    );
  }
  const given = process.env.DATABASE_URL;
  if (!given) await needDebian(['mariadb-server'], say);
  await needNpm(say);
  writeFileSync(runFile, String(process.pid));
  undo.push(async () => rmSync(runFile, { force: true }));
  await needPages(say);
  const url = given ?? (await startDatabase());
  if (stopping) return;
  const outside = await say.step('starting the simulated scale and suppliers', () =>
    startStandIns(say.log),
  );
  undo.push(outside.stop);
  const address = await say.step('starting the server', () => startServer(url, port, outside.env));
  say.line(`Ready at ${address} after ${seconds(began)}. Ctrl-C stops it. Details: ${say.logFile}`);
}

async function startDatabase() {
  const database = await say.step('starting the database', () =>
    openDatabase(`${OWN}/database`, say.log),
  );
  undo.push(async () => {
    await database.stop();
    say.line('  the database is stopped');
  });
  void keepAlive(database);
  return database.url;
}

/** @param {import('./lib/database.mjs').Database} database */
async function keepAlive(database) {
  await database.ended;
  if (stopping) return;
  say.line('  the database ended by itself; starting it again');
  try {
    await database.start();
    say.line('  the database is back');
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.message : error}\n`);
    await stop(1);
  }
}

/**
 * @param {string} url
 * @param {number} port
 * @param {Record<string, string>} outside
 * @returns {Promise<string>}
 */
function startServer(url, port, outside) {
  const env = {
    ...process.env,
    ...outside,
    NODE_ENV: 'production',
    DATABASE_URL: url,
    PORT: String(port),
    LOG_FILE: `${OWN}/log/server.log`,
    STOP_WITH_STDIN: '1',
  };
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: ROOT,
    env,
    stdio: ['pipe', 'pipe', 'pipe'],
    detached: true,
  });
  undo.push(
    () =>
      new Promise((resolve) => {
        if (server.exitCode !== null) return resolve(undefined);
        server.once('exit', resolve);
        server.kill('SIGTERM');
      }),
  );
  server.stderr.on('data', (data) => say.log(String(data)));
  return new Promise((resolve, reject) => {
    createInterface({ input: server.stdout }).on('line', (line) => {
      say.log(line);
      const { ready, failed } = JSON.parse(line);
      if (ready) resolve(ready);
      if (failed)
        reject(
          new Told(
            failed === 'EADDRINUSE'
              ? `Port ${port} was taken in the meantime.`
              : `The server does not start: ${failed}`,
          ),
        );
    });
    server.once('exit', (code) => {
      reject(new Told(`The server does not start (${code}): see ${say.logFile}.`));
      if (!stopping) void stop(1);
    });
  });
}

/**
 * Whether the port is free, or becomes so while the server of a killed run ends.
 * @param {number} port
 */
async function isFreeSoon(port) {
  const until = Date.now() + (existsSync(runFile) ? LEAVES_WITHIN_MS : 0);
  while (!(await isFree(port))) {
    if (Date.now() >= until) return false;
    await wait(100);
  }
  return true;
}

/** @param {string} text */
function portFrom(text) {
  const port = Number(text);
  if (Number.isInteger(port) && port > 0 && port < 65536) return port;
  throw new Told(`PORT must be a number from 1 to 65535, not “${text}”.`);
}

function refuseSecondRun() {
  mkdirSync(OWN, { recursive: true });
  if (!existsSync(runFile)) return;
  const pid = Number(readFileSync(runFile, 'utf8'));
  if (pid !== process.pid && commandOf(pid)?.includes('tools/start.mjs')) {
    throw new Told(`Bienestar is already running from this folder (process ${pid}).`);
  }
}
