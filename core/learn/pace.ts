import type { LogbookVisit } from '../house/logbook';
import { paceSpreadOf, type HouseSettings } from '../house/settings';
import { expectedOfAct } from '../logbook/cameOut';
import { tappedThrough } from '../logbook/tappedThrough';
import { weightOfLog } from './towards';

/** How much slower and quicker visits were as a whole. */
export interface PaceSeen {
  /** visits that it is told by */
  readonly visits: number;
  /** standard deviation of the pace, a share */
  readonly spread: number;
  /** what is written, corrected by it */
  readonly proposed: number;
  /** how many standard errors the variance of the pace lies from what is written */
  readonly errors: number;
}

/** Fewer visits say nothing about how paces differ. */
const FEWEST = 40;
const FEWEST_OF_A_PLAN = 5;

/**
 * How much slower and quicker visits were as a whole: what the two halves of the steps of one visit, every other
 * one, have in common. What each step takes longer or shorter by itself is no part of it, nor is a step that is
 * written wrong.
 * @returns nothing where there are fewer than 40 visits
 * @see T7 L1
 */
export function paceSeen(
  visits: readonly LogbookVisit[],
  settings: Pick<HouseSettings, 'paceSpread'>,
): PaceSeen | undefined {
  const byPlan = new Map<string, Halves[]>();
  for (const visit of visits) {
    const halves = halvesOf(visit, settings);
    if (!halves) continue;
    const { id } = visit.plan;
    const own = byPlan.get(id) ?? [];
    own.push(halves);
    byPlan.set(id, own);
  }
  let [n, both, odd, even] = [0, 0, 0, 0];
  for (const own of byPlan.values()) {
    if (own.length < FEWEST_OF_A_PLAN) continue;
    const meanOdd = own.reduce((sum, each) => sum + each.odd, 0) / own.length;
    const meanEven = own.reduce((sum, each) => sum + each.even, 0) / own.length;
    for (const each of own) {
      const offOdd = each.odd / meanOdd - 1;
      const offEven = each.even / meanEven - 1;
      both += offOdd * offEven;
      odd += offOdd ** 2;
      even += offEven ** 2;
    }
    n += own.length - 1;
  }
  if (n < FEWEST) return undefined;
  const [common, ofOdd, ofEven] = [both / n, odd / n, even / n];
  const written = paceSpreadOf(settings);
  const error = Math.sqrt((ofOdd * ofEven + common ** 2) / n);
  const spread = Math.sqrt(Math.max(0, common));
  return {
    visits: n,
    spread,
    proposed: written + weightOfLog(n) * (spread - written),
    errors: Math.abs(common - written ** 2) / error,
  };
}

interface Half {
  took: number;
  expected: number;
}

interface Halves {
  readonly odd: number;
  readonly even: number;
}

/** What every other step took, each half beside what was expected of it; what has fixed minutes has no pace. */
function halvesOf(
  visit: LogbookVisit,
  settings: Pick<HouseSettings, 'paceSpread'>,
): Halves | undefined {
  const { plan, entry } = visit;
  const tapped = tappedThrough(visit);
  if (tapped.isAll) return undefined;
  const sums: readonly [Half, Half] = [
    { took: 0, expected: 0 },
    { took: 0, expected: 0 },
  ];
  let which: 0 | 1 = 0;
  plan.acts.forEach((act, at) => {
    const took = entry.minutes[at] ?? null;
    const { least, most } = act.minutes;
    if (took === null || least === most || act.beside || tapped.acts.has(at)) return;
    const half = sums[which];
    half.took += took;
    half.expected += expectedOfAct(act, settings);
    which = which === 0 ? 1 : 0;
  });
  const [odd, even] = sums;
  if (odd.took === 0 || even.took === 0) return undefined;
  return { odd: odd.took / odd.expected, even: even.took / even.expected };
}
