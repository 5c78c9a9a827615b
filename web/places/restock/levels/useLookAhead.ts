import { useCallback } from 'react';
import type { House } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import type { LookAhead, Ordering } from '@bienestar/core/restock/lookAhead';
import type { RestockWorker } from '../../../workers/restock.worker';
import { useWorked, type Question, type Worked } from '../../../workers/useWorked';
import { restockWorker } from '../restockWorker';

const HOUR_MS = 3_600_000;

/** The twelve weeks ahead of a material, played through; nothing where nothing can be said of it. */
export function useLookAhead(
  house: House,
  materialId: MaterialId,
  ordering: Ordering,
): Worked<LookAhead | undefined> {
  const question: Question<RestockWorker, LookAhead | undefined> = useCallback(
    (restock, tell) => {
      const now = Math.floor(Date.now() / HOUR_MS) * HOUR_MS;
      return restock.lookAhead(house, materialId, now, ordering, tell);
    },
    [house, materialId, ordering],
  );
  return useWorked(restockWorker, question);
}
