import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { House, Scenario } from '@bienestar/core/house/house';
import type { TradePoint } from '@bienestar/core/restock/tradeOff';
import type { RestockWorker } from '../../../workers/restock.worker';

interface Curves {
  readonly today: readonly TradePoint[] | undefined;
  readonly then: readonly TradePoint[] | undefined;
}

interface Answer extends Curves {
  readonly house: House;
  readonly scenario: Scenario | undefined;
}

/** The curve of today, and beside it that of a scenario, worked out in a worker. */
export function useTradeOff(house: House, scenario: Scenario | undefined): Curves {
  const [answer, setAnswer] = useState<Answer>();
  useEffect(() => {
    const worker = new Worker(new URL('../../../workers/restock.worker.ts', import.meta.url), {
      type: 'module',
    });
    const restock = wrap<RestockWorker>(worker);
    const now = Date.now();
    void (async () => {
      const today = await restock.tradeOff(house, now);
      const then = scenario && (await restock.tradeOffWith(house, scenario, now));
      setAnswer({ house, scenario, today, then });
      worker.terminate();
    })();
    return () => worker.terminate();
  }, [house, scenario]);
  const current = answer?.house === house && answer.scenario === scenario;
  return current ? answer : { today: answer?.today, then: undefined };
}
