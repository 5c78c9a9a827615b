import { QueryTypes } from 'sequelize';
import type { Order } from '@bienestar/core/house/house';
import type { Session } from '../db/transactions';
import type { Repository } from '../documents/documentRepository';

/** Reads and writes orders, which know by which entries of the ledger something came of them. */
export interface OrderRepository extends Repository<Order> {
  /** the ids of the orders of which something came by these entries */
  readonly receivedBy: (entryIds: readonly string[]) => Promise<string[]>;
}

/** The orders in one database. */
export function orderRepository(
  { sequelize, transaction }: Session,
  orders: Repository<Order>,
): OrderRepository {
  return {
    ...orders,
    receivedBy: async (entryIds) => {
      if (entryIds.length === 0) return [];
      const rows = await sequelize.query<{ readonly id: string }>(
        'SELECT DISTINCT by_order_id AS id FROM uses WHERE entry_id IN (:entryIds)',
        { type: QueryTypes.SELECT, replacements: { entryIds }, transaction },
      );
      return rows.map(({ id }) => id);
    },
  };
}
