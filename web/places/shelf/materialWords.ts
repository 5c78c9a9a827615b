import type { Material, MaterialKind, Pack } from '@bienestar/core/house/house';
import { chosenPack } from '@bienestar/core/house/packs';
import type { BaseUnit } from '@bienestar/core/quantity/unit';
import type { DiscardReason, MovementKind } from '@bienestar/core/house/stock';
import type { PurchaseTax } from '@bienestar/core/house/supplier';
import { amount, money, number, percent } from '../../format/figures';

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
    what: 'opened whole: sachet, ampoule, capsule, sheet',
  },
  fresh: {
    one: 'fresh ingredient',
    many: 'Fresh from the market',
    what: 'bought by the piece, with a yield, good for hours or days',
  },
  consumable: {
    one: 'consumable',
    many: 'Consumables',
    what: 'used up by the piece, for the client or for everybody in the room',
  },
  'device-part': {
    one: 'device part',
    many: 'Device parts',
    what: 'tip, blade or cartridge for one client, never used again',
  },
  retail: {
    one: 'to take home',
    many: 'To take home',
    what: 'home kit, sample or retail item given to the client',
  },
  kit: {
    one: 'kit',
    many: 'Kits',
    what: 'one box that holds different things and is opened as one',
  },
  linen: { one: 'linen', many: 'Linen', what: 'goes round the laundry' },
};

export const KINDS = Object.keys(KIND_WORDS) as readonly MaterialKind[];

/** What is in a pack: "20 × 6 g", "6 pieces". */
export function contentWords(
  { containers, content }: Pick<Pack, 'containers' | 'content'>,
  unit: BaseUnit,
  kind?: MaterialKind,
): string {
  if (kind === 'fresh') return amount(containers, 'piece');
  if (unit === 'piece') return amount(containers * content, unit);
  const one = amount(content, unit);
  return containers === 1 ? one : `${number(containers)} × ${one}`;
}

/** How a material is bought: "20 × 6 g, €36.00". */
export function packWords(material: Material, currency: string): string {
  if (material.kind === 'linen') {
    const { washMinor, washesInLife } = material.laundry;
    return `${money(washMinor, currency)} a wash, ${number(washesInLife)} washes`;
  }
  const pack = chosenPack(material);
  const held = contentWords(pack, material.unit, material.kind);
  return `${held}, ${money(pack.priceMinor, currency)}`;
}

/** What the material is measured with at the trolley: "1.6 ml a pump · coin". */
export function measureWords(material: Material): string {
  const { measures } = material;
  const words = [
    material.kind === 'fresh' && `${number(material.yieldPerPiece.usual)} ${material.unit} a piece`,
    measures.mlPerPump && `${number(measures.mlPerPump.usual)} ml a pump`,
    measures.mlPerSpray && `${number(measures.mlPerSpray.usual)} ml a spray`,
    measures.mlPerDropper && `${number(measures.mlPerDropper.usual)} ml a dropperful`,
    measures.mlPerSpatula && `${number(measures.mlPerSpatula.usual)} ml a spatula`,
    measures.dropsPerMl && `${number(measures.dropsPerMl.usual)} drops a ml`,
    ...(measures.named ?? []).map((named) => named.name),
    ...(measures.coats ?? []).map((coat) => `${coat.name} coat`),
    measures.density !== undefined && `${number(measures.density, 3)} g/ml`,
  ];
  return words.filter(Boolean).join(' · ');
}

/** The word for one container of a kind, and for several. */
export function containerWords(kind: MaterialKind): readonly [string, string] {
  switch (kind) {
    case 'back-bar':
      return ['container', 'containers'];
    case 'single-dose':
      return ['dose', 'doses'];
    case 'fresh':
      return ['piece', 'pieces'];
    case 'consumable':
    case 'device-part':
    case 'retail':
    case 'linen':
      return ['pack', 'packs'];
    case 'kit':
      return ['box', 'boxes'];
  }
}

export const MOVEMENT_WORDS: Record<MovementKind, string> = {
  delivery: 'came in',
  opening: 'opened',
  use: 'used',
  discard: 'thrown away',
  count: 'counted',
  correction: 'taken back',
};

export const REASON_WORDS: Record<DiscardReason, string> = {
  expired: 'past its date',
  'open-too-long': 'open too long',
  spilled: 'spilled',
  broken: 'broken',
  contaminated: 'no longer clean',
  returned: 'sent back',
  other: 'another reason',
};

/** How a price of what is bought is typed, where that has been said: "with 21% tax, which comes back". */
export function typedWords(tax: PurchaseTax | undefined): string | undefined {
  if (!tax) return undefined;
  const comes = tax.recovered ? 'which comes back' : 'which does not come back';
  return `${tax.included ? 'with' : 'without'} ${percent(tax.rate)} tax, ${comes}`;
}
