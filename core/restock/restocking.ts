import type { BoughtMaterial, Pack, Review, Supplier } from '../house/house';
import type { ServiceId } from '../house/ids';
import {
  daysAfter,
  daysBetween,
  endOfDay,
  hoursBetween,
  todayOf,
  type HouseClock,
} from '../days/days';
import type { MaterialDemand } from '../draws/demandRate';
import type { OrderSize } from './orderSize';
import type { OrderRisk, ReorderPoint } from './reorderPoint';
import { shelfState } from '../stock/shelfLife';
import { sumExactly, type MaterialStock } from '../house/stock';
import { UseInTurn, type Batch } from '../stock/usable';
import type { LeadTime } from './supplyCalendar';
import type { UsesWhileWaiting } from './usesWhileWaiting';
import { arrivalOf } from './arrival';
import type { Keeping } from './simulatedShelf';
import type { Policy } from './verifyPolicy';

/** Room for rounding, so that five days of cover are five. */
const ALMOST = 1e-9;

/** What visits of a service take of a material: so many a week, each so much. */
export interface MaterialRate {
  readonly serviceId: ServiceId;
  readonly visitsPerWeek: number;
  /** in the material's unit */
  readonly amount: number;
}

/** Packs on their way. */
export interface OnItsWay {
  readonly orderName: string;
  /** in the material's unit */
  readonly amount: number;
  /** ISO date */
  readonly dueOn: string;
}

/** What the shelf is worth for the visits to come. In the material's unit. */
export interface Position {
  readonly onHand: number;
  /** of what is on hand, what will be used before it is over */
  readonly usable: number;
  /** of what is on hand and still good, what will be over before its turn */
  readonly lost: number;
  readonly onOrder: number;
  readonly promised: number;
  /** usable and on order, less what is promised */
  readonly amount: number;
}

/** A reorder point of one school of looking at the shelf. */
export interface SchoolPoint {
  readonly lead: LeadTime;
  readonly uses: UsesWhileWaiting;
  readonly reorderPoint: ReorderPoint;
}

/** What a minimum and a maximum that were set by hand risk. */
export interface LevelsRisk extends OrderRisk {
  /** weeks between two times of being without; nothing when it does not happen */
  readonly weeksBetweenShort: number | null;
}

/** When to order a material, how much, how long it lasts and what that risks. */
export interface Restocking {
  readonly demand: MaterialDemand;
  readonly rates: readonly MaterialRate[];
  readonly pack: Pack;
  readonly supplier: Supplier;
  readonly serviceLevel: number;
  readonly school: Review;
  /** of the school in force */
  readonly lead: LeadTime;
  readonly uses: UsesWhileWaiting;
  readonly reorderPoint: ReorderPoint;
  /** at which an order is written: the point, or the minimum set by hand */
  readonly orderAt: number;
  readonly levels?: LevelsRisk;
  readonly orderSize: OrderSize;
  readonly keeping: Keeping;
  readonly policy: Policy;
  readonly position: Position;
  readonly onItsWay: readonly OnItsWay[];
  readonly cover: {
    /** nothing when the material is not used */
    readonly daysOfCover: number | null;
    /** ISO date on which nothing is left */
    readonly runsOutOn: string | null;
    readonly shouldOrder: boolean;
  };
  /** ISO date on which an order of today is there */
  readonly arrivesOn: string;
  /** share of what is asked for that is there */
  readonly servedFromShelf: number;
  /** uses a year for which it is not there: guests who go without */
  readonly withoutPerYear: number;
  /** expected, because containers are open too long, in the material's unit */
  readonly wastePerYear: number;
  /** the same, in minor units */
  readonly wastePerYearMinor: number;
  readonly unitCost: number;
}

/** What does not depend on the shelf of the moment: demand, points, order size. */
export type Rules = Omit<Restocking, 'position' | 'onItsWay' | 'cover' | 'arrivesOn'>;

/** What the rules meet on the shelf. */
export interface ShelfOfTheMoment extends HouseClock {
  readonly material: BoughtMaterial;
  readonly stock: Pick<MaterialStock, 'lots'>;
  /** set aside for sold courses, in the material's unit */
  readonly promised: number;
  readonly onItsWay: readonly OnItsWay[];
}

/**
 * A material on the shelf of the moment: what counts of it, how long it lasts, whether to order.
 * @see S5 S6
 */
export function restockingNow(
  rules: Rules,
  { material, stock, promised, onItsWay, ...clock }: ShelfOfTheMoment,
): Restocking {
  const { demand, keeping, pack } = rules;
  const today = todayOf(clock);
  const batches =
    material.kind === 'fresh'
      ? freshBatches(material, stock, rules, clock)
      : batchesOf(material, stock, { pack, usedShare: keeping.usedShare ?? 1 }, clock);
  const turn = new UseInTurn(demand.perDay);
  for (const { amount, daysLeft } of batches) turn.take(amount, daysLeft ?? Infinity);
  const usable = turn.usable;
  const { lost } = turn;
  const sealedDays = keeping.sealedDays ?? Infinity;
  for (const { amount, dueOn } of onItsWay) {
    const canBeTaken = amount * (1 - pack.residual);
    turn.take(canBeTaken, Math.max(0, daysBetween(today, dueOn)) + sealedDays);
  }
  const onOrder = turn.usable - usable;
  const amount = turn.usable - promised;
  const daysOfCover = demand.perDay > 0 ? usable / demand.perDay : null;
  const onHand = sumExactly(batches.map(({ whole }) => whole));
  return {
    ...rules,
    position: { onHand, usable, lost, onOrder, promised, amount },
    onItsWay,
    cover: {
      daysOfCover,
      runsOutOn: daysOfCover === null ? null : daysAfter(today, Math.floor(daysOfCover + ALMOST)),
      shouldOrder: (demand.perDay > 0 || promised > 0) && amount <= rules.orderAt,
    },
    arrivesOn: arrivalOf(today, rules.lead.leadTimeDays, rules.supplier),
  };
}

/** Whether what comes is over before the next order of the same day could be there. */
export function takesLonger({ keeping, uses }: Pick<Restocking, 'keeping' | 'uses'>): boolean {
  return keeping.sealedDays !== undefined && keeping.sealedDays < uses.protectionDays;
}

/**
 * Fresh goods serve whoever comes until others can be there: what is good for so long counts whole, and
 * what is over before then not at all.
 */
function freshBatches(
  material: BoughtMaterial,
  stock: Pick<MaterialStock, 'lots'>,
  { uses, pack }: Pick<Rules, 'uses' | 'pack'>,
  clock: HouseClock,
): ReturnType<typeof batchesOf> {
  return batchesOf(material, stock, { pack, usedShare: 1 }, clock).map(
    ({ amount, whole, daysLeft }) => ({
      amount: daysLeft === undefined || daysLeft >= uses.protectionDays ? amount : 0,
      whole,
    }),
  );
}

/**
 * What is on hand in the order in which it is used, each with what will be got out of it: without what stays in a
 * container.
 */
function batchesOf(
  material: BoughtMaterial,
  stock: Pick<MaterialStock, 'lots'>,
  { pack, usedShare }: { readonly pack: Pack; readonly usedShare: number },
  clock: HouseClock,
): readonly (Batch & { readonly whole: number })[] {
  const { open, lots } = shelfState(material, stock, clock);
  return [
    ...open.map(({ remaining, daysLeft }) => ({
      amount: takenFromOpen(remaining, pack),
      whole: remaining,
      ...(daysLeft !== undefined && { daysLeft }),
    })),
    ...lots.map(({ lot, sealed }) => ({
      amount: sealed * (1 - pack.residual) * usedShare,
      whole: sealed,
      ...(lot.expiresOn !== undefined && {
        daysLeft: hoursBetween(clock.now, endOfDay(lot.expiresOn, clock.timeZone)) / 24,
      }),
    })),
  ];
}

/** What can still be got out of an open container, in the material's unit. @see C1 */
export function takenFromOpen(
  remaining: number,
  { content, residual }: Pick<Pack, 'content' | 'residual'>,
): number {
  return Math.max(0, remaining - content * residual);
}
