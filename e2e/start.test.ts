import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort, isFree } from '../tools/lib/ports.mjs';
import { ownFolder, type OwnFolder, type Run } from '../tools/reliability/startedHouse';
import { newPerson } from './support/person';

describe('the start command', () => {
  let of: OwnFolder;
  let port: number;
  beforeAll(async () => {
    of = await ownFolder();
    ({ port } = of);
  });
  afterAll(async () => {
    await of.remove();
  });

  const start = (env: NodeJS.ProcessEnv = {}): Run => of.start(env);

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
    const log = join(of.own, 'log', 'start.log');
    const before = await readFile(log, 'utf8');
    const second = start({ PORT: String(await freePort('house')) });
    expect(await second.ended).toBe(1);
    expect(second.said()).toContain('already running from this folder');
    expect((await readFile(log, 'utf8')).startsWith(before)).toBe(true);
    expect((await stat(log)).mode & 0o077).toBe(0);
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

  it('listens to this machine alone, under an address that works', async () => {
    const open = start({ HOST: '0.0.0.0' });
    expect(await open.ended).toBe(1);
    expect(open.said()).toContain('without sign-in, everybody on the network could read');
    const six = start({ HOST: '::1' });
    const url = await six.ready;
    expect(url).toBe(`http://[::1]:${port}`);
    expect(await rooms(url)).toHaveLength(3);
    expect(await six.stop()).toBe(0);
  });

  it('never puts the demo in the place of a house that is lost, and brings back the newest copy', async () => {
    const run = start();
    const url = await run.ready;
    await fetch(`${url}/api/copies`, { method: 'POST' });
    expect(await run.stop()).toBe(0);
    await rename(join(of.own, 'database'), join(of.own, 'elsewhere'));

    const lost = start();
    expect((await fetch(`${await lost.ready}/api/house`)).status).toBe(404);
    const person = await newPerson(url);
    let asked = 0;
    let askedAt = Number.NaN;
    person.page.on('request', (request) => {
      if (!request.url().endsWith('/api/house')) return;
      asked += 1;
      askedAt = Date.now();
    });
    await person.page.goto(url);
    await person.sees('There is no house here');
    await person.sees('nothing takes its place unless you say so');
    /* It looks whether one is there again now and then, and not as fast as it can. */
    await person.waitFor(() => Promise.resolve(Date.now() - askedAt > 1_000), 'it waits a while');
    expect(asked).toBeLessThan(10);
    const [newest] = await person.page.$$('[aria-label^="Bring back the copy of"]');
    await newest?.click();
    await person.click('button', 'Bring it back');
    await person.sees('Casa Cenera');
    expect(await rooms(url)).toContainEqual(expect.objectContaining({ name: 'Lava, painted' }));
    await person.close();
    expect(await lost.stop()).toBe(0);
    expect(await readdir(join(of.own, 'elsewhere', 'data'))).toContain('ibdata1');
  });

  it('says what to do where its folder cannot be written', async () => {
    const away = `${of.own}-away`;
    await rename(of.own, away);
    await writeFile(of.own, 'not a folder');
    const run = start();
    expect(await run.ended).toBe(1);
    expect(run.said()).toMatch(
      /The folder \S+ cannot be written \(E\w+\)\. Give it to the account/,
    );
    await rm(of.own);
    await rename(away, of.own);
  });

  it('puts data aside that cannot be used, and asks', async () => {
    await rm(join(of.own, 'database'), { recursive: true });
    await mkdir(join(of.own, 'database', 'data', 'mysql'), { recursive: true });
    const run = start();
    const url = await run.ready;
    expect(run.said()).toContain('Nothing of it was removed');
    expect((await fetch(`${url}/api/house`)).status).toBe(404);
    expect(await run.stop()).toBe(0);
    const names = await readdir(join(of.own, 'database'));
    expect(names.filter((name) => name.startsWith('data-put-aside-'))).toHaveLength(1);
  });
});
