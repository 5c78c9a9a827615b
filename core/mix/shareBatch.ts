import { sumTriples, type Triple } from '../quantity/triple';

/** One batch made for several services inside its working life. */
export interface SharedBatch {
  /** what the batch must give, in the mix's basis */
  readonly needed: Triple;
  /** the part of the batch's cost that each need carries, in the order given; they sum to 1 */
  readonly shares: readonly number[];
}

/**
 * The batch for several needs at once: made for their sum, its cost shared by usual need.
 * @param needs what each service needs, in the mix's basis, at least one above 0
 * @see M3
 */
export function shareBatch(needs: readonly Triple[]): SharedBatch {
  const needed = sumTriples(needs);
  return { needed, shares: needs.map((need) => need.usual / needed.usual) };
}
