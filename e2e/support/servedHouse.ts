import { readdirSync, readFileSync } from 'node:fs';
import { spawn, type ChildProcess } from 'node:child_process';
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { commandFor } from '../../tools/lib/build.mjs';
import { openDatabase } from '../../tools/lib/database.mjs';
import { QUICK, ROOT } from '../../tools/lib/paths.mjs';

/** The app as `npm start` runs it, on a database that goes again with it. */
export interface ServedHouse {
  readonly url: string;
  /** where the suppliers' stand-in is told how to behave */
  readonly suppliers: string;
  readonly databaseUrl: string;
  readonly stopDatabase: () => Promise<void>;
  readonly startDatabase: () => Promise<void>;
  /** stops it in the middle of whatever it does, as a machine that hangs */
  readonly freezeDatabase: () => void;
  readonly thawDatabase: () => void;
  /** asks the server to end, and says with which code it did */
  readonly stopServer: () => Promise<number | null>;
  readonly close: () => Promise<void>;
}

/** Where the stand-ins of what is outside a house answer. */
export type Outside = Readonly<Record<string, string>>;

/**
 * Makes a house as the server makes it where there is none, and ends it again in order: to begin with a copy of its
 * folder takes a fourth of the time.
 * @param finish what else is done to its database
 * @returns the folder
 */
export async function makeHouse(
  finish: (databaseUrl: string) => Promise<void>,
): Promise<{ readonly folder: string; readonly close: () => Promise<void> }> {
  const folder = await mkdtemp(join(QUICK, 'bienestar-e2e-'));
  const database = await openDatabase(folder, () => undefined);
  const server = startServer(folder, database.url, {});
  await server.url;
  await server.stop();
  await finish(database.url);
  await database.stop();
  return { folder, close: () => rm(folder, { recursive: true, force: true }) };
}

/**
 * Starts a database and the server with the built web app.
 * @param from the folder of a house that was made
 */
export async function serveHouse(from: string, outside: Outside): Promise<ServedHouse> {
  const folder = await mkdtemp(join(QUICK, 'bienestar-e2e-'));
  await cp(from, folder, { recursive: true });
  const database = await openDatabase(folder, () => undefined);
  const server = startServer(folder, database.url, outside);
  return {
    url: await server.url,
    suppliers: outside.PRICE_LISTS ?? '',
    databaseUrl: database.url,
    stopDatabase: database.stop,
    startDatabase: database.start,
    freezeDatabase: () => freeze(database.pid() ?? 0),
    thawDatabase: () => process.kill(database.pid() ?? 0, 'SIGCONT'),
    stopServer: server.stop,
    close: async () => {
      await server.stop();
      await database.stop();
      await rm(folder, { recursive: true, force: true });
    },
  };
}

/** The server as `npm start` runs it, on a database in a folder. */
function startServer(folder: string, databaseUrl: string, outside: Outside) {
  const server = spawn(process.execPath, commandFor('server'), {
    cwd: ROOT,
    env: {
      ...process.env,
      ...outside,
      DATABASE_URL: databaseUrl,
      DATABASE_FOLDER: folder,
      COPIES: join(folder, 'copies'),
      /* One that is free when it listens, and not a moment before. */
      PORT: '0',
      LOG_LEVEL: 'fatal',
      /* The days of a house are neither the server's nor the browser's. */
      TZ: 'America/St_Johns',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = new Promise<number | null>((resolve) => server.once('exit', resolve));
  return {
    url: readyUrl(server),
    stop: (): Promise<number | null> => {
      server.kill('SIGTERM');
      return ended;
    },
  };
}

/** Stops a process where it stands; it has stopped when each of its threads has. */
function freeze(pid: number): void {
  process.kill(pid, 'SIGSTOP');
  const threads = `/proc/${pid}/task`;
  const stands = (thread: string): boolean =>
    /\) T /.test(readFileSync(`${threads}/${thread}/stat`, 'utf8'));
  while (!readdirSync(threads).every(stands));
}

function readyUrl(server: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let why = '';
    server.once('close', (code) =>
      reject(new Error(`The server ended with ${String(code)}. ${why}`)),
    );
    if (!server.stdout) return;
    createInterface({ input: server.stdout }).on('line', (line) => {
      const { ready, failed } = JSON.parse(line) as { ready?: string; failed?: string };
      if (failed !== undefined) why = failed;
      if (ready !== undefined) resolve(ready);
    });
  });
}
