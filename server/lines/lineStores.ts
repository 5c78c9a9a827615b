import type { Sequelize } from 'sequelize';
import type { Demand } from '@bienestar/core/house/house';
import { storeOf, type Store } from '../aggregates/store';
import { usedByNothing } from '../aggregates/users';
import { table, type Kept } from '../db/tables';

/** The demand plan in the database, one line a service. */
export function demandStore(sequelize: Sequelize): Store<Demand> {
  const columns = ({ serviceId, visitsPerWeek }: Demand): Demand => ({ serviceId, visitsPerWeek });
  return storeOf<Demand, Kept & Demand>({
    table: table(sequelize, 'demand'),
    key: 'serviceId',
    keyOf: (line) => line.serviceId,
    toRow: columns,
    fromRow: columns,
    children: [],
    usedBy: usedByNothing,
  });
}
