import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { RecordPage, Versioned } from '@bienestar/contract/api';
import type { Order, Treatment } from '@bienestar/core/house/house';
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
