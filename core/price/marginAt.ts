import type { PriceFigures } from './priceOf';

/**
 * The margin of a price when the visit costs something else.
 * @param fullCost minor units
 * @returns profit as a share of the net price
 * @example marginAt({ net: 5000, fees: 500, sharedPay: 0 }, 3000) // 0.3
 * @see P6
 */
export function marginAt(
  { net, fees, sharedPay }: Pick<PriceFigures, 'net' | 'fees' | 'sharedPay'>,
  fullCost: number,
): number {
  return (net - fees - sharedPay - fullCost) / net;
}
