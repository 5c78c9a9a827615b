import { Op, type Sequelize, type Transaction } from 'sequelize';
import type { Use, Versioned } from '@bienestar/contract/api';
import type { Reference } from '@bienestar/contract/references';
import { fromJson } from '../db/optional';
import { rowsOf } from '../db/rows';
import { table, type TableName } from '../db/tables';
import { usesRows, type UserColumn } from './uses';

/** A thing as it lies in the database: the document that it is, its version, and its place among its kind. */
interface DocumentRow {
  readonly id: string;
  readonly version: number;
  readonly ordinal?: number;
  readonly name: string;
  readonly body: unknown;
}

/** How a kind of thing is kept. */
export interface DocumentKind<T extends object> {
  readonly table: TableName;
  readonly idOf: (value: T) => string;
  readonly nameOf: (value: T) => string;
  /** the column of `uses` that says that this kind uses something; none where it holds nothing fast */
  readonly user?: UserColumn;
  readonly references?: (value: T) => readonly Reference[];
  /** what points to the thing, and so keeps it from being removed */
  readonly usedBy?: (id: string, tx: Transaction) => Promise<Use[]>;
}

/** Reads and writes one kind of thing; every call runs inside the caller's transaction. */
export interface Store<T extends object> {
  readonly all: (tx: Transaction) => Promise<Versioned<T>[]>;
  readonly find: (id: string, tx: Transaction) => Promise<Versioned<T> | undefined>;
  readonly insert: (values: readonly T[], version: number, tx: Transaction) => Promise<void>;
  /** false when nothing of that id and version is there */
  readonly replace: (value: T, version: number, tx: Transaction) => Promise<boolean>;
  /** false when nothing of that id and version is there */
  readonly remove: (id: string, version: number, tx: Transaction) => Promise<boolean>;
  /** keeps others from writing it until the transaction ends */
  readonly hold: (id: string, tx: Transaction) => Promise<void>;
  readonly usedBy: (id: string, tx: Transaction) => Promise<Use[]>;
}

/**
 * The store of a kind of thing: each is kept whole, with rows of what it uses beside it, so that nothing
 * that is used can be removed.
 */
export function documentStore<T extends object>(
  sequelize: Sequelize,
  kind: DocumentKind<T>,
): Store<T> {
  const { idOf, nameOf, user, references = () => [], usedBy } = kind;
  const documents = table<DocumentRow>(sequelize, kind.table);
  const uses = table<Record<string, string | number>>(sequelize, 'uses');
  const rowFor = (value: T, version: number): DocumentRow => ({
    id: idOf(value),
    name: nameOf(value),
    version,
    body: value,
  });
  const noteUses = async (values: readonly T[], transaction: Transaction): Promise<void> => {
    if (user === undefined) return;
    const rows = values.flatMap((value) =>
      usesRows(references(value)).map((row) => ({ [user]: idOf(value), ...row })),
    );
    if (rows.length > 0) await uses.bulkCreate(rows, { transaction });
  };
  const read = async (tx: Transaction, where: Partial<Record<'id', string>>) => {
    const rows = await rowsOf<DocumentRow>(documents, ['ordinal'], tx, where);
    return rows.map(({ body, version }) => ({ ...fromJson<T>(body as T | string), version }));
  };

  return {
    all: (tx) => read(tx, {}),
    find: async (id, tx) => (await read(tx, { id }))[0],
    insert: async (values, version, transaction) => {
      const rows = values.map((value) => rowFor(value, version));
      await documents.bulkCreate(rows, { transaction });
      await noteUses(values, transaction);
    },
    replace: async (value, version, transaction) => {
      const id = idOf(value);
      const where = { id, version };
      const [touched] = await documents.update(rowFor(value, version + 1), { where, transaction });
      if (touched === 0) return false;
      if (user !== undefined) await uses.destroy({ where: { [user]: id }, transaction });
      await noteUses([value], transaction);
      return true;
    },
    remove: async (id, version, transaction) =>
      (await documents.destroy({ where: { id, version }, transaction })) > 0,
    hold: async (id, transaction) => {
      await documents.findOne({
        where: { id: { [Op.eq]: id } },
        transaction,
        lock: true,
        raw: true,
      });
    },
    usedBy: usedBy ?? (() => Promise.resolve([])),
  };
}
