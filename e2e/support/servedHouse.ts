import { readdirSync, readFileSync } from 'node:fs';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { commandFor } from '../../tools/lib/build.mjs';
import { openDatabase } from '../../tools/lib/database.mjs';
import { QUICK, ROOT } from '../../tools/lib/paths.mjs';
import { startStandIns } from '../../tools/lib/standIns.mjs';

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

/** Starts a database and the server with the built web app and the demo house. */
export async function serveHouse(): Promise<ServedHouse> {
  const folder = await mkdtemp(join(QUICK, 'bienestar-e2e-'));
  const database = await openDatabase(folder, () => undefined);
  const outside = await startStandIns(() => undefined);
  const server = spawn(process.execPath, commandFor('server'), {
    cwd: ROOT,
    env: {
      ...process.env,
      ...outside.env,
      DATABASE_URL: database.url,
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
  const url = await readyUrl(server);
  const stopServer = (): Promise<number | null> => {
    server.kill('SIGTERM');
    return ended;
  };
  return {
    url,
    suppliers: outside.env.PRICE_LISTS ?? '',
    databaseUrl: database.url,
    stopDatabase: database.stop,
    startDatabase: database.start,
    freezeDatabase: () => freeze(database.pid() ?? 0),
    thawDatabase: () => process.kill(database.pid() ?? 0, 'SIGCONT'),
    stopServer,
    close: async () => {
      await stopServer();
      await outside.stop();
      await database.stop();
      await rm(folder, { recursive: true, force: true });
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
