import type { MaterialDemand } from '../draws/demandRate';
import type { UsesWhileWaiting } from './usesWhileWaiting';

/**
 * What is used on average between an order point being reached and its order being there: the lead
 * time, and half of the days between two looks, since the point is reached somewhere in between.
 */
export function orderMean(
  { perDay }: Pick<MaterialDemand, 'perDay'>,
  { protectionDays, reviewDays }: Pick<UsesWhileWaiting, 'protectionDays' | 'reviewDays'>,
): number {
  return perDay * (protectionDays - reviewDays / 2);
}
