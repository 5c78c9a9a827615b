import { wrap } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import type { House } from '@bienestar/core/house/house';
import type { ServiceId } from '@bienestar/core/house/ids';
import { dayOf } from '@bienestar/core/days/days';
import type { HistoryPoint, Memory, Watched } from '@bienestar/core/watch/history';
import { useJournalQuery } from '../../../store/api';
import type { MemoryWorker } from '../../../workers/memory.worker';

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

/** Asks a worker of its own for as long as the answer is waited for. */
function useWorked<T>(
  ask: ((worker: ReturnType<typeof wrap<MemoryWorker>>) => Promise<T>) | undefined,
): T | undefined {
  const [answer, setAnswer] = useState<{ readonly of: unknown; readonly value: T }>();
  useEffect(() => {
    if (!ask) return undefined;
    const worker = new Worker(new URL('../../../workers/memory.worker.ts', import.meta.url), {
      type: 'module',
    });
    void ask(wrap<MemoryWorker>(worker)).then((value) => {
      setAnswer({ of: ask, value });
      worker.terminate();
    });
    return () => worker.terminate();
  }, [ask]);
  return answer?.value;
}

/** The services whose margin is under its target or has moved since a day. */
export function useMarginWatch(
  house: House,
  memory: Memory | undefined,
  since: string,
): readonly Watched[] | undefined {
  const ask = useMemo(
    () =>
      memory &&
      ((worker: ReturnType<typeof wrap<MemoryWorker>>) => worker.watch(house, memory, since)),
    [house, memory, since],
  );
  return useWorked(ask);
}

/** Cost and price of a service from day to day. */
export function useServiceHistory(
  house: House,
  memory: Memory | undefined,
  serviceId: ServiceId,
): readonly HistoryPoint[] | undefined {
  const ask = useMemo(
    () =>
      memory &&
      ((worker: ReturnType<typeof wrap<MemoryWorker>>) =>
        worker.history(house, memory, serviceId, dayOf(new Date(), house.settings.timeZone))),
    [house, memory, serviceId],
  );
  return useWorked(ask);
}
