import { mkdtemp, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
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
    const first = await openDatabase(folder, quiet);
    const sequelize = connect(first.url);
    await sequelize.query('CREATE TABLE kept (n INT)', { type: QueryTypes.RAW });
    await sequelize.query('INSERT INTO kept VALUES (7)', { type: QueryTypes.RAW });
    await sequelize.close();
    await first.stop();

    const second = await openDatabase(folder, quiet);
    expect(await ask(second.url, 'SELECT n FROM kept')).toEqual([{ n: 7 }]);
    expect((await stat(join(folder, 'secret'))).mode & 0o077).toBe(0);
    const nobody = second.url.replace(/:[0-9a-f]+@/, ':guess@');
    await expect(ask(nobody, 'SELECT 1')).rejects.toThrow();
    const root = second.url.replace(/\/\/[^@]+@/, '//root@').replace(/\/bienestar$/, '/mysql');
    await expect(ask(root, 'SELECT 1')).rejects.toThrow();
    await second.stop();
  });

  it('takes over from a server that a killed run left behind', async () => {
    const left = await openDatabase(folder, quiet);
    const next = await openDatabase(folder, quiet);
    await left.ended;
    expect(await ask(next.url, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
    await next.stop();
  });

  it('makes data anew that was never finished', async () => {
    await writeFile(join(folder, 'mariadbd.pid'), '999999999');
    const { stop, url } = await openDatabase(folder, quiet);
    await stop();
    await rm(join(folder, 'made'));
    await writeFile(join(folder, 'data', 'ibdata1'), 'broken off');
    const again = await openDatabase(folder, quiet);
    expect(await ask(again.url, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
    expect(again.url).not.toBe(url);
    await again.stop();
  });
});
