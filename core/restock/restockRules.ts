import { paidPerTyped } from '../cost/purchaseTax';
import { landedUnitCost, usableUnits } from '../cost/landedUnitCost';
import { openUseOf } from '../cost/openLife';
import type { BoughtMaterial, Pack, Review, Supplier } from '../house/house';
import { daysOf, leadTimeOf, openLifeOf, preferredPack } from '../house/packs';
import { fail, failWith, ok, type Outcome } from '../problem/problem';
import type { HouseSettings } from '../house/settings';
import { compoundDemand, type CompoundDemand } from './compound';
import { daysBetween } from '../days/days';
import { materialDemand, type MaterialDemand } from '../draws/demandRate';
import { breakCosts, orderSize, type OrderSize } from './orderSize';
import { pointOf, reorderPoint, riskAt } from './reorderPoint';
import type { MaterialStock } from '../house/stock';
import type { LeadTime } from './supplyCalendar';
import { usesWhileWaiting } from './usesWhileWaiting';
import type { LevelsRisk, MaterialRate, Restocking, Rules, SchoolPoint } from './restocking';
import type { Keeping } from './simulatedShelf';

const DAYS_A_YEAR = 365;
const DAYS_A_WEEK = 7;

/** What the rules of a material are made from. */
export interface RestockInputs {
  readonly material: BoughtMaterial;
  readonly supplier: Supplier | undefined;
  readonly rates: readonly MaterialRate[];
  readonly stock: Pick<MaterialStock, 'lots'>;
  readonly settings: HouseSettings;
  /** how much longer an order of these days waits, because the supplier is closed */
  readonly closedDays?: number;
}

/**
 * The reorder point of the school in force, what a minimum set by hand risks, order size, and what is wasted.
 * @returns a problem where nobody supplies it, and those of packs and settings
 * @see S1 S2 S3 S4 S6
 */
export function restockRules({
  material,
  supplier,
  rates,
  stock,
  settings,
  closedDays = 0,
}: RestockInputs): Outcome<Rules> {
  const where = { materialId: material.id };
  if (!supplier) {
    return fail(
      'supplier-unknown',
      `Say who supplies ${material.name}, so that its lead time is known.`,
      { ...where, field: 'supplierId' },
    );
  }
  const pack = preferredPack(material);
  const units = usableUnits(pack);
  const demand = materialDemand(merged(rates));
  const { restock: own } = material;
  const serviceLevel = own?.serviceLevel ?? settings.serviceLevel;
  const base = leadTimeOf(pack, supplier);
  const school: Review = own?.review ?? (base.reviewDays > 0 ? 'delivery-day' : 'any-day');
  const indivisible = indivisibleOf(material, pack);
  const lead = { ...leadOf(school, base, supplier), ...(closedDays > 0 && { closedDays }) };
  const uses = usesWhileWaiting(demand.usesPerDay, lead);
  const compound = compoundDemand(demand, uses, indivisible);
  const point = pointOf(compound, uses, { serviceLevel, packUnits: units }, where);
  if (!point.ok) return point;
  const keeping = keepingOf(material, pack, demand, stock);
  const tax = paidPerTyped(supplier.purchaseTax ?? settings.purchaseTax);
  const size = sizeOf(material, pack, tax, demand, keeping, settings);
  if (!size.ok) return size;
  const landed = landedUnitCost(pack, tax, material.name, where);
  if (!landed.ok) return failWith(landed.problems);
  const orderAt = own?.levels?.minimum ?? point.value.amount;
  const orderAmount = own?.levels
    ? Math.max(units, own.levels.maximum - own.levels.minimum)
    : size.value.amount;
  const yearly = demand.perDay * DAYS_A_YEAR;
  const share = keeping.usedShare ?? 1;
  const servedFromShelf =
    demand.perDay > 0 ? Math.min(1, Math.max(0, 1 - compound.shortage(orderAt) / orderAmount)) : 1;
  return ok({
    demand,
    rates,
    pack,
    supplier,
    serviceLevel,
    school,
    lead,
    uses,
    reorderPoint: point.value,
    orderAt,
    ...(own?.levels && {
      levels: levelsRisk(compound, orderAt, lead.reviewDays, yearly / orderAmount),
    }),
    orderSize: size.value,
    keeping,
    policy: own?.levels
      ? { how: 'manual', ...own.levels }
      : { how: 'computed', reorderAt: orderAt, orderPacks: size.value.packs },
    servedFromShelf,
    withoutPerYear: (1 - servedFromShelf) * demand.usesPerDay * DAYS_A_YEAR,
    wastePerYear: yearly * (1 / share - 1),
    wastePerYearMinor: yearly * (1 / share - 1) * landed.value.perUnit,
    unitCost: landed.value.perUnit,
  });
}

/**
 * The order points of both schools of looking at the shelf, side by side.
 * @see S2 S3
 */
export function schoolsOf(
  material: BoughtMaterial,
  restocking: Pick<Restocking, 'demand' | 'pack' | 'supplier' | 'serviceLevel'>,
): Outcome<Readonly<Record<Review, SchoolPoint>>> {
  const { demand, pack, supplier, serviceLevel } = restocking;
  const where = { materialId: material.id };
  const base = leadTimeOf(pack, supplier);
  const pointBy = (school: Review): Outcome<SchoolPoint> => {
    const lead = leadOf(school, base, supplier);
    const uses = usesWhileWaiting(demand.usesPerDay, lead);
    const terms = {
      indivisible: indivisibleOf(material, pack),
      packUnits: usableUnits(pack),
      serviceLevel,
    };
    const point = reorderPoint(demand, uses, terms, where);
    return point.ok ? ok({ lead, uses, reorderPoint: point.value }) : point;
  };
  const anyDay = pointBy('any-day');
  const onDeliveryDay = pointBy('delivery-day');
  if (!anyDay.ok) return anyDay;
  if (!onDeliveryDay.ok) return onDeliveryDay;
  return ok({ 'any-day': anyDay.value, 'delivery-day': onDeliveryDay.value });
}

function leadOf(school: Review, base: LeadTime, supplier: Supplier): LeadTime {
  const { deliveryDays = [] } = supplier;
  return {
    ...base,
    reviewDays: school === 'any-day' ? 0 : reviewDaysOf(supplier),
    ...(deliveryDays.length > 0 && { deliveryDays }),
  };
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
  const open = openUseOf(material, pack, demand);
  return {
    containerUnits: pack.content * (1 - pack.residual),
    containersPerPack: pack.containers,
    ...(sealedDays !== undefined && { sealedDays }),
    ...(openDays !== undefined && { openDays }),
    ...(open && { usedShare: open.usedShare }),
  };
}

function sizeOf(
  material: BoughtMaterial,
  pack: Pack,
  tax: number,
  demand: MaterialDemand,
  { sealedDays, usedShare = 1 }: Keeping,
  { restock }: HouseSettings,
): Outcome<OrderSize> {
  const where = { materialId: material.id };
  const costAt = (discount: number): number => {
    const landed = landedUnitCost({ ...pack, discount }, tax, material.name, where);
    return landed.ok ? landed.value.paid : 0;
  };
  const units = usableUnits(pack);
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
