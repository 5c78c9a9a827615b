import type { Sequelize } from 'sequelize';
import { referencesOfOrder } from '@bienestar/contract/references';
import { receivedPacks } from '@bienestar/core/restock/orderProgress';
import type { Order } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usedByNothing } from '../aggregates/users';

/** Orders in the database. One that something came of stays: the ledger names it. */
export function orderStore(sequelize: Sequelize): Store<Order> {
  const orders = documentStore<Order>(
    sequelize,
    'orders',
    'byOrderId',
    referencesOfOrder,
    usedByNothing,
  );
  return {
    ...orders,
    usedBy: async (id, tx) => {
      const order = await orders.find(id, tx);
      const came = order?.lines.some((line) => receivedPacks(line) > 0) ?? false;
      return order && came ? [{ kind: 'delivery', id, name: `what came of ${order.name}` }] : [];
    },
  };
}

/**
 * A store in which an order keeps what came of it whatever is written: only receiving changes that, and
 * taking an entry back in the ledger.
 */
export function keepingReceipts(orders: Store<Order>): Store<Order> {
  const withReceipts = (order: Order, before: Order | undefined): Order => {
    const known = new Map(before?.lines.map((line) => [line.id, line]));
    return {
      ...order,
      lines: order.lines.map((line) => {
        const { received = [], refused = 0 } = known.get(line.id) ?? {};
        return { ...line, received, refused };
      }),
    };
  };
  return {
    ...orders,
    insert: (values, version, tx) =>
      orders.insert(
        values.map((order) => withReceipts(order, undefined)),
        version,
        tx,
      ),
    replace: async (order, version, tx) =>
      orders.replace(withReceipts(order, await orders.find(order.id, tx)), version, tx),
  };
}
