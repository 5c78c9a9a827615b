import type { HouseSettings } from '../house/settings';
import {
  FACE_PARTS,
  leavesOf,
  partsOf,
  ZONE_PARTS,
  type LeafZone,
  type ZoneId,
  type ZonePart,
} from '../zone/zones';

/** Adult shares of the body surface, percent. @see D1; Lund and Browder, 1944 */
const BODY_PERCENT = {
  face: 3.5,
  scalp: 3.5,
  'neck-front': 1,
  'neck-back': 1,
  back: 13,
  buttocks: 5,
  'upper-arms': 8,
  forearms: 6,
  hands: 5,
  thighs: 19,
  'lower-legs': 14,
  feet: 7,
} as const satisfies Partial<Record<ZoneId, number>>;
const ANTERIOR_TRUNK_PERCENT = 13;

/** The settings that decide how large a zone is. */
export type BodySettings = Pick<
  HouseSettings,
  'referenceClient' | 'trunkPercent' | 'faceShares' | 'zoneShares'
>;

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
  const percentOf = leafPercents(settings);
  let percent = 0;
  for (const leaf of new Set(zones.flatMap(leavesOf))) percent += percentOf.get(leaf) ?? 0;
  return (percent / 100) * bodySurfaceM2(settings.referenceClient) * 10_000;
}

/**
 * The parts of a zone with the share of it that each has in this house; none where it is not made of others that
 * a house estimates.
 * @example partShares('nose', { zoneShares: { nose: { 'nose-tip': 0.3 } } })[1] // { zone: 'nose-tip', share: 0.3 }
 * @see D1
 */
export function partShares(
  zone: ZoneId,
  { faceShares, zoneShares }: Pick<BodySettings, 'faceShares' | 'zoneShares'>,
): readonly ZonePart[] {
  if (zone === 'face') return FACE_PARTS.map((part) => ({ zone: part, share: faceShares[part] }));
  const usual = ZONE_PARTS.get(zone) ?? [];
  const own = zoneShares?.[zone];
  return own ? usual.map((part) => ({ ...part, share: own[part.zone] ?? part.share })) : usual;
}

const KNOWN = new WeakMap<BodySettings, ReadonlyMap<LeafZone, number>>();

/** How much of the body surface each of the finest zones is, percent. */
function leafPercents(settings: BodySettings): ReadonlyMap<LeafZone, number> {
  const known = KNOWN.get(settings);
  if (known) return known;
  const percents = new Map<LeafZone, number>();
  const divide = (zone: ZoneId, percent: number): void => {
    const parts = partShares(zone, settings);
    if (parts.length > 0) for (const part of parts) divide(part.zone, percent * part.share);
    else {
      /* Both sides of a pair are alike. */
      const leaves = leavesOf(zone);
      const [leaf] = leaves;
      if (leaves.length === 1 && leaf) percents.set(leaf, percent);
      else for (const side of partsOf(zone)) divide(side, percent / 2);
    }
  };
  const { decollete, abdomen } = settings.trunkPercent;
  for (const [zone, percent] of Object.entries(BODY_PERCENT)) divide(zone as ZoneId, percent);
  divide('decollete', decollete);
  divide('abdomen', abdomen);
  divide('chest', ANTERIOR_TRUNK_PERCENT - decollete - abdomen);
  KNOWN.set(settings, percents);
  return percents;
}
