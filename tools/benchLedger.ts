import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { asId, type EntryId, type LotId, type MaterialId } from '../core/house/ids';
import { bought, cleanser, house } from '../core/testing/sample';
import type { Lot, Movement } from '../core/house/stock';
import { createApp } from '../server/app';
import { connect } from '../server/db/connection';
import { silentLog } from '../server/testing/silentLog';
import { migrations } from '../server/db/migrate';
import { byItself, writingUnit } from '../server/work/unitOfWork';
import { fillHouse } from '../server/house/wholeHouse';
import { timedWait, type Row } from './benchTools';
import { openDatabase } from './lib/database.mjs';

const MATERIALS = 400;
const LOTS_EACH = 5;
const MOVEMENTS = 100_000;
const RUNS = 25;

/** Reading a ledger of 100 000 movements over HTTP, beside the bare queries. */
export async function benchLedger(): Promise<readonly Row[]> {
  const folder = await mkdtemp(join(tmpdir(), 'bienestar-bench-'));
  const database = await openDatabase(folder, () => undefined);
  const sequelize = connect(database.url);
  await migrations(sequelize).up();
  const { stock: _stock, ...plain } = house({
    materials: Array.from({ length: MATERIALS }, (_, at) =>
      cleanser({ id: asId(`m${at}`), ...bought({ content: 500, priceMinor: 2100 }) }),
    ),
  });
  const { lots, movements } = ledger();
  const filledWithinMs = 120_000;
  await writingUnit(
    sequelize,
    byItself(),
    async ({ house: into }) => {
      await fillHouse(into, plain, 1);
      await into.ledger.loadLots(lots);
      await into.ledger.loadMovements(movements);
      await into.ledger.balance();
    },
    filledWithinMs,
  );
  const server = createServer(
    createApp({ sequelize, databaseUrl: database.url, log: silentLog() }),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
  const get = async (path: string): Promise<void> => {
    await (await fetch(`${url}/${path}`)).arrayBuffer();
  };
  const query = (sql: string) => sequelize.query(sql, { type: 'SELECT' });
  const sums = 'SELECT lot_id, container_id, SUM(quantity), MIN(at) FROM movements';

  const onHand = await timedWait(() => get('ledger'), RUNS);
  const bareSums = await timedWait(
    () => query(`${sums} GROUP BY material_id, lot_id, container_id`),
    RUNS,
  );
  const page = await timedWait(
    (run) =>
      Promise.all([
        get(`ledger/m${run}`),
        get(`materials/m${run}/prices`),
        get(`materials/m${run}`),
      ]),
    RUNS,
  );
  const barePage = await timedWait(
    (run) =>
      query(
        `SELECT * FROM movements WHERE material_id = 'm${run}' ORDER BY ordinal DESC LIMIT 200`,
      ),
    RUNS,
  );
  const entry = await timedWait(
    (run) =>
      fetch(`${url}/ledger`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id: `b${run}`, kind: 'use', materialId: `m${run}`, quantity: 1 }),
      }),
    RUNS,
  );
  await new Promise((resolve) => server.close(resolve));
  await sequelize.close();
  await database.stop();
  await rm(folder, { recursive: true, force: true });
  return [
    ['on-hand list', onHand, 'aim: under 300 ms'],
    ['the bare sums', bareSums, 'for comparison'],
    ['a material’s page: history, prices, material', page, 'aim: under 200 ms'],
    ['the bare 200 movements', barePage, 'for comparison'],
    ['one entry', entry, ''],
  ];
}

function ledger(): { lots: Lot[]; movements: Movement[] } {
  const lots: Lot[] = [];
  const movements: Movement[] = [];
  const perLot = MOVEMENTS / (MATERIALS * LOTS_EACH);
  for (let at = 0; at < MATERIALS * LOTS_EACH; at += 1) {
    const materialId = asId<MaterialId>(`m${at % MATERIALS}`);
    const lotId = asId<LotId>(`lot${at}`);
    const day = String(1 + (at % 28)).padStart(2, '0');
    lots.push({
      id: lotId,
      materialId,
      code: `L${at}`,
      content: 500,
      deliveredOn: `2026-01-${day}`,
    });
    for (let line = 0; line < perLot; line += 1) {
      movements.push({
        entryId: asId<EntryId>(`e${at}-${line}`),
        line: 0,
        kind: line === 0 ? 'delivery' : 'use',
        at: `2026-02-${day}T09:00:00Z`,
        materialId,
        lotId,
        quantity: line === 0 ? 5000 : -(1 + (line % 7)),
      });
    }
  }
  return { lots, movements };
}
