import type { PriceChange } from '@bienestar/core/price/priceChange';
import { moneyChange, percent } from '../../format/figures';

interface PriceChangeWordsProps {
  readonly change: PriceChange;
  readonly currency: string;
  readonly belowFloor: boolean;
}

/** How many visits a change of price may cost, or must bring, in words. */
export function PriceChangeWords({ change, currency, belowFloor }: PriceChangeWordsProps) {
  const { perVisit, visitsMayChange } = change;
  return (
    <p className="flex-1" role="status">
      {belowFloor && <span className="text-clay">▲ A visit at this price loses money. </span>}A
      visit brings {moneyChange(perVisit, currency)}.{' '}
      {visitsMayChange === null
        ? 'No number of visits makes up for it.'
        : visitsMayChange < 0
          ? `The service earns as much if ${percent(-visitsMayChange)} of visits stay away.`
          : `It takes ${percent(visitsMayChange)} more visits to earn as much.`}
    </p>
  );
}
