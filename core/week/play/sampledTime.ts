import type { Chance } from '../../restock/chance';
import { CELLS_PER_MINUTE, paceWeights, type Distribution } from '../../time/distribution';

/** Draws lengths of time as a distribution has them. */
export interface SampledTime {
  /** @param pace of the visit: a place among the paces @returns minutes */
  readonly draw: (pace: number, chance: Chance) => number;
}

/** A distribution to be drawn from: of each pace the minutes of its cells, as often as their chances say. */
export function sampledTime({ shift, paces }: Distribution): SampledTime {
  const [only] = paces;
  if (paces.length === 1 && only?.chances.length === 1) {
    const minutes = shift + only.first / CELLS_PER_MINUTE;
    return { draw: () => minutes };
  }
  const tables = paces.map(({ first, chances }) => {
    const upTo = new Float64Array(chances.length);
    let sum = 0;
    chances.forEach((chance, at) => (upTo[at] = sum += chance));
    return { first, upTo };
  });
  return {
    draw: (pace, chance) => {
      const table = tables[tables.length === 1 ? 0 : pace];
      if (!table) return shift;
      const { first, upTo } = table;
      const drawn = chance.unit() * (upTo.at(-1) ?? 1);
      let low = 0;
      let high = upTo.length - 1;
      while (low < high) {
        const middle = (low + high) >> 1;
        if ((upTo[middle] as number) < drawn) low = middle + 1;
        else high = middle;
      }
      return shift + (first + low) / CELLS_PER_MINUTE;
    },
  };
}

const THREE_PACES = paceWeights(3);

/** The pace of one visit: a place among the three of a mixture. @see T7 */
export function drawPace(chance: Chance): number {
  const drawn = chance.unit();
  if (drawn < (THREE_PACES[0] ?? 0)) return 0;
  return drawn < 1 - (THREE_PACES[2] ?? 0) ? 1 : 2;
}
