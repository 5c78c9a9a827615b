import type { PriceChange } from '@bienestar/core/price/priceChange';
import { moneyChange, percent } from '../../format/figures';

interface PriceChangeWordsProps {
  readonly change: PriceChange;
  /** while what is owed anyhow stays as it is */
  readonly oneMore: PriceChange;
  readonly currency: string;
  readonly belowFloor: boolean;
}

/** How many visits a change of price may cost, or must bring, in words; now, and once paid hours follow. */
export function PriceChangeWords({ change, oneMore, currency, belowFloor }: PriceChangeWordsProps) {
  const isSame = change.visitsMayChange === oneMore.visitsMayChange;
  return (
    <p className="flex-1" role="status">
      {belowFloor && (
        <span className="text-clay">▲ This price does not pay for hands and things. </span>
      )}
      A visit brings {moneyChange(change.perVisit, currency)}.{' '}
      {isSame
        ? `It earns as much ${visitsWords(change.visitsMayChange)}.`
        : `While pay and rooms stay as they are, it earns as much ${visitsWords(oneMore.visitsMayChange)}; once the paid hours follow the guests, ${visitsWords(change.visitsMayChange)}.`}
    </p>
  );
}

function visitsWords(mayChange: number | null): string {
  if (mayChange === null) return 'with no number of visits';
  return mayChange < 0
    ? `if ${percent(-mayChange)} of visits stay away`
    : `with ${percent(mayChange)} more visits`;
}
