import { builtinEnvironments, type Environment } from 'vitest/runtime';

let isThere = false;

/** jsdom, made once in a worker: to make it takes longer than most tests. */
export default {
  ...builtinEnvironments.jsdom,
  name: 'jsdom-once',
  async setup(global, options) {
    if (!isThere) {
      /* What fetch takes is Node's own. */
      const { AbortController, AbortSignal, Blob, File } = globalThis;
      await builtinEnvironments.jsdom.setup(global, options);
      Object.assign(global, { AbortController, AbortSignal, Blob, File });
    }
    isThere = true;
    return { teardown: () => undefined };
  },
} satisfies Environment;
