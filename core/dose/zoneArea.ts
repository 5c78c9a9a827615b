import type { HouseSettings } from '../house/settings';
import { FACE_PARTS, leavesOf, type FacePart, type LeafZone, type ZoneId } from '../zone/zones';

/** Adult shares of the body surface, percent. @see D1; Lund and Browder, 1944 */
const BODY_PERCENT = {
  face: 3.5,
  scalp: 3.5,
  'neck-front': 1,
  'neck-back': 1,
  anteriorTrunk: 13,
  posteriorTrunk: 13,
  buttock: 2.5,
  'upper-arm': 4,
  forearm: 3,
  hand: 2.5,
  thigh: 9.5,
  'lower-leg': 7,
  foot: 3.5,
} as const;

/** The settings that decide how large a zone is. */
export type BodySettings = Pick<HouseSettings, 'referenceClient' | 'trunkPercent' | 'faceShares'>;

/**
 * Body surface area in m2: the root of height (cm) x weight (kg) / 3600.
 * @see D1; Mosteller, 1987
 */
export function bodySurfaceM2(client: HouseSettings['referenceClient']): number {
  return Math.sqrt((client.heightCm * client.weightKg) / 3600);
}

/**
 * Skin covered by `zones` on the house's reference client, in cm2: share of the body surface x BSA
 * x 10 000. A place named twice (the face and its forehead) is covered once.
 * @see D1
 */
export function zoneAreaCm2(zones: readonly ZoneId[], settings: BodySettings): number {
  const leaves = new Set(zones.flatMap(leavesOf));
  let percent = 0;
  for (const leaf of leaves) percent += leafPercent(leaf, settings);
  return (percent / 100) * bodySurfaceM2(settings.referenceClient) * 10_000;
}

function leafPercent(leaf: LeafZone, settings: BodySettings): number {
  const { decollete, abdomen } = settings.trunkPercent;
  switch (leaf) {
    case 'scalp':
    case 'neck-front':
    case 'neck-back':
      return BODY_PERCENT[leaf];
    case 'decollete':
      return decollete;
    case 'abdomen':
      return abdomen;
    case 'chest':
      return BODY_PERCENT.anteriorTrunk - decollete - abdomen;
    case 'back':
      return BODY_PERCENT.posteriorTrunk;
    default:
      return isFacePart(leaf)
        ? BODY_PERCENT.face * settings.faceShares[leaf]
        : BODY_PERCENT[withoutSide(leaf)];
  }
}

type SidedZone = Exclude<
  LeafZone,
  FacePart | 'scalp' | 'neck-front' | 'neck-back' | 'decollete' | 'abdomen' | 'chest' | 'back'
>;
type Limb = SidedZone extends `${infer L}-${'left' | 'right'}` ? L : never;

function withoutSide(zone: SidedZone): Limb {
  return zone.replace(/-(left|right)$/, '') as Limb;
}

function isFacePart(zone: LeafZone): zone is FacePart {
  return (FACE_PARTS as readonly string[]).includes(zone);
}
