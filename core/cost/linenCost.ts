import type { LinenMaterial } from '../house/house';
import { fail, ok, type Outcome, type Where } from '../problem/problem';

/**
 * What one use of a piece of linen costs: wash + replacement price / washes in its life.
 * @returns minor units per piece; a problem for a life without washes
 * @see C6
 */
export function linenCost(
  { washMinor, replacementMinor, washesInLife }: LinenMaterial['laundry'],
  name: string,
  where: Where,
): Outcome<number> {
  if (!(washesInLife > 0) || !(washMinor >= 0) || !(replacementMinor >= 0)) {
    return fail(
      'laundry-invalid',
      `${name} needs prices of 0 or more and at least one wash in its life.`,
      {
        ...where,
        field: 'laundry',
      },
    );
  }
  return ok(washMinor + replacementMinor / washesInLife);
}
