import jsonPatch from 'fast-json-patch';
import { QueryTypes } from 'sequelize';
import type { AuditEntry } from '@bienestar/contract/api';
import { todayOf, type HouseClock } from '@bienestar/core/days/days';
import { toSecond } from '@bienestar/core/days/instants';
import type { JournalEntry, JournalPart } from '@bienestar/core/house/journal';
import { fromJson } from '../db/optional';
import { pagesOf, writeRows } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';

/*
 * What was written, by whom and when; rows are added and never changed. Of what figures in costs and prices
 * the first row of a day also says how the thing was before: that is the journal from which any earlier day
 * can be had.
 */

interface AuditRow {
  readonly ordinal?: number;
  readonly at: Date;
  readonly onDay: string;
  readonly actor: string;
  readonly part: string;
  readonly thingId: string;
  readonly difference: readonly object[] | string;
  readonly beginsDay: boolean;
  readonly beforeIt: unknown;
}

/** A write of one thing: how it was before and after; nothing where there was or is none. */
interface AuditedWrite {
  readonly part: string;
  readonly id: string;
  readonly before: object | null;
  readonly after: object | null;
}

/** Who writes, and when. */
export interface Occasion extends HouseClock {
  readonly actor: string;
}

/** The audit trail of a house, and the journal in it. */
export interface AuditTrail {
  /** adds what was written */
  readonly add: (write: AuditedWrite) => Promise<void>;
  /** of one thing, the newest first */
  readonly of: (part: string, id: string, most: number) => Promise<AuditEntry[]>;
  /** how things were before a day, oldest first */
  readonly journal: () => Promise<JournalEntry[]>;
  /** the same, page by page */
  readonly journalPages: () => AsyncGenerator<JournalEntry[]>;
  /** puts a journal into a database that nobody uses yet */
  readonly loadJournal: (entries: readonly JournalEntry[]) => Promise<void>;
}

/** What figures in costs and prices, and so is remembered as it was. */
const JOURNALED: ReadonlySet<string> = new Set<JournalPart>([
  'settings',
  'rooms',
  'people',
  'materials',
  'mixes',
  'devices',
  'blocks',
  'protocols',
  'services',
]);

const SELECT = `SELECT on_day AS onDay, part, thing_id AS thingId, before_it AS beforeIt FROM audit
  WHERE begins_day ORDER BY on_day, part, thing_id`;

/** The audit trail in the database. */
export function auditTrail(
  { sequelize, transaction }: Session,
  { actor, ...clock }: Occasion,
): AuditTrail {
  const audit = table<AuditRow>(sequelize, 'audit');
  const { now } = clock;
  const onDay = todayOf(clock);
  const isFirstOfDay = async (part: string, thingId: string): Promise<boolean> => {
    const rows = await sequelize.query(
      'SELECT 1 FROM audit WHERE part = :part AND thing_id = :thingId AND on_day = :onDay AND begins_day LIMIT 1',
      { type: QueryTypes.SELECT, replacements: { part, thingId, onDay }, transaction },
    );
    return rows.length === 0;
  };
  return {
    add: async ({ part, id, before, after }) => {
      const beginsDay = JOURNALED.has(part) && (await isFirstOfDay(part, id));
      const row: AuditRow = {
        at: now,
        onDay,
        actor,
        part,
        thingId: id,
        difference: differenceOf(before, after),
        beginsDay,
        beforeIt: beginsDay ? before : null,
      };
      await writeRows(audit, [row], transaction);
    },
    of: async (part, thingId, most) => {
      const rows = await audit.findAll({
        raw: true,
        where: { part, thingId },
        order: [['ordinal', 'DESC']],
        limit: most,
        transaction,
      });
      return (rows as unknown as AuditRow[]).map((row) => ({
        at: toSecond(row.at),
        actor: row.actor,
        part: row.part,
        id: row.thingId,
        difference: fromJson(row.difference),
      }));
    },
    journal: async () => {
      const rows = await sequelize.query<AuditRow>(SELECT, {
        type: QueryTypes.SELECT,
        transaction,
      });
      return rows.map(entryOf);
    },
    journalPages: async function* () {
      for await (const rows of pagesOf<AuditRow>(audit, transaction)) {
        yield rows.filter(({ beginsDay }) => beginsDay).map(entryOf);
      }
    },
    loadJournal: (entries) => writeRows(audit, entries.map(rowOf), transaction),
  };
}

function differenceOf(was: object | null, is: object | null): readonly object[] {
  if (was === null || is === null)
    return [{ op: is === null ? 'remove' : 'add', path: '', value: is }];
  return jsonPatch.compare(was, is);
}

function rowOf({ on, part, id, before }: JournalEntry): AuditRow {
  return {
    at: new Date(`${on}T00:00:00Z`),
    onDay: on,
    actor: '',
    part,
    thingId: id,
    difference: [],
    beginsDay: true,
    beforeIt: before,
  };
}

function entryOf({ onDay, part, thingId, beforeIt }: AuditRow): JournalEntry {
  const before = beforeIt === null ? null : fromJson<unknown>(beforeIt);
  return { on: onDay, part, id: thingId, before } as JournalEntry;
}
