import { useCallback } from 'react';
import type { House, Scenario } from '@bienestar/core/house/house';
import type { TradePoint } from '@bienestar/core/restock/tradeOff';
import type { RestockWorker } from '../../../workers/restock.worker';
import { useWorked, type Question } from '../../../workers/useWorked';
import { restockWorker } from '../restockWorker';

interface Curves {
  readonly today: readonly TradePoint[];
  /** nothing without a scenario */
  readonly then: readonly TradePoint[] | undefined;
}

/** The curve of today, and beside it that of a scenario; the last ones stay while others are worked out. */
export function useTradeOff(
  house: House,
  scenario: Scenario | undefined,
): Partial<Curves> & { readonly hasFailed: boolean } {
  const question: Question<RestockWorker, Curves> = useCallback(
    async (restock) => {
      const now = Date.now();
      const today = await restock.tradeOff(house, now);
      const then = scenario && (await restock.tradeOffWith(house, scenario, now));
      return { today, then };
    },
    [house, scenario],
  );
  const { answer, isWorking, hasFailed } = useWorked(restockWorker, question);
  return { today: answer?.today, then: isWorking ? undefined : answer?.then, hasFailed };
}
