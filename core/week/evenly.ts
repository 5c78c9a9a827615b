/** Work that any of several may do. */
export interface SharedJob {
  readonly amount: number;
  /** places in the list of what there is of each who may */
  readonly among: readonly number[];
}

const ENOUGH = 1e-7;
const MOST_SWEEPS = 500;

/**
 * Work shared out so that nobody is filled further than needs be: of those who may do a job, only the least filled do
 * any of it. Each job in turn is filled up like water, over again until nothing moves.
 * @param there what there is of each; nobody does anything who has nothing
 * @returns for each job what falls to each of `among`, in that order; nothing of a job for which nobody is there
 * @see W1
 * @example spreadEvenly([{ amount: 30, among: [0] }, { amount: 60, among: [0, 1] }], [100, 100]) // [[30], [15, 45]]
 */
export function spreadEvenly(
  jobs: readonly SharedJob[],
  there: readonly number[],
): readonly (readonly number[])[] {
  const load = there.map(() => 0);
  const given = jobs.map(({ among }) => among.map(() => 0));
  for (let sweep = 0, moved = Infinity; moved > ENOUGH && sweep < MOST_SWEEPS; sweep += 1) {
    moved = 0;
    for (const [at, { amount, among }] of jobs.entries()) {
      const mine = given[at] ?? [];
      for (const [order, who] of among.entries()) load[who] = (load[who] ?? 0) - (mine[order] ?? 0);
      const next = filled(
        amount,
        among.map((who) => ({ there: there[who] ?? 0, taken: load[who] ?? 0 })),
      );
      for (const [order, who] of among.entries()) {
        load[who] = (load[who] ?? 0) + (next[order] ?? 0);
        moved = Math.max(moved, Math.abs((next[order] ?? 0) - (mine[order] ?? 0)));
      }
      given[at] = next;
    }
  }
  return given;
}

interface Vessel {
  readonly there: number;
  readonly taken: number;
}

/** An amount poured into vessels, the emptiest by share first. */
function filled(amount: number, vessels: readonly Vessel[]): number[] {
  const inOrder = vessels
    .filter(({ there }) => there > 0)
    .toSorted((a, b) => a.taken / a.there - b.taken / b.there);
  let level = 0;
  let [width, base] = [0, 0];
  for (const [at, { there, taken }] of inOrder.entries()) {
    width += there;
    base += taken;
    level = (amount + base) / width;
    const next = inOrder[at + 1];
    if (!next || level <= next.taken / next.there) break;
  }
  return vessels.map(({ there, taken }) => (there > 0 ? Math.max(0, level * there - taken) : 0));
}
