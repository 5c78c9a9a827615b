import { mkdtemp, readdir, readFile, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { DatabaseError } from 'sequelize';
import { describe, expect, it } from 'vitest';
import { openLog } from '../tools/lib/log.mjs';
import { QUICK } from '../tools/lib/paths.mjs';
import { SERIALIZERS } from './log';

describe('what is logged', () => {
  it('of a database’s error holds where it happened and none of its values', () => {
    const original = Object.assign(new Error("Duplicate entry 'Maria' for key 'name'"), {
      code: 'ER_DUP_ENTRY',
      errno: 1062,
      sql: "INSERT INTO rooms VALUES ('Maria')",
    });
    const logged = SERIALIZERS.err(new DatabaseError(original, { stack: original.stack! }));
    expect(logged).toMatchObject({ code: 'ER_DUP_ENTRY', errno: 1062 });
    expect(JSON.stringify(logged)).not.toContain('Maria');
    expect(String(logged.at)).toContain('log.test');
  });

  it('of a request holds its path, not what is asked or sent along', () => {
    const request = {
      id: 1,
      method: 'GET',
      url: '/api/rooms?name=Maria',
      headers: { cookie: 'x' },
    };
    expect(SERIALIZERS.req(request)).toEqual({ id: 1, method: 'GET', path: '/api/rooms' });
  });
});

describe('a log file', () => {
  it('is its owner’s alone, turns, keeps three old ones, and goes on after a restart', async () => {
    const folder = await mkdtemp(join(QUICK, 'bienestar-log-'));
    const file = join(folder, 'server.log');
    const half = 'x'.repeat(3 * 1024 * 1024);
    for (let at = 0; at < 12; at += 1) openLog(file).write(`${at} ${half}`);
    const names = (await readdir(folder)).sort();
    expect(names).toEqual(['server.log', 'server.log.1', 'server.log.2', 'server.log.3']);
    for (const name of names) {
      const { mode, size } = await stat(join(folder, name));
      expect([mode & 0o077, size < 9 * 1024 * 1024]).toEqual([0, true]);
    }
    expect((await readFile(file, 'utf8')).trimEnd().split('\n').at(-1)?.slice(0, 3)).toBe('11 ');
    await rm(folder, { recursive: true });
  });

  it('that cannot be written loses what should have been logged, and nothing else', () => {
    const log = openLog('/dev/null/server.log');
    expect(() => log.write('lost')).not.toThrow();
  });
});
