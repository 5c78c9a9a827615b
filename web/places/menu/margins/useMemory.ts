import { useMemo } from 'react';
import type { House } from '@bienestar/core/house/house';
import type { ServiceId } from '@bienestar/core/house/ids';
import { dayOf } from '@bienestar/core/days/days';
import type { HistoryPoint, Memory, Watched } from '@bienestar/core/watch/history';
import { useJournalQuery } from '../../../store/api';
import type { MemoryWorker } from '../../../workers/memory.worker';
import { useWorked, type Question, type Worked } from '../../../workers/useWorked';

/** What is remembered of the house; nothing until it is there. */
export function useMemory(): { readonly memory: Memory | undefined; readonly failed: boolean } {
  const { data, isError } = useJournalQuery(undefined, { refetchOnMountOrArgChange: true });
  const memory = useMemo(
    (): Memory | undefined =>
      data && { journal: data.entries, editions: data.editions, prices: data.prices },
    [data],
  );
  return { memory, failed: isError };
}

/** The services whose margin is under its target or has moved since a day. */
export function useMarginWatch(
  house: House,
  memory: Memory | undefined,
  since: string,
): Worked<readonly Watched[]> {
  const question: Question<MemoryWorker, readonly Watched[]> | undefined = useMemo(
    () => memory && ((worker) => worker.watch(house, memory, since)),
    [house, memory, since],
  );
  return useWorked(memoryWorker, question);
}

/** Cost and price of a service from day to day. */
export function useServiceHistory(
  house: House,
  memory: Memory | undefined,
  serviceId: ServiceId,
): Worked<readonly HistoryPoint[]> {
  const question: Question<MemoryWorker, readonly HistoryPoint[]> | undefined = useMemo(
    () =>
      memory &&
      ((worker) =>
        worker.history(house, memory, serviceId, dayOf(new Date(), house.settings.timeZone))),
    [house, memory, serviceId],
  );
  return useWorked(memoryWorker, question);
}

function memoryWorker(): Worker {
  return new Worker(new URL('../../../workers/memory.worker.ts', import.meta.url), {
    type: 'module',
  });
}
