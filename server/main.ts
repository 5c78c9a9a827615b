import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import pino from 'pino';
import { createApp } from './app';
import { connect } from './db/connection';
import { migrations } from './db/migrate';
import { storesOf } from './house/stores';
import { openDemo } from './house/openDemo';
import { reading } from './db/unitOfWork';

/*
 * Migrates the database at DATABASE_URL, loads the demo house when it is empty, and serves on
 * HOST:PORT, under the names in HOSTS (with commas between) besides those of loopback. SCALE_ADDRESS,
 * SCALE_CONTROL, PRICE_LISTS, ORDERS and BOOKINGS say where devices, suppliers and the booking calendar
 * answer. Says `{"ready": url}` on stdout when it does; logs go to LOG_FILE or stderr.
 */

const STOP_WITHIN_MS = 5_000;
const { DATABASE_URL, HOST = '127.0.0.1', PORT = '4310', LOG_FILE, HOSTS = '' } = process.env;
if (!DATABASE_URL) throw new Error('DATABASE_URL is not set.');

const log = pino(
  { level: process.env.LOG_LEVEL ?? 'info' },
  pino.destination(LOG_FILE ? { dest: LOG_FILE, mkdir: true, sync: false } : 2),
);
const sequelize = connect(DATABASE_URL);
const applied = await migrations(sequelize).up();
log.info({ migrations: applied.map((migration) => migration.name) }, 'migrated');

const stores = storesOf(sequelize);
if (!(await reading(sequelize, (tx) => stores.settings.find(tx)))) {
  await openDemo(sequelize, DATABASE_URL);
  log.info('loaded the demo house');
}

const pages = fileURLToPath(new URL('../web/dist', import.meta.url));
const server = createServer(
  createApp({
    sequelize,
    databaseUrl: DATABASE_URL,
    log,
    pages,
    hosts: HOSTS.split(',').filter(Boolean),
    outside: {
      scale: process.env.SCALE_ADDRESS,
      scaleControl: process.env.SCALE_CONTROL,
      priceLists: process.env.PRICE_LISTS,
      orders: process.env.ORDERS,
      bookings: process.env.BOOKINGS,
    },
  }),
);
server.on('error', (error: NodeJS.ErrnoException) => {
  process.stdout.write(`${JSON.stringify({ failed: error.code ?? error.message })}\n`);
  process.exit(1);
});
server.listen(Number(PORT), HOST, () => {
  process.stdout.write(`${JSON.stringify({ ready: `http://${HOST}:${PORT}` })}\n`);
});

function stop(): void {
  setTimeout(() => process.exit(1), STOP_WITHIN_MS).unref();
  server.close(() => {
    void sequelize.close().finally(() => process.exit(0));
  });
  server.closeIdleConnections();
}
/* Whoever started the server holds its stdin: if they are killed, it must not stay behind on the port. */
if (process.env.STOP_WITH_STDIN) process.stdin.once('close', stop).resume();
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
