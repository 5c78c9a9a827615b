import type { Transaction } from 'sequelize';
import type { Use, Versioned } from '@bienestar/contract/api';
import { rowsOf } from '../db/rows';
import type { Kept, Table } from '../db/tables';

/** Rows of another table that belong to an aggregate and are written with it. */
export interface Children<T> {
  /** reads all children, or those of one aggregate, each under the id of its aggregate */
  readonly read: (tx: Transaction, ownerId?: string) => Promise<Map<string, object[]>>;
  readonly remove: (ownerId: string, tx: Transaction) => Promise<void>;
  readonly removeAll: (tx: Transaction) => Promise<void>;
  readonly write: (values: readonly T[], tx: Transaction) => Promise<void>;
}

/** How a kind of aggregate lies in the database. */
export interface Mapping<T extends object, Row extends Kept & object> {
  readonly table: Table<Row>;
  readonly key: keyof Row & string;
  readonly keyOf: (value: T) => string;
  readonly toRow: (value: T) => Omit<Row, 'version' | 'ordinal'>;
  readonly fromRow: (row: Row, children: readonly (readonly object[])[]) => T;
  readonly children: readonly Children<T>[];
  /** what points to the aggregate, and so keeps it from being removed */
  readonly usedBy: (id: string, tx: Transaction) => Promise<Use[]>;
}

/** Reads and writes one kind of aggregate; every call runs inside the caller's transaction. */
export interface Store<T extends object> {
  readonly all: (tx: Transaction) => Promise<Versioned<T>[]>;
  readonly find: (id: string, tx: Transaction) => Promise<Versioned<T> | undefined>;
  readonly insert: (values: readonly T[], version: number, tx: Transaction) => Promise<void>;
  /** false when nothing of that id and version is there */
  readonly replace: (value: T, version: number, tx: Transaction) => Promise<boolean>;
  /** false when nothing of that id and version is there */
  readonly remove: (id: string, version: number, tx: Transaction) => Promise<boolean>;
  readonly removeAll: (tx: Transaction) => Promise<void>;
  /** keeps others from writing it until the transaction ends */
  readonly hold: (id: string, tx: Transaction) => Promise<void>;
  readonly usedBy: (id: string, tx: Transaction) => Promise<Use[]>;
}

/** The store of a kind of aggregate. */
export function storeOf<T extends object, Row extends Kept & object>(
  mapping: Mapping<T, Row>,
): Store<T> {
  const { table, key, keyOf, toRow, fromRow, children, usedBy } = mapping;
  const idOf = (row: Row): string => String(row[key]);
  const at = (id: string, version?: number): never =>
    ({ [key]: id, ...(version === undefined ? {} : { version }) }) as never;

  const read = async (tx: Transaction, id?: string): Promise<Versioned<T>[]> => {
    const where = id === undefined ? {} : { [key]: id };
    const rows = await rowsOf<Row>(table, ['ordinal'], tx, where as never);
    const of = await Promise.all(children.map((child) => child.read(tx, id)));
    return rows.map((row) => ({
      ...fromRow(
        row,
        of.map((byOwner) => byOwner.get(idOf(row)) ?? []),
      ),
      version: row.version,
    }));
  };

  return {
    all: (tx) => read(tx),
    find: async (id, tx) => (await read(tx, id))[0],
    insert: async (values, version, tx) => {
      const rows = values.map((value) => ({ ...toRow(value), version }) as unknown as Row);
      await table.bulkCreate(rows as never, { transaction: tx });
      for (const child of children) await child.write(values, tx);
    },
    replace: async (value, version, tx) => {
      const row = { ...toRow(value), version: version + 1 } as unknown as Row;
      const [touched] = await table.update(row, {
        where: at(keyOf(value), version),
        transaction: tx,
      });
      if (touched === 0) return false;
      for (const child of children) {
        await child.remove(keyOf(value), tx);
        await child.write([value], tx);
      }
      return true;
    },
    remove: async (id, version, tx) =>
      (await table.destroy({ where: at(id, version), transaction: tx })) > 0,
    removeAll: async (tx) => {
      for (const child of children) await child.removeAll(tx);
      await table.destroy({ where: {}, transaction: tx });
    },
    hold: async (id, tx) => {
      await table.findOne({ where: at(id), transaction: tx, lock: true, raw: true });
    },
    usedBy,
  };
}

/** Children that lie in one table, found by the id of their aggregate. */
export function childrenIn<T, Row extends object>(
  table: Table<Row>,
  owner: keyof Row & string,
  order: readonly (keyof Row & string)[],
  toRows: (value: T) => readonly Row[],
): Children<T> {
  return {
    read: async (tx, ownerId) => {
      const where = ownerId === undefined ? {} : { [owner]: ownerId };
      const rows = await rowsOf<Row>(table, order, tx, where as never);
      return groupRows(rows, owner);
    },
    remove: async (ownerId, tx) => {
      await table.destroy({ where: { [owner]: ownerId } as never, transaction: tx });
    },
    removeAll: async (tx) => {
      await table.destroy({ where: {}, transaction: tx });
    },
    write: async (values, tx) => {
      const rows = values.flatMap(toRows);
      if (rows.length > 0) await table.bulkCreate(rows as never, { transaction: tx });
    },
  };
}

function groupRows<Row extends object>(
  rows: readonly Row[],
  owner: keyof Row & string,
): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const id = String(row[owner]);
    const group = groups.get(id);
    if (group) group.push(row);
    else groups.set(id, [row]);
  }
  return groups;
}
