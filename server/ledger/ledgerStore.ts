import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { asId } from '@bienestar/core/house/ids';
import type { CountHistory } from '@bienestar/core/restock/countReview';
import type { Balance } from '@bienestar/core/stock/ledger';
import type { Lot, Movement } from '@bienestar/core/house/stock';
import { orNull, present } from '../db/optional';
import { pagesOf, rowsOf, writeRows } from '../db/rows';
import { table } from '../db/tables';

interface LotRow {
  readonly id: string;
  readonly ordinal?: number;
  readonly materialId: string;
  readonly code: string;
  readonly packId: string | null;
  readonly content: number;
  readonly deliveredOn: string;
  readonly expiresOn: string | null;
  readonly paidMinor: number | null;
}

interface MovementRow {
  readonly ordinal?: number;
  readonly entryId: string;
  readonly line: number;
  readonly kind: Movement['kind'];
  readonly at: Date | string;
  readonly materialId: string;
  readonly lotId: string;
  /** empty for what is sealed */
  readonly containerId: string;
  readonly quantity: number;
  readonly reason: Movement['reason'] | null;
  readonly corrects: string | null;
  readonly note: string | null;
}

interface BalanceRow {
  readonly lotId: string;
  readonly containerId: string;
  readonly quantity: number;
  readonly firstAt: Date;
}

/** A movement with its place in the ledger. */
interface Entered {
  readonly ordinal: number;
  readonly movement: Movement;
}

/** The materials that a unit of work holds: only for these may it enter anything. */
export type HeldMaterials = ReadonlySet<string>;

/** Reads the ledger and adds to it, inside the caller's transaction. Nothing in it is ever changed. */
export interface LedgerStore {
  /**
   * keeps others from entering anything for these materials until the transaction ends; in one order for
   * everybody, so that two never wait for each other
   */
  readonly hold: (materialIds: readonly string[], tx: Transaction) => Promise<HeldMaterials>;
  /** sums that are not 0, of one material or of all */
  readonly balances: (tx: Transaction, materialId?: string) => Promise<Balance[]>;
  readonly lots: (ids: readonly string[], tx: Transaction) => Promise<Lot[]>;
  readonly entry: (entryId: string, tx: Transaction) => Promise<Movement[]>;
  readonly isCorrected: (entryId: string, tx: Transaction) => Promise<boolean>;
  /** the newest first, those entered before the ordinal */
  readonly page: (
    materialId: string,
    before: number | undefined,
    most: number,
    tx: Transaction,
  ) => Promise<Entered[]>;
  /** what happened to a material after a moment */
  readonly after: (materialId: string, at: string, tx: Transaction) => Promise<Movement[]>;
  /** when a material was counted last */
  readonly countedAt: (materialId: string, tx: Transaction) => Promise<string | undefined>;
  /** each entry of a count: found less what was there by the ledger */
  readonly counts: (tx: Transaction) => Promise<CountHistory['counts']>;
  /** what was used, opened and thrown away, by material and day */
  readonly goneByDay: (tx: Transaction) => Promise<CountHistory['gone']>;
  /** every lot, in the order of the ledger */
  readonly lotPages: (tx: Transaction) => AsyncGenerator<Lot[]>;
  /** every movement, in the order of the ledger */
  readonly movementPages: (tx: Transaction) => AsyncGenerator<Movement[]>;
  /** adds what an entry does, for a material that is held */
  readonly append: (
    lot: Lot | undefined,
    movements: readonly Movement[],
    held: HeldMaterials,
    tx: Transaction,
  ) => Promise<void>;
  /** puts lots into a database that nobody uses yet */
  readonly loadLots: (lots: readonly Lot[], tx: Transaction) => Promise<void>;
  /** puts movements into a database that nobody uses yet */
  readonly loadMovements: (movements: readonly Movement[], tx: Transaction) => Promise<void>;
}

/** Rows written by one statement: far below what MariaDB takes in one packet. */

const BALANCES = `SELECT lot_id AS lotId, container_id AS containerId, SUM(quantity) AS quantity,
  MIN(at) AS firstAt FROM movements`;
const BY_CONTAINER = 'GROUP BY material_id, lot_id, container_id HAVING SUM(quantity) <> 0';

/** The ledger in the database. */
export function ledgerStore(sequelize: Sequelize): LedgerStore {
  const lots = table<LotRow>(sequelize, 'lots');
  const movements = table<MovementRow>(sequelize, 'movements');
  const select = <Row extends object>(
    sql: string,
    replacements: Record<string, unknown>,
    tx: Transaction,
  ): Promise<Row[]> =>
    sequelize.query<Row>(sql, { type: QueryTypes.SELECT, replacements, transaction: tx });

  return {
    hold: async (materialIds, tx) => {
      const ids = [...new Set(materialIds)].sort();
      for (const id of ids) {
        await select('SELECT id FROM materials WHERE id = :id FOR UPDATE', { id }, tx);
      }
      return new Set(ids);
    },
    balances: async (tx, materialId) => {
      const rows = await select<BalanceRow>(
        materialId === undefined
          ? `${BALANCES} ${BY_CONTAINER}`
          : `${BALANCES} WHERE material_id = :materialId ${BY_CONTAINER}`,
        { materialId },
        tx,
      );
      return rows.map(({ lotId, containerId, quantity, firstAt }) => ({
        lotId: asId(lotId),
        ...(containerId !== '' && { containerId: asId(containerId) }),
        quantity,
        firstAt: toSecond(firstAt),
      }));
    },
    lots: async (ids, tx) =>
      ids.length === 0 ? [] : (await rowsOf<LotRow>(lots, ['ordinal'], tx, { id: ids })).map(lotOf),
    entry: async (entryId, tx) =>
      (await rowsOf<MovementRow>(movements, ['line'], tx, { entryId })).map(movementOf),
    isCorrected: async (entryId, tx) =>
      (await select('SELECT 1 FROM movements WHERE corrects = :entryId LIMIT 1', { entryId }, tx))
        .length > 0,
    page: async (materialId, before, most, tx) => {
      const rows = await select<MovementRow & { readonly ordinal: number }>(
        `SELECT ordinal, entry_id AS entryId, line, kind, at, material_id AS materialId,
           lot_id AS lotId, container_id AS containerId, quantity, reason, corrects, note
         FROM movements WHERE material_id = :materialId ${before === undefined ? '' : 'AND ordinal < :before'}
         ORDER BY ordinal DESC LIMIT :most`,
        { materialId, before, most },
        tx,
      );
      return rows.map((row) => ({ ordinal: row.ordinal, movement: movementOf(row) }));
    },
    after: async (materialId, at, tx) => {
      const rows = await select<MovementRow>(
        `SELECT entry_id AS entryId, line, kind, at, material_id AS materialId, lot_id AS lotId,
           container_id AS containerId, quantity, reason, corrects, note
         FROM movements WHERE material_id = :materialId AND at > :at ORDER BY ordinal`,
        { materialId, at: new Date(at) },
        tx,
      );
      return rows.map(movementOf);
    },
    countedAt: async (materialId, tx) => {
      const [row] = await select<{ readonly at: Date | null }>(
        "SELECT MAX(at) AS at FROM movements WHERE material_id = :materialId AND kind = 'count'",
        { materialId },
        tx,
      );
      return row?.at ? toSecond(row.at) : undefined;
    },
    counts: async (tx) => {
      const rows = await select<{
        readonly entryId: string;
        readonly materialId: string;
        readonly at: Date;
        readonly difference: number;
        readonly takenBack: number;
      }>(
        `SELECT m.entry_id AS entryId, m.material_id AS materialId, MAX(m.at) AS at,
           SUM(m.quantity) AS difference,
           EXISTS (SELECT 1 FROM movements c WHERE c.corrects = m.entry_id) AS takenBack
         FROM movements m WHERE m.kind = 'count' GROUP BY m.entry_id, m.material_id ORDER BY MAX(m.ordinal)`,
        {},
        tx,
      );
      return rows.map(({ entryId, materialId, at, difference, takenBack }) => ({
        entryId: asId(entryId),
        materialId: asId(materialId),
        at: toSecond(at),
        difference,
        takenBack: takenBack > 0,
      }));
    },
    goneByDay: async (tx) => {
      const rows = await select<
        Omit<CountHistory['gone'][number], 'entries'> & { readonly entries: number | bigint }
      >(
        `SELECT material_id AS materialId, DATE_FORMAT(at, '%Y-%m-%d') AS day, kind,
           SUM(ABS(quantity)) AS quantity, COUNT(DISTINCT entry_id) AS entries
         FROM movements WHERE kind IN ('use', 'discard', 'opening') AND quantity < 0
         GROUP BY material_id, day, kind ORDER BY material_id, day, kind`,
        {},
        tx,
      );
      return rows.map((row) => ({ ...row, entries: Number(row.entries) }));
    },
    lotPages: async function* (tx) {
      for await (const rows of pagesOf<LotRow>(lots, tx)) yield rows.map(lotOf);
    },
    movementPages: async function* (tx) {
      for await (const rows of pagesOf<MovementRow>(movements, tx)) yield rows.map(movementOf);
    },
    append: async (lot, entered, held, tx) => {
      if (entered.some(({ materialId }) => !held.has(materialId))) {
        throw new Error('The ledger was written without holding its material.');
      }
      await writeRows(lots, lot ? [lotRow(lot)] : [], tx);
      await writeRows(movements, entered.map(movementRow), tx);
    },
    loadLots: (all, tx) => writeRows(lots, all.map(lotRow), tx),
    loadMovements: (all, tx) => writeRows(movements, all.map(movementRow), tx),
  };
}

function lotRow(lot: Lot): LotRow {
  return {
    ...lot,
    packId: orNull(lot.packId),
    expiresOn: orNull(lot.expiresOn),
    paidMinor: orNull(lot.paidMinor),
  };
}

function lotOf({ ordinal: _ordinal, packId, expiresOn, paidMinor, ...row }: LotRow): Lot {
  return {
    ...row,
    id: asId(row.id),
    materialId: asId(row.materialId),
    ...(packId !== null && { packId: asId<NonNullable<Lot['packId']>>(packId) }),
    ...present({ expiresOn, paidMinor }),
  };
}

function movementRow(movement: Movement): MovementRow {
  return {
    ...movement,
    containerId: movement.containerId ?? '',
    reason: orNull(movement.reason),
    corrects: orNull(movement.corrects),
    note: orNull(movement.note),
  };
}

function movementOf(row: MovementRow): Movement {
  const { entryId, line, kind, at, materialId, lotId, containerId, quantity, corrects } = row;
  return {
    entryId: asId(entryId),
    line,
    kind,
    at: toSecond(at),
    materialId: asId(materialId),
    lotId: asId(lotId),
    ...(containerId !== '' && {
      containerId: asId<NonNullable<Movement['containerId']>>(containerId),
    }),
    quantity,
    ...present({ reason: row.reason }),
    ...(corrects !== null && { corrects: asId<Movement['entryId']>(corrects) }),
    ...present({ note: row.note }),
  };
}

function toSecond(at: Date | string): string {
  return `${new Date(at).toISOString().slice(0, 19)}Z`;
}
