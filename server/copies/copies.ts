import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { finished } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { once } from 'node:events';
import type { ReadStream } from 'node:fs';
import type { Sequelize } from 'sequelize';
import type { CopyReason, SafeCopy } from '@bienestar/contract/api';
import { requireRoom } from '../db/room';
import { byItself, readingUnit } from '../work/unitOfWork';
import { writeHouse } from '../house/writeHouse';
import { copiesToLetGo, copyFrom, copyName, isNightCopyDue } from './copySchedule';

/** A large house takes its time; nobody waits for it. */
const WRITTEN_WITHIN_MS = 30 * 60_000;

/** Dated, compressed house files in a folder, from which the house can be brought back. */
export interface Copies {
  /** the newest first */
  readonly list: () => Promise<readonly SafeCopy[]>;
  /** makes one; nothing when there is no house to copy */
  readonly make: (why: CopyReason, of?: Sequelize) => Promise<SafeCopy | undefined>;
  /** makes the copy of the last night when it is still to be made, and lets go of old ones */
  readonly nightly: () => Promise<void>;
  /** the file of a copy, compressed; nothing for a name that is none */
  readonly read: (name: string) => Promise<ReadStream | undefined>;
}

/**
 * The safe copies in a folder, which is made when it is not there. A copy that is broken off leaves
 * nothing that looks like one.
 */
export function safeCopies(folder: string, sequelize: Sequelize): Copies {
  const list = async (): Promise<readonly SafeCopy[]> => {
    const names = await readdir(folder).catch(() => []);
    const found = await Promise.all(
      names.map(async (name) => {
        const { size } = await stat(join(folder, name)).catch(() => ({ size: 0 }));
        return copyFrom(name, size);
      }),
    );
    return found
      .filter((copy): copy is SafeCopy => copy !== undefined)
      .sort((a, b) => (a.at < b.at ? 1 : -1));
  };

  const write = async (path: string, of: Sequelize): Promise<boolean> => {
    const file = createWriteStream(path, { mode: 0o600, flush: true });
    const packed = createGzip();
    const done = finished(packed.pipe(file));
    done.catch(() => undefined);
    const failed = new Promise<never>((_resolve, reject) => {
      file.once('error', reject);
      packed.once('error', reject);
    });
    failed.catch(() => undefined);
    try {
      const house = await readingUnit(
        of,
        byItself(),
        (unit) =>
          writeHouse(unit, async (text) => {
            if (!packed.write(text)) await Promise.race([once(packed, 'drain'), failed]);
          }),
        WRITTEN_WITHIN_MS,
      );
      packed.end();
      await done;
      return house !== undefined;
    } catch (error) {
      packed.destroy();
      file.destroy();
      throw error;
    }
  };

  const makeOne = async (why: CopyReason, of: Sequelize): Promise<SafeCopy | undefined> => {
    requireRoom(of);
    await mkdir(folder, { recursive: true, mode: 0o700 });
    const path = await freePath(why);
    const part = `${path}.part`;
    try {
      if (!(await write(part, of))) return undefined;
      await rename(part, path);
      await keepFolder(folder);
      return copyFrom(path.slice(folder.length + 1), (await stat(path)).size);
    } finally {
      await rm(part, { force: true });
    }
  };

  /** Two copies within a second are two copies. */
  const freePath = async (why: CopyReason): Promise<string> => {
    for (let at = Date.now(); ; at += 1_000) {
      const path = join(folder, copyName(new Date(at), why));
      if (!(await stat(path).catch(() => undefined))) return path;
    }
  };

  /* One after the other. */
  let turn: Promise<unknown> = Promise.resolve();
  const make: Copies['make'] = (why, of = sequelize) => {
    const mine = turn.then(() => makeOne(why, of));
    turn = mine.catch(() => undefined);
    return mine;
  };

  return {
    list,
    make,
    nightly: async () => {
      const clock = await readingUnit(sequelize, byItself(), ({ now, timeZone }) =>
        Promise.resolve({ now, timeZone }),
      );
      if (isNightCopyDue(await list(), clock)) await make('night');
      for (const { name } of copiesToLetGo(await list(), clock)) await rm(join(folder, name));
    },
    read: async (name) => {
      if (!copyFrom(name, 0)) return undefined;
      const path = join(folder, name);
      return (await stat(path).catch(() => undefined)) ? createReadStream(path) : undefined;
    },
  };
}

/** Makes sure that a new name in a folder outlives a loss of power. */
async function keepFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}
