import type Joi from 'joi';
import { Op, type FindOptions, type WhereOptions } from 'sequelize';
import { unversioned, type Versioned } from '@bienestar/contract/api';
import { type Use } from '@bienestar/contract/problems';
import type { AuditTrail } from '../audit/auditTrail';
import { fromJson } from '../db/optional';
import { table, type TableName } from '../db/tables';
import type { Session } from '../db/transactions';
import { checkDocument } from './checkedDocuments';
import { usesRows, type Held, type UserColumn } from './uses';

/** A thing as it lies in the database: the document that it is, its version, and its place among its kind. */
interface DocumentRow {
  readonly id: string;
  readonly version: number;
  readonly ordinal?: number;
  readonly name: string;
  readonly body: unknown;
}

const FIRST_VERSION = 1;

/** How a kind of thing is kept. */
export interface DocumentKind<T extends object> {
  readonly table: TableName;
  /** what it is checked against when it is read */
  readonly schema: Joi.Schema<T>;
  /** what it is called in the audit trail */
  readonly part: string;
  readonly idOf: (value: T) => string;
  readonly nameOf: (value: T) => string;
  /** the column of `uses` that says that this kind uses something; none where it holds nothing fast */
  readonly user?: UserColumn;
  readonly references?: (value: T) => readonly Held[];
  /** what points to the thing, and so keeps it from being removed */
  readonly usedBy?: (id: string) => Promise<Use[]>;
  /** columns of its own, by which things of this kind are chosen */
  readonly columns?: (value: T) => Readonly<Record<string, unknown>>;
}

/** A run of things, the newest first. */
interface DocumentPage<T> {
  readonly things: Versioned<T>[];
  /** where the next page begins; none on the last */
  readonly next?: number;
}

/** Reads and writes one kind of thing, in one unit of work. */
export interface Repository<T extends object> {
  readonly all: () => Promise<Versioned<T>[]>;
  /** those whose columns say so, in the order of the house */
  readonly where: (columns: WhereOptions) => Promise<Versioned<T>[]>;
  /** the newest first, those written before one of that ordinal */
  readonly page: (
    most: number,
    before: number | undefined,
    columns?: WhereOptions,
  ) => Promise<DocumentPage<T>>;
  readonly find: (id: string) => Promise<Versioned<T> | undefined>;
  readonly insert: (value: T) => Promise<void>;
  /** false when nothing of that id and version is there */
  readonly replace: (value: T, version: number) => Promise<boolean>;
  /** false when nothing of that id and version is there */
  readonly remove: (id: string, version: number) => Promise<boolean>;
  /** keeps others from writing it until the transaction ends */
  readonly hold: (id: string) => Promise<void>;
  readonly usedBy: (id: string) => Promise<Use[]>;
  /** puts things into a database that nobody uses yet */
  readonly load: (values: readonly T[], version: number) => Promise<void>;
}

/**
 * The repository of a kind of thing: each is kept whole, with rows of what it uses beside it, so that nothing
 * that is used can be removed.
 */
export function documentRepository<T extends object>(
  { sequelize, transaction }: Session,
  audit: AuditTrail,
  kind: DocumentKind<T>,
): Repository<T> {
  const { part, idOf, nameOf, user, references = () => [], usedBy, columns } = kind;
  const documents = table<DocumentRow>(sequelize, kind.table);
  const uses = table<Record<string, string | number>>(sequelize, 'uses');
  const rowFor = (value: T, version: number): DocumentRow => ({
    id: idOf(value),
    name: nameOf(value),
    version,
    body: value,
    ...columns?.(value),
  });
  const noteUses = async (values: readonly T[]): Promise<void> => {
    if (user === undefined) return;
    const rows = values.flatMap((value) =>
      usesRows(references(value)).map((row) => ({ [user]: idOf(value), ...row })),
    );
    if (rows.length > 0) await uses.bulkCreate(rows, { transaction });
  };
  const select = async (options: FindOptions): Promise<DocumentRow[]> =>
    (await documents.findAll({ raw: true, transaction, ...options })) as unknown as DocumentRow[];
  const thingOf = ({ id, body, version }: DocumentRow): Versioned<T> => {
    const value = fromJson<T>(body as T | string);
    checkDocument(sequelize, { table: kind.table, id, version }, kind.schema, value);
    return { ...value, version };
  };
  const where: Repository<T>['where'] = async (chosen) =>
    (await select({ where: chosen, order: [['ordinal', 'ASC']] })).map(thingOf);

  const find = async (id: string): Promise<Versioned<T> | undefined> => (await where({ id }))[0];
  const asItIs = async (id: string): Promise<T | null> => {
    const found = await find(id);
    return found ? unversioned<T>(found) : null;
  };
  const load: Repository<T>['load'] = async (values, version) => {
    await documents.bulkCreate(
      values.map((value) => rowFor(value, version)),
      { transaction },
    );
    await noteUses(values);
  };

  return {
    all: () => where({}),
    where,
    page: async (most, before, chosen = {}) => {
      const rows = await select({
        where:
          before === undefined ? chosen : { [Op.and]: [chosen, { ordinal: { [Op.lt]: before } }] },
        order: [['ordinal', 'DESC']],
        limit: most,
      });
      const last = rows.length === most ? rows.at(-1)?.ordinal : undefined;
      return { things: rows.map(thingOf), ...(last !== undefined && { next: last }) };
    },
    find,
    load,
    insert: async (value) => {
      await load([value], FIRST_VERSION);
      await audit.add({ part, id: idOf(value), before: null, after: value });
    },
    replace: async (value, version) => {
      const id = idOf(value);
      const before = await asItIs(id);
      const where = { id, version };
      const [touched] = await documents.update(rowFor(value, version + 1), { where, transaction });
      if (touched === 0) return false;
      if (user !== undefined) await uses.destroy({ where: { [user]: id }, transaction });
      await noteUses([value]);
      await audit.add({ part, id, before, after: value });
      return true;
    },
    remove: async (id, version) => {
      const before = await asItIs(id);
      const gone = await documents.destroy({ where: { id, version }, transaction });
      if (gone === 0) return false;
      await audit.add({ part, id, before, after: null });
      return true;
    },
    hold: async (id) => {
      await documents.findOne({ where: { id }, transaction, lock: true, raw: true });
    },
    usedBy: usedBy ?? (() => Promise.resolve([])),
  };
}
