import { roundToSum } from '../quantity/largestRemainder';
import { MATERIAL_COST_PARTS, type ServiceCost } from './serviceCost';

/** The usual cost in whole minor units, parts adding up to their sums. */
export type ShownCost = Readonly<
  Record<Exclude<keyof ServiceCost, 'lines' | 'deviceLines' | 'fixedPay'>, number>
>;

const PARTS = [...MATERIAL_COST_PARTS, 'devices', 'therapist', 'room'] as const;

/** A cost as it is shown. @see C7 */
export function shownCost(cost: ServiceCost): ShownCost {
  const rounded = roundToSum(PARTS.map((part) => cost[part].usual));
  const parts = Object.fromEntries(PARTS.map((part, at) => [part, rounded[at] ?? 0])) as Record<
    (typeof PARTS)[number],
    number
  >;
  const full = rounded.reduce((sum, part) => sum + part, 0);
  return { ...parts, direct: full - parts.room, full };
}
