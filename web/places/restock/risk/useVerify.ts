import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { House } from '@bienestar/core/house/house';
import type { RestockWorker, Verified } from '../../../workers/restock.worker';

const YEARS = 1000;
/** Two cores are what a small machine has. */
const MOST_WORKERS = 2;

/** How far playing the shelf through has come. */
export type Verifying =
  | { readonly is: 'nothing' }
  | {
      readonly is: 'playing' | 'played' | 'stopped';
      readonly done: number;
      readonly of: number;
      /** what holds least first */
      readonly verified: readonly Verified[];
    };

/** Plays every policy of the shelf through in workers, with progress; can be cancelled. */
export function useVerify() {
  const [state, setState] = useState<Verifying>({ is: 'nothing' });
  const running = useRef<Worker[]>([]);
  const stop = (): void => {
    for (const worker of running.current) worker.terminate();
    running.current = [];
  };
  useEffect(() => stop, []);
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
      const worker = new Worker(new URL('../../../workers/restock.worker.ts', import.meta.url), {
        type: 'module',
      });
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
      void wrap<RestockWorker>(worker)
        .verify(house, mine, now, YEARS, onDone)
        .then(() => {
          worker.terminate();
          finished += 1;
          if (finished === count) {
            setState((before) => (before.is === 'playing' ? { ...before, is: 'played' } : before));
          }
        });
    }
  };
  const cancel = (): void => {
    stop();
    setState((before) => (before.is === 'nothing' ? before : { ...before, is: 'stopped' }));
  };
  return { state, start, cancel };
}
