import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { MaterialBatch, Versioned } from '@bienestar/contract/api';
import type { PricePoint } from '@bienestar/core/house/pricePoint';
import type { BoughtMaterial, Material } from '@bienestar/core/house/house';
import { dayOf } from '@bienestar/core/days/days';
import { migrations } from '../db/migrate';
import { byItself, readingUnit } from '../work/unitOfWork';
import { DEMO_TIME_ZONE, freshDatabase, startApi, type TestApi } from '../testing/api';

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

const get = async (id: string): Promise<Versioned<BoughtMaterial>> =>
  (await api.send<Versioned<BoughtMaterial>>('GET', `materials/${id}`)).body;
const pricesOf = async (id: string): Promise<PricePoint[]> =>
  (await api.send<PricePoint[]>('GET', `materials/${id}/prices`)).body;
const dearer = (material: Versioned<BoughtMaterial>, byMinor: number): Versioned<Material> => ({
  ...material,
  packs: material.packs.map((pack, at) =>
    at === 0 ? { ...pack, priceMinor: pack.priceMinor + byMinor } : pack,
  ),
});
const put = (materials: readonly unknown[], from: MaterialBatch['from'] = 'price-list') =>
  api.send<Versioned<Material>[]>('PUT', 'materials', { materials, from });

describe('several materials at once', () => {
  it('are written together, and their new prices go into the history', async () => {
    const [milk, clay] = [await get('prickly-pear-milk'), await get('black-sand-clay')];
    const before = await pricesOf(milk.id);
    const saved = await put([dearer(milk, 100), dearer(clay, 50)]);
    expect(saved.status).toBe(200);
    expect(saved.body.map(({ version }) => version)).toEqual([milk.version + 1, clay.version + 1]);
    expect(await get(milk.id)).toEqual(saved.body[0]);
    const after = await pricesOf(milk.id);
    expect(after).toHaveLength(before.length + 1);
    expect(after.at(-1)).toMatchObject({
      packId: 'prickly-pear-milk-pack-1',
      on: dayOf(new Date(), DEMO_TIME_ZONE),
      priceMinor: 2200,
      from: 'price-list',
    });
  });

  it('are all left alone when one was changed by somebody else', async () => {
    const [milk, clay] = [await get('prickly-pear-milk'), await get('black-sand-clay')];
    await api.send('PUT', `materials/${clay.id}`, { ...clay, name: 'Clay, black' });
    const stale = await api.send('PUT', 'materials', {
      materials: [dearer(milk, 100), dearer(clay, 50)],
      from: 'hand',
    });
    expect(stale.status).toBe(409);
    expect(stale.body.current).toMatchObject({ name: 'Clay, black' });
    expect(await get(milk.id)).toEqual(milk);
  });

  it('are refused with the place of the fault, and none is written', async () => {
    const milk = await get('prickly-pear-milk');
    const answers = [
      await put([dearer(milk, 1), dearer(milk, -9999)]),
      await put([{ ...milk, packs: milk.packs.map((p) => ({ ...p, supplierId: 'ghost' })) }]),
      await put([{ ...milk, version: undefined }]),
      await put([]),
      await put([milk], 'guess' as never),
    ].map((answer) => {
      const body = answer.body as unknown as { errors?: { pointer: string }[] };
      return [answer.status, body.errors?.[0]?.pointer];
    });
    expect(answers).toEqual([
      [400, '/materials/1/packs/0/priceMinor'],
      [400, '/materials/0/packs/0/supplierId'],
      [400, '/materials/0/version'],
      [400, '/materials'],
      [400, '/from'],
    ]);
    expect(await get('prickly-pear-milk')).toEqual(milk);
    expect((await put([{ ...milk, id: 'ghost' }])).status).toBe(404);
  });
});

describe('the history of prices', () => {
  it('keeps one price a day for each pack, the last', async () => {
    const toner = await get('fennel-toner');
    const before = (await pricesOf(toner.id)).length;
    for (const byMinor of [10, 20, 30]) {
      await api.send('PUT', `materials/${toner.id}`, dearer(await get(toner.id), byMinor));
    }
    const after = await pricesOf(toner.id);
    expect(after).toHaveLength(before + 1);
    expect(after.at(-1)).toMatchObject({ priceMinor: 1710, from: 'hand' });
  });

  it('does not grow by what is no price', async () => {
    const toner = await get('fennel-toner');
    const before = await pricesOf(toner.id);
    await api.send('PUT', `materials/${toner.id}`, { ...toner, name: 'Toner' });
    expect(await pricesOf(toner.id)).toEqual(before);
    expect((await api.send('GET', 'materials/ghost/prices')).status).toBe(404);
  });

  it('begins with a new material and goes with it', async () => {
    const toner = await get('fennel-toner');
    const { version: _version, ...fresh } = { ...toner, id: 'new-toner' };
    await api.send('POST', 'materials', fresh);
    expect(await pricesOf('new-toner')).toMatchObject([{ from: 'opening', priceMinor: 1710 }]);
    expect((await api.send('DELETE', 'materials/new-toner?version=1')).status).toBe(204);
  });
});

describe('a database of before', () => {
  it('keeps its packs and what was counted, as the first pack and a count', async () => {
    const database = await freshDatabase();
    const umzug = migrations(database);
    await umzug.up({ to: '0001-house' });
    const run = (sql: string) => database.query(sql, { type: QueryTypes.RAW });
    await run("INSERT INTO suppliers VALUES ('s', 1, 1, 'S', 3, 1, 7)");
    await run(
      "INSERT INTO materials (id, ordinal, version, name, kind, unit, supplier_id) VALUES ('m', 1, 4, 'Pads', 'consumable', 'piece', 's')",
    );
    await run("INSERT INTO packs VALUES ('m', 1, 500, 900, 0.1, 20, 0, 0)");
    await run("INSERT INTO stock VALUES ('m', 1, 2, 320)");
    await umzug.up({ to: '0007-answers' });
    const [row] = await database.query<Record<string, unknown>>(
      `SELECT m.counted_per, p.id, p.supplier_id, p.content, p.price_minor, l.content AS lot_content,
         v.quantity, v.kind, h.price_minor AS told
       FROM materials m JOIN packs p ON p.material_id = m.id AND p.id = m.preferred_pack_id
       JOIN lots l ON l.material_id = m.id JOIN movements v ON v.lot_id = l.id
       JOIN price_points h ON h.pack_id = p.id`,
      { type: QueryTypes.SELECT },
    );
    expect(row).toEqual({
      counted_per: 'client',
      id: 'm-pack-1',
      supplier_id: 's',
      content: 500,
      price_minor: 900,
      lot_content: 500,
      quantity: 320,
      kind: 'count',
      told: 900,
    });
    await umzug.up();
    const [kept] = await readingUnit(database, byItself(), ({ house }) => house.materials.all());
    expect(kept).toMatchObject({
      version: 4,
      kind: 'consumable',
      countedPer: 'client',
      measures: {},
      packs: [{ id: 'm-pack-1', supplierId: 's', content: 500, discount: 0.1 }],
    });
    await umzug.down({ to: '0002-shelf' });
    const back = await database.query<Record<string, unknown>>(
      'SELECT m.supplier_id, p.content, s.on_hand FROM materials m JOIN packs p ON p.material_id = m.id JOIN stock s ON s.material_id = m.id',
      { type: QueryTypes.SELECT },
    );
    expect(back).toEqual([{ supplier_id: 's', content: 500, on_hand: 320 }]);
    await database.close();
  });
});
