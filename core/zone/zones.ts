/*
 * Where a step is done. A zone is a set of the finest parts of the skin, its leaves; a zone that is made of others
 * holds the leaves of its parts, so that a place inside another is never counted twice.
 */

const SIDES = ['left', 'right'] as const;
type Side = (typeof SIDES)[number];
type Sided<P extends string> = `${P}-${Side}`;

/** Leaves that there are once. */
const SINGLE_LEAVES = [
  'forehead-centre',
  'hairline',
  'nose-bridge',
  'nose-tip',
  'lips',
  'upper-lip',
  'under-lip',
  'chin',
  'scalp-top',
  'scalp-edge',
  'under-jaw',
  'neck-centre',
  'neck-back',
  'decollete',
  'chest',
  'abdomen-centre',
  'upper-back',
  'lower-back',
] as const;

/** Leaves that there are on the left and on the right. */
export const PAIRED_LEAVES = [
  'forehead-side',
  'temple',
  'brow',
  'upper-cheek',
  'lower-cheek',
  'nose-fold',
  'nose-wing',
  'mouth-corner',
  'jaw-edge',
  'jaw-angle',
  'under-brow',
  'lash-line',
  'under-eye',
  'eye-corner',
  'neck-side',
  'flank',
  'seat',
  'hip',
  'shoulder',
  'mid-arm',
  'elbow',
  'inner-forearm',
  'outer-forearm',
  'palm',
  'hand-back',
  'fingers',
  'thigh-front',
  'thigh-back',
  'inner-thigh',
  'outer-thigh',
  'knee',
  'shin',
  'calf',
  'sole',
  'instep',
  'toes',
] as const;
export type PairedLeaf = (typeof PAIRED_LEAVES)[number];
/** Both sides of a leaf. */
type Both<P extends string> = P extends `${string}s` ? P : `${P}s`;

/** A zone that is not made of others. */
export type LeafZone = (typeof SINGLE_LEAVES)[number] | Sided<PairedLeaf>;

/** Zones that there are on each side, by the word for both, with the share of each part. */
export const PAIRED_WHOLES = {
  cheek: ['cheeks', { 'upper-cheek': 0.45, 'lower-cheek': 0.47, 'nose-fold': 0.08 }],
  eye: [
    'eye-contour',
    { 'under-brow': 0.38, 'lash-line': 0.1, 'under-eye': 0.38, 'eye-corner': 0.14 },
  ],
  jaw: ['jawline', { 'jaw-edge': 0.6, 'jaw-angle': 0.4 }],
  buttock: ['buttocks', { seat: 0.7, hip: 0.3 }],
  'upper-arm': ['upper-arms', { shoulder: 0.3, 'mid-arm': 0.7 }],
  forearm: ['forearms', { elbow: 0.14, 'inner-forearm': 0.43, 'outer-forearm': 0.43 }],
  hand: ['hands', { palm: 0.4, 'hand-back': 0.35, fingers: 0.25 }],
  thigh: [
    'thighs',
    {
      'thigh-front': 0.3,
      'thigh-back': 0.3,
      'inner-thigh': 0.16,
      'outer-thigh': 0.16,
      knee: 0.08,
    },
  ],
  'lower-leg': ['lower-legs', { shin: 0.5, calf: 0.5 }],
  foot: ['feet', { sole: 0.4, instep: 0.4, toes: 0.2 }],
} as const satisfies Record<string, readonly [string, Partial<Record<PairedLeaf, number>>]>;
export type PairedWhole = keyof typeof PAIRED_WHOLES;

/** Parts of the face; each is a share of the face. */
export const FACE_PARTS = [
  'forehead',
  'cheeks',
  'nose',
  'perioral',
  'chin',
  'jawline',
  'eye-contour',
] as const;
export type FacePart = (typeof FACE_PARTS)[number];

/** Zones in the middle of the body that are made of others, with the share of each part, of a pair each side's. */
const MIDDLE_WHOLES = {
  forehead: {
    'forehead-centre': 0.4,
    'forehead-side': 0.12,
    temple: 0.07,
    brow: 0.04,
    hairline: 0.14,
  },
  nose: { 'nose-bridge': 0.45, 'nose-tip': 0.25, 'nose-wing': 0.15 },
  perioral: { lips: 0.3, 'upper-lip': 0.26, 'under-lip': 0.24, 'mouth-corner': 0.1 },
  scalp: { 'scalp-top': 0.85, 'scalp-edge': 0.15 },
  'neck-front': { 'under-jaw': 0.25, 'neck-centre': 0.25, 'neck-side': 0.25 },
  abdomen: { 'abdomen-centre': 0.6, flank: 0.2 },
  back: { 'upper-back': 0.55, 'lower-back': 0.45 },
} as const;
type MiddleWhole = keyof typeof MIDDLE_WHOLES;

/** A zone made of others: the face, one side of the jaw, both palms. */
export type RegionZone =
  | 'face'
  | MiddleWhole
  | Sided<PairedWhole>
  | (typeof PAIRED_WHOLES)[PairedWhole][0]
  | Both<PairedLeaf>;
export type ZoneId = LeafZone | RegionZone;

/** A part of a zone and its share of it. */
export interface ZonePart {
  readonly zone: ZoneId;
  readonly share: number;
}

/** A part on the left and on the right. */
export function sided<P extends string>(part: P): readonly [Sided<P>, Sided<P>] {
  return [`${part}-left`, `${part}-right`];
}

function isPairedLeaf(part: string): part is PairedLeaf {
  return (PAIRED_LEAVES as readonly string[]).includes(part);
}

/** Both sides of a leaf. */
export function bothOf<P extends PairedLeaf>(leaf: P): Both<P> {
  return (leaf.endsWith('s') ? leaf : `${leaf}s`) as Both<P>;
}

function partsOfMiddle(shares: Readonly<Record<string, number>>): ZonePart[] {
  return Object.entries(shares).flatMap(([part, share]): ZonePart[] =>
    isPairedLeaf(part)
      ? sided(part).map((zone) => ({ zone, share }))
      : [{ zone: part as ZoneId, share }],
  );
}

function partsOfWhole(): Map<ZoneId, readonly ZonePart[]> {
  const found = new Map<ZoneId, readonly ZonePart[]>();
  for (const [middle, shares] of Object.entries(MIDDLE_WHOLES)) {
    found.set(middle as MiddleWhole, partsOfMiddle(shares));
  }
  for (const [whole, [, shares]] of Object.entries(PAIRED_WHOLES)) {
    for (const side of SIDES) {
      const parts = Object.entries(shares).map(([part, share]): ZonePart => ({
        zone: `${part as PairedLeaf}-${side}`,
        share,
      }));
      found.set(`${whole as PairedWhole}-${side}`, parts);
    }
  }
  return found;
}

/**
 * The zones whose parts have shares that a house may estimate otherwise, with the usual estimate. Those of the face
 * stand in the settings.
 * @see D1
 */
export const ZONE_PARTS: ReadonlyMap<ZoneId, readonly ZonePart[]> = partsOfWhole();

function regionParts(): Map<RegionZone, readonly ZoneId[]> {
  const found = new Map<RegionZone, readonly ZoneId[]>([['face', FACE_PARTS]]);
  for (const [zone, parts] of ZONE_PARTS) {
    found.set(
      zone as RegionZone,
      parts.map((part) => part.zone),
    );
  }
  for (const [whole, [both]] of Object.entries(PAIRED_WHOLES)) {
    found.set(both, sided(whole as PairedWhole));
  }
  for (const leaf of PAIRED_LEAVES) found.set(bothOf(leaf), sided(leaf));
  return found;
}

const LEAVES = new Map<ZoneId, readonly LeafZone[]>();
/** The zones of which each zone is made; none for a leaf. */
export const REGION_PARTS: ReadonlyMap<ZoneId, readonly ZoneId[]> = regionParts();

/** The zones without parts that `zone` stands for. */
export function leavesOf(zone: ZoneId): readonly LeafZone[] {
  const known = LEAVES.get(zone);
  if (known) return known;
  const parts = REGION_PARTS.get(zone);
  const leaves = parts ? parts.flatMap(leavesOf) : [zone as LeafZone];
  LEAVES.set(zone, leaves);
  return leaves;
}

/** The zones of which a zone is made; none where it is not made of others. */
export function partsOf(zone: ZoneId): readonly ZoneId[] {
  return REGION_PARTS.get(zone) ?? [];
}
