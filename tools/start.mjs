import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { openDatabase } from './lib/database.mjs';
import { keepRunning, startFirst } from './lib/keepRunning.mjs';
import { openLog } from './lib/log.mjs';
import { needAll } from './lib/needs.mjs';
import { needBuild, programMark } from './lib/build.mjs';
import { OWN, ROOT } from './lib/paths.mjs';
import { isFree } from './lib/ports.mjs';
import { commandOf, folderOf } from './lib/processes.mjs';
import { startProgram } from './lib/program.mjs';
import { createSay, seconds, Told } from './lib/say.mjs';
import { startStandIns } from './lib/standIns.mjs';

/*
 * npm start: brings a machine to where Bienestar runs on it, and keeps it running until Ctrl-C or
 * SIGTERM: whatever ends meanwhile is started again. PORT (4310) is where it answers; DATABASE_URL uses a
 * MariaDB server that is already there, SCALE_ADDRESS a scale, PRICE_LISTS and ORDERS suppliers, BOOKINGS a
 * calendar that are.
 */

/** How long the server of a killed run may take to leave its port. */
const LEAVES_WITHIN_MS = 8_000;
const began = performance.now();
const runFile = `${OWN}/start.pid`;
refuseLockedFolder();
refuseSecondRun();
const say = createSay(`${OWN}/log/start.log`);
/** @type {(() => Promise<void> | void)[]} */
const undo = [];
/** @type {Promise<void> | undefined} */
let stopping;
/** Where data lies that could not be used. @type {string | undefined} */
let putAside;

/** Everything that it makes for itself lies in one folder: where that cannot be written, nothing goes. */
function refuseLockedFolder() {
  try {
    mkdirSync(`${OWN}/log`, { recursive: true });
    accessSync(`${OWN}/log`, constants.W_OK);
  } catch (error) {
    const reason = error instanceof Error && 'code' in error ? String(error.code) : String(error);
    process.stderr.write(
      `\nThe folder ${OWN} cannot be written (${reason}). Give it to the account that runs Bienestar, or put the program where that account may write.\n`,
    );
    process.exit(1);
  }
}

/** @param {number} code */
function stop(code) {
  /* Asked twice, it waits for nothing more. */
  if (stopping) process.exit(code || 1);
  stopping = (async () => {
    for (const step of undo.reverse()) {
      try {
        await step();
      } catch (error) {
        say.log(String(error));
      }
    }
    process.exit(code);
  })();
}

process.on('SIGINT', () => stop(0));
process.on('SIGTERM', () => stop(0));
process.on('SIGHUP', () => stop(0));
/* Whoever reads what is said may go: that is no reason to end. */
process.stdout.on('error', () => undefined);
process.stderr.on('error', () => undefined);

try {
  await start();
} catch (error) {
  giveUp(error);
}

/** @param {unknown} error */
function giveUp(error) {
  if (stopping) return;
  const words =
    error instanceof Told
      ? error.message
      : `This should not happen: ${error instanceof Error ? error.stack : error}`;
  process.stderr.write(`\n${words}\n`);
  say.log(words);
  stop(1);
}

async function start() {
  say.line('Bienestar');
  const port = portFrom(process.env.PORT ?? '4310');
  if (!(await isFreeSoon(port))) {
    throw new Told(
      `Port ${port} is taken by another program. Stop it, or choose another port: PORT=${port + 10} npm start`,
    );
  }
  const given = process.env.DATABASE_URL;
  await needAll(given ? [] : ['mariadb-server'], say);
  writeFileSync(runFile, String(process.pid));
  undo.push(() => rmSync(runFile, { force: true }));
  await needBuild(say);
  const url = given ?? (await startDatabase());
  if (stopping) return;
  const outside = await say.step('starting the simulated scale and suppliers', startOutside);
  if (stopping) return;
  const address = await say.step('starting the server', () => startServer(url, port, outside));
  say.line(`Ready at ${address} after ${seconds(began)}. Ctrl-C stops it. Details: ${say.logFile}`);
}

async function startDatabase() {
  const database = await say.step('starting the database', () =>
    startFirst(() => openDatabase(`${OWN}/database`, say.log), say.line),
  );
  if (database.putAside) {
    putAside = database.putAside;
    say.line(`  the database could not be used. Nothing of it was removed: ${putAside}`);
  }
  const running = () => ({ ended: database.ended(), stop: database.stop });
  const kept = keepRunning({
    name: 'the database',
    running: running(),
    start: async () => {
      await database.start();
      return running();
    },
    say: say.line,
    onGivenUp: giveUp,
  });
  undo.push(async () => {
    await kept.stop();
    say.line('  the database is stopped');
  });
  return database.url;
}

async function startOutside() {
  const { env, all } = await startStandIns(say.log);
  for (const { name, running, again } of all) {
    /* The house goes on without what is outside it. */
    const onGivenUp = (/** @type {Error} */ reason) => say.line(`  ${reason.message}`);
    const kept = keepRunning({ name, running, start: again, say: say.line, onGivenUp });
    undo.push(kept.stop);
  }
  return env;
}

/**
 * @param {string} url
 * @param {number} port
 * @param {Record<string, string>} outside
 * @returns {Promise<string>} where it answers
 */
async function startServer(url, port, outside) {
  const log = openLog(`${OWN}/log/server.log`).write;
  const env = {
    ...outside,
    NODE_ENV: 'production',
    DATABASE_URL: url,
    PORT: String(port),
    COPIES: `${OWN}/copies`,
    DATABASE_FOLDER: process.env.DATABASE_URL ? '' : `${OWN}/database`,
    PROGRAM: programMark(),
    PUT_ASIDE: putAside ?? '',
  };
  /** @param {Record<string, string>} said */
  const refusal = ({ failed }) =>
    failed === undefined
      ? undefined
      : failed === 'EADDRINUSE'
        ? `Port ${port} was taken in the meantime.`
        : `The server does not start: ${failed}`;
  const again = () => startProgram({ name: 'the server', program: 'server', env, log, refusal });
  const running = await startFirst(again, say.line);
  const kept = keepRunning({
    name: 'the server',
    running,
    start: again,
    say: say.line,
    onGivenUp: giveUp,
  });
  undo.push(kept.stop);
  return running.said.ready ?? '';
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

/** Before anything is written: the log is that of the run that is there. */
function refuseSecondRun() {
  if (!existsSync(runFile)) return;
  const pid = Number(readFileSync(runFile, 'utf8'));
  const isOurs = commandOf(pid)?.includes('tools/start.mjs') && folderOf(pid) === ROOT;
  if (pid === process.pid || !isOurs) return;
  process.stderr.write(`Bienestar is already running from this folder (process ${pid}).\n`);
  process.exit(1);
}
