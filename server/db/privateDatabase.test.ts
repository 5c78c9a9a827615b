import { mkdir, mkdtemp, readdir, readFile, readlink, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase } from '../../tools/lib/database.mjs';
import { connect } from './connection';

const quiet = (): void => undefined;

async function ask(url: string, sql: string): Promise<Record<string, unknown>[]> {
  const sequelize = connect(url);
  try {
    return await sequelize.query<Record<string, unknown>>(sql, { type: QueryTypes.SELECT });
  } finally {
    await sequelize.close();
  }
}

describe('the private database', () => {
  let folder: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'bienestar-private-'));
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));

  it('keeps its data over a restart and its password to itself', async () => {
    await withRow(folder);
    const second = await openDatabase(folder, quiet);
    expect(await ask(second.url, 'SELECT n FROM kept')).toEqual([{ n: 7 }]);
    expect((await stat(join(folder, 'secret'))).mode & 0o077).toBe(0);
    const nobody = second.url.replace(/:[0-9a-f]+@/, ':guess@');
    await expect(ask(nobody, 'SELECT 1')).rejects.toThrow();
    await second.stop();
  });

  it('lets nobody in but its own account, which may read and write no files', async () => {
    const database = await openDatabase(folder, quiet);
    const me = userInfo().username;
    for (const user of ['root', 'mysql', me, '', 'mariadb.sys']) {
      const other = database.url
        .replace(/\/\/[^@]+@/, `//${user}@`)
        .replace(/\/bienestar\?/, '/mysql?');
      await expect(ask(other, 'SELECT 1'), user).rejects.toThrow();
    }
    const rights = (await ask(database.url, 'SHOW GRANTS')).flatMap((row) => Object.values(row));
    expect(String(rights)).not.toMatch(/ALL PRIVILEGES|FILE|SUPER|GRANT OPTION|PROCESS/);
    for (const sql of [
      "SELECT LOAD_FILE('/etc/passwd') AS read_it FROM DUAL",
      "SELECT 1 INTO OUTFILE '/tmp/bienestar-outfile'",
      'SELECT * FROM mysql.global_priv',
      'CREATE DATABASE somewhere_else',
    ]) {
      const answer = await ask(database.url, sql).catch(() => [{ read_it: null }]);
      expect(answer, sql).toEqual([{ read_it: null }]);
    }
    const [settings] = await ask(
      database.url,
      'SELECT @@local_infile AS local_files, @@skip_networking AS by_socket, @@secure_file_priv AS files',
    );
    expect(settings).toMatchObject({ local_files: 0, by_socket: 1 });
    expect(settings?.files).not.toBe('');
    await database.stop();
  });

  it('that a newer MariaDB has used is left as it is, with what to do', async () => {
    const database = await openDatabase(folder, quiet);
    await database.stop();
    const marked = join(folder, 'version');
    const version = await readFile(marked, 'utf8');
    await writeFile(marked, '99.1');
    await expect(openDatabase(folder, quiet)).rejects.toThrow(
      /last used with MariaDB 99\.1, and this machine has \d+\.\d+.*install MariaDB 99\.1 or newer/,
    );
    expect((await readdir(folder)).filter((name) => name.startsWith('data'))).toEqual(['data']);
    await writeFile(marked, version);
    await (await openDatabase(folder, quiet)).stop();
  });

  it('does not run as root', async () => {
    const database = await openDatabase(folder, quiet);
    const status = await readFile(`/proc/${database.pid()}/status`, 'utf8');
    const [, uid] = /^Uid:\s+(\d+)/m.exec(status) ?? [];
    expect(Number(uid)).not.toBe(0);
    await database.stop();
  });

  it.runIf(process.getuid?.() === 0)(
    'lies elsewhere when its account may not enter the folder',
    async () => {
      const closed = join(folder, 'closed');
      await mkdir(closed, { mode: 0o700 });
      const database = await openDatabase(join(closed, 'database'), quiet);
      expect(await ask(database.url, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
      await database.stop();
      const place = await readlink(join(closed, 'database'));
      expect(place).toMatch(/^\/var\/lib\/bienestar-/);
      await rm(place, { recursive: true });
    },
  );

  it('takes over from a server that a killed run left behind', async () => {
    const left = await openDatabase(folder, quiet);
    const next = await openDatabase(folder, quiet);
    await left.ended();
    expect(await ask(next.url, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
    await next.stop();
  });

  it('is the same without its mark', async () => {
    const { url } = await withRow(folder);
    await rm(join(folder, 'made'));
    const again = await openDatabase(folder, quiet);
    expect(await ask(again.url, 'SELECT n FROM kept')).toEqual([{ n: 7 }]);
    expect([again.url, again.putAside]).toEqual([url, undefined]);
    await again.stop();
  });

  it.each([
    ['was never finished', async () => rm(join(folder, 'made'))],
    ['is damaged', () => Promise.resolve()],
  ])('puts data aside that %s, and removes nothing', async (_, lose) => {
    await withRow(folder);
    await lose();
    await writeFile(join(folder, 'mariadbd.pid'), '999999999');
    await rm(join(folder, 'data', 'bienestar', 'db.opt'));
    await writeFile(join(folder, 'data', 'ibdata1'), 'broken off');
    const again = await openDatabase(folder, quiet);
    expect(await ask(again.url, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
    expect(again.putAside).toMatch(/data-put-aside-\d{4}-\d{2}-\d{2}T/);
    expect(await readFile(join(again.putAside ?? '', 'ibdata1'), 'utf8')).toBe('broken off');
    await again.stop();
  });
});

/** A database with a row in it, stopped. */
async function withRow(folder: string): Promise<{ readonly url: string }> {
  const database = await openDatabase(folder, quiet);
  const sequelize = connect(database.url);
  await sequelize.query('CREATE TABLE kept (n INT)', { type: QueryTypes.RAW });
  await sequelize.query('INSERT INTO kept VALUES (7)', { type: QueryTypes.RAW });
  await sequelize.close();
  await database.stop();
  return database;
}
