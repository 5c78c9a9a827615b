import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { House } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import type { LookAhead, Ordering } from '@bienestar/core/restock/lookAhead';
import type { RestockWorker } from '../../../workers/restock.worker';

const HOUR_MS = 3_600_000;

/** How far looking ahead has come. */
export type Looking =
  | { readonly is: 'looking'; readonly share: number }
  | { readonly is: 'seen'; readonly ahead: LookAhead }
  | { readonly is: 'unknown' };

interface Answer {
  readonly of: string;
  readonly house: House;
  readonly looking: Looking;
}

/** The twelve weeks ahead of a material, played through in a worker; another question ends the last. */
export function useLookAhead(house: House, materialId: MaterialId, ordering: Ordering): Looking {
  const [answer, setAnswer] = useState<Answer>();
  const of = `${materialId}/${ordering}`;
  useEffect(() => {
    const worker = new Worker(new URL('../../../workers/restock.worker.ts', import.meta.url), {
      type: 'module',
    });
    const now = Math.floor(Date.now() / HOUR_MS) * HOUR_MS;
    const onProgress = proxy((share: number) =>
      setAnswer({ of, house, looking: { is: 'looking', share } }),
    );
    void wrap<RestockWorker>(worker)
      .lookAhead(house, materialId, now, ordering, onProgress)
      .then((ahead) => {
        setAnswer({ of, house, looking: ahead ? { is: 'seen', ahead } : { is: 'unknown' } });
        worker.terminate();
      });
    return () => worker.terminate();
  }, [house, materialId, ordering, of]);
  return answer?.of === of && answer.house === house ? answer.looking : { is: 'looking', share: 0 };
}
