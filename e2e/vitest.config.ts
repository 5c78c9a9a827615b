import { defineConfig } from 'vitest/config';

/** Journeys in a real browser, one after the other, each on a fresh demo house. */
export default defineConfig({
  root: import.meta.dirname,
  test: {
    name: 'e2e',
    include: ['*.test.ts'],
    globalSetup: ['support/globalSetup.ts'],
    fileParallelism: false,
    testTimeout: 90_000,
    hookTimeout: 60_000,
  },
});
