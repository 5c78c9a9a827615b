import type { Sequelize } from 'sequelize';
import type { Supplier } from '@bienestar/core/house/house';
import { storeOf, type Store } from '../aggregates/store';
import { usersBy } from '../aggregates/users';
import { fromJson, orNull, present } from '../db/optional';
import { table, type Kept } from '../db/tables';

interface SupplierRow
  extends Kept, Pick<Supplier, 'id' | 'name' | 'leadTimeDays' | 'leadTimeSdDays' | 'reviewDays'> {
  readonly deliveryDays: NonNullable<Supplier['deliveryDays']> | string | null;
  readonly leastOrderMinor: number | null;
  readonly feed: string | null;
  readonly listColumns: NonNullable<Supplier['columns']> | string | null;
}

/** Suppliers, how they deliver and how their lists read, in the database. */
export function supplierStore(sequelize: Sequelize): Store<Supplier> {
  return storeOf<Supplier, SupplierRow>({
    table: table(sequelize, 'suppliers'),
    key: 'id',
    keyOf: (supplier) => supplier.id,
    toRow: ({ deliveryDays, leastOrderMinor, feed, columns, ...plain }) => ({
      ...plain,
      deliveryDays: orNull(deliveryDays),
      leastOrderMinor: orNull(leastOrderMinor),
      feed: orNull(feed),
      listColumns: orNull(columns),
    }),
    fromRow: ({ id, name, leadTimeDays, leadTimeSdDays, reviewDays, ...row }) => ({
      id,
      name,
      leadTimeDays,
      leadTimeSdDays,
      reviewDays,
      ...present({
        deliveryDays: row.deliveryDays === null ? null : fromJson(row.deliveryDays),
        leastOrderMinor: row.leastOrderMinor,
        feed: row.feed,
        columns: row.listColumns === null ? null : fromJson(row.listColumns),
      }),
    }),
    children: [],
    usedBy: usersBy(sequelize, {
      material:
        'SELECT DISTINCT m.id, m.name FROM materials m JOIN packs p ON p.material_id = m.id WHERE p.supplier_id = :id ORDER BY m.ordinal',
    }),
  });
}
