import { priceDiffers, pricePoint } from '@bienestar/core/cost/pricePoint';
import { todayOf, type HouseClock } from '@bienestar/core/days/days';
import type { Material } from '@bienestar/core/house/house';
import type { PricePoint } from '@bienestar/core/house/pricePoint';
import type { Repository } from '../documents/documentRepository';
import type { PriceRepository } from './priceRepository';

/**
 * Materials that keep the history of their prices: every new or changed price of a pack becomes a point of
 * today, in the same unit of work.
 */
export function keptPrices(
  materials: Repository<Material>,
  prices: PriceRepository,
  from: 'hand' | 'price-list',
  clock: HouseClock,
): Repository<Material> {
  const today = todayOf(clock);
  return {
    ...materials,
    insert: async (value) => {
      await materials.insert(value);
      await prices.note(pointsBetween(undefined, value, today, from));
    },
    replace: async (value, version) => {
      const before = await materials.find(value.id);
      if (!(await materials.replace(value, version))) return false;
      await prices.note(pointsBetween(before, value, today, from));
      return true;
    },
    remove: async (id, version) => {
      const before = await materials.find(id);
      if (before?.version !== version) return false;
      await prices.remove(id);
      return materials.remove(id, version);
    },
  };
}

function pointsBetween(
  before: Material | undefined,
  after: Material,
  on: string,
  from: 'hand' | 'price-list',
): PricePoint[] {
  if (after.kind === 'linen') return [];
  const known = before && before.kind !== 'linen' ? before.packs : [];
  return after.packs.flatMap((pack) => {
    const was = known.find((each) => each.id === pack.id);
    if (was && !priceDiffers(was, pack)) return [];
    return [pricePoint(after.id, pack, on, was ? from : 'opening')];
  });
}
