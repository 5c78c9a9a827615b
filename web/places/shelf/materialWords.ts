import type { Material, MaterialKind } from '@bienestar/core/house/house';
import { amount, money, number } from '../../format/figures';

export const KIND_WORDS: Record<
  MaterialKind,
  { readonly one: string; readonly many: string; readonly what: string }
> = {
  'back-bar': {
    one: 'back-bar product',
    many: 'Back bar',
    what: 'dispensed by hand from a tub or bottle',
  },
  'single-dose': {
    one: 'single dose',
    many: 'Single doses',
    what: 'opened whole: sachet, ampoule, sheet',
  },
  consumable: { one: 'consumable', many: 'Consumables', what: 'used up by the piece' },
  linen: { one: 'linen', many: 'Linen', what: 'goes round the laundry' },
};

export const KINDS = Object.keys(KIND_WORDS) as readonly MaterialKind[];

/** How a material is bought: "20 × 6 g, €36.00". */
export function packWords(material: Material, currency: string): string {
  if (material.kind === 'linen') {
    const { washMinor, washesInLife } = material.laundry;
    return `${money(washMinor, currency)} a wash, ${number(washesInLife)} washes`;
  }
  const { pack } = material;
  const content = amount(pack.content, material.unit);
  const held = pack.containers === 1 ? content : `${number(pack.containers)} × ${content}`;
  return `${held}, ${money(pack.priceMinor, currency)}`;
}

/** What the material is measured with at the trolley: "1.6 ml a pump · coin". */
export function measureWords({ measures }: Material): string {
  const words = [
    measures.mlPerPump && `${number(measures.mlPerPump.usual)} ml a pump`,
    measures.mlPerSpray && `${number(measures.mlPerSpray.usual)} ml a spray`,
    measures.mlPerDropper && `${number(measures.mlPerDropper.usual)} ml a dropperful`,
    measures.dropsPerMl && `${number(measures.dropsPerMl.usual)} drops a ml`,
    measures.density !== undefined && `${number(measures.density, 3)} g/ml`,
    ...(measures.named ?? []).map((named) => named.name),
  ];
  return words.filter(Boolean).join(' · ');
}
