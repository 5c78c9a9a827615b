import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { House } from '@bienestar/core/house/house';
import { askWorker, type AskedWorker } from '../../../workers/askWorker';
import type { RestockWorker, Verified } from '../../../workers/restock.worker';
import { restockWorker } from '../restockWorker';

const YEARS = 1000;
/** Two cores are what a small machine has. */
const MOST_WORKERS = 2;

/** How far playing the shelf through has come. */
export type Verifying =
  | { readonly is: 'nothing' }
  | {
      readonly is: 'playing' | 'played' | 'stopped' | 'failed';
      readonly done: number;
      readonly of: number;
      /** what holds least first */
      readonly verified: readonly Verified[];
    };

/** Plays every policy of the shelf through in workers, with progress; can be cancelled. */
export function useVerify() {
  const [state, setState] = useState<Verifying>({ is: 'nothing' });
  const running = useRef<AskedWorker<RestockWorker>[]>([]);
  const stop = (): void => {
    for (const { end } of running.current) end();
    running.current = [];
  };
  useEffect(() => stop, []);
  const become = (is: 'played' | 'failed'): void =>
    setState((before) => (before.is === 'playing' ? { ...before, is } : before));
  const start = (house: House): void => {
    stop();
    const ids = house.materials
      .filter(({ kind, archivedOn }) => kind !== 'linen' && kind !== 'fresh' && !archivedOn)
      .map(({ id }) => id);
    setState({ is: 'playing', done: 0, of: ids.length, verified: [] });
    const count = Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 1);
    const now = Date.now();
    let finished = 0;
    for (let at = 0; at < count; at += 1) {
      const worker = askWorker<RestockWorker>(restockWorker());
      running.current.push(worker);
      const mine = ids.filter((_, which) => which % count === at);
      const onDone = proxy((verified: Verified) =>
        setState((before) =>
          before.is === 'playing'
            ? {
                ...before,
                done: before.done + 1,
                verified: [...before.verified, verified].sort(
                  (a, b) => a.outcome.cycleService - b.outcome.cycleService,
                ),
              }
            : before,
        ),
      );
      worker
        .ask((restock) => restock.verify(house, mine, now, YEARS, onDone))
        .then(
          () => {
            worker.end();
            finished += 1;
            if (finished === count) become('played');
          },
          () => {
            stop();
            become('failed');
          },
        );
    }
  };
  const cancel = (): void => {
    stop();
    setState((before) => (before.is === 'nothing' ? before : { ...before, is: 'stopped' }));
  };
  return { state, start, cancel };
}
