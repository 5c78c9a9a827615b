import type { Outcome } from '@bienestar/core/problem/problem';
import { useWorked, type Question, type Worked } from '../../workers/useWorked';
import type { Answered, WeekWorker } from '../../workers/week.worker';

/** Begins a worker for the week. */
export function weekWorker(): Worker {
  return new Worker(new URL('../../workers/week.worker.ts', import.meta.url), {
    type: 'module',
  });
}

/** Works something out of the week. @see useWorked */
export function useWeekWorked<T>(question: Question<WeekWorker, Answered<T>>): Worked<Outcome<T>> {
  const { answer, ...worked } = useWorked(weekWorker, question);
  return { ...worked, answer: answer?.of };
}
