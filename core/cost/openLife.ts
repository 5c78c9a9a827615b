import { wholeAbove } from '../dose/openPacks';
import type { MaterialDemand } from '../draws/demandRate';
import type { Material, Pack } from '../house/house';
import { daysOf, openLifeOf } from '../house/packs';

/** How much of a container is used before its open life is over. */
export interface OpenUse {
  /** uses that fit into one container, at least 1 */
  readonly room: number;
  /** expected uses while it is open, besides the one that opens it */
  readonly expectedUses: number;
  /** share of the container that is used, above 0 and at most 1 */
  readonly usedShare: number;
}

/**
 * Used share of an open container = E[min(1 + N, K)] / K. The first use opens it; the further uses N while it is
 * open are Poisson with mean uses a day x open days, so that even the rarest use is charged one whole container
 * and no more.
 * @param usesPerDay > 0
 * @param openDays period after opening, > 0
 * @param content what can be taken out of one container, in the material's unit: its content less the residual
 * @param perUse what one use takes, > 0, in the same unit
 * @example usedShareOfOpen(1.2, 84, 29.1, 0.3).room // 97
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
  const expected = 1 + expectedUpTo(mean, room - 1);
  return { room, expectedUses: mean, usedShare: Math.min(1, expected / room) };
}

/**
 * How much of an open container of a pack is used at a demand.
 * @param held the pack, with its content in the material's unit
 * @returns nothing of what does not spoil open, and where nobody says that it is used
 * @see C2
 */
export function openUseOf(
  material: Material,
  held: Pick<Pack, 'content' | 'residual'>,
  { usesPerDay, perDay }: Pick<MaterialDemand, 'usesPerDay' | 'perDay'>,
): OpenUse | undefined {
  const life = openLifeOf(material);
  if (!life || !(usesPerDay > 0 && perDay > 0)) return undefined;
  const content = held.content * (1 - held.residual);
  return usedShareOfOpen(usesPerDay, daysOf(life), content, perDay / usesPerDay);
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
