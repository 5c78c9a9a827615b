import { wholeAbove } from '../dose/openPacks';

/** How much of a container is used before its open life is over. */
export interface OpenUse {
  /** uses that fit into one container, at least 1 */
  readonly room: number;
  /** expected uses while it is open */
  readonly expectedUses: number;
  /** share of the container that is used, above 0 and at most 1 */
  readonly usedShare: number;
}

/**
 * Used share of an open container = E[min(N, K) | N >= 1] / K. The uses N while it is open are Poisson
 * with mean uses a day x open days; a container is only opened by a use, so none at all does not
 * happen, and even the rarest use is charged one whole container and no more.
 * @param usesPerDay > 0
 * @param openDays period after opening, > 0
 * @param content usable in one container, in the material's unit
 * @param perUse what one use takes, > 0, in the same unit
 * @see C2
 */
export function usedShareOfOpen(
  usesPerDay: number,
  openDays: number,
  content: number,
  perUse: number,
): OpenUse {
  const room = Math.max(1, -wholeAbove(-content / perUse));
  const mean = usesPerDay * openDays;
  const expected = expectedUpTo(mean, room) / -Math.expm1(-mean);
  return { room, expectedUses: mean, usedShare: Math.min(1, expected / room) };
}

/** E[min(N, K)] = sum over n < K of P(N > n), for N Poisson. Chances in logs: e^-mean may be 0. */
function expectedUpTo(mean: number, room: number): number {
  let logChance = -mean;
  let atMost = 0;
  let expected = 0;
  for (let n = 0; n < room; n += 1) {
    if (n > 0) logChance += Math.log(mean / n);
    atMost += Math.exp(logChance);
    const more = 1 - atMost;
    if (n > mean && more <= 1e-15) break;
    expected += Math.max(0, more);
  }
  return expected;
}
