import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { Outcome } from '@bienestar/core/problem/problem';
import type { Answered, WeekWorker } from '../../workers/week.worker';

/** What a worker answers, as far as it has: the last answer stays while a newer one is worked out. */
export interface Worked<T> {
  readonly answer: Outcome<T> | undefined;
  readonly isWorking: boolean;
  readonly hasFailed: boolean;
}

/** A worker for the week, and what ends it. */
export function weekWorker(): { readonly week: Remote<WeekWorker>; readonly end: () => void } {
  const worker = new Worker(new URL('../../workers/week.worker.ts', import.meta.url), {
    type: 'module',
  });
  return { week: wrap<WeekWorker>(worker), end: () => worker.terminate() };
}

/**
 * Works something out away from the page, again whenever what is asked is another.
 * @param ask kept while it asks the same
 */
export function useWorked<T>(ask: (week: Remote<WeekWorker>) => Promise<Answered<T>>): Worked<T> {
  const [worked, setWorked] = useState<{
    readonly asked?: typeof ask;
    readonly answer?: Outcome<T>;
    readonly hasFailed: boolean;
  }>({ hasFailed: false });
  useEffect(() => {
    const { week, end } = weekWorker();
    ask(week).then(
      ({ of }) => {
        setWorked({ asked: ask, answer: of, hasFailed: false });
        end();
      },
      () => {
        setWorked(({ answer }) => ({ asked: ask, answer, hasFailed: true }));
        end();
      },
    );
    /* Ended, a worker answers nothing any more. */
    return end;
  }, [ask]);
  const isWorking = worked.asked !== ask;
  return { answer: worked.answer, isWorking, hasFailed: worked.hasFailed && !isWorking };
}
