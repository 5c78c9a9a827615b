import { readFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { endWithParent } from '../endWithParent';
import { editionOf } from './priceList';

/*
 * The suppliers' stand-in: serves the price lists of invented suppliers as CSV at `GET /name.csv`, on
 * loopback at PORT. The edition grows by one a week, and with `POST /edition?is=`;
 * `POST /fault?is=none|down|slow` lets it fail as a supplier's server does. Says `{"ready": url}`.
 */

const WEEK_MS = 7 * 86_400_000;
const SLOW_MS = 60_000;
const FAULTS = ['none', 'down', 'slow'] as const;
const HOST = '127.0.0.1';
let edition = 1;
let fault: (typeof FAULTS)[number] = 'none';
setInterval(() => (edition += 1), WEEK_MS).unref();

const server = createServer((request, response) => {
  const { pathname, searchParams } = new URL(request.url ?? '/', `http://${HOST}`);
  const wanted = searchParams.get('is');
  const answer = async (): Promise<readonly [number, string]> => {
    if (request.method === 'POST' && pathname === '/edition' && /^\d{1,4}$/.test(wanted ?? '')) {
      edition = Number(wanted);
      return [204, ''];
    }
    if (request.method === 'POST' && pathname === '/fault') {
      fault = FAULTS.find((each) => each === wanted) ?? fault;
      return [204, ''];
    }
    const [, name] = /^\/([a-z0-9-]+)\.csv$/.exec(pathname) ?? [];
    if (request.method !== 'GET' || name === undefined) return [404, 'Not found\n'];
    if (fault === 'down') return [503, 'Out of order\n'];
    if (fault === 'slow') await wait(SLOW_MS, undefined, { ref: false });
    const base = await readFile(new URL(`lists/${name}.csv`, import.meta.url), 'utf8').catch(
      () => '',
    );
    return base === '' ? [404, 'No such list\n'] : [200, editionOf(base, edition)];
  };
  void answer().then(([status, body]) => {
    response.writeHead(status, { 'content-type': 'text/csv; charset=utf-8' }).end(body);
  });
});
server.listen(Number(process.env.PORT ?? 0), HOST, () => {
  const { port } = server.address() as AddressInfo;
  process.stdout.write(`${JSON.stringify({ ready: `http://${HOST}:${port}` })}\n`);
});
endWithParent();
