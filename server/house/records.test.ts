import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { RecordPage, Versioned } from '@bienestar/contract/api';
import type { Order, PlacedVisit, Treatment } from '@bienestar/core/house/house';
import { visitsIn } from '@bienestar/core/house/visitLog';
import { startApi, type TestApi } from '../testing/api';

/* What happened is read by window and in pages; what is at hand stays small however much there is. */

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

async function order(number: number, state: Order['state']): Promise<void> {
  const written: Order = {
    id: `o${number}`,
    name: `No. ${number}`,
    supplierId: 'northquay',
    state,
    writtenOn: '2026-01-10',
    lines: [],
  } as unknown as Order;
  expect((await api.send('POST', 'orders', written)).status).toBe(201);
}

describe('orders', () => {
  it('are at hand while they go on, the newest after they have ended, all others in pages', async () => {
    const before = await api.house();
    for (let number = 100; number < 190; number += 1) {
      await order(number, number % 9 === 0 ? 'draft' : 'closed');
    }
    const { orders } = await api.house();
    const ended = orders.filter(({ state }) => state === 'closed');
    expect(ended.map(({ id }) => id)).toEqual(['o183', 'o184', 'o185', 'o186', 'o187', 'o188']);
    expect(orders.filter(({ state }) => state === 'draft')).toHaveLength(
      10 + before.orders.filter(({ state }) => state === 'draft').length,
    );
    const first = (await api.send<RecordPage<'orders'>>('GET', 'orders?ended')).body;
    expect([first.things.length, first.things[0]?.id]).toEqual([20, 'o188']);
    const ids = first.things.map(({ id }) => id as string);
    for (let { next } = first; next !== undefined;) {
      const path = `orders?ended&before=${next}`;
      const page = (await api.send<RecordPage<'orders'>>('GET', path)).body;
      ids.push(...page.things.map(({ id }) => id));
      ({ next } = page);
    }
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toContain('o100');
    expect(ids).not.toContain('o108');
  });

  it('that end are no longer open, and open again are', async () => {
    const read = async () => (await api.send<Versioned<Order>>('GET', 'orders/o108')).body;
    const draft = await read();
    await api.send('PUT', 'orders/o108', { ...draft, state: 'cancelled', closedOn: '2026-02-01' });
    const open = async () => (await api.house()).orders.some(({ id }) => id === 'o108');
    expect(await open()).toBe(false);
    await api.send('PUT', 'orders/o108', { ...(await read()), state: 'draft' });
    expect(await open()).toBe(true);
  });

  it.each(['x', '-1', '0'])('has no page before “%s”', async (before) => {
    expect((await api.send('GET', `orders?ended&before=${before}`)).status).toBe(400);
    expect((await api.send('GET', `treatments?before=${before}`)).status).toBe(400);
  });
});

describe('placed visits', () => {
  const visit = (id: string, at: string) => ({ id, name: 'Alma R.', serviceId: 'clay-facial', at });
  const inTwoDays = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 19);

  it('are at hand from some months ago on, the others in pages and in the house file', async () => {
    await api.send('POST', 'placed', visit('long-ago', '2024-05-01T10:00:00Z'));
    await api.send('POST', 'placed', visit('soon', `${inTwoDays}Z`));
    const ids = (await api.house()).placed.map(({ id }) => id as string);
    expect(ids).toContain('soon');
    expect(ids).not.toContain('long-ago');
    const { things } = (await api.send<RecordPage<'placed'>>('GET', 'placed?ended')).body;
    expect(things.map(({ id }) => id)).toEqual(['long-ago']);
    const file = await (await fetch(`${api.url}/api/house/file`)).text();
    expect(file).toContain('"id":"long-ago"');
  });

  it('are moved once: who moves what was moved meanwhile is told', async () => {
    const read = async () => (await api.send<Versioned<PlacedVisit>>('GET', 'placed/soon')).body;
    const before = await read();
    expect((await api.send('PUT', 'placed/soon', { ...before, roomId: 'lava' })).status).toBe(200);
    const stale = await api.send('PUT', 'placed/soon', { ...before, roomId: 'duna' });
    expect(stale.status).toBe(409);
    expect((await read()).roomId).toBe('lava');
  });

  it('stand once where two place the same visit of the book', async () => {
    const of = { ...visit('b-1', `${inTwoDays}Z`), bookingId: '1' };
    expect((await api.send('POST', 'placed', of)).status).toBe(201);
    expect((await api.send('POST', 'placed', of)).status).toBeGreaterThanOrEqual(400);
    expect((await api.house()).placed.filter(({ id }) => (id as string) === 'b-1')).toHaveLength(1);
  });

  it('are entered as visits of the book are', async () => {
    const treatment = {
      id: 'by-hand',
      serviceId: 'clay-facial',
      at: '2026-11-20T10:00:00Z',
      visitKind: 'returning',
      bookingId: 'soon',
      entryIds: [],
    };
    const entered = await api.send('POST', 'treatments', { treatment, uses: [] });
    expect(entered.status).toBe(201);
    expect((await api.house()).log.entered).toContain('soon');
  });
});

describe('a visit that is taken back', () => {
  it('keeps its row, is no longer counted, and goes out in the house file', async () => {
    const counted = async () => visitsIn((await api.house()).log);
    const before = await counted();
    const treatment = {
      id: 'kept',
      serviceId: 'clay-facial',
      at: new Date(Date.now() - 3_600_000).toISOString().replace(/\.\d+/, ''),
      visitKind: 'returning',
      entryIds: [],
    };
    await api.send('POST', 'treatments', { treatment, uses: [] });
    expect(await counted()).toBe(before + 1);
    await api.send('POST', 'treatments/kept/take-back', {});
    expect(await counted()).toBe(before);
    const page = await api.send<{ readonly treatments: Treatment[] }>('GET', 'treatments');
    expect(page.body.treatments[0]).toMatchObject({
      id: 'kept',
      takenBackAt: expect.stringMatching(/Z$/) as string,
    });
    const file = await (await fetch(`${api.url}/api/house/file`)).text();
    expect(file).toContain('"id":"kept"');
  });
});

describe('what is left of each container', () => {
  it('is what the ledger adds up to, whatever was entered', async () => {
    const material = 'black-sand-clay';
    for (const [at, quantity] of [3, 25, 400, 7].entries()) {
      await api.send('POST', 'ledger', {
        id: `u${at}`,
        kind: 'use',
        materialId: material,
        quantity,
      });
    }
    await api.send('POST', 'ledger', {
      id: 'back',
      kind: 'correction',
      materialId: material,
      corrects: 'u2',
    });
    await api.send('POST', 'ledger', {
      id: 'none',
      kind: 'total-count',
      materialId: 'gauze',
      quantity: 0,
      lotId: 'none',
    });
    const rows = (sql: string) => api.sequelize.query(sql, { type: QueryTypes.SELECT });
    const kept = await rows('SELECT * FROM balances ORDER BY material_id, lot_id, container_id');
    const added = await rows(
      `SELECT material_id, lot_id, container_id, SUM(quantity) AS quantity, MIN(at) AS first_at FROM movements
       GROUP BY material_id, lot_id, container_id HAVING SUM(quantity) <> 0
       ORDER BY material_id, lot_id, container_id`,
    );
    expect(kept.length).toBeGreaterThan(40);
    expect(kept).toEqual(added);
  });
});
