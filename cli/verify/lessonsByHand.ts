import { driftOf } from '@bienestar/core/learn/drift';
import { correctedMean, minutesByLog } from '@bienestar/core/learn/towards';
import { seenShare } from '@bienestar/core/learn/wilson';
import { Lots } from '@bienestar/core/testing/lots';

/*
 * What the log teaches, worked out anew from L1 to L4 of docs/calculations.md in other ways: shares by the equation
 * that Wilson's interval solves, weighted means as one sum, quantiles by ranks.
 */

/** A share that is told apart from p by no more than chance: (p' - p)^2 = z^2 p (1 - p) / n, solved by halving. */
function wilsonByHand(hits: number, of: number): readonly [number, number] {
  const seen = hits / of;
  const z = 1.959964;
  const isOutside = (p: number): boolean => (seen - p) ** 2 > (z * z * p * (1 - p)) / of;
  const edge = (inside: number, outside: number): number => {
    let [near, far] = [inside, outside];
    for (let turn = 0; turn < 200; turn += 1) {
      const middle = (near + far) / 2;
      if (isOutside(middle)) far = middle;
      else near = middle;
    }
    return near;
  };
  return [hits === 0 ? 0 : edge(seen, 0), hits === of ? 1 : edge(seen, 1)];
}

function rankedAt(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  const rank = 1 + share * (sorted.length - 1);
  const upper = Math.min(sorted.length, Math.floor(rank) + 1);
  const [below, above] = [sorted[Math.floor(rank) - 1] ?? 0, sorted[upper - 1] ?? 0];
  return below * (1 - (rank % 1)) + above * (rank % 1);
}

const SAME = 1e-7;

/** Figures of L1 to L4 for drawn logs, by core and by hand; those that differ. */
export function lessonsOfSeed(seed: number): {
  readonly figures: number;
  readonly faults: readonly string[];
} {
  const lots = new Lots(seed);
  const n = 1 + Math.floor(lots.unit() * 60);
  const log = Array.from({ length: n }, () => 2 + 20 * lots.unit());
  const least = 1 + 5 * lots.unit();
  const written = { least, usual: least + 2, most: least + 2 + 6 * lots.unit() };
  const w = 1 / (1 + 8 / n);
  const mean = log.reduce((sum, each) => sum + each / n, 0);
  const expected = (written.least + 4 * written.usual + written.most) / 6;
  const corrected = (1 - w) * expected + w * mean;
  const low = (1 - w) * written.least + w * rankedAt(log, 0.05);
  const high = (1 - w) * written.most + w * rankedAt(log, 0.95);
  const usual = Math.max(low, Math.min(high, (6 * corrected - low - high) / 4));
  const byLog = minutesByLog(written, log);
  const hits = Math.round(lots.unit() * n);
  const [from, until] = wilsonByHand(hits, n);
  const share = seenShare(hits, n);
  const sigma = 0.5 + lots.unit();
  const drift = driftOf(log, 5, sigma);
  const pairs: [string, number, number][] = [
    ['corrected mean', correctedMean(expected, log), corrected],
    ['least', byLog.least, low],
    ['usual', byLog.usual, usual],
    ['most', byLog.most, high],
    ['share from', share.low, from],
    ['share until', share.high, until],
  ];
  drift.forEach((point, at) => {
    let [sum, variance] = [5 * 0.8 ** (at + 1), 0];
    for (let back = 0; back <= at; back += 1) {
      sum += 0.2 * 0.8 ** back * (log[at - back] ?? 0);
      variance += (0.2 * 0.8 ** back) ** 2;
    }
    pairs.push(
      [`mean ${at}`, point.mean, sum],
      [`limit ${at}`, point.limit, 3 * sigma * Math.sqrt(variance)],
    );
  });
  return {
    figures: pairs.length,
    faults: pairs.flatMap(([name, core, hand]) =>
      Math.abs(core - hand) <= SAME * Math.max(1, Math.abs(hand))
        ? []
        : [`log of seed ${seed}, ${name}: ${core}, by hand ${hand}`],
    ),
  };
}
