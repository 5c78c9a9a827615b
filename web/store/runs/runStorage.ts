import { createStore, promisifyRequest } from 'idb-keyval';
import type { RunSoFar } from '@bienestar/contract/happened';
import type { RunId } from '@bienestar/core/house/ids';

/** Where the runs of this browser are kept, so that they go on when nobody answers. */
export interface RunStorage {
  readonly get: (id: RunId) => Promise<RunSoFar | undefined>;
  readonly put: (run: RunSoFar) => Promise<void>;
  readonly all: () => Promise<readonly RunSoFar[]>;
}

/** Runs in the database of this browser, which all windows share. Each tap is committed at once. */
export function runsInBrowser(): RunStorage {
  const withStore = createStore('bienestar-runs', 'runs');
  return {
    get: (id) =>
      withStore('readonly', (store) =>
        promisifyRequest<RunSoFar | undefined>(store.get(id) as IDBRequest<RunSoFar | undefined>),
      ),
    all: () =>
      withStore('readonly', (store) =>
        promisifyRequest<RunSoFar[]>(store.getAll() as IDBRequest<RunSoFar[]>),
      ),
    put: (soFar) =>
      withStore('readwrite', (store) => {
        const { transaction } = store;
        store.put(soFar, soFar.run.id);
        const done = promisifyRequest(transaction);
        transaction.commit();
        return done;
      }),
  };
}
