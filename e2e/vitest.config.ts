import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { defineConfig } from 'vitest/config';

/** What takes longest begins first, so that it is not waited for alone in the end. */
const LONGEST = ['reliability', 'start', 'places', 'interleaved'];

class LongestFirst extends BaseSequencer {
  override sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const rank = ({ moduleId }: TestSpecification): number => {
      const at = LONGEST.findIndex((name) => moduleId.endsWith(`/${name}.test.ts`));
      return at === -1 ? LONGEST.length : at;
    };
    return Promise.resolve(files.toSorted((a, b) => rank(a) - rank(b)));
  }
}

const inBoth = {
  root: import.meta.dirname,
  oxc: { jsx: { runtime: 'automatic', development: false } },
} as const;

const forBoth = { isolate: false, testTimeout: 90_000, hookTimeout: 60_000 } as const;

/**
 * Journeys on fresh demo houses, of which each worker has one of its own: in a real browser, and, where it is not
 * about looks, sizes, windows or workers, in a document.
 */
export default defineConfig({
  root: import.meta.dirname,
  test: {
    globalSetup: ['support/globalSetup.ts'],
    maxWorkers: 4,
    sequence: { sequencer: LongestFirst },
    projects: [
      { ...inBoth, test: { ...forBoth, name: 'browser', include: ['*.test.ts'] } },
      {
        ...inBoth,
        test: {
          ...forBoth,
          name: 'document',
          include: ['document/*.test.ts'],
          environment: '../web/testing/oneDocument.ts',
          env: { NODE_ENV: 'production' },
          execArgv: ['--max-semi-space-size=64'],
        },
      },
    ],
  },
});
