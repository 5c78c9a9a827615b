import { QueryTypes } from 'sequelize';
import { asId, type EntryId, type MaterialId } from '@bienestar/core/house/ids';
import type { BetweenCounts, CountHistory } from '@bienestar/core/restock/countReview';
import type { Balance } from '@bienestar/core/stock/ledger';
import type { Lot, Movement } from '@bienestar/core/house/stock';
import type { AuditTrail } from '../audit/auditTrail';
import { keptMoment } from '../db/moments';
import { pagesOf, rowsOf, writeRows } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';
import { toSecond } from '@bienestar/core/days/instants';
import {
  lotOf,
  lotRow,
  movementOf,
  movementRow,
  type LotRow,
  type MovementRow,
} from './ledgerRows';

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

/** Reads the ledger and adds to it. Nothing in it is ever changed. */
export interface LedgerRepository {
  /**
   * keeps others from entering anything for these materials until the transaction ends; in one order for
   * everybody, so that two never wait for each other
   */
  readonly hold: (materialIds: readonly string[]) => Promise<HeldMaterials>;
  /** every material that is kept in stock, in the order of the house */
  readonly stockedMaterials: () => Promise<MaterialId[]>;
  /** what is left of each container, where that is not nothing, of one material or of all */
  readonly balances: (materialId?: string) => Promise<Balance[]>;
  readonly lots: (ids: readonly string[]) => Promise<Lot[]>;
  readonly entry: (entryId: string) => Promise<Movement[]>;
  readonly isCorrected: (entryId: string) => Promise<boolean>;
  /** of these entries, those whose opposite was entered */
  readonly takenBack: (entryIds: readonly string[]) => Promise<EntryId[]>;
  /** the newest first, those entered before the ordinal */
  readonly page: (
    materialId: string,
    before: number | undefined,
    most: number,
  ) => Promise<Entered[]>;
  /** what happened to a material after a moment */
  readonly after: (materialId: string, at: string) => Promise<Movement[]>;
  /** when a material was counted last */
  readonly countedAt: (materialId: string) => Promise<string | undefined>;
  /** the counts of each material up to a moment, the newest of them: found less what the ledger said */
  readonly counts: (
    until: readonly { readonly materialId: string; readonly at: string }[],
    most: number,
  ) => Promise<CountHistory['counts']>;
  /** what was used, opened and thrown away of each material between its counts */
  readonly goneBetween: (spans: readonly BetweenCounts[]) => Promise<CountHistory['gone']>;
  /** every lot, in the order of the ledger */
  readonly lotPages: () => AsyncGenerator<Lot[]>;
  /** every movement, in the order of the ledger */
  readonly movementPages: () => AsyncGenerator<Movement[]>;
  /** adds what an entry does, for a material that is held */
  readonly append: (
    lot: Lot | undefined,
    movements: readonly Movement[],
    held: HeldMaterials,
  ) => Promise<void>;
  /** puts lots into a database that nobody uses yet */
  readonly loadLots: (lots: readonly Lot[]) => Promise<void>;
  /** puts movements into a database that nobody uses yet, which is to be balanced afterwards */
  readonly loadMovements: (movements: readonly Movement[]) => Promise<void>;
  /** adds everything up to what is left */
  readonly balance: () => Promise<void>;
}

/** Before anything was entered. */
const BEGINNING = '1000-01-01T00:00:00Z';

/** What takes something from the shelf. */
const GONE = ['use', 'discard', 'opening'] as const;

/* The ledger is what is true; `balances` keeps its sums, so that reading them takes as long after years. */
const ADD_UP = `INSERT INTO balances (material_id, lot_id, container_id, quantity, first_at)
  SELECT material_id, lot_id, container_id, SUM(quantity), MIN(at) FROM movements`;
const BY_CONTAINER = 'GROUP BY material_id, lot_id, container_id HAVING SUM(quantity) <> 0';
const ONE_CONTAINER =
  'WHERE material_id = :materialId AND lot_id = :lotId AND container_id = :containerId';

/** The ledger in the database. */
export function ledgerRepository(
  { sequelize, transaction }: Session,
  audit: AuditTrail,
): LedgerRepository {
  const lots = table<LotRow>(sequelize, 'lots');
  const movements = table<MovementRow>(sequelize, 'movements');
  const select = <Row extends object>(
    sql: string,
    replacements: Record<string, unknown>,
  ): Promise<Row[]> =>
    sequelize.query<Row>(sql, { type: QueryTypes.SELECT, replacements, transaction });

  const change = async (sql: string, replacements: Record<string, unknown>): Promise<void> => {
    await sequelize.query(sql, { type: QueryTypes.RAW, replacements, transaction });
  };
  /** Keeps what is left of the containers that were moved. */
  const addUp = async (entered: readonly Movement[]): Promise<void> => {
    const moved = new Map(
      entered.map(({ materialId, lotId, containerId = '' }) => [
        `${materialId}/${lotId}/${containerId}`,
        { materialId, lotId, containerId },
      ]),
    );
    for (const container of moved.values()) {
      await change(`DELETE FROM balances ${ONE_CONTAINER}`, container);
      await change(`${ADD_UP} ${ONE_CONTAINER} ${BY_CONTAINER}`, container);
    }
  };

  const takenBack = async (entryIds: readonly string[]): Promise<EntryId[]> => {
    if (entryIds.length === 0) return [];
    const rows = await select<{ readonly corrects: string }>(
      'SELECT DISTINCT corrects FROM movements WHERE corrects IN (:entryIds)',
      { entryIds },
    );
    return rows.map(({ corrects }) => asId<EntryId>(corrects));
  };
  return {
    hold: async (materialIds) => {
      const ids = [...new Set(materialIds)].sort();
      for (const id of ids) {
        await select('SELECT id FROM materials WHERE id = :id FOR UPDATE', { id });
      }
      return new Set(ids);
    },
    stockedMaterials: async () => {
      const rows = await select<{ readonly id: string }>(
        "SELECT id FROM materials WHERE JSON_VALUE(body, '$.kind') <> 'linen' ORDER BY ordinal",
        {},
      );
      return rows.map(({ id }) => asId(id));
    },
    balances: async (materialId) => {
      const rows = await select<BalanceRow>(
        `SELECT lot_id AS lotId, container_id AS containerId, quantity, first_at AS firstAt
         FROM balances ${materialId === undefined ? '' : 'WHERE material_id = :materialId'}
         ORDER BY material_id, lot_id, container_id`,
        { materialId },
      );
      return rows.map(({ lotId, containerId, quantity, firstAt }) => ({
        lotId: asId(lotId),
        ...(containerId !== '' && { containerId: asId(containerId) }),
        quantity,
        firstAt: toSecond(firstAt),
      }));
    },
    lots: async (ids) =>
      ids.length === 0
        ? []
        : (await rowsOf<LotRow>(lots, ['ordinal'], transaction, { id: ids })).map(lotOf),
    entry: async (entryId) =>
      (await rowsOf<MovementRow>(movements, ['line'], transaction, { entryId })).map(movementOf),
    takenBack,
    isCorrected: async (entryId) => (await takenBack([entryId])).length > 0,
    page: async (materialId, before, most) => {
      const rows = await select<MovementRow & { readonly ordinal: number }>(
        `SELECT ordinal, entry_id AS entryId, line, kind, at, material_id AS materialId,
           lot_id AS lotId, container_id AS containerId, quantity, reason, corrects, note
         FROM movements WHERE material_id = :materialId ${before === undefined ? '' : 'AND ordinal < :before'}
         ORDER BY ordinal DESC LIMIT :most`,
        { materialId, before, most },
      );
      return rows.map((row) => ({ ordinal: row.ordinal, movement: movementOf(row) }));
    },
    after: async (materialId, at) => {
      const rows = await select<MovementRow>(
        `SELECT entry_id AS entryId, line, kind, at, material_id AS materialId, lot_id AS lotId,
           container_id AS containerId, quantity, reason, corrects, note
         FROM movements WHERE material_id = :materialId AND at > :at ORDER BY ordinal`,
        { materialId, at: keptMoment(at) },
      );
      return rows.map(movementOf);
    },
    countedAt: async (materialId) => {
      const [row] = await select<{ readonly at: Date | null }>(
        "SELECT MAX(at) AS at FROM movements WHERE material_id = :materialId AND kind = 'count'",
        { materialId },
      );
      return row?.at ? toSecond(row.at) : undefined;
    },
    counts: async (until, most) => {
      if (until.length === 0) return [];
      /* Each material by itself, so that only its newest counts are read. */
      const parts = until.map(
        (_each, which) =>
          `(SELECT entry_id, material_id, MAX(at) AS at, SUM(quantity) AS difference
            FROM movements WHERE material_id = :m${which} AND kind = 'count' AND at <= :u${which}
            GROUP BY entry_id, material_id ORDER BY MAX(at) DESC, MAX(ordinal) DESC LIMIT :most)`,
      );
      const rows = await select<{
        readonly entryId: string;
        readonly materialId: string;
        readonly at: Date;
        readonly difference: number;
        readonly takenBack: number;
      }>(
        `SELECT n.entry_id AS entryId, n.material_id AS materialId, n.at, n.difference,
           EXISTS (SELECT 1 FROM movements c WHERE c.corrects = n.entry_id) AS takenBack
         FROM (${parts.join(' UNION ALL ')}) n ORDER BY n.at, n.entry_id`,
        {
          most,
          ...numbered(
            'm',
            until.map(({ materialId }) => materialId),
          ),
          ...numbered(
            'u',
            until.map(({ at }) => keptMoment(at)),
          ),
        },
      );
      return rows.map(({ entryId, materialId, at, difference, takenBack }) => ({
        entryId: asId(entryId),
        materialId: asId(materialId),
        at: toSecond(at),
        difference,
        takenBack: takenBack > 0,
      }));
    },
    goneBetween: async (spans) => {
      if (spans.length === 0) return [];
      /* Each span by itself: so the index alone is read, and no more of it. */
      const parts = spans.map(
        (_each, which) =>
          `SELECT ${which} AS span, kind, SUM(ABS(quantity)) AS quantity,
             COUNT(DISTINCT entry_id) AS entries
           FROM movements WHERE material_id = :m${which} AND kind IN (:gone)
             AND at > :a${which} AND at <= :u${which} AND quantity < 0
           GROUP BY kind`,
      );
      const rows = await select<{
        readonly span: number | bigint;
        readonly kind: (typeof GONE)[number];
        readonly quantity: number;
        readonly entries: number | bigint;
      }>(`${parts.join(' UNION ALL ')} ORDER BY span, kind`, {
        gone: GONE,
        ...numbered(
          'm',
          spans.map(({ materialId }) => materialId),
        ),
        ...numbered(
          'a',
          spans.map(({ after }) => keptMoment(after ?? BEGINNING)),
        ),
        ...numbered(
          'u',
          spans.map(({ until }) => keptMoment(until)),
        ),
      });
      return rows.flatMap(({ span, kind, quantity, entries }) => {
        const of = spans[Number(span)];
        if (!of) return [];
        const { materialId, until } = of;
        return [{ materialId, until, kind, quantity, entries: Number(entries) }];
      });
    },
    lotPages: async function* () {
      for await (const rows of pagesOf<LotRow>(lots, transaction)) yield rows.map(lotOf);
    },
    movementPages: async function* () {
      for await (const rows of pagesOf<MovementRow>(movements, transaction))
        yield rows.map(movementOf);
    },
    append: async (lot, entered, held) => {
      if (entered.some(({ materialId }) => !held.has(materialId))) {
        throw new Error('The ledger was written without holding its material.');
      }
      await writeRows(lots, lot ? [lotRow(lot)] : [], transaction);
      await writeRows(movements, entered.map(movementRow), transaction);
      await addUp(entered);
      /* What was entered stands in the ledger itself. */
      for (const [entryId, { materialId: id }] of new Map(
        entered.map((each) => [each.entryId, each]),
      )) {
        await audit.add({ part: 'ledger', id, before: null, after: { entryId } });
      }
    },
    loadLots: (all) => writeRows(lots, all.map(lotRow), transaction),
    loadMovements: (all) => writeRows(movements, all.map(movementRow), transaction),
    balance: async () => {
      await change('DELETE FROM balances', {});
      await change(`${ADD_UP} ${BY_CONTAINER}`, {});
    },
  };
}

/** Values as replacements `m0`, `m1` and so on. */
function numbered(letter: string, values: readonly unknown[]): Record<string, unknown> {
  return Object.fromEntries(values.map((value, which) => [`${letter}${which}`, value]));
}
