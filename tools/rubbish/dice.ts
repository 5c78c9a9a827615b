/** A seeded source of chance: the same seed makes the same rubbish. */
export interface Dice {
  /** a whole number from 0 to below `most` */
  readonly below: (most: number) => number;
  readonly oneOf: <T>(things: readonly T[]) => T;
  readonly chance: (share: number) => boolean;
}

/** Dice of a seed. */
export function diceOf(seed: number): Dice {
  let state = (seed * 2_654_435_761) >>> 0 || 1;
  const next = (): number => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
  const below = (most: number): number => Math.floor(next() * most);
  return {
    below,
    oneOf: (things) => things[below(things.length)] as (typeof things)[number],
    chance: (share) => next() < share,
  };
}
