import type { House, Order, OrderLine } from '../house/house';
import type { EntryId, LotId, OrderLineId, PackId } from '../house/ids';
import {
  fail,
  failWith,
  ok,
  problem,
  type CodeAbout,
  type Outcome,
  type Problem,
} from '../problem/problem';
import type { DeliveryEntry } from '../stock/entries';
import { LARGEST_MINOR, MOST_PACKS } from '../house/limits';
import { isUnderWay, openPacksOf, receivedPacks } from './orderProgress';

/** What an order holds of one line. */
const MOST_RECEIPTS = 200;

/** What came of one line, as it was checked at the door. */
export interface ReceivedLine {
  readonly lineId: OrderLineId;
  /** made by whoever receives, so that a delivery sent twice counts once */
  readonly entryId: EntryId;
  readonly lotId: LotId;
  readonly packId: PackId;
  readonly packs: number;
  readonly code: string;
  readonly expiresOn?: string;
  /** on the invoice, for one pack, in minor units */
  readonly paidMinor?: number;
  /** packs sent back at once */
  readonly refused: number;
  /** said where more came than was ordered and all of it stays */
  readonly tooMany?: 'keep';
}

/** A delivery, or a part of one. */
export interface Receiving {
  /** ISO date */
  readonly on: string;
  readonly lines: readonly ReceivedLine[];
  /** whether what is still missing will come */
  readonly rest: 'awaited' | 'given-up';
}

/** What a delivery makes of an order, and what it enters into the ledger. */
export interface Received {
  readonly order: Order;
  readonly entries: readonly DeliveryEntry[];
}

/**
 * Receives a delivery or a part of one: each line becomes a lot, the order knows what came, and is
 * closed when nothing more is to come.
 * @returns problems at their lines: an order that is not with the supplier, more than ordered without
 *   saying that it stays, parts of packs, nothing at all
 */
export function receiveOrder(
  order: Order,
  { on, lines, rest }: Receiving,
  materials: House['materials'],
): Outcome<Received> {
  if (!isUnderWay(order)) {
    return fail(
      'order-not-under-way',
      order.state === 'draft'
        ? 'This order has not been sent yet: send it first, or enter what came on the shelf.'
        : `This order is ${order.state}: enter what came on the shelf instead.`,
      { orderId: order.id, field: 'state' },
    );
  }
  const problems: Problem[] = [];
  const entries: DeliveryEntry[] = [];
  const no = (
    line: ReceivedLine,
    field: string,
    code: CodeAbout<'orderId' | 'lineId' | 'field'>,
    message: string,
  ): void => {
    problems.push(problem(code, message, { orderId: order.id, lineId: line.lineId, field }));
  };
  const after = new Map(order.lines.map((line) => [line.id, line]));
  for (const came of lines) {
    const line = after.get(came.lineId);
    if (!line) {
      no(came, 'lineId', 'order-line-unknown', 'This line is not in the order any more.');
      continue;
    }
    const name = materials.find(({ id }) => id === line.materialId)?.name ?? 'this';
    if (!Number.isInteger(came.packs) || !Number.isInteger(came.refused)) {
      no(came, 'packs', 'packs-not-whole', `Count whole packs of ${name}.`);
      continue;
    }
    const open = openPacksOf(line);
    if (came.packs > open && came.tooMany !== 'keep') {
      no(
        came,
        'packs',
        'more-than-ordered',
        `${came.packs} of ${name} came, ${open} were still due: say that all of it stays, or send back ${came.packs - open}.`,
      );
      continue;
    }
    if ((came.paidMinor ?? 0) * came.packs > LARGEST_MINOR) {
      no(
        came,
        'paidMinor',
        'too-much',
        `The invoice for ${name} is more than can be kept: check price and packs.`,
      );
      continue;
    }
    if (line.received.length >= MOST_RECEIPTS || line.refused + came.refused > MOST_PACKS) {
      no(
        came,
        'packs',
        'too-many-parts',
        `${name} came in too many parts: close this order and enter it on the shelf.`,
      );
      continue;
    }
    after.set(line.id, received(line, came, on));
    if (came.packs > 0) {
      entries.push({
        kind: 'delivery',
        id: came.entryId,
        materialId: line.materialId,
        lotId: came.lotId,
        packId: came.packId,
        packs: came.packs,
        code: came.code,
        deliveredOn: on,
        ...(came.expiresOn !== undefined && { expiresOn: came.expiresOn }),
        ...(came.paidMinor !== undefined && { paidMinor: came.paidMinor * came.packs }),
        note: order.name,
      });
    }
  }
  if (problems.length > 0) return failWith(problems);
  if (lines.every(({ packs, refused }) => packs === 0 && refused === 0) && rest === 'awaited') {
    return fail('nothing-received', 'Nothing of the delivery has been entered yet.', {
      orderId: order.id,
      field: 'lines',
    });
  }
  const changed = { ...order, lines: order.lines.map((line) => after.get(line.id) ?? line) };
  const done = rest === 'given-up' || changed.lines.every((line) => openPacksOf(line) === 0);
  return ok({
    order: done ? { ...changed, state: 'closed', closedOn: on } : changed,
    entries,
  });
}

function received(line: OrderLine, came: ReceivedLine, on: string): OrderLine {
  const refused = line.refused + came.refused;
  if (came.packs === 0) return { ...line, refused };
  return {
    ...line,
    refused,
    received: [
      ...line.received,
      {
        entryId: came.entryId,
        lotId: came.lotId,
        on,
        packId: came.packId,
        packs: came.packs,
        ...(came.paidMinor !== undefined && { paidMinor: came.paidMinor }),
      },
    ],
  };
}

/**
 * An order after a delivery was taken back in the ledger: what came of it is due again, also where the
 * order was closed; what had been given up when it was closed stays given up.
 * @returns nothing where the order knows of no such delivery, or it was taken back before
 */
export function withoutReceipt(order: Order, entryId: EntryId): Order | undefined {
  const known = order.lines.some(({ received }) =>
    received.some((receipt) => receipt.entryId === entryId && !receipt.takenBack),
  );
  if (!known) return undefined;
  const { closedOn: _closedOn, ...open } = order;
  const isClosed = order.state === 'closed';
  const isConfirmed = order.lines.some(({ confirmed }) => confirmed !== undefined);
  return {
    ...(isClosed ? { ...open, state: isConfirmed ? 'confirmed' : 'sent' } : order),
    lines: order.lines.map((line) => ({
      ...(isClosed ? withoutRest(line) : line),
      received: line.received.map((receipt) =>
        receipt.entryId === entryId ? { ...receipt, takenBack: true as const } : receipt,
      ),
    })),
  };
}

/** A line of which no more is awaited than came. */
function withoutRest(line: OrderLine): OrderLine {
  if (openPacksOf(line) === 0) return line;
  return { ...line, confirmed: { ...line.confirmed, packs: receivedPacks(line) } };
}

/** What an invoice asks for a line against what was expected, for one pack in minor units. */
export interface InvoiceDifference {
  readonly line: OrderLine;
  readonly paidMinor: number;
  readonly moreMinor: number;
}

/** The lines whose invoice differs from what was expected. */
export function invoiceDifferences({ lines }: Order): readonly InvoiceDifference[] {
  return lines.flatMap((line) =>
    line.received.flatMap(({ paidMinor, packs, takenBack }) =>
      paidMinor === undefined || takenBack || paidMinor === line.priceMinor
        ? []
        : [{ line, paidMinor, moreMinor: (paidMinor - line.priceMinor) * packs }],
    ),
  );
}
