import { readFile } from 'node:fs/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { QueryTypes } from 'sequelize';
import { withoutVersions, type Health, type OpeningLine } from '@bienestar/contract/api';
import { houseOf } from '@bienestar/core/stock/houseOf';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { BoughtMaterial, House } from '@bienestar/core/house/house';
import { createRestocker } from '@bienestar/core/restock/restocker';
import { timeZoneHere } from '@bienestar/core/days/timeZones';
import { houseReport } from '@bienestar/core/report/houseReport';
import { migrations } from '../db/migrate';
import { DEMO_TIME_ZONE, demoHouse, freshDatabase, startApi, type TestApi } from '../testing/api';
import { withoutKits } from '../testing/withoutKits';

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

const file = new URL('../../demo/casa-cenera.house.json', import.meta.url);

describe('the house file', () => {
  it('comes out as it went in, to the last digit', async () => {
    const exported = await fetch(`${api.url}/api/house/file`);
    expect(exported.headers.get('content-disposition')).toContain('casa-cenera.house.json');
    const text = await exported.text();
    expect(JSON.parse(text)).toEqual(JSON.parse(await readFile(file, 'utf8')));
  });

  it('gives the same figures after a round trip', async () => {
    const before = houseOf(await demoHouse());
    const after = withoutVersions(await api.house());
    const now = new Date();
    const reportOf = (house: House) => {
      const figures = createCalculator()(house);
      return houseReport(house, figures, createRestocker()(house, figures, now));
    };
    expect(reportOf(after)).toEqual(reportOf(before));
  });

  it('changes nothing unless all of it is right', async () => {
    const before = await api.house();
    const good = JSON.parse(await readFile(file, 'utf8')) as Record<string, unknown[]>;
    const [material, ...materials] = good.materials as { packs?: object[] }[];
    const broken: [unknown, string][] = [
      ['{"format":', ''],
      ['[]', ''],
      [{ ...good, format: 'another' }, '/format'],
      [{ ...good, formatVersion: 99 }, '/formatVersion'],
      [
        {
          ...good,
          materials: [
            {
              ...material,
              packs: material?.packs?.map((pack) => ({ ...pack, supplierId: 'ghost' })),
            },
            ...materials,
          ],
        },
        '/materials/0/packs/0/supplierId',
      ],
      [{ ...good, rooms: [...(good.rooms ?? []), good.rooms?.[0]] }, '/rooms/3'],
      [{ ...good, services: 'none' }, '/services'],
      [{ ...good, surprise: 1 }, '/surprise'],
    ];
    for (const [content, pointer] of broken) {
      const answer = await api.send('PUT', 'house/file', content);
      expect([answer.status, answer.body.errors?.[0]?.pointer]).toEqual([400, pointer]);
    }
    expect(await api.house()).toEqual(before);
  });

  it('is read at any size, in a thread of its own, and refused at its places', async () => {
    const before = await api.house();
    const good = JSON.parse(await readFile(file, 'utf8')) as Record<string, object[]>;
    const [line] = good.movements ?? [];
    const movements = Array.from({ length: 20_000 }, (_, at) => ({ ...line, entryId: `e${at}` }));
    movements[17_000] = { ...movements[17_000]!, kind: 'gift' } as never;
    const answer = await api.send('PUT', 'house/file', { ...good, movements });
    expect([answer.status, answer.body.errors?.[0]?.pointer]).toEqual([
      400,
      '/movements/17000/kind',
    ]);
    expect(await api.house()).toEqual(before);
  });

  it('of a house whose ledger stands below nothing goes in and comes out', async () => {
    const good = JSON.parse(await readFile(file, 'utf8')) as { movements: { quantity: number }[] };
    const [first, ...rest] = good.movements;
    const below = { ...good, movements: [{ ...first, quantity: -50 }, ...rest] };
    expect((await api.send('PUT', 'house/file', below)).status).toBe(200);
    const out = await (await fetch(`${api.url}/api/house/file`)).text();
    expect((await api.send('PUT', 'house/file', out)).status).toBe(200);
    const lots = (await api.house()).stock.flatMap((line) => line.lots);
    expect(Math.min(...lots.map(({ sealed }) => sealed))).toBeLessThan(0);
    await api.send('PUT', 'house/file', good);
  });

  it('goes out without what no text may hold, and so comes in again', async () => {
    await api.sequelize.query(
      "UPDATE protocols SET body = JSON_SET(body, '$.summary', CONCAT('a', CHAR(7), 'b')) LIMIT 1",
      { type: QueryTypes.UPDATE },
    );
    const out = await (await fetch(`${api.url}/api/house/file`)).text();
    expect((await api.send('PUT', 'house/file', out)).status).toBe(200);
    expect(out).toContain('"summary":"ab"');
  });

  it('tells how far it is, and at last the house or what is wrong', async () => {
    const send = async (body: string) => {
      const answer = await fetch(`${api.url}/api/house/file`, {
        method: 'PUT',
        headers: { accept: 'application/x-ndjson' },
        body,
      });
      return (await answer.text())
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line) as OpeningLine);
    };
    const lines = await send(await readFile(file, 'utf8'));
    const shares = lines.flatMap((line) => ('progress' in line ? [line.progress] : []));
    expect(shares.length).toBeGreaterThan(3);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect('house' in lines.at(-1)!).toBe(true);
    const wrong = (await send('{"format":"x"}')).at(-1)!;
    expect('problem' in wrong && wrong.problem.errors?.[0]?.pointer).toBe('/format');
  });

  it('gives new versions, so that an edit of the old house is stale', async () => {
    const before = await api.house();
    await api.send('PUT', 'house/file', await readFile(file, 'utf8'));
    const stale = await api.send('PUT', 'rooms/lava', before.rooms[0]);
    expect(stale.status).toBe(409);
  });
});

describe('the edges of the API', () => {
  it('tells the state of the database', async () => {
    const { body } = await api.send<Health>('GET', 'health');
    expect(body).toEqual({ status: 'ok', database: 'up' });
  });

  it('carries a request id and the usual guards', async () => {
    const { headers } = await api.send('GET', 'rooms');
    expect(headers.get('x-request-id')).toMatch(/^[0-9a-f-]{36}$/);
    expect(headers.get('content-security-policy')).toContain("default-src 'self'");
    expect(headers.get('x-powered-by')).toBeNull();
  });

  it('refuses writes from pages of another origin', async () => {
    const foreign = await fetch(`${api.url}/api/rooms/lava?version=1`, {
      method: 'DELETE',
      headers: { origin: 'http://elsewhere.example' },
    });
    expect(foreign.status).toBe(403);
  });

  it('answers unknown addresses and bodies that are too large as problems', async () => {
    expect((await api.send('GET', 'nothing/here')).status).toBe(404);
    expect((await api.send('GET', 'rooms/%E0%A4%A')).status).toBe(400);
    const large = await api.send('POST', 'rooms', { name: 'x'.repeat(2_000_000) });
    expect(large.status).toBe(413);
  });

  it('treats quotes and SQL in ids as ids', async () => {
    const answer = await api.send('GET', `rooms/${encodeURIComponent("x' OR '1'='1")}`);
    expect(answer.status).toBe(404);
    expect((await api.house()).rooms).toHaveLength(3);
  });
});

describe('migrations', () => {
  it('go forward, back and forward again', async () => {
    const database = await freshDatabase();
    const umzug = migrations(database);
    await umzug.up();
    await umzug.down({ to: 0 });
    expect((await umzug.up()).map((migration) => migration.name)).toEqual([
      '0001-house',
      '0002-shelf',
      '0003-protocols',
      '0004-prices',
      '0005-money',
      '0006-restock',
      '0007-answers',
      '0008-documents',
      '0009-audit',
      '0010-records',
      '0011-time-zone',
      '0012-questions',
      '0013-runs',
      '0014-logbook',
      '0015-week',
    ]);
    await database.close();
  });

  it('a house goes back to columns and forward to documents, and is the same to the last digit', async () => {
    const file = async () => (await fetch(`${api.url}/api/house/file`)).text();
    expect((await api.send('PUT', 'house/file', withoutKits(await file()))).status).toBe(200);
    const before = await file();
    const umzug = migrations(api.sequelize);
    await umzug.down({ to: '0008-documents' });
    const [material] = await api.sequelize.query<Record<string, unknown>>(
      "SELECT m.kind, m.ml_per_pump, p.price_minor FROM materials m JOIN packs p ON p.material_id = m.id WHERE m.id = 'fennel-toner'",
      { type: QueryTypes.SELECT },
    );
    const { materials } = JSON.parse(before) as House;
    const toner = materials.find(({ id }) => id === 'fennel-toner') as BoughtMaterial;
    expect(material).toMatchObject({
      kind: toner.kind,
      price_minor: toner.packs[0]?.priceMinor,
      ml_per_pump: toner.measures.mlPerPump?.usual ?? null,
    });
    await umzug.up();
    /* Before a house named its zone, it went by the clock of the machine. */
    const zoned = JSON.parse(before.replaceAll(DEMO_TIME_ZONE, timeZoneHere())) as House;
    /* Nor did it say that it is one to look around in, what it calls places and ways of working, or how people
       are paid but by the hour. */
    const {
      isDemonstration: _is,
      ownZones: _zones,
      techniques: _techniques,
      rules: _rules,
      vessels: _vessels,
      findings: _findings,
      openHours: _hours,
      week: _week,
      ...settings
    } = zoned.settings;
    const people = zoned.people.map(({ id, name, role, hourlyPayMinor }) => ({
      id,
      name,
      role,
      hourlyPayMinor,
    }));
    /* Nor did it plan its weeks. */
    const services = zoned.services.map(({ roomKind: _kind, ...service }) => service);
    const demand = zoned.demand.map(
      ({ leastPerWeek: _least, mostPerWeek: _most, ...line }) => line,
    );
    /* Nor did it know of its visits more than that they were. */
    const nothing = { logbookPlans: [], logbook: [], placed: [] };
    const week = { settings, people, services, demand };
    expect(JSON.parse(await file())).toEqual({ ...zoned, ...nothing, ...week });
  });
});
