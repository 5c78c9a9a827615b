import { usableUnits } from '../cost/landedUnitCost';
import type { House } from '../house/house';
import { compoundDemand } from './compound';
import { orderMean } from './orderMean';
import type { RestockFigures } from './restocker';
import type { Restocking } from './restocking';

const DAYS_A_YEAR = 365;

/** The levels along the curve. */
export const LEVELS = [0.8, 0.85, 0.9, 0.925, 0.95, 0.96, 0.97, 0.98, 0.985, 0.99, 0.995] as const;

/** The whole shelf at one service level. Money in minor units. */
export interface TradePoint {
  readonly serviceLevel: number;
  /** lying on the shelf on average */
  readonly tiedUpMinor: number;
  /** thrown away a year */
  readonly wasteMinor: number;
  /** times a year that something is missing when its order arrives */
  readonly shortPerYear: number;
  /** guests a year for whom something is not there */
  readonly withoutPerYear: number;
}

/**
 * Service level against money tied up and waste, for the whole shelf: what each level would make of
 * every material that has none of its own and no minimum set by hand.
 * @see S3 S4 S6
 */
export function tradeOff(
  house: House,
  restock: RestockFigures,
  levels: readonly number[] = LEVELS,
): readonly TradePoint[] {
  const shelf = house.materials.flatMap((material) => {
    const of = restock.materials.get(material.id);
    if (material.kind === 'linen' || material.archivedOn !== undefined || !of?.ok) return [];
    const { value } = of;
    const step = material.kind === 'single-dose' ? value.pack.content : 1;
    const indivisible = material.unit === 'piece' || material.kind === 'single-dose';
    const compound = compoundDemand(value.demand, value.uses, indivisible ? step : undefined);
    const fixed =
      material.restock?.levels !== undefined || material.restock?.serviceLevel !== undefined;
    return [{ restocking: value, compound, fixed }];
  });
  return levels.map((serviceLevel) => {
    let tiedUpMinor = 0;
    let wasteMinor = 0;
    let shortPerYear = 0;
    let withoutPerYear = 0;
    for (const { restocking, compound, fixed } of shelf) {
      const review = restocking.uses.reviewDays;
      const by = review > 0 ? 'within' : 'inTime';
      const at = fixed ? restocking.orderAt : compound.least(serviceLevel, by);
      const kept = keptAt(restocking, at);
      tiedUpMinor += kept.onHand * restocking.unitCost;
      wasteMinor += kept.wastePerYear * restocking.unitCost;
      const inTime = review > 0 ? compound.within(at) : compound.inTime(at);
      const { ordersPerYear } = restocking.orderSize;
      shortPerYear += ordersPerYear * (1 - inTime);
      const { perDay, usesPerDay } = restocking.demand;
      if (perDay > 0)
        withoutPerYear += (ordersPerYear * compound.shortage(at) * usesPerDay) / perDay;
    }
    return { serviceLevel, tiedUpMinor, wasteMinor, shortPerYear, withoutPerYear };
  });
}

/** What lies on the shelf on average and what is thrown away when orders are written at `orderAt`. */
export function keptAt(
  { demand, uses, orderSize, pack, keeping, wastePerYear, levels }: Restocking,
  orderAt: number,
): { readonly onHand: number; readonly wastePerYear: number } {
  if (!(demand.perDay > 0)) return { onHand: 0, wastePerYear: 0 };
  const amount = Math.max(usableUnits(pack), orderSize.amount);
  const safety = Math.max(0, orderAt - orderMean(demand, uses));
  const onHand = safety + (levels ? usableUnits(pack) : amount) / 2;
  /* What the order that comes last still finds there must be used before it is over itself. */
  const lasts = (keeping.sealedDays ?? Infinity) * (demand.perDay / (keeping.usedShare ?? 1));
  const over = Math.max(0, safety + amount - lasts);
  return { onHand, wastePerYear: wastePerYear + over * ((demand.perDay * DAYS_A_YEAR) / amount) };
}
