/** Something on the shelf that is used up in its turn. Days count from now. */
export interface Batch {
  /** what will be got out of it, in the material's unit */
  readonly amount: number;
  /** until it is over; may be below 0; nothing where it keeps */
  readonly daysLeft?: number;
}

/** What of a shelf will be used, and what will be over before its turn. In the material's unit. */
export interface Usable {
  readonly usable: number;
  readonly lost: number;
  /** days until nothing is left; nothing when it is not used */
  readonly lastsDays: number | null;
}

/** Uses up one batch after the other at a rate, and adds up what comes to be used. */
export class UseInTurn {
  readonly #perDay: number;
  #days = 0;
  usable = 0;
  lost = 0;

  /** @param perDay expected demand; without any all that is still good counts */
  constructor(perDay: number) {
    this.#perDay = perDay;
  }

  /** The next batch; `daysLeft` from now. */
  take(amount: number, daysLeft: number): void {
    const open = daysLeft - this.#days;
    const perDay = this.#perDay;
    const taken = open <= 0 ? 0 : perDay > 0 ? Math.min(amount, perDay * open) : amount;
    this.usable += taken;
    this.lost += amount - taken;
    if (perDay > 0) this.#days += taken / perDay;
  }
}

/**
 * What of the shelf counts: batches are used in turn (open ones, then those that end first) at the
 * expected rate, and what is over before its turn does not count.
 * @param batches in the order in which they are used
 * @param perDay expected demand, in the material's unit
 * @see S5
 */
export function usableOf(batches: readonly Batch[], perDay: number): Usable {
  const turn = new UseInTurn(perDay);
  for (const { amount, daysLeft } of batches) turn.take(amount, daysLeft ?? Infinity);
  const { usable, lost } = turn;
  return { usable, lost, lastsDays: perDay > 0 ? usable / perDay : null };
}
