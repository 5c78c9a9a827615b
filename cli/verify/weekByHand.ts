import { REST_KINDS, restBetween, type RestKind } from '@bienestar/core/house/rests';
import type { Lots } from '@bienestar/core/testing/lots';
import { CELLS_PER_MINUTE, type Distribution } from '@bienestar/core/time/distribution';
import { spreadEvenly } from '@bienestar/core/week/evenly';
import { backToBack } from '@bienestar/core/week/play/backToBack';
import type { LinearSolver } from '@bienestar/core/week/worth/linear';
import { menuMix } from '@bienestar/core/week/worth/menuMix';
import { leastOffset } from '@bienestar/core/week/play/stagger';

/*
 * The week, worked out anew from W1 to W3 of docs/calculations.md in other ways: the best mix by looking at every
 * corner of what is allowed, offsets by laying one minute beside the other, delays by adding up every case.
 */

const SAME = 1e-6;

/** Figures of W1 to W3 for drawn weeks, by core and by hand; those that differ. */
export function weekOfSeed(
  seed: number,
  lots: Lots,
  solve: LinearSolver,
): { readonly figures: number; readonly faults: readonly string[] } {
  const faults: string[] = [];
  const same = (what: string, by: number, hand: number): void => {
    if (!(Math.abs(by - hand) <= SAME * Math.max(1, Math.abs(hand))))
      faults.push(`week of ${seed}: ${what} is ${by}, by hand ${hand}`);
  };
  const mix = mixByHand(lots, solve);
  same('the best mix', mix.by, mix.hand);
  same('one more of a limit', mix.worth, mix.worthByHand);
  const offset = offsetByHand(lots);
  same('the least offset', offset.by, offset.hand);
  const late = lateByHand(lots);
  late.by.forEach((by, at) => same(`delay ${at}`, by, late.hand[at] ?? NaN));
  const full = fullestByHand(lots);
  same('the fullest person', full.by, full.hand);
  const rest = restByHand(lots);
  same('the rest between two visits', rest.by, rest.hand);
  return { figures: 5 + late.by.length, faults };
}

/**
 * How full the fullest is when work is spread evenly: of all groups, what only they may do beside what there is of them
 * (Hall's condition).
 */
function fullestByHand(lots: Lots) {
  const there = Array.from({ length: 4 }, () => 60 + lots.unit() * 400);
  const jobs = Array.from({ length: 5 }, () => {
    const among = there.flatMap((_, who) => (lots.unit() < 0.5 ? [who] : []));
    return { amount: lots.unit() * 300, among: among.length > 0 ? among : [0] };
  });
  const given = spreadEvenly(jobs, there);
  const load = there.map((_, who) =>
    jobs.reduce((sum, { among }, at) => sum + (given[at]?.[among.indexOf(who)] ?? 0), 0),
  );
  let hand = 0;
  for (let group = 1; group < 2 ** there.length; group += 1) {
    const isIn = (who: number): boolean => (group & (2 ** who)) !== 0;
    const only = jobs.filter(({ among }) => among.every(isIn));
    const work = only.reduce((sum, { amount }) => sum + amount, 0);
    const has = there.reduce((sum, each, who) => (isIn(who) ? sum + each : sum), 0);
    hand = Math.max(hand, work / has);
  }
  return { by: Math.max(...load.map((each, who) => each / (there[who] ?? 1))), hand };
}

/** The longest rest between two kinds of visits, looked for one kind after the other. */
function restByHand(lots: Lots) {
  const some = (): Set<RestKind> => new Set(REST_KINDS.filter(() => lots.unit() < 0.4));
  const rules = Array.from({ length: 8 }, () => ({
    after: lots.one(REST_KINDS),
    before: lots.one(REST_KINDS),
    days: Math.floor(lots.unit() * 30),
  }));
  const [first, second] = [some(), some()];
  let hand = -1;
  for (const before of first) {
    for (const later of second) {
      for (const rule of rules) {
        if (rule.after === before && rule.before === later && rule.days > hand) hand = rule.days;
      }
    }
  }
  return { by: restBetween(rules, first, second)?.days ?? -1, hand };
}

interface Side {
  /** sum of these times the visits is at most `most` */
  readonly of: readonly number[];
  readonly most: number;
}

/** Two services within three limits: the best corner of all. */
function mixByHand(lots: Lots, solve: LinearSolver) {
  const draw = (from: number, to: number): number => from + (to - from) * lots.unit();
  const contribution = [draw(500, 6000), draw(500, 6000)];
  const takes = Array.from({ length: 3 }, () => [draw(5, 90), draw(5, 90)]);
  const limits = [draw(300, 3000), draw(300, 3000), draw(300, 3000)];
  const bounds = [0, 1].map(() => {
    const least = Math.floor(draw(0, 2));
    return [least, least + draw(1, 40)] as const;
  });
  const bestWithin = (has: readonly number[]): number => {
    const sides: Side[] = [
      ...has.map((most, at) => ({ of: takes[at] ?? [], most })),
      ...bounds.flatMap(([least, most], at): Side[] => [
        { of: [at === 0 ? 1 : 0, at === 0 ? 0 : 1], most },
        { of: [at === 0 ? -1 : 0, at === 0 ? 0 : -1], most: -least },
      ]),
    ];
    let best = Number.NEGATIVE_INFINITY;
    for (const [first, one] of sides.entries()) {
      for (const other of sides.slice(first + 1)) {
        const [a = 0, b = 0] = one.of;
        const [c = 0, d = 0] = other.of;
        const whole = a * d - b * c;
        if (Math.abs(whole) < 1e-12) continue;
        const x = (one.most * d - b * other.most) / whole;
        const y = (a * other.most - one.most * c) / whole;
        const fits = sides.every(({ of: [p = 0, q = 0], most }) => p * x + q * y <= most + 1e-7);
        if (fits) best = Math.max(best, (contribution[0] ?? 0) * x + (contribution[1] ?? 0) * y);
      }
    }
    return best;
  };
  const found = menuMix(
    {
      days: 1,
      services: contribution.map((each, service) => ({
        contribution: each,
        least: bounds[service]?.[0] ?? 0,
        most: bounds[service]?.[1] ?? 0,
        uses: [0, 1].map((limit) => [limit, takes[limit]?.[service] ?? 0] as const),
        hands: [{ minutes: takes[2]?.[service] ?? 0, by: [2] }],
      })),
      limits: limits.map((each) => ({ perDay: [each] })),
    },
    solve,
  );
  const hand = bestWithin(limits);
  if (!found.ok)
    return {
      by: NaN,
      hand: hand === Number.NEGATIVE_INFINITY ? NaN : hand,
      worth: 0,
      worthByHand: 0,
    };
  /* One more of the first limit, as far as nothing else gives out before: a thousandth of it. */
  const little = 1e-3;
  const [first = 0, ...others] = limits;
  const more = bestWithin([first + little, ...others]);
  const less = bestWithin([first - little, ...others]);
  const worth = found.value.limits[0]?.worth[0] ?? 0;
  const [up, down] = [(more - hand) / little, (hand - less) / little];
  /* At a corner where two meet, the worth lies between that of more and of less. */
  const worthByHand = Math.min(Math.max(worth, up - 1e-3), down + 1e-3);
  return { by: found.value.contribution, hand, worth, worthByHand };
}

/** The least offset by taking every quarter of a minute of both visits. */
function offsetByHand(lots: Lots) {
  const PARTS = 4;
  const drawn = (): { readonly from: number; readonly to: number }[] => {
    let at = Math.floor(lots.unit() * 8);
    return Array.from({ length: 1 + Math.floor(lots.unit() * 3) }, () => {
      const from = at + Math.floor(lots.unit() * 20);
      const to = from + 1 + Math.floor(lots.unit() * 20);
      at = to + 1;
      return { from, to };
    });
  };
  const [first, second] = [drawn(), drawn()];
  const between = Math.floor(lots.unit() * 4);
  const grid = 1 + Math.floor(lots.unit() * 6);
  const taken = new Set<number>();
  for (const { from, to } of first) {
    for (let part = (from - between) * PARTS; part < (to + between) * PARTS; part += 1)
      taken.add(part);
  }
  let hand = 0;
  const meets = (): boolean =>
    second.some(({ from, to }) => {
      for (let part = (from + hand) * PARTS; part < (to + hand) * PARTS; part += 1)
        if (taken.has(part)) return true;
      return false;
    });
  while (meets()) hand += grid;
  const by = leastOffset([{ of: 'therapist', first, second, between }], grid).minutes;
  return { by, hand };
}

/** Three visits of few lengths: every case of them, one by one. */
function lateByHand(lots: Lots) {
  const visits = Array.from({ length: 3 }, () => {
    const cells = Array.from({ length: 4 }, () => lots.unit());
    const all = cells.reduce((sum, each) => sum + each, 0);
    const first = 300 + Math.floor(lots.unit() * 200);
    return {
      first,
      chances: cells.map((each) => each / all),
      slotMinutes: (first + Math.floor(lots.unit() * 5)) / CELLS_PER_MINUTE,
    };
  });
  const late = backToBack(
    visits.map(({ first, chances, slotMinutes }) => ({
      roomTime: {
        shift: 0,
        mean: chances.reduce((sum, each, at) => sum + (each * (first + at)) / CELLS_PER_MINUTE, 0),
        paces: [{ first, chances: Float64Array.from(chances) }],
      } satisfies Distribution,
      slotMinutes,
    })),
    0.15,
  );
  const hand = [0, 0, 0];
  const walk = (visit: number, delay: number, chance: number): void => {
    const of = visits[visit];
    if (!of) return;
    hand[visit] = (hand[visit] ?? 0) + chance * delay;
    of.chances.forEach((each, at) => {
      const took = (of.first + at) / CELLS_PER_MINUTE;
      walk(visit + 1, Math.max(0, delay + took - of.slotMinutes), chance * each);
    });
  };
  walk(0, 0, 1);
  return { by: late.late.map(({ mean }) => mean), hand };
}
