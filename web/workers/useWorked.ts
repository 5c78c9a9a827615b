import { proxy, type ProxyMarked, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { askWorker } from './askWorker';

/** Takes how far it is, from 0 to 1. */
type Tell = ((share: number) => void) & ProxyMarked;

/** What is asked of a worker. */
export type Question<W, T> = (worker: Remote<W>, tell: Tell) => Promise<T>;

/** What a worker answers, as far as it has. */
export interface Worked<T> {
  /** the last one stays while a newer one is worked out */
  readonly answer: T | undefined;
  /** how far the newer one is, from 0 to 1 */
  readonly share: number;
  readonly isWorking: boolean;
  readonly hasFailed: boolean;
}

/**
 * Works something out away from the page, again whenever what is asked is another; a worker answers one question,
 * and is ended when nobody waits for it any more.
 * @param begin begins the worker
 * @param question kept while it asks the same; nothing is asked without one
 */
export function useWorked<W, T>(
  begin: () => Worker,
  question: Question<W, T> | undefined,
): Worked<T> {
  const [worked, setWorked] = useState<{
    readonly asked?: typeof question;
    readonly answer?: T;
    readonly hasFailed: boolean;
  }>({ hasFailed: false });
  const [told, setTold] = useState<{ readonly of?: typeof question; readonly share: number }>({
    share: 0,
  });
  useEffect(() => {
    if (!question) return undefined;
    const { ask, end } = askWorker<W>(begin());
    let isLeft = false;
    const tell = proxy((share: number): void => {
      if (!isLeft) setTold({ of: question, share });
    });
    ask((worker) => question(worker, tell)).then(
      (answer) => {
        end();
        if (!isLeft) setWorked({ asked: question, answer, hasFailed: false });
      },
      () => {
        end();
        if (!isLeft) setWorked((before) => ({ ...before, asked: question, hasFailed: true }));
      },
    );
    return () => {
      isLeft = true;
      end();
    };
  }, [begin, question]);
  const isWorking = worked.asked !== question;
  return {
    answer: worked.answer,
    share: told.of === question ? told.share : 0,
    isWorking,
    hasFailed: worked.hasFailed && !isWorking,
  };
}
