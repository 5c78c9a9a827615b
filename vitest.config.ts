import { defineConfig } from 'vitest/config';

/** The unit tests, which need nothing but Node; the server and browser tests have their own. */
export default defineConfig({
  test: {
    projects: ['core', 'contract', 'standins', 'web'].map((name) => ({
      test: {
        name,
        include: [`${name}/**/*.test.{ts,tsx}`],
        environment: 'node',
        testTimeout: 60_000,
      },
    })),
  },
});
