import { roundToSum } from '../quantity/largestRemainder';
import type { ServiceCost } from './serviceCost';

/** The usual cost in whole minor units, parts adding up to their sums. */
export type ShownCost = Readonly<Record<Exclude<keyof ServiceCost, 'lines'>, number>>;

/** A cost as it is shown. @see C7 */
export function shownCost(cost: ServiceCost): ShownCost {
  const parts = [cost.product, cost.consumables, cost.linen, cost.therapist, cost.room];
  const [product = 0, consumables = 0, linen = 0, therapist = 0, room = 0] = roundToSum(
    parts.map((part) => part.usual),
  );
  const direct = product + consumables + linen + therapist;
  return { product, consumables, linen, therapist, room, direct, full: direct + room };
}
