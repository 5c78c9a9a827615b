import { MATERIAL_COST_PARTS, type MaterialCostPart, type ServiceCost } from '../cost/serviceCost';
import { roundToSum } from '../quantity/largestRemainder';
import type { PriceFigures } from './priceOf';

/** Where a part of a price goes. */
export type PricePartKey =
  | MaterialCostPart
  | 'devices'
  | 'therapist'
  | 'room'
  | 'sharedPay'
  | 'fees'
  | 'tax'
  | 'left';

/** One part of a price, in whole minor units. */
export interface PriceShare {
  readonly key: PricePartKey;
  readonly minor: number;
  /** of the price */
  readonly share: number;
}

/**
 * Where each cent of a price goes: what the visit costs by kind, fees, tax, and what is left, which is
 * below 0 where the price does not carry the cost. The parts add up to the price.
 * @see C7 P1 P6
 */
export function priceParts(cost: ServiceCost, price: PriceFigures): readonly PriceShare[] {
  const kinds = [...MATERIAL_COST_PARTS, 'devices', 'therapist', 'room'] as const;
  const exact: [PricePartKey, number][] = [
    ...kinds.map((key): [PricePartKey, number] => [key, cost[key].usual]),
    ['sharedPay', price.sharedPay],
    ['fees', price.fees],
    ['tax', price.gross - price.net],
    ['left', price.profit],
  ];
  const rounded = roundToSum(exact.map(([, amount]) => amount));
  return exact.flatMap(([key, amount], at) =>
    amount === 0 && key !== 'left'
      ? []
      : [{ key, minor: rounded[at] ?? 0, share: amount / price.gross }],
  );
}
