import { defineConfig } from 'vitest/config';
import { loadedByNode } from '../vitest.shared.mjs';

/** The server's tests, on a real MariaDB that is thrown away afterwards. */
export default defineConfig({
  root: import.meta.dirname,
  test: {
    ...loadedByNode,
    name: 'server',
    include: ['**/*.test.ts'],
    globalSetup: ['testing/throwAwayDatabase.ts'],
    testTimeout: 60_000,
    hookTimeout: 120_000,
    maxWorkers: 2,
    isolate: false,
    /* The days of a house are not those of the machine. */
    env: { TZ: 'America/St_Johns' },
  },
});
