import type { Pack } from '../house/house';
import { fail, ok, type CodeAbout, type Outcome, type Where } from '../problem/problem';

/** What one unit of a material costs on the shelf, and from what. Minor units of money. */
export interface LandedUnitCost {
  readonly perUnit: number;
  readonly paid: number;
  readonly usableUnits: number;
}

/**
 * Landed unit cost = ((pack price x (1 - discount) + freight share) x tax + tax not recovered) / (content x
 * (1 - residual left in the pack)).
 * @param tax what is paid in the end for each unit of money that is typed, see `taxFactor`
 * @param name of the material, for the message
 * @returns minor units per ml, g or piece; a problem for a pack with no content, a negative price, or
 *   a discount above 1 or a residual of 1 or more
 * @see C1
 */
export function landedUnitCost(
  pack: Pack,
  tax: number,
  name: string,
  where: Where,
): Outcome<LandedUnitCost> {
  const invalid = (code: CodeAbout<'field'>, field: string, message: string): Outcome<never> =>
    fail(code, message, { ...where, field: `pack.${field}` });
  if (!(pack.content > 0)) {
    return invalid('pack-empty', 'content', `The pack of ${name} must hold more than 0.`);
  }
  if (!(pack.containers > 0)) {
    return invalid(
      'containers-missing',
      'containers',
      `The pack of ${name} must have at least one container.`,
    );
  }
  if (!(pack.residual >= 0 && pack.residual < 1)) {
    return invalid(
      'residual-invalid',
      'residual',
      `What stays in the pack of ${name} must be less than all of it.`,
    );
  }
  if (!(pack.discount >= 0 && pack.discount <= 1)) {
    return invalid(
      'discount-invalid',
      'discount',
      `The discount on ${name} must be from 0 to 100 %.`,
    );
  }
  if (!(pack.priceMinor >= 0 && pack.freightMinor >= 0 && pack.unrecoveredTaxMinor >= 0)) {
    return invalid(
      'price-negative',
      'priceMinor',
      `Price, freight and tax of ${name} cannot be negative.`,
    );
  }
  const typed = pack.priceMinor * (1 - pack.discount) + pack.freightMinor;
  const paid = typed * tax + pack.unrecoveredTaxMinor;
  const usable = usableUnits(pack);
  return ok({ perUnit: paid / usable, paid, usableUnits: usable });
}

/** What one bought pack holds, in the material's unit. */
export function packUnits(pack: Pick<Pack, 'containers' | 'content'>): number {
  return pack.containers * pack.content;
}

/** What can be got out of one bought pack, in the material's unit. @see C1 */
export function usableUnits(pack: Pick<Pack, 'containers' | 'content' | 'residual'>): number {
  return packUnits(pack) * (1 - pack.residual);
}
