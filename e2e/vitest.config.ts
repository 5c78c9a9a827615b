import { defineConfig } from 'vitest/config';

/** Journeys in a real browser, each on a fresh demo house; each worker has a house of its own. */
export default defineConfig({
  root: import.meta.dirname,
  test: {
    name: 'e2e',
    include: ['*.test.ts'],
    globalSetup: ['support/globalSetup.ts'],
    maxWorkers: 4,
    isolate: false,
    testTimeout: 90_000,
    hookTimeout: 60_000,
  },
});
