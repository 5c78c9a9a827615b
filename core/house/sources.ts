import type { Source } from './amount';
import type { House } from './house';
import type { KitPart, Material } from './material';

/** What tells a source from every other. */
export function sourceKey(source: Source): string {
  if (source.kind === 'mix') return source.mixId;
  return source.part === undefined ? source.materialId : `${source.materialId}/${source.part}`;
}

/** What the box of a kit holds; nothing of what is no kit. */
export function partsOf(material: Material): readonly KitPart[] {
  return material.kind === 'kit' ? material.parts : [];
}

/**
 * The name of what a dose or a part of a mix is drawn from; of a kit, of the part of its box.
 * @returns nothing where it is no longer in the house
 */
export function sourceName(
  { materials, mixes }: Pick<House, 'materials' | 'mixes'>,
  source: Source,
): string | undefined {
  if (source.kind === 'mix') return mixes.find(({ id }) => id === source.mixId)?.name;
  const material = materials.find(({ id }) => id === source.materialId);
  if (!material || source.part === undefined) return material?.name;
  return partsOf(material).find(({ id }) => id === source.part)?.name;
}
