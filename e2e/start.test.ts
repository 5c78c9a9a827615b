import { spawn, type ChildProcess } from 'node:child_process';
import { chmod, cp, mkdtemp, rm, symlink } from 'node:fs/promises';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { QUICK, ROOT } from '../tools/lib/paths.mjs';
import { freePort, isFree } from '../tools/lib/ports.mjs';

const READY = /Ready at (\S+) after/;

/** A run of `npm start` in a folder of its own. */
interface Run {
  readonly child: ChildProcess;
  readonly said: () => string;
  readonly ready: Promise<string>;
  readonly ended: Promise<number | null>;
}

describe('the start command', () => {
  let folder: string;
  let port: number;

  beforeAll(async () => {
    folder = await mkdtemp(join(QUICK, 'bienestar-start-'));
    /* As where people put programs: the database's account may enter. */
    await chmod(folder, 0o755);
    for (const part of [
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
    ]) {
      await cp(join(ROOT, part), join(folder, part), { recursive: true });
    }
    await symlink(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
    port = await freePort();
  });
  afterAll(() => rm(folder, { recursive: true, force: true }));

  function start(env: NodeJS.ProcessEnv = {}): Run {
    const child = spawn(process.execPath, ['tools/start.mjs'], {
      cwd: folder,
      env: { ...process.env, PORT: String(port), ...env },
    });
    let said = '';
    const ready = new Promise<string>((resolve) => {
      const hear = (data: Buffer): void => {
        said += data.toString();
        const url = READY.exec(said)?.[1];
        if (url !== undefined) resolve(url);
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
    });
    const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
    return { child, said: () => said, ready, ended };
  }

  async function rooms(url: string): Promise<unknown> {
    return (await fetch(`${url}/api/rooms`)).json();
  }

  it('serves the demo house, says what it does, and stops cleanly', async () => {
    const run = start();
    const url = await run.ready;
    expect(await rooms(url)).toHaveLength(3);
    expect(await (await fetch(url)).text()).toContain('<title>Bienestar</title>');
    expect(run.said()).toMatch(/starting the database \(\d+\.\d s\)/);
    run.child.kill('SIGTERM');
    expect(await run.ended).toBe(0);
    expect(run.said()).toContain('the database is stopped');
    expect(await isFree(port)).toBe(true);
  });

  it('heals itself after it was killed, and keeps the data', async () => {
    const killed = start();
    const url = await killed.ready;
    const response = await fetch(`${url}/api/rooms/lava`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: 'lava', name: 'Lava, painted', kind: 'dry', version: 1 }),
    });
    expect(response.status).toBe(200);
    killed.child.kill('SIGKILL');
    await killed.ended;

    const again = start();
    expect(await rooms(await again.ready)).toContainEqual(
      expect.objectContaining({ name: 'Lava, painted' }),
    );
    again.child.kill('SIGINT');
    expect(await again.ended).toBe(0);
  });

  it('says in words that it runs already, and that a port is taken or is none', async () => {
    const first = start();
    await first.ready;
    const second = start({ PORT: String(await freePort()) });
    expect(await second.ended).toBe(1);
    expect(second.said()).toContain('already running from this folder');
    first.child.kill('SIGTERM');
    await first.ended;

    const other = createServer().listen(port, '127.0.0.1');
    const refused = start();
    expect(await refused.ended).toBe(1);
    expect(refused.said()).toContain(`Port ${port} is taken by another program.`);
    other.close();

    const nonsense = start({ PORT: 'kitchen' });
    expect(await nonsense.ended).toBe(1);
    expect(nonsense.said()).toContain('PORT must be a number');
  });
});
