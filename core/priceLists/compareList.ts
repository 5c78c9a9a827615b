import { taxFactor } from '../cost/purchaseTax';
import { landedUnitCost } from '../cost/landedUnitCost';
import type { BoughtMaterial, House, Pack } from '../house/house';
import type { MaterialId, PackId, SupplierId } from '../house/ids';
import type { Article } from './readList';

interface OfKnownPack {
  readonly materialId: MaterialId;
  readonly packId: PackId;
  readonly before: Pack;
}

/** What a price list changes for one article. */
export type ListChange =
  | (OfKnownPack & {
      readonly kind: 'dearer' | 'cheaper' | 'other-terms' | 'same';
      readonly article: Article;
      readonly after: Pack;
      /** change of the price of a unit of content, as a share of what it was */
      readonly change: number;
    })
  | (OfKnownPack & { readonly kind: 'gone' })
  | { readonly kind: 'new'; readonly article: Article };

/** The key by which a change is ticked. */
export function keyOfChange(change: ListChange): string {
  return change.kind === 'new' ? `new/${change.article.code}` : `pack/${change.packId}`;
}

/**
 * Lays a supplier's price list over the packs of the house: by the supplier's article number.
 * @returns one change for each article and for each pack of the supplier that is no longer listed, in
 *   the order: dearer, cheaper, other terms, gone, new, same; the largest first
 */
export function compareList(
  house: Pick<House, 'materials' | 'suppliers' | 'settings'>,
  supplierId: SupplierId,
  articles: readonly Article[],
): ListChange[] {
  const listed = new Map(articles.map((article) => [article.code, article]));
  const changes: ListChange[] = [];
  const known = new Set<string>();
  for (const material of house.materials) {
    if (material.kind === 'linen') continue;
    for (const pack of material.packs) {
      if (pack.supplierId !== supplierId || pack.code === undefined || pack.code === '') continue;
      known.add(pack.code);
      const of = { materialId: material.id, packId: pack.id, before: pack };
      const article = listed.get(pack.code);
      changes.push(
        article
          ? { ...of, ...changeOf(material, pack, article, taxFactor(pack, house)) }
          : { ...of, kind: 'gone' },
      );
    }
  }
  for (const article of articles) {
    if (!known.has(article.code)) changes.push({ kind: 'new', article });
  }
  return changes.sort((a, b) => RANK[a.kind] - RANK[b.kind] || sizeOf(b) - sizeOf(a));
}

const RANK: Record<ListChange['kind'], number> = {
  dearer: 0,
  cheaper: 1,
  'other-terms': 2,
  gone: 3,
  new: 4,
  same: 5,
};

function changeOf(material: BoughtMaterial, before: Pack, article: Article, tax: number) {
  const fits = material.kind !== 'fresh' && article.unit === material.unit;
  const after: Pack = {
    ...before,
    priceMinor: article.priceMinor,
    ...(article.containers !== undefined && { containers: article.containers }),
    ...(article.content !== undefined && fits && { content: article.content }),
    ...(article.discount !== undefined && { discount: article.discount }),
    ...(article.freightMinor !== undefined && { freightMinor: article.freightMinor }),
    ...(article.leastPacks !== undefined &&
      (article.leastPacks > 1 || before.leastPacks !== undefined) && {
        leastPacks: article.leastPacks,
      }),
  };
  const was = perUnit(before, tax);
  const change = was === 0 ? (perUnit(after, tax) === 0 ? 0 : 1) : perUnit(after, tax) / was - 1;
  const kind =
    change > 1e-9
      ? ('dearer' as const)
      : change < -1e-9
        ? ('cheaper' as const)
        : sameTerms(before, after)
          ? ('same' as const)
          : ('other-terms' as const);
  return { kind, article, after, change };
}

/** Landed cost of a unit; nothing for a pack that the house could not cost. */
function perUnit(pack: Pack, tax: number): number {
  const landed = landedUnitCost(pack, tax, '', { packId: pack.id });
  return landed.ok ? landed.value.perUnit : 0;
}

function sameTerms(a: Pack, b: Pack): boolean {
  return (
    a.priceMinor === b.priceMinor &&
    a.containers === b.containers &&
    a.content === b.content &&
    a.discount === b.discount &&
    a.freightMinor === b.freightMinor &&
    a.leastPacks === b.leastPacks
  );
}

function sizeOf(change: ListChange): number {
  return 'change' in change ? Math.abs(change.change) : 0;
}
