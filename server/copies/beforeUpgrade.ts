import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { QueryTypes, type Sequelize } from 'sequelize';
import { migrations } from '../db/migrate';
import { makeSchemaBeside } from '../house/stagingSchema';
import type { Copies } from './copies';

/**
 * Makes a safe copy before the database is brought to a newer form. A house file can only be written from
 * the newest form, so the database is copied beside itself, the copy is brought there, and the house file
 * is written from it: what goes wrong goes wrong there, and the house in use is as it was.
 * @returns whether there was anything to migrate
 */
export async function copyBeforeMigrating(
  live: Sequelize,
  url: string,
  copies: Copies,
): Promise<boolean> {
  const pending = await migrations(live).pending();
  if (pending.length === 0) return false;
  const [applied] = await live.query<{ readonly tables: number }>(
    "SELECT COUNT(*) AS tables FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name IN ('settings', 'migrations')",
    { type: QueryTypes.SELECT },
  );
  if ((applied?.tables ?? 0) < 2) return true;
  const beside = await makeSchemaBeside(live, url, 'with-rows');
  try {
    await migrations(beside.sequelize).up();
    await copies.make('upgrade', beside.sequelize);
  } finally {
    await beside.drop();
  }
  return true;
}

/**
 * Makes a safe copy when another version of the program takes over the house.
 * @param program a mark of the program that runs now
 */
export async function copyBeforeUpgrade(
  folder: string,
  program: string,
  copies: Copies,
): Promise<void> {
  const mark = join(folder, 'program');
  const before = await readFile(mark, 'utf8').catch(() => undefined);
  if (before === program) return;
  if (before !== undefined) await copies.make('upgrade');
  if ((await copies.list()).length > 0) await writeFile(mark, program, { mode: 0o600 });
}
