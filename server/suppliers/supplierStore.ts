import type { Sequelize } from 'sequelize';
import type { Supplier } from '@bienestar/core/house/house';
import { storeOf, type Store } from '../aggregates/store';
import { usersBy } from '../aggregates/users';
import { table, type Kept } from '../db/tables';

type SupplierRow = Kept & Supplier;

/** Suppliers and their lead times in the database. */
export function supplierStore(sequelize: Sequelize): Store<Supplier> {
  const columns = ({ id, name, leadTimeDays, leadTimeSdDays, reviewDays }: Supplier): Supplier => ({
    id,
    name,
    leadTimeDays,
    leadTimeSdDays,
    reviewDays,
  });
  return storeOf<Supplier, SupplierRow>({
    table: table(sequelize, 'suppliers'),
    key: 'id',
    keyOf: (supplier) => supplier.id,
    toRow: columns,
    fromRow: columns,
    children: [],
    usedBy: usersBy(sequelize, {
      material: 'SELECT id, name FROM materials WHERE supplier_id = :id ORDER BY ordinal',
    }),
  });
}
