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

/** Journeys in a real browser, each on a fresh demo house; each worker has a house of its own. */
export default defineConfig({
  root: import.meta.dirname,
  test: {
    name: 'e2e',
    include: ['*.test.ts'],
    globalSetup: ['support/globalSetup.ts'],
    maxWorkers: 4,
    isolate: false,
    sequence: { sequencer: LongestFirst },
    testTimeout: 90_000,
    hookTimeout: 60_000,
  },
});
