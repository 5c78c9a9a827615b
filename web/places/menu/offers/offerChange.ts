import type { Offer } from '@bienestar/core/house/house';

/** How an offer is changed: what it is of, by its kind, and the changes in it. */
export interface OfferChange {
  readonly put: (changes: Partial<Offer>) => Promise<string | undefined>;
}
