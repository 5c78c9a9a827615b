import { priceDiffers } from '../cost/pricePoint';
import type { Change, Material } from '../house/house';
import type { ChangeId } from '../house/ids';

/**
 * A supplier's list as changes of a scenario: every pack that asks for other money than before.
 * @param after materials as the list would have them
 */
export function listChanges(
  before: readonly Material[],
  after: readonly Material[],
  newId: () => ChangeId,
): readonly Change[] {
  const known = new Map(before.map((material) => [material.id, material]));
  return after.flatMap((material): Change[] => {
    const was = known.get(material.id);
    if (material.kind === 'linen' || !was || was.kind === 'linen') return [];
    return material.packs.flatMap((pack): Change[] => {
      const old = was.packs.find(({ id }) => id === pack.id);
      if (!old || !priceDiffers(old, pack)) return [];
      const { priceMinor, discount, freightMinor } = pack;
      return [
        {
          id: newId(),
          kind: 'pack-price',
          materialId: material.id,
          packId: pack.id,
          priceMinor,
          ...(discount !== old.discount && { discount }),
          ...(freightMinor !== old.freightMinor && { freightMinor }),
        },
      ];
    });
  });
}
