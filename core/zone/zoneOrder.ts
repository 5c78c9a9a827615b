import {
  bothOf,
  FACE_PARTS,
  leavesOf,
  PAIRED_LEAVES,
  PAIRED_WHOLES,
  REGION_PARTS,
  sided,
  type PairedLeaf,
  type PairedWhole,
  type RegionZone,
  type ZoneId,
} from './zones';

const PAIR_OF: ReadonlyMap<ZoneId, RegionZone> = new Map(
  [
    ...PAIRED_LEAVES.map((leaf) => [leaf, bothOf(leaf)] as const),
    ...Object.entries(PAIRED_WHOLES).map(([whole, [both]]) => [whole, both] as const),
  ].flatMap(([part, both]) =>
    sided(part as PairedLeaf | PairedWhole).map((zone) => [zone, both] as const),
  ),
);

/** Both sides of a zone that there is on the left and on the right. */
export function pairOf(zone: ZoneId): RegionZone | undefined {
  return PAIR_OF.get(zone);
}

/** In the order of the body, each zone before its parts, where pairs of parts follow their sides. */
function inOrder(): ZoneId[] {
  const listed = new Set<ZoneId>();
  const list = (zone: ZoneId): void => {
    const both = pairOf(zone);
    if (both) listed.add(both);
    listed.add(zone);
    for (const part of REGION_PARTS.get(zone) ?? []) list(part);
  };
  const wholes = Object.values(PAIRED_WHOLES)
    .map(([both]) => both)
    .filter((both) => !(FACE_PARTS as readonly string[]).includes(both));
  for (const zone of [
    'face',
    'scalp',
    'neck-front',
    'neck-back',
    'decollete',
    'chest',
    'abdomen',
    'back',
    ...wholes,
  ] as const) {
    list(zone);
  }
  return [...listed];
}

/** Every zone in the order of the body, regions before their parts. */
export const ZONE_IDS: readonly ZoneId[] = inOrder();

/** The zones made of others, the largest first. */
export const REGIONS: readonly RegionZone[] = ZONE_IDS.filter((zone): zone is RegionZone =>
  REGION_PARTS.has(zone),
).sort((a, b) => leavesOf(b).length - leavesOf(a).length);
