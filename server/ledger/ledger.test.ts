import fc from 'fast-check';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { LedgerPage, Posted } from '@bienestar/contract/happened';
import { balancesOf, stockFrom } from '@bienestar/core/stock/ledger';
import { dayOf, daysAfter } from '@bienestar/core/days/days';
import { onHandOf, type MaterialStock } from '@bienestar/core/house/stock';
import { DEMO_TIME_ZONE, startApi, type demoHouse, type TestApi } from '../testing/api';

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());
beforeEach(() => api.demoAgain());

let entries = 0;
const enter = <T = Posted>(entry: object) => {
  entries += 1;
  return api.send<T>('POST', 'ledger', { id: `test-${entries}`, materialId: 'aloe-gel', ...entry });
};
const shelf = async (id = 'aloe-gel'): Promise<MaterialStock> => {
  const { body } = await api.send<MaterialStock[]>('GET', 'ledger');
  const found = body.find((line) => line.materialId === id);
  if (!found) throw new Error(`${id} is not kept in stock`);
  return found;
};
const today = dayOf(new Date(), DEMO_TIME_ZONE);
const delivery = {
  kind: 'delivery',
  lotId: 'new-lot',
  packId: 'aloe-gel-pack-1',
  packs: 2,
  code: 'K7',
  deliveredOn: today,
};

describe('entries', () => {
  it('are answered with what they did, and add up', async () => {
    const came = await enter({ ...delivery, expiresOn: daysAfter(today, 300), paidMinor: 5600 });
    expect(came.status).toBe(201);
    expect(onHandOf(came.body.stock)).toBe(1360);
    const opened = await enter({ kind: 'opening', lotId: 'new-lot' });
    expect(opened.body.movements).toHaveLength(2);
    await enter({ kind: 'use', quantity: 12.5 });
    await enter({ kind: 'discard', lotId: 'new-lot', quantity: 500, reason: 'broken' });
    expect(onHandOf(await shelf())).toBe(847.5);
  });

  it('sent twice count once', async () => {
    const entry = { id: 'once', kind: 'use', quantity: 10 };
    const first = await enter(entry);
    const again = await enter(entry);
    expect([first.status, again.status]).toEqual([201, 200]);
    expect(again.body).toEqual(first.body);
    const elsewhere = await enter({ ...entry, materialId: 'glove' });
    expect(elsewhere.status).toBe(409);
  });

  it('are taken back by their opposite, and stay in the history', async () => {
    await enter({ id: 'mistake', kind: 'use', quantity: 100 });
    const back = { kind: 'correction', corrects: 'mistake', note: 'typed twice' };
    expect((await enter(back)).status).toBe(201);
    expect((await enter(back)).status).toBe(400);
    expect(onHandOf(await shelf())).toBe(360);
    const { body } = await api.send<LedgerPage>('GET', 'ledger/aloe-gel');
    expect(body.movements.slice(0, 2).map(({ kind, quantity }) => [kind, quantity])).toEqual([
      ['correction', 100],
      ['use', -100],
    ]);
  });

  it.each<[string, object, string]>([
    ['a delivery of tomorrow', { ...delivery, deliveredOn: daysAfter(today, 1) }, '/deliveredOn'],
    ['an expiry before it', { ...delivery, expiresOn: daysAfter(today, -1) }, '/expiresOn'],
    ['more than there is', { kind: 'use', quantity: 361 }, '/quantity'],
    ['a count below zero', { kind: 'total-count', quantity: -1, lotId: 'x' }, '/quantity'],
    ['a quantity in quotes', { kind: 'use', quantity: '3' }, '/quantity'],
    ['an unknown kind', { kind: 'gift' }, '/kind'],
    ['opening where all is open', { kind: 'opening' }, '/lotId'],
  ])('are refused for %s at its field, and nothing is entered', async (_, entry, pointer) => {
    const before = await shelf();
    const refused = await api.send('POST', 'ledger', {
      id: 'no',
      materialId: 'aloe-gel',
      ...entry,
    });
    expect([refused.status, refused.body.errors?.[0]?.pointer]).toEqual([400, pointer]);
    expect(await shelf()).toEqual(before);
  });

  it('of linen and of what is not there are not found', async () => {
    expect((await enter({ kind: 'use', quantity: 1, materialId: 'face-towel' })).status).toBe(404);
    expect((await api.send('GET', 'ledger/ghost')).status).toBe(404);
    expect((await api.send('GET', 'ledger/aloe-gel?before=x')).status).toBe(400);
  });

  it('keep a material from being removed, and its lots from being taken by another', async () => {
    const { body } = await api.send<{ version: number }>('GET', 'materials/needle-36');
    const refused = await api.send('DELETE', `materials/needle-36?version=${body.version}`);
    expect([refused.status, refused.body.usedBy?.[0]?.kind]).toEqual([409, 'ledger']);
    await enter(delivery);
    const taken = await enter({ ...delivery, materialId: 'glove', packId: 'glove-pack-1' });
    expect(taken.status).toBe(409);
  });
});

describe('the ledger of many at once', () => {
  it('is exact: of thirty who each take 20 of 360 ml, eighteen do', async () => {
    const answers = await Promise.all(
      Array.from({ length: 30 }, () => enter({ kind: 'use', quantity: 20 })),
    );
    const taken = answers.filter(({ status }) => status === 201).length;
    const refused = answers.filter(({ status }) => status === 400).length;
    expect([taken, refused]).toEqual([18, 12]);
    expect(onHandOf(await shelf())).toBe(0);
  });

  it('opens one container for one of several hands', async () => {
    await enter({ ...delivery, packs: 1 });
    const answers = await Promise.all(Array.from({ length: 6 }, () => enter({ kind: 'opening' })));
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
    expect(onHandOf(await shelf())).toBe(860);
  });

  it('counts an entry once that is sent by two at the same moment', async () => {
    const answers = await Promise.all(
      Array.from({ length: 4 }, () => enter({ id: 'same', kind: 'use', quantity: 7 })),
    );
    expect(answers.map(({ status }) => status).sort((a, b) => a - b)).toEqual([200, 200, 200, 201]);
    expect(onHandOf(await shelf())).toBe(353);
  });

  it('sums in the database to what core sums from the same movements', async () => {
    const use = fc.integer({ min: 1, max: 40_000_000 }).map((millionths) => millionths / 1e6);
    await fc.assert(
      fc.asyncProperty(fc.array(use, { minLength: 1, maxLength: 6 }), async (uses) => {
        await Promise.all(uses.map((quantity) => enter({ kind: 'use', quantity })));
        const text = await (await fetch(`${api.url}/api/house/file`)).text();
        const { lots, movements } = JSON.parse(text) as Awaited<ReturnType<typeof demoHouse>>;
        const stock = await shelf();
        expect(stockFrom([stock.materialId], lots, balancesOf(movements))[0]).toEqual(stock);
      }),
      { numRuns: 6 },
    );
  });
});

describe('the history', () => {
  it('comes in pages, the newest first, with the lots it names', async () => {
    for (let at = 0; at < 205; at += 1) await enter({ kind: 'use', quantity: 0.5 });
    const first = await api.send<LedgerPage>('GET', 'ledger/aloe-gel');
    expect(first.body.movements).toHaveLength(40);
    const all = [...first.body.movements];
    let rest = first;
    while (rest.body.next !== undefined) {
      rest = await api.send<LedgerPage>('GET', `ledger/aloe-gel?before=${rest.body.next}`);
      all.push(...rest.body.movements);
    }
    expect(new Set(all.map(({ entryId, line }) => `${entryId}/${line}`)).size).toBe(all.length);
    expect(all.length).toBeGreaterThan(205);
    expect(rest.body.movements.at(-1)?.kind).toBe('delivery');
    expect(rest.body.lots.map((lot) => lot.id)).toEqual(['aloe-gel-lot-1']);
    expect(rest.body.takenBack).toEqual([]);
    /* Its opposite stands on the first page, and it is known on its own. */
    const corrects = rest.body.movements.find(({ kind }) => kind === 'use')?.entryId;
    await enter({ kind: 'correction', corrects, note: 'not used' });
    const pages = [(await api.send<LedgerPage>('GET', 'ledger/aloe-gel')).body];
    for (let page = pages[0]; page?.next !== undefined; pages.push(page)) {
      page = (await api.send<LedgerPage>('GET', `ledger/aloe-gel?before=${page.next}`)).body;
    }
    const shows = ({ movements }: LedgerPage): boolean =>
      movements.some(({ entryId }) => entryId === corrects);
    expect(pages.map(({ takenBack }) => takenBack)).toEqual(
      pages.map((page) => (shows(page) ? [corrects] : [])),
    );
    expect(pages.findIndex(shows)).toBeGreaterThan(3);
  }, 60_000);
});
