import { Worker as Thread, type Transferable } from 'node:worker_threads';
import { inject } from 'vitest';

/** What a thread is told as it begins. */
export interface ThreadData {
  /** the file that it runs */
  readonly program: string;
  /** the page whose worker it is; without one, nobody answers what it fetches */
  readonly page: string | undefined;
}

/**
 * The workers of a page in Node, for documents without a browser around them. A thread begins when it is first asked
 * something: a place that is only looked at does without.
 * @param page where its house answers, if it does
 */
export function workersInNode(page: string | undefined): new (url: URL) => EventTarget {
  return class extends EventTarget {
    readonly #program: string;
    #thread: Thread | undefined;
    #hasEnded = false;

    constructor(url: URL) {
      super();
      const name = url.pathname.split('/').at(-1) ?? '';
      this.#program = `${inject('workers')}/${name.replace(/\.tsx?$/, '')}.mjs`;
    }

    postMessage(data: unknown, transfer: readonly Transferable[] = []): void {
      if (!this.#hasEnded) this.#begun().postMessage(data, transfer);
    }

    terminate(): void {
      this.#hasEnded = true;
      void this.#thread?.terminate();
    }

    #begun(): Thread {
      if (this.#thread) return this.#thread;
      const workerData: ThreadData = { program: this.#program, page };
      const thread = new Thread(`${inject('workers')}/thread.mjs`, { workerData, execArgv: [] });
      thread.unref();
      thread.on('message', (data: unknown) => {
        if (!this.#hasEnded) this.dispatchEvent(new MessageEvent('message', { data }));
      });
      thread.on('error', (error) =>
        this.dispatchEvent(Object.assign(new Event('error'), { error })),
      );
      this.#thread = thread;
      return thread;
    }
  };
}
