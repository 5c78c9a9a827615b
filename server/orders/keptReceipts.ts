import type { Order } from '@bienestar/core/house/house';
import type { Repository } from '../documents/documentRepository';

/**
 * A store in which an order keeps what came of it whatever is written: only receiving changes that, and
 * taking an entry back in the ledger.
 */
export function keptReceipts(orders: Repository<Order>): Repository<Order> {
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
    insert: (order) => orders.insert(withReceipts(order, undefined)),
    replace: async (order, version) =>
      orders.replace(withReceipts(order, await orders.find(order.id)), version),
  };
}
