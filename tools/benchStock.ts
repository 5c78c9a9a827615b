import { usedShareOfOpen } from '../core/cost/openLife';
import { Chance } from '../core/restock/chance';
import type { Keeping } from '../core/restock/simulatedShelf';
import {
  verifyPolicy,
  type PlayedMaterial,
  type PolicyOutcome,
} from '../core/restock/verifyPolicy';
import { compoundDemand } from '../core/restock/compound';
import { materialDemand, type UseRate } from '../core/draws/demandRate';
import { orderSize } from '../core/restock/orderSize';
import type { LeadTime } from '../core/restock/supplyCalendar';
import { usesWhileWaiting } from '../core/restock/usesWhileWaiting';
import { valueOf } from '../core/testing/sample';

/*
 * npm run bench:stock — plays a generated shelf of 400 materials through for a thousand years each: by
 * the computed reorder points, and by a plain rule, so many days' cover for everything, at equal service.
 */

const MATERIALS = 400;
const YEARS = 1000;
const SEARCH_YEARS = 150;
const TARGET = 0.95;
const KINDS = ['fast', 'slow', 'lumpy', 'sachets', 'tubs'] as const;
type Kind = (typeof KINDS)[number];

interface Shelved {
  readonly kind: Kind;
  readonly played: PlayedMaterial;
  readonly unitCost: number;
}

const chance = new Chance(2026);
const between = (low: number, high: number): number => low + (high - low) * chance.unit();
const whole = (low: number, high: number): number => Math.floor(between(low, high + 1));
/** Rates and prices spread over orders of magnitude. */
const spread = (low: number, high: number): number => low * (high / low) ** chance.unit();

function ratesOf(kind: Kind): readonly UseRate[] {
  switch (kind) {
    case 'fast':
      return [
        { visitsPerWeek: spread(15, 90), amount: whole(1, 4) },
        { visitsPerWeek: spread(2, 20), amount: whole(2, 8) },
      ];
    case 'slow':
      return [{ visitsPerWeek: spread(0.2, 2), amount: whole(1, 2) }];
    case 'lumpy':
      return [
        { visitsPerWeek: spread(1, 8), amount: 1 },
        { visitsPerWeek: spread(0.3, 2), amount: whole(6, 16) },
      ];
    case 'sachets':
      return [
        { visitsPerWeek: spread(2, 25), amount: 1 },
        { visitsPerWeek: spread(1, 8), amount: 2 },
      ];
    case 'tubs':
      return [
        { visitsPerWeek: spread(2, 25), amount: between(3, 12) },
        { visitsPerWeek: spread(1, 10), amount: between(5, 25) },
      ];
  }
}

function keepingOf(kind: Kind, usesPerDay: number, perUse: number): Keeping {
  if (kind !== 'tubs') return { containerUnits: 1, containersPerPack: whole(1, 5) * 10 };
  const containerUnits = [100, 200, 250, 500][whole(0, 3)] ?? 200;
  const openDays = [60, 90, 180][whole(0, 2)] ?? 90;
  return {
    containerUnits,
    containersPerPack: 1,
    openDays,
    sealedDays: whole(300, 900),
    usedShare: usedShareOfOpen(usesPerDay, openDays, containerUnits, perUse).usedShare,
  };
}

function shelved(at: number): Shelved {
  const kind = KINDS[at % KINDS.length] ?? 'fast';
  const demand = materialDemand(ratesOf(kind));
  const leadTimeDays = between(1, 14);
  const lead: LeadTime = {
    leadTimeDays,
    leadTimeSdDays: leadTimeDays * between(0, 0.4),
    reviewDays: chance.unit() < 0.3 ? 7 : 0,
  };
  const keeping = keepingOf(kind, demand.usesPerDay, demand.perDay / demand.usesPerDay);
  const packUnits = keeping.containerUnits * keeping.containersPerPack;
  const unitCost = spread(20, 900) / (kind === 'tubs' ? 20 : 1);
  const { sealedDays, usedShare = 1 } = keeping;
  const size = valueOf(
    orderSize(
      {
        yearlyDemand: (demand.perDay / usedShare) * 365,
        orderCost: 900,
        holdingRate: 0.2,
        packUnits,
        packCost: unitCost * packUnits,
        breaks: [],
        leastPacks: 1,
        ...(sealedDays !== undefined && {
          mostPacks: ((demand.perDay / usedShare) * sealedDays) / packUnits,
        }),
      },
      {},
    ),
  );
  const compound = compoundDemand(
    demand,
    usesWhileWaiting(demand.usesPerDay, lead),
    kind === 'tubs' ? undefined : 1,
  );
  const reorderAt = compound.least(TARGET, lead.reviewDays > 0 ? 'within' : 'inTime');
  return {
    kind,
    unitCost,
    played: {
      demand,
      lead,
      keeping,
      policy: { how: 'computed', reorderAt, orderPacks: size.packs },
    },
  };
}

/** Everything ordered when so many days' demand is left. */
function byCover(shelf: readonly Shelved[], days: number): readonly Shelved[] {
  return shelf.map((each) => {
    const { policy, demand } = each.played;
    const orderPacks = policy.how === 'computed' ? policy.orderPacks : 1;
    const reorderAt = demand.perDay * days;
    return {
      ...each,
      played: { ...each.played, policy: { how: 'computed', reorderAt, orderPacks } },
    };
  });
}

interface Reached {
  readonly outcomes: readonly PolicyOutcome[];
  readonly service: number;
  readonly money: number;
}

function play(shelf: readonly Shelved[], years: number): Reached {
  const outcomes = shelf.map(({ played }, at) => verifyPolicy(played, { years, seed: at + 1 }));
  const mean = (of: (outcome: PolicyOutcome, at: number) => number): number =>
    outcomes.reduce((sum, outcome, at) => sum + of(outcome, at), 0) / outcomes.length;
  return {
    outcomes,
    service: mean(({ cycleService }) => cycleService),
    money: mean(({ onHand }, at) => onHand * (shelf[at]?.unitCost ?? 0)) * outcomes.length,
  };
}

const began = performance.now();
const shelf = Array.from({ length: MATERIALS }, (_, at) => shelved(at));
const pointsMs = performance.now() - began;
const simulated = performance.now();
const computed = play(shelf, YEARS);
const simulatedMs = performance.now() - simulated;

let [short, long] = [1, 90];
for (let tries = 0; tries < 8; tries += 1) {
  const middle = (short + long) / 2;
  if (play(byCover(shelf, middle), SEARCH_YEARS).service < computed.service) short = middle;
  else long = middle;
}
const plain = play(byCover(shelf, long), YEARS);
const fortnight = play(byCover(shelf, 14), SEARCH_YEARS);

const share = (value: number): string => `${(value * 100).toFixed(1)} %`;
const money = (value: number): string => (value / 100).toFixed(0);
const reached = computed.outcomes.map(({ cycleService }) => cycleService);
const held = reached.filter((service) => service >= TARGET - 0.01).length / MATERIALS;
const overshoot = reached.reduce((sum, service) => sum + service - TARGET, 0) / MATERIALS;
const lines: readonly (readonly [string, string])[] = [
  ['materials, years each', `${MATERIALS}, ${YEARS}`],
  ['target cycle service', share(TARGET)],
  ['within one point of it or above', `${share(held)}   (aim 95 %)`],
  ['mean overshoot', `${(overshoot * 100).toFixed(2)} points`],
  ['money tied up, computed points', money(computed.money)],
  [`money tied up, ${long.toFixed(1)} days' cover for all`, money(plain.money)],
  ['their service', `${share(computed.service)}, ${share(plain.service)}`],
  ['less money than the plain rule', `${share(1 - computed.money / plain.money)}   (aim 20 %)`],
  ["two weeks' cover as it is", `${share(fortnight.service)} at ${money(fortnight.money)}`],
  ['points and sizes of the shelf', `${pointsMs.toFixed(0)} ms`],
  ['one material, a thousand years', `${(simulatedMs / MATERIALS).toFixed(0)} ms on average`],
];
for (const [what, value] of lines) process.stdout.write(`${what.padEnd(44)} ${value}\n`);
for (const kind of KINDS) {
  const of = reached.filter((_, at) => shelf[at]?.kind === kind);
  const ok = of.filter((service) => service >= TARGET - 0.01).length / of.length;
  process.stdout.write(`  ${kind.padEnd(42)} ${share(ok)} held, least ${share(Math.min(...of))}\n`);
}
