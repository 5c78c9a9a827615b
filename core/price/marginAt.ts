import type { PriceFigures } from './priceOf';

/**
 * The margin of a price when the visit costs something else.
 * @param fullCost minor units
 * @returns profit as a share of the net price
 * @example marginAt({ net: 5000, fees: 500 }, 3000) // 0.3
 * @see P6
 */
export function marginAt(
  { net, fees }: Pick<PriceFigures, 'net' | 'fees'>,
  fullCost: number,
): number {
  return (net - fees - fullCost) / net;
}
