import { proxy, type Remote } from 'comlink';
import { useEffect, useSyncExternalStore } from 'react';
import type { House } from '@bienestar/core/house/house';
import type { LogbookRow } from '@bienestar/core/logbook/logbookRows';
import { useHouse } from '../../store/house';
import { askWorker, type AskedWorker } from '../../workers/askWorker';
import type { LogbookWorker, TakeRows } from '../../workers/logbook.worker';

/** The logbook as far as it is read. */
export interface LogbookRead {
  /** the newest first */
  readonly rows: readonly LogbookRow[];
  /** visits that there are */
  readonly all: number;
  readonly isWhole: boolean;
  readonly hasFailed: boolean;
}

const NOTHING: LogbookRead = { rows: [], all: 0, isWhole: false, hasFailed: false };

let now = NOTHING;
let worker: AskedWorker<LogbookWorker> | undefined;
let reading = 0;
const subscribers = new Set<() => void>();

function tell(next: LogbookRead): void {
  now = next;
  subscribers.forEach((changed) => changed());
}

function subscribe(changed: () => void): () => void {
  subscribers.add(changed);
  return () => void subscribers.delete(changed);
}

/**
 * Asks the worker that reads the logbook and learns from it: one for as long as the window is open, or, where it
 * cannot be had, another at the next question.
 */
export function askLogbook<T>(
  question: (logbook: Remote<LogbookWorker>) => Promise<T>,
): Promise<T> {
  worker ??= askWorker<LogbookWorker>(
    new Worker(new URL('../../workers/logbook.worker.ts', import.meta.url), { type: 'module' }),
    () => (worker = undefined),
  );
  return worker.ask(question);
}

/** Reads the logbook anew; what was read before is shown until the new one is there. */
export function readLogbook(house: House): void {
  reading += 1;
  const turn = reading;
  const rows: LogbookRow[] = [];
  const isFirst = now.rows.length === 0;
  const take: TakeRows = (more, all) => {
    for (const row of more) rows.push(row);
    if (turn === reading && isFirst)
      tell({ rows: [...rows], all, isWhole: false, hasFailed: false });
    return Promise.resolve();
  };
  askLogbook((logbook) => logbook.read(house, proxy(take))).then(
    () => {
      if (turn === reading) tell({ rows, all: rows.length, isWhole: true, hasFailed: false });
    },
    () => {
      if (turn === reading) tell({ ...now, hasFailed: true });
    },
  );
}

/** The logbook, read when a place of it is gone to. */
export function useLogbook(): LogbookRead {
  const house = useHouse();
  const { services, people, rooms } = house;
  useEffect(() => {
    readLogbook(house);
    /* What names what: other edits of the house change no line. */
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [services, people, rooms]);
  return useSyncExternalStore(subscribe, () => now);
}
