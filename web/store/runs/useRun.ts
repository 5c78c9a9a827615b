import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import type { RunSoFar } from '@bienestar/contract/happened';
import type { Run } from '@bienestar/core/house/run';
import type { RunId } from '@bienestar/core/house/ids';
import { happenedApi } from '../happenedApi';
import { outbox } from '../store';
import { houseNow } from './houseTime';
import { createRunKeeper } from './runKeeper';
import { runsInBrowser } from './runStorage';

/** How soon another tablet sees a tap of this one. */
const LOOK_EVERY_MS = 2_000;

/** The runs of this window. */
export const runKeeper = createRunKeeper(runsInBrowser(), outbox, () => new Date(houseNow()));

/** A run with all that is known of it here and in the house; also when nobody answers. */
export function useRun(id: RunId): {
  readonly soFar: RunSoFar | undefined;
  /** it was looked for here and in the house */
  readonly isLookedFor: boolean;
} {
  const soFar = useSyncExternalStore(
    runKeeper.subscribe,
    useCallback(() => runKeeper.get(id), [id]),
  );
  const [isHereLookedFor, setIsHereLookedFor] = useState(false);
  useEffect(() => {
    let isGone = false;
    void runKeeper.open(id).then(() => {
      if (!isGone) setIsHereLookedFor(true);
    });
    return () => {
      isGone = true;
    };
  }, [id]);
  const { data, isError } = happenedApi.useRunQuery(id, {
    pollingInterval: LOOK_EVERY_MS,
    refetchOnMountOrArgChange: true,
  });
  useEffect(() => {
    if (data && isHereLookedFor) runKeeper.learn(data);
  }, [data, isHereLookedFor]);
  return { soFar, isLookedFor: isHereLookedFor && (soFar !== undefined || isError) };
}

/** The runs that this browser has kept and that are not over. */
export function useRunsHere(): readonly Run[] {
  const [here, setHere] = useState<readonly Run[]>([]);
  useEffect(() => {
    let isGone = false;
    void runKeeper.openHere().then((runs) => {
      if (!isGone) setHere(runs);
    });
    return () => {
      isGone = true;
    };
  }, []);
  return here;
}

/** The moment by the clock of the house, often enough for clocks that count seconds. */
export function useNow(everyMs = 1_000): number {
  const [now, setNow] = useState(houseNow);
  useEffect(() => {
    const timer = setInterval(() => setNow(houseNow()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
