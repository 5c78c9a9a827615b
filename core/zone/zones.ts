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

type BodyPart =
  | 'scalp'
  | 'neck-front'
  | 'neck-back'
  | 'decollete'
  | 'chest'
  | 'abdomen'
  | 'back'
  | 'buttock-left'
  | 'buttock-right'
  | 'upper-arm-left'
  | 'upper-arm-right'
  | 'forearm-left'
  | 'forearm-right'
  | 'hand-left'
  | 'hand-right'
  | 'thigh-left'
  | 'thigh-right'
  | 'lower-leg-left'
  | 'lower-leg-right'
  | 'foot-left'
  | 'foot-right';

/** A zone that is not made of others. */
export type LeafZone = FacePart | BodyPart;

const REGION_PARTS = {
  face: FACE_PARTS,
  buttocks: ['buttock-left', 'buttock-right'],
  'upper-arms': ['upper-arm-left', 'upper-arm-right'],
  forearms: ['forearm-left', 'forearm-right'],
  hands: ['hand-left', 'hand-right'],
  thighs: ['thigh-left', 'thigh-right'],
  'lower-legs': ['lower-leg-left', 'lower-leg-right'],
  feet: ['foot-left', 'foot-right'],
} as const satisfies Record<string, readonly LeafZone[]>;

/** A zone made of others: the face, or both sides of a limb. */
export type RegionZone = keyof typeof REGION_PARTS;
export const REGIONS = Object.keys(REGION_PARTS) as readonly RegionZone[];
export type ZoneId = LeafZone | RegionZone;

/** Every zone in the order of the body, regions before their parts. */
export const ZONE_IDS: readonly ZoneId[] = [
  'face',
  ...FACE_PARTS,
  'scalp',
  'neck-front',
  'neck-back',
  'decollete',
  'chest',
  'abdomen',
  'back',
  ...(
    ['buttocks', 'upper-arms', 'forearms', 'hands', 'thighs', 'lower-legs', 'feet'] as const
  ).flatMap((region) => [region, ...REGION_PARTS[region]]),
];

const SPOKEN: Partial<Record<ZoneId, string>> = {
  'eye-contour': 'eye contour',
  decollete: 'décolleté',
};

/** The zone as it is said: "neck front", "left thigh". */
export function zoneName(zone: ZoneId): string {
  const sided = /^(.*)-(left|right)$/.exec(zone);
  return (
    SPOKEN[zone] ??
    (sided ? `${sided[2]} ${sided[1]?.replaceAll('-', ' ')}` : zone.replaceAll('-', ' '))
  );
}

/** The zones without parts that `zone` stands for. */
export function leavesOf(zone: ZoneId): readonly LeafZone[] {
  return isRegion(zone) ? REGION_PARTS[zone] : [zone];
}

function isRegion(zone: ZoneId): zone is RegionZone {
  return zone in REGION_PARTS;
}
