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

/** Works something out away from the page, again whenever what it is worked out from is another. */
export function useWorked<T>(
  ask: (week: Remote<WeekWorker>) => Promise<Answered<T>>,
  from: readonly unknown[],
): Worked<T> {
  const [worked, setWorked] = useState<Worked<T>>({
    answer: undefined,
    isWorking: true,
    hasFailed: false,
  });
  useEffect(() => {
    const { week, end } = weekWorker();
    let isCurrent = true;
    setWorked(({ answer }) => ({ answer, isWorking: true, hasFailed: false }));
    ask(week).then(
      ({ of }) => {
        if (isCurrent) setWorked({ answer: of, isWorking: false, hasFailed: false });
        end();
      },
      () => {
        if (isCurrent) setWorked(({ answer }) => ({ answer, isWorking: false, hasFailed: true }));
        end();
      },
    );
    return () => {
      isCurrent = false;
      end();
    };
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- asked anew by what is listed alone
  }, from);
  return worked;
}
