import { usedShareOfOpen } from '../cost/openLife';
import { landedUnitCost, packUnits } from '../cost/landedUnitCost';
import type { BoughtMaterial, Pack, Review, Supplier } from '../house/house';
import type { ServiceId } from '../house/ids';
import { daysOf, leadTimeOf, openLifeOf, preferredPack } from '../house/packs';
import { fail, failWith, ok, type Outcome } from '../house/problem';
import type { HouseSettings } from '../house/settings';
import { compoundDemand, type CompoundDemand } from '../stock/compound';
import { dayOf, daysAfter, daysBetween, endOfDay, hoursBetween } from '../stock/days';
import { materialDemand, type MaterialDemand } from '../stock/demandRate';
import { breakCosts, orderSize, type OrderSize } from '../stock/orderSize';
import { pointOf, riskAt, type OrderRisk, type ReorderPoint } from '../stock/reorderPoint';
import { shelfState } from '../stock/shelfLife';
import { sumExactly, type MaterialStock } from '../stock/stockTypes';
import { UseInTurn, type Batch } from '../stock/usable';
import { usesWhileWaiting, type LeadTime, type UsesWhileWaiting } from '../stock/usesWhileWaiting';
import type { Keeping } from './simulatedShelf';
import type { Policy } from './verifyPolicy';

const DAYS_A_YEAR = 365;
const DAYS_A_WEEK = 7;
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
  readonly bySchool: Readonly<Record<Review, SchoolPoint>>;
  /** of the school in force */
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
  /** days from now until an order of today is there */
  readonly arrivesOn: string;
  /** share of what is asked for that is there */
  readonly servedFromShelf: number;
  /** expected, because containers are open too long, in the material's unit */
  readonly wastePerYear: number;
  /** the same, in minor units */
  readonly wastePerYearMinor: number;
  readonly unitCost: number;
}

/** What the restocking of a material is made from. */
export interface RestockInputs {
  readonly material: BoughtMaterial;
  readonly supplier: Supplier | undefined;
  readonly rates: readonly MaterialRate[];
  readonly stock: Pick<MaterialStock, 'lots'>;
  readonly promised: number;
  readonly onItsWay: readonly OnItsWay[];
  readonly settings: HouseSettings;
  readonly now: Date;
}

/** What does not depend on the shelf of the moment: demand, points, order size. */
export type Rules = Omit<Restocking, 'position' | 'onItsWay' | 'cover' | 'arrivesOn'>;

/**
 * Reorder points of both schools, what a minimum set by hand risks, order size, and what is wasted.
 * @returns a problem where nobody supplies it, and those of packs and settings
 * @see S1 S2 S3 S4 S6
 */
export function restockRules({
  material,
  supplier,
  rates,
  stock,
  settings,
}: Omit<RestockInputs, 'promised' | 'onItsWay' | 'now'>): Outcome<Rules> {
  const where = { materialId: material.id };
  if (!supplier) {
    return fail(
      'supplier-unknown',
      `Say who supplies ${material.name}, so that its lead time is known.`,
      { ...where, field: 'supplierId' },
    );
  }
  const pack = preferredPack(material);
  const units = packUnits(pack);
  const demand = materialDemand(merged(rates));
  const { restock: own } = material;
  const serviceLevel = own?.serviceLevel ?? settings.serviceLevel;
  const base = leadTimeOf(pack, supplier);
  const school: Review = own?.review ?? (base.reviewDays > 0 ? 'delivery-day' : 'any-day');
  const indivisible = indivisibleOf(material, pack);
  const pointBy = (lead: LeadTime): Outcome<SchoolPoint & { compound: CompoundDemand }> => {
    const uses = usesWhileWaiting(demand.usesPerDay, lead);
    const compound = compoundDemand(demand, uses, indivisible);
    const point = pointOf(compound, uses, { serviceLevel, packUnits: units }, where);
    return point.ok ? ok({ lead, uses, reorderPoint: point.value, compound }) : point;
  };
  const anyDay = pointBy({ ...base, reviewDays: 0 });
  const onDeliveryDay = pointBy({ ...base, reviewDays: reviewDaysOf(supplier) });
  if (!anyDay.ok) return anyDay;
  if (!onDeliveryDay.ok) return onDeliveryDay;
  const inForce = (school === 'any-day' ? anyDay : onDeliveryDay).value;
  const keeping = keepingOf(material, pack, demand, stock);
  const size = sizeOf(material, pack, demand, keeping, settings);
  if (!size.ok) return size;
  const landed = landedUnitCost(pack, material.name, where);
  if (!landed.ok) return failWith(landed.problems);
  const orderAt = own?.levels?.minimum ?? inForce.reorderPoint.amount;
  const orderAmount = own?.levels
    ? Math.max(units, own.levels.maximum - own.levels.minimum)
    : size.value.amount;
  const strip = ({ lead, uses, reorderPoint }: SchoolPoint): SchoolPoint => ({
    lead,
    uses,
    reorderPoint,
  });
  const yearly = demand.perDay * DAYS_A_YEAR;
  const share = keeping.usedShare ?? 1;
  return ok({
    demand,
    rates,
    pack,
    supplier,
    serviceLevel,
    school,
    bySchool: { 'any-day': strip(anyDay.value), 'delivery-day': strip(onDeliveryDay.value) },
    uses: inForce.uses,
    reorderPoint: inForce.reorderPoint,
    orderAt,
    ...(own?.levels && {
      levels: levelsRisk(inForce.compound, orderAt, inForce.lead.reviewDays, yearly / orderAmount),
    }),
    orderSize: size.value,
    keeping,
    policy: own?.levels
      ? { how: 'manual', ...own.levels }
      : { how: 'computed', reorderAt: orderAt, orderPacks: size.value.packs },
    servedFromShelf:
      demand.perDay > 0
        ? Math.min(1, Math.max(0, 1 - inForce.compound.shortage(orderAt) / orderAmount))
        : 1,
    wastePerYear: yearly * (1 / share - 1),
    wastePerYearMinor: yearly * (1 / share - 1) * landed.value.perUnit,
    unitCost: landed.value.perUnit,
  });
}

/**
 * A material on the shelf of the moment: what counts of it, how long it lasts, whether to order.
 * @see S5 S6
 */
export function restockingNow(
  rules: Rules,
  {
    material,
    stock,
    promised,
    onItsWay,
    now,
  }: Omit<RestockInputs, 'rates' | 'settings' | 'supplier'>,
): Restocking {
  const { demand, keeping } = rules;
  const today = dayOf(now);
  const batches =
    material.kind === 'fresh'
      ? freshBatches(material, stock, rules.uses.protectionDays, now)
      : batchesOf(material, stock, keeping.usedShare ?? 1, now);
  const turn = new UseInTurn(demand.perDay);
  for (const { amount, daysLeft } of batches) turn.take(amount, daysLeft ?? Infinity);
  const usable = turn.usable;
  const { lost } = turn;
  const sealedDays = keeping.sealedDays ?? Infinity;
  for (const { amount, dueOn } of onItsWay) {
    turn.take(amount, Math.max(0, daysBetween(today, dueOn)) + sealedDays);
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
    arrivesOn: arrivalOf(today, rules.bySchool['any-day'].lead.leadTimeDays, rules.supplier),
  };
}

/** The first day on which a supplier delivers, not before the lead time is over. ISO dates. */
export function arrivalOf(
  today: string,
  leadTimeDays: number,
  { deliveryDays }: Pick<Supplier, 'deliveryDays'>,
): string {
  let day = daysAfter(today, Math.ceil(leadTimeDays));
  if (!deliveryDays || deliveryDays.length === 0) return day;
  for (let tries = 0; tries < DAYS_A_WEEK; tries += 1) {
    if ((deliveryDays as readonly number[]).includes(weekdayOf(day))) return day;
    day = daysAfter(day, 1);
  }
  return day;
}

/** Whether what comes is over before the next order of the same day could be there. */
export function takesLonger({ keeping, uses }: Pick<Restocking, 'keeping' | 'uses'>): boolean {
  return keeping.sealedDays !== undefined && keeping.sealedDays < uses.protectionDays;
}

/** Monday is 1, Sunday 7. */
export function weekdayOf(day: string): number {
  return ((new Date(`${day}T00:00Z`).getUTCDay() + 6) % DAYS_A_WEEK) + 1;
}

/** Days between two looks at the shelf where it is looked at on delivery days. */
function reviewDaysOf({ reviewDays, deliveryDays }: Supplier): number {
  if (reviewDays > 0) return reviewDays;
  return DAYS_A_WEEK / Math.max(1, deliveryDays?.length ?? 1);
}

/** The whole steps in which a material goes: one single dose, one piece; nothing for ml and g by hand. */
function indivisibleOf(material: BoughtMaterial, pack: Pack): number | undefined {
  if (material.kind === 'single-dose') return pack.content;
  return material.unit === 'piece' ? 1 : undefined;
}

function merged(rates: readonly MaterialRate[]): readonly MaterialRate[] {
  const byAmount = new Map<number, MaterialRate>();
  for (const rate of rates) {
    const known = byAmount.get(rate.amount);
    byAmount.set(
      rate.amount,
      known ? { ...known, visitsPerWeek: known.visitsPerWeek + rate.visitsPerWeek } : rate,
    );
  }
  return [...byAmount.values()];
}

function keepingOf(
  material: BoughtMaterial,
  pack: Pack,
  demand: MaterialDemand,
  { lots }: Pick<MaterialStock, 'lots'>,
): Keeping {
  const life = openLifeOf(material);
  const openDays = life && daysOf(life);
  const seen = lots.flatMap(({ deliveredOn, expiresOn }) =>
    expiresOn === undefined ? [] : [daysBetween(deliveredOn, expiresOn)],
  );
  const sealedDays =
    material.sealedDays ??
    (material.kind === 'fresh' ? daysOf(material.keeps) : undefined) ??
    (seen.length > 0 ? Math.max(...seen) : undefined);
  return {
    containerUnits: pack.content,
    containersPerPack: pack.containers,
    ...(sealedDays !== undefined && { sealedDays }),
    ...(openDays !== undefined && { openDays }),
    ...(openDays !== undefined &&
      demand.usesPerDay > 0 && {
        usedShare: usedShareOfOpen(
          demand.usesPerDay,
          openDays,
          pack.content,
          demand.perDay / demand.usesPerDay,
        ).usedShare,
      }),
  };
}

function sizeOf(
  material: BoughtMaterial,
  pack: Pack,
  demand: MaterialDemand,
  { sealedDays, usedShare = 1 }: Keeping,
  { restock }: HouseSettings,
): Outcome<OrderSize> {
  const where = { materialId: material.id };
  const costAt = (discount: number): number => {
    const landed = landedUnitCost({ ...pack, discount }, material.name, where);
    return landed.ok ? landed.value.paid : 0;
  };
  const units = packUnits(pack);
  const perDay = demand.perDay / usedShare;
  return orderSize(
    {
      yearlyDemand: perDay * DAYS_A_YEAR,
      orderCost: restock.orderCostMinor,
      holdingRate: restock.holdingRate,
      packUnits: units,
      packCost: costAt(pack.discount),
      breaks: breakCosts(pack.breaks, costAt),
      leastPacks: pack.leastPacks ?? 1,
      ...(sealedDays !== undefined && { mostPacks: (perDay * sealedDays) / units }),
    },
    where,
  );
}

function levelsRisk(
  compound: CompoundDemand,
  minimum: number,
  reviewDays: number,
  ordersPerYear: number,
): LevelsRisk {
  const risk = riskAt(compound, minimum, reviewDays);
  const shortPerYear = ordersPerYear * (1 - risk.inTime);
  return {
    ...risk,
    weeksBetweenShort: shortPerYear > 0 ? DAYS_A_YEAR / DAYS_A_WEEK / shortPerYear : null,
  };
}

/**
 * Fresh goods serve whoever comes until others can be there: what is good for so long counts whole, and
 * what is over before then not at all.
 */
function freshBatches(
  material: BoughtMaterial,
  stock: Pick<MaterialStock, 'lots'>,
  untilDays: number,
  now: Date,
): ReturnType<typeof batchesOf> {
  return batchesOf(material, stock, 1, now).map(({ amount, whole, daysLeft }) => ({
    amount: daysLeft === undefined || daysLeft >= untilDays ? amount : 0,
    whole,
  }));
}

/** What is on hand in the order in which it is used, each with what will be got out of it. */
function batchesOf(
  material: BoughtMaterial,
  stock: Pick<MaterialStock, 'lots'>,
  usedShare: number,
  now: Date,
): readonly (Batch & { readonly whole: number })[] {
  const { open, lots } = shelfState(material, stock, now);
  return [
    ...open.map(({ remaining, daysLeft }) => ({
      amount: remaining,
      whole: remaining,
      ...(daysLeft !== undefined && { daysLeft }),
    })),
    ...lots.map(({ lot, sealed }) => ({
      amount: sealed * usedShare,
      whole: sealed,
      ...(lot.expiresOn !== undefined && {
        daysLeft: hoursBetween(now, endOfDay(lot.expiresOn)) / 24,
      }),
    })),
  ];
}
