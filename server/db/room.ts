import { statfsSync } from 'node:fs';
import type { Sequelize } from 'sequelize';

/**
 * Room that is left to the database itself: with none at all it cannot even undo what it began, and ends.
 * Nothing more is written before that, while looking things up goes on.
 */
const KEPT_FREE_BYTES = 48 * 1024 * 1024;

/** Nothing more may be written: the disk is as good as full. */
export class DiskFull extends Error {}

const folders = new WeakMap<Sequelize, string>();

/** Watches the disk on which a database keeps its data. */
export function watchRoom(sequelize: Sequelize, folder: string): void {
  folders.set(sequelize, folder);
}

/** Whether there is room to write. A database whose disk is not here is taken to have it. */
export function hasRoom(sequelize: Sequelize, forBytes = 0): boolean {
  const folder = folders.get(sequelize);
  if (folder === undefined) return true;
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize - forBytes >= KEPT_FREE_BYTES;
  } catch {
    return true;
  }
}

/** @throws DiskFull where there is no room to write */
export function requireRoom(sequelize: Sequelize, forBytes = 0): void {
  if (!hasRoom(sequelize, forBytes)) throw new DiskFull('The disk is full.');
}
