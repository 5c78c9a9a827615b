import type { MaterialDemand } from '../draws/demandRate';
import {
  arrivalAfter,
  firstLookOn,
  lookAfter,
  weekdaysFrom,
  type LeadTime,
} from './supplyCalendar';
import { Chance, drawerOf } from './chance';
import { SimulatedShelf, type Keeping } from './simulatedShelf';

const DAYS_A_YEAR = 365;
/** From so many uses on it pays to draw them together. */
const FEW = 8;

/** When to order and how much. Amounts in the material's unit. */
export type Policy =
  | {
      readonly how: 'computed';
      readonly reorderAt: number;
      /** as many of these at once as bring the position above the point */
      readonly orderPacks: number;
    }
  | { readonly how: 'manual'; readonly minimum: number; readonly maximum: number };

/** A material as it is played through. */
export interface PlayedMaterial {
  readonly demand: MaterialDemand;
  readonly lead: LeadTime;
  readonly keeping: Keeping;
  readonly policy: Policy;
}

/** What a policy comes to, over many years. */
export interface PolicyOutcome {
  readonly years: number;
  /** share of orders that arrived before anything was missing */
  readonly cycleService: number;
  /** share of what was asked for that was there */
  readonly servedFromShelf: number;
  /** days a year on which something was missing */
  readonly daysWithout: number;
  readonly ordersPerYear: number;
  /** on the shelf on average, in the material's unit */
  readonly onHand: number;
  /** thrown away a year, in the material's unit */
  readonly wastePerYear: number;
}

/**
 * Plays a policy through: uses come at random at their rate, each of its size; orders wait a lead time
 * that follows a gamma distribution, and then for the supplier's next delivery day; what is over is thrown away;
 * what is missing is missing.
 * @param onYear is told how many years are done; answers false to stop
 * @returns the same for the same seed
 * @see S3 S5 S6
 */
export function verifyPolicy(
  { demand, lead, keeping, policy }: PlayedMaterial,
  { years, seed }: { readonly years: number; readonly seed: number },
  onYear: (done: number) => boolean = () => true,
): PolicyOutcome {
  const chance = new Chance(seed);
  const sizeOf = drawerOf(demand.sizes);
  const shelf = new SimulatedShelf(keeping);
  const start = startOf(policy, shelf.packUnits);
  shelf.put(start, keeping.sealedDays, 'sealed');
  const { usesPerDay, perDay } = demand;
  const used = usesPerDay > 0;
  const aging = keeping.openDays !== undefined || keeping.sealedDays !== undefined;
  /* What ages is looked at every day, even where nothing is used. */
  const every = lead.reviewDays > 0 ? lead.reviewDays : aging ? 1 : Infinity;
  const always = lead.reviewDays === 0;
  const weekdayOf = weekdaysFrom(firstLookOn(lead));
  const nextAfter = (day: number): number =>
    lead.reviewDays > 0 ? lookAfter(day, lead, weekdayOf) : day + every;
  const largest = demand.sizes.reduce((most, { amount }) => Math.max(most, amount), 0);
  const floor = policy.how === 'computed' ? policy.reorderAt : policy.minimum;
  let nextLook = nextAfter(0);
  let cycles = 0;
  let late = 0;
  /** since the last delivery */
  const cycle = { lacked: false };
  let asked = 0;
  let lacked = 0;
  let daysWithout = 0;
  let lastDayWithout = -1;
  let orders = 0;
  let done = 0;

  const look = (): void => {
    const packs = packsToOrder(policy, shelf.position(perDay), shelf.packUnits);
    if (packs === 0) return;
    orders += 1;
    const taking = chance.gamma(lead.leadTimeDays, lead.leadTimeSdDays);
    shelf.expect(packs, arrivalAfter(shelf.day, taking, lead, weekdayOf));
  };
  const use = (): void => {
    const size = sizeOf(chance);
    const short = shelf.use(size);
    asked += size;
    if (short > 0) {
      lacked += short;
      cycle.lacked = true;
      const day = Math.floor(shelf.day);
      if (day !== lastDayWithout) daysWithout += 1;
      lastDayWithout = day;
    }
    if (always) look();
  };
  /* Uses that can neither lack anything nor call for an order need not be told apart in time. */
  const surely = (): number => {
    if (aging || !used) return 0;
    const above = always ? shelf.onHand + shelf.onOrder - floor : Infinity;
    return Math.floor(Math.min(shelf.onHand, above) / largest) - 1;
  };
  const end = years * DAYS_A_YEAR;
  look();
  for (;;) {
    const nextEnd = shelf.nextEnd;
    const nextDelivery = shelf.nextDelivery;
    const boundary = Math.min(nextDelivery, nextLook, nextEnd, end);
    const many = surely();
    if (many >= FEW) {
      const until = Math.min(boundary, shelf.day + many / (2 * usesPerDay));
      const count = chance.count(usesPerDay * (until - shelf.day));
      let sum = 0;
      for (let at = 0; at < Math.min(count, many); at += 1) sum += sizeOf(chance);
      asked += sum;
      shelf.passTo((shelf.day + until) / 2);
      shelf.useMany(sum);
      shelf.passTo(until);
      for (let at = many; at < count; at += 1) use();
      if (until < boundary) continue;
    } else if (used) {
      const next = shelf.day + chance.wait(usesPerDay);
      if (next < boundary) {
        shelf.passTo(next);
        use();
        continue;
      }
    }
    if (boundary >= end) break;
    shelf.passTo(boundary);
    if (boundary === nextDelivery) {
      shelf.receive();
      cycles += 1;
      if (cycle.lacked) late += 1;
      cycle.lacked = false;
    } else if (boundary === nextLook) {
      nextLook = nextAfter(boundary);
      look();
    } else if (shelf.discardOver() > 0 && always) look();
    if (boundary >= (done + 1) * DAYS_A_YEAR) {
      done = Math.floor(boundary / DAYS_A_YEAR);
      if (!onYear(done)) break;
    }
  }
  const played = Math.max(1e-9, shelf.day / DAYS_A_YEAR);
  return {
    years: played,
    cycleService: cycles === 0 ? 1 : 1 - late / cycles,
    servedFromShelf: asked === 0 ? 1 : 1 - lacked / asked,
    daysWithout: daysWithout / played,
    ordersPerYear: orders / played,
    onHand: shelf.day === 0 ? shelf.onHand : shelf.area / shelf.day,
    wastePerYear: shelf.wasted / played,
  };
}

/**
 * Packs to order at a position; 0 above the point.
 * @param position usable on hand and on order, less what is promised, in the material's unit
 * @see S4 S5
 */
export function packsToOrder(policy: Policy, position: number, packUnits: number): number {
  switch (policy.how) {
    case 'computed': {
      if (position > policy.reorderAt) return 0;
      const amount = policy.orderPacks * packUnits;
      return (
        policy.orderPacks * Math.max(1, Math.floor((policy.reorderAt - position) / amount) + 1)
      );
    }
    case 'manual':
      return position > policy.minimum
        ? 0
        : Math.max(1, Math.ceil((policy.maximum - position) / packUnits - 1e-9));
  }
}

function startOf(policy: Policy, packUnits: number): number {
  return policy.how === 'computed'
    ? policy.reorderAt + policy.orderPacks * packUnits
    : policy.maximum;
}

/** What an outcome comes to in minor units: lying on the shelf on average, thrown away a year. */
export function moneyOf(
  { onHand, wastePerYear }: Pick<PolicyOutcome, 'onHand' | 'wastePerYear'>,
  unitCost: number,
): { readonly tiedUpMinor: number; readonly wasteMinor: number } {
  return { tiedUpMinor: onHand * unitCost, wasteMinor: wastePerYear * unitCost };
}
