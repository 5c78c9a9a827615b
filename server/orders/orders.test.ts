import { spawn, type ChildProcess } from 'node:child_process';
import { createInterface } from 'node:readline';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Versioned } from '@bienestar/contract/api';
import type { OrderReceived, Posted } from '@bienestar/contract/happened';
import type { Order } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { startApi, type TestApi } from '../testing/api';

/* Orders with the simulated supplier: sent, asked about, received, taken back. */

let api: TestApi;
let supplier: ChildProcess;
let address: string;

beforeAll(async () => {
  supplier = spawn(process.execPath, ['--import', 'tsx', 'standins/supplier/main.ts'], {
    cwd: new URL('../..', import.meta.url),
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  address = await new Promise<string>((resolve) => {
    createInterface({ input: supplier.stdout! }).once('line', (line) =>
      resolve((JSON.parse(line) as { ready: string }).ready),
    );
  });
  api = await startApi({ orders: address, priceLists: address });
});
afterAll(async () => {
  await api.close();
  supplier.kill();
});
beforeEach(async () => {
  await tell('/behaviour?is=confirm');
  await tell('/fault?is=none');
  await api.demoAgain();
});

async function tell(path: string): Promise<void> {
  await fetch(`${address}${path}`, { method: 'POST' });
}

async function order(id: string): Promise<Versioned<Order>> {
  return (await api.send<Versioned<Order>>('GET', `orders/${id}`)).body;
}

async function draft(changes: Partial<Order> = {}): Promise<Versioned<Order>> {
  const value: Order = {
    id: asId(`draft-${Math.random().toString(36).slice(2)}`),
    name: 'No. 90',
    supplierId: asId('northquay'),
    state: 'draft',
    writtenOn: '2026-11-25',
    lines: [
      {
        id: asId('l1'),
        materialId: asId('fig-enzyme'),
        packId: asId('fig-enzyme-pack-1'),
        packs: 10,
        priceMinor: 3600,
        why: [{ kind: 'by-hand' }],
        received: [],
        refused: 0,
      },
    ],
    ...changes,
  };
  return (await api.send<Versioned<Order>>('POST', 'orders', value)).body;
}

async function onHand(materialId: string): Promise<number> {
  const { stock } = await api.house();
  const lots = stock.find((line) => line.materialId === materialId)?.lots ?? [];
  return lots.reduce((sum, lot) => sum + lot.sealed, 0);
}

const came = (changes: object = {}) => ({
  lineId: 'l1',
  entryId: `entry-${Math.random().toString(36).slice(2)}`,
  lotId: `lot-${Math.random().toString(36).slice(2)}`,
  packId: 'gauze-pack-1',
  packs: 2,
  code: 'G1',
  refused: 0,
  ...changes,
});
const receive = (of: Versioned<Order>, lines: readonly object[], rest = 'awaited') =>
  api.send<OrderReceived>('POST', `orders/${of.id}/receive`, {
    version: of.version,
    on: of.writtenOn,
    lines,
    rest,
  });

describe('sending', () => {
  it('is confirmed by the supplier with its number and day', async () => {
    const sent = await api.send<Versioned<Order>>('POST', `orders/${(await draft()).id}/send`, {
      version: 1,
    });
    expect([sent.status, sent.body.state]).toEqual([200, 'confirmed']);
    expect(sent.body.reference).toMatch(/^A-\d{5}$/);
    expect(sent.body.lines[0]?.confirmed).toEqual({ packs: 10 });
    const asked = await api.send<Versioned<Order>>('POST', `orders/${sent.body.id}/ask`, {
      version: sent.body.version,
    });
    expect(asked.body.reference).toBe(sent.body.reference);
  });

  it.each([
    ['short', { packs: 5, words: 'Only 5 in stock.' }],
    ['substitute', { packs: 10, packId: 'enzyme-100' }],
  ])('may be answered %s', async (behaviour, confirmed) => {
    await tell(`/behaviour?is=${behaviour}`);
    const { id, version } = await draft();
    const sent = await api.send<Versioned<Order>>('POST', `orders/${id}/send`, { version });
    expect(sent.body.lines[0]?.confirmed).toMatchObject(confirmed);
  });

  it('leaves the draft as it is when nobody answers, and is no second order later', async () => {
    const { id, version } = await draft();
    await tell('/fault?is=down');
    const away = await api.send('POST', `orders/${id}/send`, { version });
    expect([away.status, away.body.type]).toEqual([424, 'urn:bienestar:problem:supplier-away']);
    expect((await order(id)).state).toBe('draft');
    await tell('/fault?is=none');
    expect((await api.send('POST', `orders/${id}/send`, { version })).status).toBe(200);
  });

  it('is refused for nothing, for too little, for a stale reading, and without a feed', async () => {
    const empty = await draft({ lines: [] });
    const small = await draft({ lines: [{ ...(await draft()).lines[0]!, packs: 1 }] });
    const market = await draft({ supplierId: asId('mercado') });
    for (const [of, status, words] of [
      [empty, 400, 'nothing in this order'],
      [small, 400, 'as small as this'],
      [market, 400, 'takes no orders over the network'],
    ] as const) {
      const answer = await api.send('POST', `orders/${of.id}/send`, { version: of.version });
      expect(answer.status).toBe(status);
      expect(answer.body.errors?.[0]?.message).toContain(words);
    }
    const { id } = await draft();
    expect((await api.send('POST', `orders/${id}/send`, { version: 9 })).status).toBe(409);
    expect((await api.send('POST', 'orders/nobody/send', { version: 1 })).status).toBe(404);
  });
});

describe('receiving', () => {
  it('makes lots in the ledger, in parts, and closes when all is there', async () => {
    const before = await onHand('gauze');
    const read = await order('order-32');
    const first = await receive(read, [came({ packs: 1, paidMinor: 1150 })]);
    expect(first.status).toBe(200);
    expect(first.body.order.lines[0]?.received).toMatchObject([{ packs: 1, paidMinor: 1150 }]);
    expect(await onHand('gauze')).toBe(before + 200);
    const rest = await receive(first.body.order, [
      came({ packs: 1 }),
      came({ lineId: 'l2', packId: 'spatula-200', packs: 1 }),
    ]);
    expect(rest.body.order).toMatchObject({ state: 'closed' });
  });

  it('counts once, however often it is sent and whoever receives at the same time', async () => {
    const before = await onHand('gauze');
    const read = await order('order-32');
    const line = came();
    const answers = await Promise.all([
      receive(read, [line]),
      receive(read, [came()]),
      receive(read, [came()]),
    ]);
    expect(answers.map(({ status }) => status).sort((a, b) => a - b)).toEqual([200, 409, 409]);
    const won = answers.find(({ status }) => status === 200);
    expect(won?.body.order.lines[0]?.received).toHaveLength(1);
    expect(await onHand('gauze')).toBe(before + 400);
    if (won === answers[0]) expect((await receive(read, [line])).status).toBe(200);
    expect(await onHand('gauze')).toBe(before + 400);
  });

  it('is refused at its line, and enters nothing at all', async () => {
    const before = await onHand('gauze');
    const read = await order('order-32');
    const refused = await receive(read, [
      came({ packs: 1 }),
      came({ lineId: 'l2', packId: 'spatula-200', packs: 1, expiresOn: '2020-01-01' }),
    ]);
    expect([refused.status, refused.body]).toMatchObject([
      400,
      { errors: [{ pointer: '/lines/1/expiresOn' }] },
    ]);
    expect(JSON.stringify(refused.body)).toContain('expired before it came');
    const many = await receive(read, [came({ packs: 9 })]);
    expect(JSON.stringify(many.body)).toContain('/lines/0/packs');
    expect(await onHand('gauze')).toBe(before);
    expect((await order('order-32')).version).toBe(read.version);
  });

  it('that is taken back in the ledger is due again', async () => {
    const line = came();
    const { body } = await receive(await order('order-32'), [line]);
    const taken = await api.send<Posted>('POST', 'ledger', {
      kind: 'correction',
      id: 'back-1',
      materialId: 'gauze',
      corrects: line.entryId,
      note: 'It was another box',
    });
    expect(taken.status).toBe(201);
    const after = await order('order-32');
    expect(after.version).toBe(body.order.version + 1);
    expect(taken.body.order).toEqual(after);
    expect(after.lines[0]?.received[0]?.takenBack).toBe(true);
  });

  it('that was the last of a closed order opens it again', async () => {
    const read = await order('order-32');
    const line = came();
    const all = await receive(read, [line], 'given-up');
    expect(all.body.order.state).toBe('closed');
    const taken = await api.send<Posted>('POST', 'ledger', {
      kind: 'correction',
      id: 'back-of-all',
      materialId: 'gauze',
      corrects: line.entryId,
      note: 'Still at the door',
    });
    expect(taken.body.order).toMatchObject({
      state: read.state,
      version: all.body.order.version + 1,
    });
    const open = await api.send<readonly Order[]>('GET', 'orders');
    expect(open.body.map(({ id }) => id)).toContain('order-32');
  });

  it('is not changed by writing the order, which is not removed any more', async () => {
    const { body } = await receive(await order('order-32'), [came()]);
    const forged = {
      ...body.order,
      lines: body.order.lines.map((each) => ({ ...each, received: [], refused: 7 })),
    };
    const saved = await api.send<Versioned<Order>>('PUT', 'orders/order-32', forged);
    expect(saved.body.lines[0]).toMatchObject({ refused: 0, received: [{ packs: 2 }] });
    const gone = await api.send('DELETE', `orders/order-32?version=${saved.body.version}`);
    expect(gone.status).toBe(409);
  });
});
