import type { Device } from '../house/device';

/** What the use of a device in one visit costs, in minor units. */
export interface DeviceCost {
  /** what it loses of its price */
  readonly wear: number;
  /** its share of the yearly service */
  readonly service: number;
  readonly cost: number;
}

/**
 * The cost of using a device in a visit: (price - resale) over its life in uses, or in minutes for the
 * minutes it is on, and yearly service over yearly uses. A visit is one use, however often the device
 * is taken in hand.
 * @param minutes that it is on in the visit
 * @returns nothing of a device whose economics nobody told
 * @see C5
 */
export function deviceCost(
  { economics }: Pick<Device, 'economics'>,
  minutes: number,
): DeviceCost | undefined {
  if (!economics) return undefined;
  const { priceMinor, resaleMinor, life, servicePerYearMinor, usesPerYear } = economics;
  const lost = priceMinor - resaleMinor;
  const wear = (life.unit === 'uses' ? lost : lost * minutes) / life.amount;
  const service = servicePerYearMinor / usesPerYear;
  return { wear, service, cost: wear + service };
}
