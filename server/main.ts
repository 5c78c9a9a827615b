import { createServer } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import type { Sequelize } from 'sequelize';
import { answerRepository } from './work/answerRepository';
import { byItself, readingUnit, writingUnit } from './work/unitOfWork';
import { createApp } from './app';
import { copyBeforeMigrating, copyBeforeUpgrade } from './copies/beforeUpgrade';
import { safeCopies } from './copies/copies';
import { connect } from './db/connection';
import { migrations } from './db/migrate';
import { watchRoom } from './db/room';
import { openDemo } from './house/openDemo';
import { isLoopback, addressOf } from './http/loopback';
import { refusalFor } from './http/problems';
import { createLog } from './log';
import { PAGES } from './places';

/*
 * Migrates the database at DATABASE_URL, loads the demo house when it is empty, and serves on
 * HOST:PORT (0 is any port that is free), under the names in HOSTS (with commas between) besides those of loopback. SCALE_ADDRESS,
 * SCALE_CONTROL, PRICE_LISTS, ORDERS and BOOKINGS say where devices, suppliers and the booking calendar
 * answer. Safe copies lie in the folder COPIES. Says `{"ready": url}` on stdout when it does, or `{"failed": reason}`; logs go to stderr.
 */

const STOP_WITHIN_MS = 2_500;
const IDLE_EVERY_MS = 50;
const TIDIED_EVERY_MS = 10 * 60_000;
const TIDIED_FIRST_MS = 20_000;
/** A database that is being started, or started again, takes its time. */
const DATABASE_WITHIN_MS = 60_000;
const { DATABASE_URL, HOST = '127.0.0.1', PORT = '4310', HOSTS = '', COPIES = '' } = process.env;
/** A mark of the program, whether data was found that cannot be used, and where data lies if it is here. */
const { PROGRAM = '', PUT_ASIDE = '', DATABASE_FOLDER = '' } = process.env;
const log = createLog(process.env.LOG_LEVEL ?? 'info');

function fail(reason: string): never {
  process.stdout.write(`${JSON.stringify({ failed: reason })}\n`);
  process.exit(1);
}

/** Whoever started the server holds its stdin: if they are killed, it must not stay behind. */
if (process.env.STOP_WITH_STDIN) process.stdin.once('close', () => process.exit(0)).resume();
if (!DATABASE_URL) fail('DATABASE_URL is not set.');
if (!isLoopback(HOST)) {
  fail(
    `HOST must be this machine itself, such as 127.0.0.1 or localhost, not “${HOST}”: without sign-in, everybody on the network could read and change the house.`,
  );
}

const sequelize = connect(DATABASE_URL);
if (DATABASE_FOLDER !== '') watchRoom(sequelize, DATABASE_FOLDER);
const copies = COPIES === '' ? undefined : safeCopies(COPIES, sequelize);
await prepare(sequelize, DATABASE_URL).catch((error: unknown) => {
  log.error({ err: error }, 'not prepared');
  const { status, message } = refusalFor(error);
  fail(status === 503 || status === 507 ? message : 'see the log.');
});

const server = createServer(
  createApp({
    sequelize,
    databaseUrl: DATABASE_URL,
    log,
    pages: PAGES,
    copies,
    hosts: [new URL(addressOf(HOST, 1)).hostname, ...HOSTS.split(',').filter(Boolean)],
    outside: {
      scale: process.env.SCALE_ADDRESS,
      scaleControl: process.env.SCALE_CONTROL,
      priceLists: process.env.PRICE_LISTS,
      orders: process.env.ORDERS,
      bookings: process.env.BOOKINGS,
    },
  }),
);
server.on('error', (error: NodeJS.ErrnoException) => fail(error.code ?? error.message));
server.listen(Number(PORT), HOST, () => {
  const listening = server.address();
  const port = typeof listening === 'object' && listening ? listening.port : Number(PORT);
  process.stdout.write(`${JSON.stringify({ ready: addressOf(HOST, port) })}\n`);
});

/** Waits for the database, keeps a copy, brings it to the newest form, and begins with the demo house. */
async function prepare(database: Sequelize, url: string): Promise<void> {
  await untilItAnswers(database);
  const isOlder = copies ? await copyBeforeMigrating(database, url, copies) : false;
  const applied = await migrations(database).up();
  log.info({ migrations: applied.map((migration) => migration.name) }, 'migrated');
  const settings = await readingUnit(database, byItself(), ({ house }) => house.settings.find());
  const hasHouse = settings !== undefined;
  if (hasHouse && copies && !isOlder) await copyBeforeUpgrade(COPIES, PROGRAM, copies);
  if (hasHouse) return;
  /* Where there was a house, nothing takes its place unasked: the pages ask. */
  if (PUT_ASIDE !== '' || (await copies?.list())?.length) return;
  await openDemo(database, url);
  await copies?.make('first');
  log.info('loaded the demo house');
}

async function untilItAnswers(database: Sequelize): Promise<void> {
  const until = Date.now() + DATABASE_WITHIN_MS;
  for (;;) {
    try {
      await database.authenticate();
      return;
    } catch (error) {
      if (Date.now() > until) throw error;
      await wait(100);
    }
  }
}

/** What is done while people sleep; what goes wrong is tried again, and never ends the server. */
async function tidy(): Promise<void> {
  try {
    await copies?.nightly();
    await writingUnit(sequelize, byItself(), (unit) => answerRepository(unit).forgetOld(unit.now));
  } catch (error) {
    log.error({ err: error }, 'no safe copy');
  }
}
setInterval(() => void tidy(), TIDIED_EVERY_MS).unref();
setTimeout(() => void tidy(), TIDIED_FIRST_MS).unref();

/**
 * Ends in order: what is being answered may finish, and whoever goes on asking is told to go elsewhere. What
 * still waits then, for a database that is away, was not acknowledged: it is cut off, and sent again with its key.
 */
function stop(): void {
  setTimeout(() => process.exit(0), STOP_WITHIN_MS).unref();
  server.prependListener('request', (_request, answer) => answer.setHeader('connection', 'close'));
  server.close(() => {
    void sequelize.close().finally(() => process.exit(0));
  });
  /* What was being answered leaves its connection idle. */
  setInterval(() => server.closeIdleConnections(), IDLE_EVERY_MS).unref();
  server.closeIdleConnections();
}
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
