import { defineConfig } from 'vitest/config';

/*
 * The unit tests, which need nothing but Node; the server and browser tests have their own. What is tested
 * here keeps nothing between files, so they share their modules.
 */
export default defineConfig({
  oxc: { jsx: { runtime: 'automatic', development: false } },
  test: {
    isolate: false,
    /* The days of a house are not those of the machine: the server's tests run in another zone yet. */
    /* What is tested is what is shipped: screens are drawn three times as fast. */
    env: { TZ: 'Pacific/Chatham', NODE_ENV: 'production' },
    maxWorkers: 2,
    include: ['{core,contract,standins,web,cli,tools}/**/*.test.{ts,tsx}'],
    exclude: ['**/node_modules/**', '**/dist/**'],
    environment: 'node',
    testTimeout: 60_000,
    globalSetup: ['cli/testing/bundleCommands.ts'],
  },
});
