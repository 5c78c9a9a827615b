import type { MaterialId, PackId } from './ids';

/** What a pack cost from a day on. Minor units. */
export interface PricePoint {
  readonly materialId: MaterialId;
  readonly packId: PackId;
  /** ISO date */
  readonly on: string;
  readonly priceMinor: number;
  readonly discount: number;
  readonly freightMinor: number;
  readonly from: 'hand' | 'price-list' | 'opening';
}
