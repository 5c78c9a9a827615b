import type { BoughtMaterial } from '../house/house';
import type { ServiceId } from '../house/ids';

/** Why something may be missing, or found beyond what should be there. */
export type CountReason =
  | {
      readonly kind: 'over-dosing';
      /** beyond the dose, as a share of what was entered as used */
      readonly share: number;
    }
  | { readonly kind: 'residual'; readonly containers: number }
  | { readonly kind: 'unlogged'; readonly serviceId: ServiceId; readonly visits: number }
  | { readonly kind: 'waste'; readonly containers: number }
  | { readonly kind: 'delivery'; readonly packs: number }
  | { readonly kind: 'under-dosing'; readonly share: number }
  | { readonly kind: 'unknown' };

/** A material in a round of counting. Amounts in its unit, money in minor units. */
export interface CountFinding {
  readonly material: BoughtMaterial;
  readonly at: string;
  readonly found: number;
  readonly expected: number;
  /** found less expected */
  readonly difference: number;
  readonly differenceMinor: number;
  /** entered as used since the count before */
  readonly used: number;
  /** the difference as a share of that; nothing where nothing was used */
  readonly shareOfUse: number | null;
  readonly reasons: readonly CountReason[];
  /** differences of the counts before, as shares of what was used, the oldest first */
  readonly trend: readonly {
    readonly at: string;
    readonly difference: number;
    readonly share: number | null;
  }[];
}
