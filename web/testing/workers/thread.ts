import { parentPort, workerData } from 'node:worker_threads';
import type { ThreadData } from './workerInNode';

/* A thread of Node that is to a worker what a browser's is: it begins here. */

if (!parentPort) throw new Error('This is no thread.');
const port = parentPort;
const { program, page } = workerData as ThreadData;

const nodeFetch = fetch;
Object.assign(globalThis, {
  self: globalThis,
  postMessage: port.postMessage.bind(port),
  addEventListener: (type: string, listen: (event: object) => void) => {
    if (type === 'message') port.on('message', (data: unknown) => listen({ data }));
  },
  removeEventListener: () => undefined,
  fetch: (asked: string, request?: RequestInit) =>
    page === undefined
      ? Promise.reject(new TypeError('the network is cut'))
      : nodeFetch(new URL(asked, page), request),
});
await import(program);
