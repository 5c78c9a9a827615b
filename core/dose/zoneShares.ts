import type { HouseSettings } from '../house/settings';
import { FACE_PARTS, ZONE_PARTS, type ZoneId } from '../zone/zones';
import { pairOf } from '../zone/zoneOrder';
import { zoneName } from '../zone/zoneNames';
import { partShares } from './zoneArea';

/** A part of a zone as a house estimates it; of a pair, both sides together. */
export interface EstimatedPart {
  readonly name: string;
  /** one, or one of each side */
  readonly zones: readonly ZoneId[];
  readonly share: number;
}

/** A zone whose parts a house estimates; the left and the right of a pair are alike. */
export interface EstimatedZone {
  readonly zone: ZoneId;
  readonly name: string;
  readonly parts: readonly EstimatedPart[];
}

type Estimates = Pick<HouseSettings, 'faceShares' | 'zoneShares'>;

/** Every zone whose parts are estimated, with how large they are in this house. @see D1 */
export function estimatedZones(settings: Estimates): readonly EstimatedZone[] {
  return (['face', ...ZONE_PARTS.keys()] as const)
    .filter((zone) => !zone.endsWith('-right'))
    .map((zone) => ({ zone, name: bothSides(zone), parts: partsTogether(zone, settings) }));
}

/** The zone, or the word for both sides of it. */
function bothSides(zone: ZoneId): string {
  return zoneName(pairOf(zone) ?? zone);
}

function partsTogether(whole: ZoneId, settings: Estimates): EstimatedPart[] {
  const found = new Map<string, EstimatedPart>();
  for (const { zone, share } of partShares(whole, settings)) {
    const name = bothSides(zone);
    const so = found.get(name);
    found.set(name, { name, zones: [...(so?.zones ?? []), zone], share: (so?.share ?? 0) + share });
  }
  return [...found.values()];
}

/**
 * The settings with another estimate of a zone's parts, of a pair on both sides.
 * @param shares one for each of its parts, in their order; they sum to 1
 * @see D1
 */
export function withEstimate(
  settings: Estimates,
  { zone, parts }: EstimatedZone,
  shares: readonly number[],
): Estimates {
  const own = Object.fromEntries(
    parts.flatMap(({ zones }, at) =>
      zones.map((part) => [part, (shares[at] ?? 0) / zones.length] as const),
    ),
  );
  if (zone === 'face') {
    const face = Object.fromEntries(FACE_PARTS.map((part) => [part, own[part] ?? 0]));
    return { ...settings, faceShares: face as HouseSettings['faceShares'] };
  }
  const other = pairOf(zone) && {
    [zone.replace(/-left$/, '-right')]: Object.fromEntries(
      Object.entries(own).map(([part, share]) => [part.replace(/-left$/, '-right'), share]),
    ),
  };
  return { ...settings, zoneShares: { ...settings.zoneShares, [zone]: own, ...other } };
}
