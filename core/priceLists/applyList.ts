import type { House, Material, Pack } from '../house/house';
import type { MaterialId, PackId, SupplierId } from '../house/ids';
import { chosenPack } from '../house/packs';
import { keyOfChange, type ListChange } from './compareList';
import type { Article } from './readList';

/** Where a new article of a list goes. */
export interface NewPlace {
  /** the material it becomes another pack of */
  readonly materialId: MaterialId;
  /** the id of the new pack */
  readonly packId: PackId;
}

/**
 * Whether a change cannot be applied yet: the pack is listed no longer, and it is the one that is bought and
 * counted with, so that another must be chosen first.
 */
export function isHeld(change: ListChange, materials: House['materials']): boolean {
  if (change.kind !== 'gone') return false;
  const material = materials.find(({ id }) => id === change.materialId);
  return (
    material !== undefined && material.kind !== 'linen' && chosenPack(material).id === change.packId
  );
}

/**
 * The materials of a house after the ticked changes of a price list. A pack that is gone is taken away
 * unless it is held; nothing else changes.
 * @param places where each new article goes, by its code
 * @returns only the materials that differ
 */
export function applyList(
  house: Pick<House, 'materials'>,
  supplierId: SupplierId,
  changes: readonly ListChange[],
  ticked: ReadonlySet<string>,
  places: ReadonlyMap<string, NewPlace>,
): Material[] {
  const chosen = changes.filter(
    (change) => ticked.has(keyOfChange(change)) && !isHeld(change, house.materials),
  );
  return house.materials.flatMap((material): Material[] => {
    if (material.kind === 'linen') return [];
    let packs: readonly Pack[] = material.packs;
    for (const change of chosen) {
      if (change.kind === 'new') {
        const place = places.get(change.article.code);
        if (place?.materialId !== material.id) continue;
        packs = [...packs, packFrom(change.article, place.packId, supplierId, material)];
      } else if (change.materialId === material.id) {
        packs = packs.flatMap((pack) => {
          if (pack.id !== change.packId) return [pack];
          return change.kind === 'gone' ? [] : [change.after];
        });
      }
    }
    const same =
      packs.length === material.packs.length &&
      packs.every((pack, at) => pack === material.packs[at]);
    return same ? [] : [{ ...material, packs }];
  });
}

function packFrom(
  article: Article,
  id: PackId,
  supplierId: SupplierId,
  material: Exclude<Material, { kind: 'linen' }>,
): Pack {
  const like = material.packs[0];
  const fits = article.unit === undefined || article.unit === material.unit;
  return {
    id,
    supplierId,
    code: article.code,
    containers: article.containers ?? 1,
    content:
      material.kind === 'fresh'
        ? 1
        : fits
          ? (article.content ?? like?.content ?? 1)
          : (like?.content ?? 1),
    priceMinor: article.priceMinor,
    discount: article.discount ?? 0,
    freightMinor: article.freightMinor ?? 0,
    unrecoveredTaxMinor: 0,
    residual: like?.residual ?? 0,
    ...(article.leastPacks !== undefined &&
      article.leastPacks > 1 && { leastPacks: article.leastPacks }),
  };
}
