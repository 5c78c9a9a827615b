import { createStore, promisifyRequest } from 'idb-keyval';
import type { QueuedWrite } from './queuedWrite';

/** Where writes are kept until the house has answered them. */
export interface OutboxStorage {
  readonly all: () => Promise<readonly QueuedWrite[]>;
  readonly put: (write: QueuedWrite) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
}

/**
 * The outbox in the database of this browser, which all windows share. Each change is committed at once,
 * so that it is kept also when its window goes within the same moment.
 */
export function outboxInBrowser(): OutboxStorage {
  const withStore = createStore('bienestar-outbox', 'writes');
  const change = (work: (store: IDBObjectStore) => void): Promise<void> =>
    withStore('readwrite', (store) => {
      const { transaction } = store;
      work(store);
      const done = promisifyRequest(transaction);
      transaction.commit();
      return done;
    });
  return {
    all: () =>
      withStore('readonly', (store) =>
        promisifyRequest<QueuedWrite[]>(store.getAll() as IDBRequest<QueuedWrite[]>),
      ),
    put: (write) => change((store) => store.put(write, write.id)),
    remove: (id) => change((store) => store.delete(id)),
  };
}
