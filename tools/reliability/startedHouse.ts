import { spawn, type ChildProcess } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { chmod, cp, mkdir, mkdtemp, rm, symlink } from 'node:fs/promises';
import { join } from 'node:path';
import { commandFor } from '../lib/build.mjs';
import { commandOf, folderOf } from '../lib/processes.mjs';
import { QUICK, ROOT } from '../lib/paths.mjs';
import { freePort } from '../lib/ports.mjs';

const READY = /Ready at (\S+) after/;
const PARTS = [
  'core',
  'contract',
  'server',
  'standins',
  'web',
  'tools',
  'demo',
  'package.json',
  'package-lock.json',
  'tsconfig.base.json',
];

const BUILT = 'dist';

/** A checkout of its own, as somebody has it who starts Bienestar. */
export interface OwnFolder {
  readonly folder: string;
  readonly port: number;
  /** where what it makes for itself lies */
  readonly own: string;
  readonly start: (env?: NodeJS.ProcessEnv) => Run;
  readonly remove: () => Promise<void>;
}

/** A run of `npm start`. */
export interface Run {
  readonly child: ChildProcess;
  readonly said: () => string;
  /** the address at which it is ready; fails when it ends before */
  readonly ready: Promise<string>;
  readonly ended: Promise<number | null>;
  /** processes of this run by what they are */
  readonly processes: () => Readonly<Record<ProcessKind, number | undefined>>;
  readonly stop: () => Promise<number | null>;
}

const PROGRAM_KINDS = ['server', 'scale', 'supplier', 'bookings'] as const;
export const PROCESS_KINDS = [...PROGRAM_KINDS, 'database'] as const;
export type ProcessKind = (typeof PROCESS_KINDS)[number];

/**
 * Copies the program into a folder of its own, in memory where there is such a place.
 * @param programs whether they are built already, or by the first start
 */
export async function ownFolder(
  base = QUICK,
  programs: 'built' | 'to-build' = 'to-build',
): Promise<OwnFolder> {
  const folder = await mkdtemp(join(base, 'bienestar-start-'));
  /* As where people put programs: the database's account may enter. */
  await chmod(folder, 0o755);
  for (const part of programs === 'built' ? [...PARTS, BUILT] : PARTS) {
    await cp(join(ROOT, part), join(folder, part), { recursive: true });
  }
  await symlink(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
  const own = join(folder, '.bienestar');
  await mkdir(own);
  const port = await freePort('house');
  return {
    folder,
    port,
    own,
    start: (env = {}) => startIn(folder, { ...process.env, PORT: String(port), ...env }),
    remove: () => rm(folder, { recursive: true, force: true }),
  };
}

function startIn(folder: string, env: NodeJS.ProcessEnv): Run {
  const child = spawn(process.execPath, ['tools/start.mjs'], { cwd: folder, env });
  let said = '';
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  const ready = new Promise<string>((resolve, reject) => {
    const hear = (data: Buffer): void => {
      said += data.toString();
      const url = READY.exec(said)?.[1];
      if (url !== undefined) resolve(url);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    void ended.then(() => reject(new Error(`It ended before it was ready:\n${said}`)));
  });
  ready.catch(() => undefined);
  return {
    child,
    said: () => said,
    ready,
    ended,
    processes: () => processesIn(folder),
    stop: () => {
      child.kill('SIGTERM');
      return ended;
    },
  };
}

function processesIn(folder: string): Record<ProcessKind, number | undefined> {
  const found: Record<string, number | undefined> = {};
  for (const name of readdirSync('/proc')) {
    if (!/^\d+$/.test(name)) continue;
    const pid = Number(name);
    const command = commandOf(pid) ?? '';
    if (command.includes(`--datadir=${folder}/.bienestar/`)) found.database = pid;
    if (folderOf(pid) !== folder) continue;
    const program = PROGRAM_KINDS.find((kind) => command.includes(commandFor(kind).join(' ')));
    if (program !== undefined) found[program] = pid;
  }
  return found;
}
