import type { Pack } from '../house/house';
import type { MaterialId } from '../house/ids';
import type { PricePoint } from '../house/pricePoint';
import { landedUnitCost } from './landedUnitCost';

/** True when two states of a pack ask for different money. */
export function priceDiffers(
  before: Pick<Pack, 'priceMinor' | 'discount' | 'freightMinor'>,
  after: Pick<Pack, 'priceMinor' | 'discount' | 'freightMinor'>,
): boolean {
  return (
    before.priceMinor !== after.priceMinor ||
    before.discount !== after.discount ||
    before.freightMinor !== after.freightMinor
  );
}

/** What a pack asks for as a point of its history. */
export function pricePoint(
  materialId: MaterialId,
  pack: Pack,
  on: string,
  from: PricePoint['from'],
): PricePoint {
  const { id, priceMinor, discount, freightMinor } = pack;
  return { materialId, packId: id, on, priceMinor, discount, freightMinor, from };
}

/**
 * What a pack's content cost by day: landed price of one unit at each point of its history, oldest
 * first, for a chart. Minor units per ml, g or piece.
 * @param held the pack with its content in the material's unit
 * @param tax see `taxFactor`
 * @see C1
 */
export function unitCostHistory(
  points: readonly PricePoint[],
  held: Pack,
  tax: number,
): readonly { readonly on: string; readonly perUnit: number }[] {
  return points
    .filter((point) => point.packId === held.id)
    .toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
    .flatMap(({ on, priceMinor, discount, freightMinor }) => {
      const then = { ...held, priceMinor, discount, freightMinor };
      const landed = landedUnitCost(then, tax, '', { packId: held.id });
      return landed.ok ? [{ on, perUnit: landed.value.perUnit }] : [];
    });
}
