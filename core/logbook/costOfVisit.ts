import type { LogbookVisit, LoggedCost } from '../house/logbook';
import type { MaterialId } from '../house/ids';
import { usedBeside } from './cameOut';

const PER_MINOR = 100;

/**
 * What the things of a visit were expected to cost and what they came to, by the prices of the day, in minor units to
 * the hundredth. What has no price counts for nothing on either side.
 * @param unitCostOf landed cost of a unit of a material, in minor units
 * @see C1 R5
 */
export function costOfVisit(
  visit: LogbookVisit,
  unitCostOf: (id: MaterialId) => number | undefined,
): LoggedCost {
  const sums = { low: 0, usual: 0, high: 0, came: 0 };
  for (const { materialId, low, usual, high, quantity } of usedBeside(visit)) {
    const cost = unitCostOf(materialId) ?? 0;
    sums.low += low * cost;
    sums.usual += usual * cost;
    sums.high += high * cost;
    sums.came += quantity * cost;
  }
  const kept = (minor: number): number => Math.round(minor * PER_MINOR) / PER_MINOR;
  const { low, usual, high, came } = sums;
  return { expected: { low: kept(low), usual: kept(usual), high: kept(high) }, came: kept(came) };
}
