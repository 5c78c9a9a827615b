/** A line of the bench: what, milliseconds, and what to compare with. */
export type Row = readonly [string, number, string];

const RUNS = 200;
const WARM_RUNS = 3;

/** The median of so many runs, in milliseconds. */
export function timed(work: (run: number) => unknown, runs = RUNS): number {
  const times: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    const began = performance.now();
    work(run);
    times.push(performance.now() - began);
  }
  return medianOf(times);
}

/** The same for work that is waited for. */
export async function timedWait(
  work: (run: number) => Promise<unknown>,
  runs: number,
): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    const began = performance.now();
    await work(run);
    times.push(performance.now() - began);
  }
  return medianOf(times);
}

/** The medians of several works that are done by turns, each after a few runs that are not counted. */
export async function timedByTurns(
  works: readonly ((run: number) => Promise<unknown>)[],
  runs: number,
): Promise<readonly number[]> {
  const times = works.map((): number[] => []);
  for (let run = -WARM_RUNS; run < runs; run += 1) {
    for (const [at, work] of works.entries()) {
      const began = performance.now();
      await work(run + WARM_RUNS);
      if (run >= 0) times[at]?.push(performance.now() - began);
    }
  }
  return times.map(medianOf);
}

function medianOf(times: number[]): number {
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
}
