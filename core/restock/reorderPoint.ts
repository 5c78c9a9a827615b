import { wholeAbove } from '../dose/openPacks';
import { fail, ok, type Outcome, type Where } from '../problem/problem';
import { compoundDemand, type CompoundDemand } from './compound';
import type { MaterialDemand } from '../draws/demandRate';
import type { UsesWhileWaiting } from './usesWhileWaiting';

/** The stock at which to order, and how it was found. */
export interface ReorderPoint {
  /** in the material's unit */
  readonly amount: number;
  readonly packs: number;
  /** P(demand <= amount) while waiting */
  readonly served: number;
  /** share of orders that arrive in time: `served`, less what large uses jump beyond the point */
  readonly inTime: number;
  readonly meanDemand: number;
  readonly sdDemand: number;
  readonly method: CompoundDemand['method'];
  /** of the grid, in the material's unit */
  readonly cell: number;
}

/** What a reorder point depends on besides demand. */
export interface ReorderTerms {
  /** whole steps in which the material is consumed: a piece, one single dose; nothing for ml and g by hand */
  readonly indivisible?: number;
  /** what one bought pack holds, in the material's unit */
  readonly packUnits: number;
  readonly serviceLevel: number;
}

/**
 * The smallest x with P(demand while waiting <= x) >= service level. Where an order is written as soon
 * as a use calls for it, what that use takes beyond x counts as well, so that large uses do not eat up
 * the risk that was asked for; where the shelf is looked at from time to time, the review interval in
 * the waiting time covers that.
 * @returns the point in the material's unit and in sealed packs, rounded up; a problem for a service
 *   level that is not between 0 and 1
 * @see S3
 */
export function reorderPoint(
  demand: MaterialDemand,
  uses: UsesWhileWaiting,
  terms: ReorderTerms,
  where: Where,
): Outcome<ReorderPoint> {
  const compound = compoundDemand(demand, uses, terms.indivisible);
  return pointOf(compound, uses, terms, where);
}

/** The reorder point of a demand that is already added up. */
export function pointOf(
  compound: CompoundDemand,
  { reviewDays }: Pick<UsesWhileWaiting, 'reviewDays'>,
  { serviceLevel, packUnits }: Omit<ReorderTerms, 'indivisible'>,
  where: Where,
): Outcome<ReorderPoint> {
  if (!(serviceLevel > 0 && serviceLevel < 1)) {
    return fail(
      'service-level-invalid',
      'The service level must be between 0 and 100 %, without the ends.',
      { settings: true, field: 'serviceLevel' },
    );
  }
  if (!(packUnits > 0)) {
    return fail('pack-empty', 'The pack must hold more than 0.', {
      ...where,
      field: 'pack.content',
    });
  }
  const amount = compound.least(serviceLevel, reviewDays > 0 ? 'within' : 'inTime');
  return ok({
    amount,
    packs: Math.max(0, wholeAbove(amount / packUnits)),
    ...riskAt(compound, amount, reviewDays),
    meanDemand: compound.mean,
    sdDemand: compound.sd,
    method: compound.method,
    cell: compound.cell,
  });
}

/** What ordering at `amount` risks. */
export interface OrderRisk {
  readonly served: number;
  readonly inTime: number;
}

/** The risk of an order point, whoever has chosen it. */
export function riskAt(compound: CompoundDemand, amount: number, reviewDays: number): OrderRisk {
  const served = compound.within(amount);
  return { served, inTime: reviewDays > 0 ? served : compound.inTime(amount) };
}
