/** Begins a worker that plays the shelf through. */
export function restockWorker(): Worker {
  return new Worker(new URL('../../workers/restock.worker.ts', import.meta.url), {
    type: 'module',
  });
}
