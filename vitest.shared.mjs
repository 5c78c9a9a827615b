import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('.', import.meta.url)).replaceAll(/[.\\]/g, '\\$&');

/**
 * What is under test is loaded by Node itself, as it runs when it is shipped, and once for all files of a worker.
 * Vitest's own loader looks each import up again at every use, which makes the computation a third slower.
 */
export const loadedByNode = {
  execArgv: ['--import', 'tsx', '--max-semi-space-size=64'],
  server: {
    deps: {
      external: [
        new RegExp(
          `^${root}(core|contract|cli|server|standins|tools)/(?!(.*/)?testing/|.*\\.test\\.).*\\.ts$`,
        ),
      ],
    },
  },
};
