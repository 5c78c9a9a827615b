import type { LogbookCorrection, LogbookVisit } from '../house/logbook';
import type { MaterialId } from '../house/ids';
import { asKept } from '../house/stock';
import { usedBeside } from './cameOut';

/** How much of a material a visit used in truth. */
export interface CorrectedUse {
  readonly materialId: MaterialId;
  /** in its unit; 0 or more */
  readonly quantity: number;
}

/** A visit with one more correction; what stood there stays. */
export function corrected(
  { plan, entry }: LogbookVisit,
  correction: LogbookCorrection,
): LogbookVisit {
  const corrections = [...(entry.corrections ?? []), correction];
  return { plan, entry: { ...entry, corrections } };
}

/** The materials of which a visit used another amount by a correction, and how much it was. @see R5 */
export function usesCorrected(visit: LogbookVisit, correction: LogbookCorrection): CorrectedUse[] {
  const before = new Map(usedBeside(visit).map((each) => [each.materialId, each.quantity]));
  return usedBeside(corrected(visit, correction)).flatMap(({ materialId, quantity }) =>
    before.get(materialId) === quantity ? [] : [{ materialId, quantity: asKept(quantity) }],
  );
}
