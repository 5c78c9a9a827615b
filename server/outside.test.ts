import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { EXPORTS, type FetchedList, type ScaleState } from '@bienestar/contract/api';
import { startStandIns } from '../tools/lib/standIns.mjs';
import { startApi, type TestApi } from './testing/api';

type StandIns = Awaited<ReturnType<typeof startStandIns>>;
let outside: StandIns;
let api: TestApi;
let odd: Server;
beforeAll(async () => {
  outside = await startStandIns(() => undefined);
  api = await startApi({
    scale: outside.env.SCALE_ADDRESS,
    scaleControl: outside.env.SCALE_CONTROL,
    priceLists: outside.env.PRICE_LISTS,
  });
  odd = createServer((request, response) => {
    if (request.url === '/northquay.csv') {
      response.write('x'.repeat(100_000), () => response.destroy());
    } else response.end('x'.repeat(21 * 1024 * 1024));
  });
  await new Promise<void>((resolve) => odd.listen(0, '127.0.0.1', resolve));
});
afterAll(async () => {
  await api.close();
  await outside.stop();
  await new Promise((resolve) => odd.close(resolve));
});

describe('the bench scale', () => {
  const scale = async (): Promise<ScaleState> => (await api.send<ScaleState>('GET', 'scale')).body;
  const tell = (order: object) => api.send('POST', 'scale/stand-in', order);
  const settled = (grams: number) =>
    expect.poll(scale, { timeout: 10_000 }).toMatchObject({
      state: 'stable',
      simulated: true,
      grams: expect.closeTo(grams, 1) as number,
    });

  it('is read through its line protocol as it settles, and set to zero', async () => {
    await tell({ put: 40 });
    expect(await scale()).toMatchObject({ state: 'settling' });
    expect((await api.send('POST', 'scale/zero')).status).toBe(409);
    await settled(40);
    expect((await api.send('POST', 'scale/zero')).status).toBe(204);
    await tell({ add: 8.08 });
    await settled(8.08);
  });

  it('says when it is overloaded, unplugged, and back again', async () => {
    await tell({ fault: 'overload' });
    expect(await scale()).toEqual({ state: 'overload', simulated: true });
    await tell({ fault: 'unplugged' });
    expect(await scale()).toMatchObject({ state: 'away' });
    expect((await api.send('POST', 'scale/zero')).status).toBe(409);
    await tell({ fault: 'none' });
    await expect.poll(async () => (await scale()).state, { timeout: 10_000 }).toBe('stable');
  });

  it('takes no order it does not know', async () => {
    for (const order of [{}, { put: 'much' }, { fault: 'fire' }, { put: 1, add: 2 }]) {
      expect((await tell(order)).status).toBe(400);
    }
  });

  it('is said to be away where there is none', async () => {
    const bare = await startApi();
    expect((await bare.send('GET', 'scale')).body).toMatchObject({ state: 'away' });
    expect((await bare.send('POST', 'scale/stand-in', { put: 1 })).status).toBe(404);
    await bare.close();
  });
});

describe('price lists from suppliers', () => {
  const fetchList = (id: string) => api.send<FetchedList>('GET', `price-lists/${id}`);
  const suppliers = (path: string) =>
    fetch(`${outside.env.PRICE_LISTS}/${path}`, { method: 'POST' });

  it('come as the supplier publishes them, and change', async () => {
    const first = await fetchList('northquay');
    expect(first.body.name).toBe('northquay.csv');
    expect(first.body.text).toContain('N-1102,Prickly-pear cleansing milk');
    await suppliers('edition?is=4');
    expect((await fetchList('northquay')).body.text).not.toBe(first.body.text);
  });

  it('are said to be away when the supplier is down', async () => {
    await suppliers('fault?is=down');
    const refused = await api.send('GET', 'price-lists/northquay');
    expect([refused.status, refused.body.detail]).toEqual([424, expect.stringContaining('503')]);
    await suppliers('fault?is=none');
  });

  it('are not waited for longer than five seconds', async () => {
    await suppliers('fault?is=slow');
    const refused = await api.send('GET', 'price-lists/atalaya');
    expect([refused.status, refused.body.detail]).toEqual([
      424,
      expect.stringContaining('did not answer within 5 seconds'),
    ]);
    await suppliers('fault?is=none');
  });

  it('of suppliers without a feed, or unknown ones, are refused in words', async () => {
    expect((await api.send('GET', 'price-lists/mercado')).body.detail).toContain('paste it');
    expect((await api.send('GET', 'price-lists/ghost')).status).toBe(404);
  });

  it('that break off or have no end are refused', async () => {
    const { port } = odd.address() as AddressInfo;
    const other = await startApi({ priceLists: `http://127.0.0.1:${port}` });
    const details = await Promise.all(
      ['northquay', 'atalaya'].map(
        async (id) => (await other.send('GET', `price-lists/${id}`)).body,
      ),
    );
    expect(details.map(({ detail }) => detail)).toEqual([
      expect.stringContaining('broke off'),
      expect.stringContaining('larger than 20 MB'),
    ]);
    await other.close();
  });
});

describe('lists for other programs', () => {
  const take = (file: string) => fetch(`${api.url}/api/exports/${file}`);

  it.each(EXPORTS)('hold the same %s as CSV and as a workbook', async (name) => {
    const csv = await (await take(`${name}.csv`)).text();
    const rows = Papa.parse<string[]>(csv.replace('\ufeff', '').trim()).data;
    const book = new ExcelJS.Workbook();
    await book.xlsx.load(await (await take(`${name}.xlsx`)).arrayBuffer());
    const sheet = book.worksheets[0]!;
    expect(rows.length).toBeGreaterThan(name === 'menu' ? 20 : 40);
    expect(sheet.rowCount).toBe(rows.length);
    for (const at of [1, 2, rows.length]) {
      const values = (sheet.getRow(at).values as unknown[]).slice(1);
      const cells = Array.from(values, (cell) => String((cell ?? '') as string | number));
      expect(rows[at - 1]!.slice(0, cells.length)).toEqual(cells);
    }
  });

  it('have the packs with their prices, and the ledger to the last entry', async () => {
    const packs = await (await take('packs.csv')).text();
    expect(packs).toContain(
      'prickly-pear-milk,Prickly-pear cleansing milk,prickly-pear-milk-pack-1,yes',
    );
    expect(packs).toContain(',500,ml,21,0,0.6,3,');
    const ledger = await (await take('ledger.csv')).text();
    expect(ledger.trim().split('\r\n')).toHaveLength(631);
  });

  it('have the menu with the figures that the screen shows', async () => {
    const csv = await (await take('menu.csv')).text();
    const [headings = [], ...rows] = Papa.parse<string[]>(csv.replace('\ufeff', '').trim()).data;
    const clay = rows.find(([id]) => id === 'clay-facial') ?? [];
    const of = (heading: string) => clay[headings.indexOf(heading)];
    expect([of('service'), of('slot (min)'), of('charged by')]).toEqual([
      'Black-sand clay facial',
      '70',
      'cost plus',
    ]);
    expect([of('full cost (EUR)'), of('price (EUR)'), of('room hour (EUR)')]).toEqual([
      '36.8',
      '80',
      '85',
    ]);
    expect(of('margin %')).toBe('36.33');
  });

  it('never hand a spreadsheet a formula', async () => {
    const { rooms: _rooms, materials } = await api.house();
    const glove = materials.find(({ id }) => id === 'glove')!;
    await api.send('PUT', 'materials/glove', { ...glove, name: '=cmd|calc!A1' });
    const csv = await (await take('materials.csv')).text();
    const cells = Papa.parse<string[]>(csv).data.flat();
    expect(cells).toContain("'=cmd|calc!A1");
    expect(cells.filter((cell) => /^[=@+]/.test(cell))).toEqual([]);
    const book = new ExcelJS.Workbook();
    await book.xlsx.load(await (await take('materials.xlsx')).arrayBuffer());
    const names = book.worksheets[0]!.getColumn(2).values;
    expect(names).toContain('=cmd|calc!A1');
  });

  it('that nobody knows are not found', async () => {
    for (const file of ['secrets.csv', 'materials.exe', '..%2fpackage.json']) {
      expect((await take(file)).status).toBe(404);
    }
  });
});
