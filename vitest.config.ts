import { defineConfig } from 'vitest/config';
import { loadedByNode } from './vitest.shared.mjs';

/*
 * The unit tests, which need nothing but Node; the server and browser tests have their own. What is tested
 * here keeps nothing between files, so they share their modules.
 */
const forAll = {
  ...loadedByNode,
  isolate: false,
  /* The days of a house are not those of the machine: the server's tests run in another zone yet. */
  /* What is tested is what is shipped: screens are drawn three times as fast. */
  env: { TZ: 'Pacific/Chatham', NODE_ENV: 'production' },
  testTimeout: 60_000,
  hookTimeout: 60_000,
};

export default defineConfig({
  test: {
    maxWorkers: 2,
    globalSetup: ['cli/testing/bundleCommands.ts', 'web/testing/workers/provideWorkers.ts'],
    projects: [
      {
        test: {
          ...forAll,
          name: 'core',
          include: ['{core,contract,standins,cli,tools}/**/*.test.ts'],
        },
      },
      {
        oxc: { jsx: { runtime: 'automatic', development: false } },
        test: {
          ...forAll,
          name: 'web',
          include: ['web/**/*.test.{ts,tsx}'],
          environment: './web/testing/oneDocument.ts',
        },
      },
    ],
  },
});
