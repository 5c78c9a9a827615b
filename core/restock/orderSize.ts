import { fail, ok, type Outcome, type Where } from '../problem/problem';
import type { DiscountBreak } from '../house/material';
import type { SizedBy } from '../house/restock';
import { wholeAbove } from '../dose/openPacks';

/** What an order size is found from. Money in minor units, amounts in the material's unit. */
export interface OrderTerms {
  /** expected demand of a year */
  readonly yearlyDemand: number;
  /** for writing, receiving and shelving one order */
  readonly orderCost: number;
  /** of the value on the shelf, a year */
  readonly holdingRate: number;
  /** usable in one pack, > 0 */
  readonly packUnits: number;
  /** what one pack costs on the shelf, without any break */
  readonly packCost: number;
  /** what one pack costs on the shelf from so many packs on */
  readonly breaks: readonly { readonly fromPacks: number; readonly packCost: number }[];
  readonly leastPacks: number;
  /** packs that are used before they are over; nothing when they keep long enough */
  readonly mostPacks?: number;
}

/** How much to order at once. */
export interface OrderSize {
  /** the square root formula, before packs and limits, in the material's unit */
  readonly economic: number;
  readonly packs: number;
  /** packs x what one holds */
  readonly amount: number;
  readonly packCost: number;
  readonly yearlyCost: number;
  readonly ordersPerYear: number;
  readonly by: SizedBy;
  /** packs beyond what is used in time, because the supplier takes no smaller order */
  readonly tooMany: number;
}

/**
 * Economic order quantity = sqrt(2 x yearly demand x cost of an order / (holding rate x unit cost)).
 * @returns in the unit of the demand; a problem when holding costs nothing, so that no size is best
 * @see S4; Harris, "How many parts to make at once", 1913
 */
export function economicOrder(
  yearlyDemand: number,
  orderCost: number,
  holdingRate: number,
  unitCost: number,
  where: Where = {},
): Outcome<number> {
  const holding = holdingRate * unitCost;
  if (!(holding > 0)) {
    return fail(
      'holding-free',
      'Keeping stock must cost something (holding rate and price above 0), or all of a year would be ordered at once.',
      { ...where, field: 'holdingRate' },
    );
  }
  return ok(Math.sqrt((2 * yearlyDemand * orderCost) / holding));
}

/**
 * The order size of least yearly cost in whole packs: goods with their price break, orders, and what
 * lies on the shelf on average. At least what the supplier asks for; at most what is used before it is
 * over, and never less than one pack.
 * @returns problems of a pack without content or money that costs nothing to hold
 * @see S4
 */
export function orderSize(terms: OrderTerms, where: Where): Outcome<OrderSize> {
  const { yearlyDemand, holdingRate, packUnits, packCost, leastPacks } = terms;
  if (!(packUnits > 0)) {
    return fail('pack-empty', 'The pack must hold more than 0.', {
      ...where,
      field: 'pack.content',
    });
  }
  const economic = economicOrder(
    yearlyDemand,
    terms.orderCost,
    holdingRate,
    packCost / packUnits,
    where,
  );
  /* Something that costs nothing is ordered by the pack. */
  const wanted = economic.ok ? economic.value : 0;
  if (!economic.ok && packCost > 0) return economic;
  const life = terms.mostPacks === undefined ? Infinity : Math.max(1, Math.floor(terms.mostPacks));
  const least = Math.max(1, leastPacks);
  const most = Math.max(least, life);
  const candidates = new Set<number>();
  for (const level of [{ fromPacks: 1, packCost }, ...terms.breaks]) {
    const at = economicOrder(
      yearlyDemand,
      terms.orderCost,
      holdingRate,
      level.packCost / packUnits,
    );
    const exact = (at.ok ? at.value : 0) / packUnits;
    for (const packs of [Math.floor(exact), wholeAbove(exact), level.fromPacks]) {
      candidates.add(Math.min(most, Math.max(least, packs)));
    }
  }
  const costed = [...candidates]
    .sort((a, b) => a - b)
    .map((packs) => ({ packs, ...yearlyCostOf(packs, terms) }));
  const best = costed.reduce((a, b) => (b.yearlyCost < a.yearlyCost * (1 - 1e-12) ? b : a));
  const whole = Math.max(1, wholeAbove(wanted / packUnits));
  return ok({
    economic: wanted,
    packs: best.packs,
    amount: best.packs * packUnits,
    packCost: best.packCost,
    yearlyCost: best.yearlyCost,
    ordersPerYear: yearlyDemand / (best.packs * packUnits),
    by: reasonOf(best.packs, { whole, least, life, terms }),
    tooMany: Math.max(0, best.packs - life),
  });
}

function yearlyCostOf(
  packs: number,
  { yearlyDemand, orderCost, holdingRate, packUnits, packCost, breaks }: OrderTerms,
): { readonly yearlyCost: number; readonly packCost: number } {
  const each = breaks.reduce(
    (cost, step) => (packs >= step.fromPacks ? Math.min(cost, step.packCost) : cost),
    packCost,
  );
  const amount = packs * packUnits;
  const goods = (yearlyDemand / packUnits) * each;
  const orders = (yearlyDemand / amount) * orderCost;
  const held = (holdingRate * each * packs) / 2;
  return { yearlyCost: goods + orders + held, packCost: each };
}

function reasonOf(
  packs: number,
  found: {
    readonly whole: number;
    readonly least: number;
    readonly life: number;
    readonly terms: OrderTerms;
  },
): SizedBy {
  if (packs >= found.life && found.whole > found.life) return 'life';
  if (found.terms.breaks.some(({ fromPacks }) => fromPacks === packs) && packs > found.whole)
    return 'break';
  if (packs === found.least && found.least > found.whole) return 'least';
  return packs === 1 && found.whole <= 1 ? 'one-pack' : 'economic';
}

/** The breaks of a pack as what one pack then costs. */
export function breakCosts(
  breaks: readonly DiscountBreak[] | undefined,
  costAt: (discount: number) => number,
): OrderTerms['breaks'] {
  return (breaks ?? []).map(({ fromPacks, discount }) => ({
    fromPacks,
    packCost: costAt(discount),
  }));
}
