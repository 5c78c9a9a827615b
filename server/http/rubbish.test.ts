import { afterAll, beforeAll, expect, it } from 'vitest';
import { readRubbish } from '../../tools/rubbish/readRubbish';
import { throwRubbish } from '../../tools/rubbish/throwRubbish';
import { startApi, type TestApi } from '../testing/api';

/* The whole of it is `npm run fuzz`. */

let api: TestApi;
beforeAll(async () => {
  /* A stand-in that is dead, as one may be. */
  const nobody = 'http://127.0.0.1:1';
  api = await startApi({
    scale: '127.0.0.1:1',
    scaleControl: nobody,
    priceLists: nobody,
    orders: nobody,
    bookings: `${nobody}/bookings.ics`,
  });
});
afterAll(() => api.close());

it('rubbish is refused in words, at once, and changes nothing', async () => {
  const found = await throwRubbish(api.url, api.sequelize, { seed: 11, requests: 700, files: 20 });
  expect(found.faults).toEqual([]);
}, 120_000);

it('calendars, price lists and workbooks of rubbish are read, or told at their rows', async () => {
  const found = await readRubbish(11, 40);
  expect(found.faults).toEqual([]);
}, 120_000);

const entry = (changes: object) => ({
  id: `e-${Math.random().toString(36).slice(2)}`,
  materialId: 'gauze',
  kind: 'use',
  quantity: 1,
  ...changes,
});
const delivery = (changes: object) =>
  entry({
    kind: 'delivery',
    lotId: `l-${Math.random().toString(36).slice(2)}`,
    packId: 'gauze-pack-1',
    packs: 1,
    code: '',
    deliveredOn: '2026-11-20',
    quantity: undefined,
    ...changes,
  });

it.each<[string, string, object | undefined, number, string]>([
  ['an id that is not ASCII', 'GET rooms/é', undefined, 404, ''],
  ['half a character', 'POST rooms', { id: 'a', name: '\ud800', kind: 'dry' }, 400, '/name'],
  ['a control character', 'POST rooms', { id: 'a', name: 'a\u0007', kind: 'dry' }, 400, '/name'],
  ['half a character in a field', 'POST rooms', { id: 'a', '\ud800': 1 }, 400, '/'],
  ['a time that is only a year', 'POST ledger', entry({ at: '1' }), 400, '/at'],
  ['a time in words', 'POST ledger', entry({ at: 'Nov 1 2020' }), 400, '/at'],
  ['a time without a zone', 'POST ledger', entry({ at: '2026-11-20T10:00:00' }), 400, '/at'],
  ['a time after 9999', 'POST ledger', entry({ at: '+012026-11-20T10:00:00Z' }), 400, '/at'],
  ['a time before the year 1', 'POST ledger', entry({ at: '-000001-11-20T10:00:00Z' }), 400, '/at'],
  ['too large a delivery', 'POST ledger', delivery({ packs: 1e9 }), 400, '/packs'],
  ['an id of 64 with an opening', 'POST ledger', entry({ id: 'x'.repeat(64) }), 400, '/id'],
  ['a dead stand-in', 'POST scale/stand-in', { put: 3 }, 424, ''],
])('%s is refused at its place', async (_, route, body, status, pointer) => {
  const [method = '', path = ''] = route.split(' ');
  const answer = await api.send(method, encodeURI(path), body);
  expect([answer.status, answer.body.errors?.[0]?.pointer ?? '']).toEqual([status, pointer]);
});

it('an invoice past the limit of money is refused at its line', async () => {
  const { body } = await api.send<{ version: number }>('GET', 'orders/order-32');
  const line = {
    lineId: 'l1',
    entryId: 'money',
    lotId: 'money',
    packId: 'gauze-pack-1',
    packs: 100,
    code: '',
    refused: 0,
    paidMinor: 52_000_000,
    tooMany: 'keep',
  };
  const refused = await api.send('POST', 'orders/order-32/receive', {
    version: body.version,
    on: '2026-11-20',
    rest: 'awaited',
    lines: [line],
  });
  expect([refused.status, refused.body.errors?.[0]?.pointer]).toEqual([400, '/lines/0/paidMinor']);
});

it.each([
  ['broken gzip', { 'content-encoding': 'gzip' }, Buffer.from([0x1f, 0x8b, 8, 0, 0, 1, 2, 3])],
  ['nesting of 100 000', {}, Buffer.from(`${'['.repeat(100_000)}${']'.repeat(100_000)}`)],
])('%s is a mistake of whoever sent it', async (_, headers, body) => {
  const answer = await fetch(`${api.url}/api/rooms`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'idempotency-key': 'k', ...headers },
    body,
  });
  expect(answer.status).toBe(400);
});
