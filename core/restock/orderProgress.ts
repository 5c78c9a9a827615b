import type { Order, OrderLine, Receipt } from '../house/house';

/** Packs of a line that came and were kept. */
export function receivedPacks({ received }: Pick<OrderLine, 'received'>): number {
  return received.filter(counts).reduce((sum, { packs }) => sum + packs, 0);
}

/** Packs of a line that were received, and taken back on the shelf afterwards. */
export function takenBackPacks({ received }: Pick<OrderLine, 'received'>): number {
  return received.filter((receipt) => !counts(receipt)).reduce((sum, { packs }) => sum + packs, 0);
}

function counts({ takenBack }: Receipt): boolean {
  return takenBack !== true;
}

/** Packs of a line that are still to come: what the supplier confirmed or what was ordered, less what came. */
export function openPacksOf(line: OrderLine): number {
  return Math.max(0, (line.confirmed?.packs ?? line.packs) - receivedPacks(line));
}

/** How an order stands. */
export interface OrderProgress {
  readonly ordered: number;
  readonly received: number;
  readonly open: number;
  /** expected, in minor units */
  readonly totalMinor: number;
  /** days past its due day, while something is open */
  readonly daysLate: number;
}

/** What was ordered, came and is open of an order; packs over all lines. */
export function orderProgress(order: Order, daysSinceDue: number): OrderProgress {
  const sum = (of: (line: OrderLine) => number): number =>
    order.lines.reduce((total, line) => total + of(line), 0);
  const open = isUnderWay(order) ? sum(openPacksOf) : 0;
  return {
    ordered: sum(({ packs }) => packs),
    received: sum(receivedPacks),
    open,
    totalMinor: sum(({ packs, priceMinor }) => packs * priceMinor),
    daysLate: open > 0 ? Math.max(0, daysSinceDue) : 0,
  };
}

/** Whether an order is with the supplier. */
export function isUnderWay({ state }: Pick<Order, 'state'>): boolean {
  return state === 'sent' || state === 'confirmed';
}
