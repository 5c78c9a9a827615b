import { readFile } from 'node:fs/promises';
import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { endWithParent } from '../endWithParent';
import { LISTS } from '../places';
import { editionOf } from './priceList';
import { BEHAVIOURS, isOrder, takeOrder, type Behaviour, type OrderAnswer } from './takeOrder';

/*
 * The suppliers' stand-in: serves the price lists of invented suppliers as CSV at `GET /name.csv`, on
 * loopback at PORT. The edition grows by one a week, and with `POST /edition?is=`;
 * `POST /fault?is=none|down|slow` lets it fail as a supplier's server does. It takes orders at
 * `POST /name/orders` and tells of them at `GET /name/orders/id`; the same order is taken once. How it
 * treats them: `POST /behaviour?is=confirm|late|short|substitute`. Says `{"ready": url}`.
 */

const WEEK_MS = 7 * 86_400_000;
const SLOW_MS = 60_000;
const FAULTS = ['none', 'down', 'slow'] as const;
const HOST = '127.0.0.1';
let edition = 1;
let fault: (typeof FAULTS)[number] = 'none';
let behaviour: Behaviour = 'confirm';
/** by name and id */
const taken = new Map<string, OrderAnswer>();
const LARGEST_ORDER = 1_000_000;
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
    if (request.method === 'POST' && pathname === '/behaviour') {
      behaviour = BEHAVIOURS.find((each) => each === wanted) ?? behaviour;
      return [204, ''];
    }
    const [, ordersOf, orderId] = /^\/([a-z0-9-]+)\/orders(?:\/([\w-]+))?$/.exec(pathname) ?? [];
    if (ordersOf !== undefined) return orders(request, ordersOf, orderId);
    const [, name] = /^\/([a-z0-9-]+)\.csv$/.exec(pathname) ?? [];
    if (request.method !== 'GET' || name === undefined) return [404, 'Not found\n'];
    if (fault === 'down') return [503, 'Out of order\n'];
    if (fault === 'slow') await wait(SLOW_MS, undefined, { ref: false });
    const base = await listOf(name);
    return base === '' ? [404, 'No such list\n'] : [200, editionOf(base, edition)];
  };
  void answer().then(([status, body]) => {
    response.writeHead(status, { 'content-type': 'text/csv; charset=utf-8' }).end(body);
  });
});
async function orders(
  request: IncomingMessage,
  name: string,
  id: string | undefined,
): Promise<readonly [number, string]> {
  if (fault === 'down') return [503, 'Out of order\n'];
  if (fault === 'slow') await wait(SLOW_MS, undefined, { ref: false });
  if (request.method === 'GET' && id !== undefined) {
    const known = taken.get(`${name}/${id}`);
    return known ? [200, JSON.stringify(known)] : [404, 'No such order\n'];
  }
  if (request.method !== 'POST' || id !== undefined) return [405, 'Not here\n'];
  const order = await bodyOf(request);
  const list = await listOf(name);
  if (!isOrder(order) || list === '') return [400, 'This is no order\n'];
  const key = `${name}/${order.id}`;
  const answer =
    taken.get(key) ?? takeOrder(order, editionOf(list, edition), behaviour, new Date());
  taken.set(key, answer);
  return [200, JSON.stringify(answer)];
}

function listOf(name: string): Promise<string> {
  return readFile(`${LISTS}/${name}.csv`, 'utf8').catch(() => '');
}

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = '';
  for await (const chunk of request) {
    text += String(chunk);
    if (text.length > LARGEST_ORDER) return undefined;
  }
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

server.listen(Number(process.env.PORT ?? 0), HOST, () => {
  const { port } = server.address() as AddressInfo;
  process.stdout.write(`${JSON.stringify({ ready: `http://${HOST}:${port}` })}\n`);
});
endWithParent();
