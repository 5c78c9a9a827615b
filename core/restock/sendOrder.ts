import type { House, Order, OrderLine, Supplier } from '../house/house';
import type { SentBy } from '../house/restock';
import { fail, ok, type Outcome } from '../problem/problem';
import { arrivalOf } from './arrival';

/** What a supplier says to an order, by its own article numbers. */
export interface SupplierAnswer {
  /** the supplier's number for the order */
  readonly reference: string;
  /** ISO date on which it should be there */
  readonly dueOn?: string;
  readonly lines: readonly {
    readonly code: string;
    /** that will be sent */
    readonly packs: number;
    /** the article that is sent in its place */
    readonly instead?: string;
    readonly words?: string;
  }[];
}

/**
 * An order as it is once it has been sent: due by the supplier's lead time and delivery days until the
 * supplier says another day.
 * @param today ISO date
 * @returns a problem for an order of nothing, one that was sent already, or one below what the supplier
 *   takes
 */
export function sentOrder(
  order: Order,
  supplier: Supplier,
  materials: House['materials'],
  by: SentBy,
  today: string,
): Outcome<Order> {
  const where = { orderId: order.id };
  if (order.state !== 'draft') {
    const message = `This order is ${order.state === 'sent' || order.state === 'confirmed' ? 'with the supplier already' : order.state}.`;
    return fail('order-not-draft', message, { ...where, field: 'state' });
  }
  if (order.lines.length === 0) {
    return fail('order-empty', 'There is nothing in this order yet: add a line first.', {
      ...where,
      field: 'lines',
    });
  }
  for (const line of order.lines) {
    const material = materials.find(({ id }) => id === line.materialId);
    const least = packOf(line, materials)?.leastPacks ?? 1;
    if (line.packs < least) {
      return fail(
        'too-few-packs',
        `${supplier.name} sells ${material?.name ?? 'this'} from ${least} packs on.`,
        { ...where, lineId: line.id, field: 'packs' },
      );
    }
  }
  const total = order.lines.reduce((sum, { packs, priceMinor }) => sum + packs * priceMinor, 0);
  if (total < (supplier.leastOrderMinor ?? 0)) {
    return fail(
      'order-too-small',
      `${supplier.name} takes no order as small as this: add what will be needed soon.`,
      { ...where, field: 'lines' },
    );
  }
  const leads = order.lines.map(
    (line) => packOf(line, materials)?.leadTimeDays ?? supplier.leadTimeDays,
  );
  return ok({
    ...order,
    state: 'sent',
    sent: { on: today, by },
    dueOn: arrivalOf(today, Math.max(...leads), supplier),
  });
}

/** What a supplier's answer makes of an order: its number, its day, what it will send of each line. */
export function applyAnswer(
  order: Order,
  answer: SupplierAnswer,
  materials: House['materials'],
): Order {
  const lines = order.lines.map((line): OrderLine => {
    const code = packOf(line, materials)?.code;
    const said = answer.lines.find((each) => each.code === code);
    if (!said) return line;
    const material = materials.find(({ id }) => id === line.materialId);
    const packs = material && material.kind !== 'linen' ? material.packs : [];
    const instead =
      said.instead === undefined ? undefined : packs.find((pack) => pack.code === said.instead);
    return {
      ...line,
      confirmed: {
        packs: said.packs,
        ...(instead && { packId: instead.id }),
        ...(said.words !== undefined && { words: said.words }),
      },
    };
  });
  return {
    ...order,
    state: 'confirmed',
    reference: answer.reference,
    ...(answer.dueOn !== undefined && { dueOn: answer.dueOn }),
    lines,
  };
}

function packOf(
  { materialId, packId }: Pick<OrderLine, 'materialId' | 'packId'>,
  materials: House['materials'],
) {
  const material = materials.find(({ id }) => id === materialId);
  if (!material || material.kind === 'linen') return undefined;
  return material.packs.find(({ id }) => id === packId);
}
