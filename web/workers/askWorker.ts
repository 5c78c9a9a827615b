import { wrap, type Remote } from 'comlink';

/** A worker that is asked, until it is ended. */
export interface AskedWorker<W> {
  /** fails where the worker cannot be had, which answers nothing then */
  readonly ask: <T>(question: (worker: Remote<W>) => Promise<T>) => Promise<T>;
  readonly end: () => void;
}

/**
 * Asks a worker that was just begun.
 * @param onLost is told when it turns out that the worker cannot be had
 */
export function askWorker<W>(worker: Worker, onLost: () => void = () => undefined): AskedWorker<W> {
  const remote = wrap<W>(worker);
  const cannotRun = new Promise<never>((_resolve, reject) => {
    const lose = (): void => {
      reject(new Error('The worker cannot be run.'));
      onLost();
    };
    worker.addEventListener('error', lose, { once: true });
  });
  cannotRun.catch(() => undefined);
  return {
    ask: (question) => Promise.race([question(remote), cannotRun]),
    end: () => worker.terminate(),
  };
}
