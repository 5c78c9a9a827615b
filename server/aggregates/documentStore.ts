import { Op, type Sequelize, type Transaction } from 'sequelize';
import type { Reference, ReferredKind } from '@bienestar/contract/references';
import { fromJson } from '../db/optional';
import { table, type Kept, type TableName } from '../db/tables';
import { storeOf, type Children, type Store } from './store';

/** An aggregate that lies in the database as the document it is. */
interface DocumentRow extends Kept {
  readonly id: string;
  readonly name: string;
  readonly body: unknown;
}

/** The column that says by whom something is used. */
type ByColumn =
  | 'byMixId'
  | 'byDeviceId'
  | 'byBlockId'
  | 'byProtocolId'
  | 'byOfferId'
  | 'byMenuId'
  | 'byScenarioId'
  | 'bySoldCourseId'
  | 'byOrderId';

/** The columns of what is used, by the kind of thing. */
const USED_COLUMN: Partial<Record<ReferredKind, string>> = {
  material: 'materialId',
  mix: 'mixId',
  device: 'deviceId',
  block: 'blockId',
  protocol: 'protocolId',
  person: 'personId',
  service: 'serviceId',
  offer: 'offerId',
  supplier: 'supplierId',
};

/**
 * The store of aggregates that are kept whole, with rows of what they use beside them, so that nothing
 * that is used can be removed.
 */
export function documentStore<T extends { readonly id: string; readonly name: string }>(
  sequelize: Sequelize,
  name: Extract<
    TableName,
    | 'mixes'
    | 'devices'
    | 'blocks'
    | 'protocols'
    | 'offers'
    | 'menus'
    | 'scenarios'
    | 'sold_courses'
    | 'orders'
    | 'counts'
  >,
  by: ByColumn | undefined,
  references: (value: T) => readonly Reference[],
  usedBy: Store<T>['usedBy'],
): Store<T> {
  return storeOf<T, DocumentRow>({
    table: table(sequelize, name),
    key: 'id',
    keyOf: (value) => value.id,
    toRow: (value) => ({ id: value.id, name: value.name, body: value }),
    fromRow: ({ body }) => fromJson<T>(body as T | string),
    children: by === undefined ? [] : [usesBy(sequelize, by, references)],
    usedBy,
  });
}

/** What something uses, as rows of `uses` without who uses it. */
export function usesRows(references: readonly Reference[]): Record<string, string>[] {
  const rows = new Map<string, Record<string, string>>();
  for (const { kind, id } of references) {
    const column = USED_COLUMN[kind];
    if (column !== undefined) rows.set(`${column}/${id}`, { [column]: id });
  }
  return [...rows.values()];
}

function usesBy<T extends { readonly id: string }>(
  sequelize: Sequelize,
  by: ByColumn,
  references: (value: T) => readonly Reference[],
): Children<T> {
  const uses = table<Record<string, string>>(sequelize, 'uses');
  const remove = async (where: object, transaction: Transaction): Promise<void> => {
    await uses.destroy({ where: where as never, transaction });
  };
  return {
    read: () => Promise.resolve(new Map()),
    remove: (id, tx) => remove({ [by]: id }, tx),
    removeAll: (tx) => remove({ [by]: { [Op.ne]: null } }, tx),
    write: async (values, tx) => {
      const rows = values.flatMap((value) =>
        usesRows(references(value)).map((row) => ({ [by]: value.id, ...row })),
      );
      if (rows.length > 0) await uses.bulkCreate(rows, { transaction: tx });
    },
  };
}
