import { nanoid } from '@reduxjs/toolkit';
import type { Order, OrderLine, Supplier } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { ProposedLine, Proposal } from '@bienestar/core/restock/proposeOrders';

/** The next number of the house's orders: "No. 34". */
function nextOrderName(orders: readonly Pick<Order, 'name'>[]): string {
  const numbers = orders.flatMap(({ name }) => {
    const [, digits] = /(\d+)\s*$/.exec(name) ?? [];
    return digits === undefined ? [] : [Number(digits)];
  });
  return `No. ${Math.max(0, ...numbers) + 1}`;
}

/** A proposed line as a line of an order. */
export function orderLineOf({ material, pack, packs, priceMinor, why }: ProposedLine): OrderLine {
  return {
    id: asId(nanoid(10)),
    materialId: material.id,
    packId: pack.id,
    packs,
    priceMinor,
    why,
    received: [],
    refused: 0,
  };
}

/** A draft of an order to a supplier. */
export function draftOrder(
  supplier: Pick<Supplier, 'id'>,
  lines: readonly OrderLine[],
  today: string,
  orders: readonly Pick<Order, 'name'>[],
): Order {
  return {
    id: asId(nanoid(12)),
    name: nextOrderName(orders),
    supplierId: supplier.id,
    state: 'draft',
    writtenOn: today,
    lines,
  };
}

/** A proposal as a draft. */
export function draftOf(
  { supplier, lines }: Proposal,
  today: string,
  orders: readonly Pick<Order, 'name'>[],
): Order {
  return draftOrder(supplier, lines.map(orderLineOf), today, orders);
}
