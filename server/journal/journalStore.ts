import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { unversioned } from '@bienestar/contract/api';
import type { JournalEntry, JournalPart } from '@bienestar/core/house/journal';
import { dayOf } from '@bienestar/core/days/days';
import type { Store } from '../documents/documentStore';
import { fromJson } from '../db/optional';
import { rowsOf, writeRows } from '../db/rows';
import { table } from '../db/tables';

interface JournalRow {
  readonly onDay: string;
  readonly part: string;
  readonly thingId: string;
  readonly beforeIt: unknown;
}

/** A change holds a whole thing. */
const CHANGES_AT_ONCE = 100;

/** What was changed, as it was before; of each thing the first change of a day. */
export interface JournalStore {
  /** oldest first */
  readonly all: (tx: Transaction) => Promise<JournalEntry[]>;
  /** oldest first, page by page */
  readonly pages: (tx: Transaction) => AsyncGenerator<JournalEntry[]>;
  readonly insert: (entries: readonly JournalEntry[], tx: Transaction) => Promise<void>;
  /** keeps how something was before a change of today, unless it is kept already */
  readonly note: (entry: Omit<JournalEntry, 'on'>, tx: Transaction) => Promise<void>;
}

/** The journal in the database. */
export function journalStore(sequelize: Sequelize): JournalStore {
  const journal = table<JournalRow>(sequelize, 'journal');
  const write = async (
    entries: readonly JournalEntry[],
    tx: Transaction,
    options: object,
  ): Promise<void> => {
    if (entries.length === 0) return;
    await journal.bulkCreate(entries.map(rowOf), { transaction: tx, ...options });
  };
  return {
    all: async (tx) =>
      (await rowsOf<JournalRow>(journal, ['onDay', 'part', 'thingId'], tx)).map(entryOf),
    pages: async function* (tx) {
      for (let last: JournalRow | undefined; ;) {
        const rows: JournalRow[] = await sequelize.query<JournalRow>(
          `SELECT on_day AS onDay, part, thing_id AS thingId, before_it AS beforeIt FROM journal
           ${last ? 'WHERE on_day >= :onDay AND (on_day > :onDay OR (part, thing_id) > (:part, :thingId))' : ''}
           ORDER BY on_day, part, thing_id LIMIT ${CHANGES_AT_ONCE}`,
          { type: QueryTypes.SELECT, replacements: { ...last }, transaction: tx },
        );
        if (rows.length > 0) yield rows.map(entryOf);
        if (rows.length < CHANGES_AT_ONCE) return;
        last = rows.at(-1);
      }
    },
    insert: (entries, tx) => writeRows(journal, entries.map(rowOf), tx),
    note: (entry, tx) =>
      write([{ on: dayOf(new Date()), ...entry } as JournalEntry], tx, { ignoreDuplicates: true }),
  };
}

/** A store that notes in the journal how its things were, in the same transaction. */
export function journaling<T extends { readonly id: string }>(
  store: Store<T>,
  part: Exclude<JournalPart, 'settings'>,
  journal: JournalStore,
): Store<T> {
  const note = (id: string, before: T | null, tx: Transaction): Promise<void> =>
    journal.note({ part, id, before } as unknown as JournalEntry, tx);
  const asItIs = async (id: string, tx: Transaction): Promise<T | null> => {
    const found = await store.find(id, tx);
    return found ? unversioned<T>(found) : null;
  };
  return {
    ...store,
    insert: async (values, version, tx) => {
      await store.insert(values, version, tx);
      for (const { id } of values) await note(id, null, tx);
    },
    replace: async (value, version, tx) => {
      const before = await asItIs(value.id, tx);
      if (!(await store.replace(value, version, tx))) return false;
      await note(value.id, before, tx);
      return true;
    },
    remove: async (id, version, tx) => {
      const before = await asItIs(id, tx);
      if (!(await store.remove(id, version, tx))) return false;
      await note(id, before, tx);
      return true;
    },
  };
}

function rowOf({ on, part, id, before }: JournalEntry): JournalRow {
  return { onDay: on, part, thingId: id, beforeIt: before };
}

function entryOf({ onDay, part, thingId, beforeIt }: JournalRow): JournalEntry {
  const before = beforeIt === null ? null : fromJson<unknown>(beforeIt);
  return { on: onDay, part, id: thingId, before } as JournalEntry;
}
