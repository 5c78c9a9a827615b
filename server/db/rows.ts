import {
  DataTypes,
  QueryTypes,
  type ModelAttributeColumnOptions,
  type Sequelize,
  type Transaction,
} from 'sequelize';
import { keptMoment } from './moments';
import type { Table } from './tables';

/** Rows that are written at once. */
const ROWS_AT_ONCE = 500;
/** Rows that are read at once: few enough that others, who ask ten things of the database, wait ten times for little. */
const ROWS_OF_A_PAGE = 150;

/**
 * All rows of a table in the order in which they were written, page by page, so that neither memory nor
 * anybody's patience has to hold all of them.
 */
export async function* pagesOf<Row extends { readonly ordinal?: number }>(
  from: Table<Row>,
  transaction: Transaction,
): AsyncGenerator<Row[]> {
  const columns = columnsOf(from).map(({ name, column }) => `${column} AS ${name}`);
  for (let after = 0; ;) {
    const rows: Row[] = await sequelizeOf(from).query<Row>(
      `SELECT ${columns.join(', ')} FROM ${from.tableName} WHERE ordinal > :after ORDER BY ordinal LIMIT ${ROWS_OF_A_PAGE}`,
      { type: QueryTypes.SELECT, replacements: { after }, transaction },
    );
    if (rows.length > 0) yield rows;
    if (rows.length < ROWS_OF_A_PAGE) return;
    after = rows.at(-1)?.ordinal ?? Number.MAX_SAFE_INTEGER;
  }
}

/** Writes rows of a table, some at a time. Keys that a row lacks are left to the database. */
export async function writeRows<Row extends object>(
  to: Table<Row>,
  rows: readonly Row[],
  transaction: Transaction,
): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const columns = columnsOf(to).filter(({ name }) => Object.hasOwn(first, name));
  const into = columns.map(({ column }) => column).join(', ');
  for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) {
    const values = rows
      .slice(at, at + ROWS_AT_ONCE)
      .map((row) => columns.map(({ name, kept }) => kept((row as Record<string, unknown>)[name])));
    await sequelizeOf(to).query(`INSERT INTO ${to.tableName} (${into}) VALUES :values`, {
      type: QueryTypes.INSERT,
      replacements: { values },
      transaction,
    });
  }
}

interface Column {
  /** as in a row */
  readonly name: string;
  /** as in the table */
  readonly column: string;
  /** a value as the database keeps it */
  readonly kept: (value: unknown) => unknown;
}

const columns = new WeakMap<object, readonly Column[]>();

function columnsOf<Row extends object>(of: Table<Row>): readonly Column[] {
  const known = columns.get(of);
  if (known) return known;
  const attributes = Object.entries<ModelAttributeColumnOptions>(of.getAttributes());
  const made = attributes.map(([name, { field = name, type }]): Column => ({
    name,
    column: field,
    kept: keptAs(type),
  }));
  columns.set(of, made);
  return made;
}

function keptAs(type: unknown): Column['kept'] {
  const plain = (value: unknown): unknown => value ?? null;
  if (type instanceof DataTypes.JSON) {
    return (value) => (value === undefined || value === null ? null : JSON.stringify(value));
  }
  if (type instanceof DataTypes.DATE) {
    return (value) =>
      typeof value === 'string' || value instanceof Date ? keptMoment(value) : plain(value);
  }
  return plain;
}

function sequelizeOf<Row extends object>(of: Table<Row>): Sequelize {
  if (!of.sequelize) throw new Error(`${of.name} is in no database.`);
  return of.sequelize;
}

/** The rows of a table as plain values, in the order asked for. */
export async function rowsOf<Row extends object>(
  from: Table<Row>,
  order: readonly (keyof Row & string)[],
  transaction: Transaction,
  where: Partial<Record<keyof Row & string, string | readonly string[]>> = {},
): Promise<Row[]> {
  const found = await from.findAll({
    raw: true,
    transaction,
    where: where as never,
    order: order.map((column) => [column, 'ASC']),
  });
  return found as unknown as Row[];
}
