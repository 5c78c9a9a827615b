import type { PairedLeaf, PairedWhole, ZoneId } from './zones';

/** Where a side is not said first, its place is marked. */
const SPOKEN: Partial<Record<ZoneId | PairedLeaf | PairedWhole, string>> = {
  calfs: 'calves',
  decollete: 'décolleté',
  'scalp-top': 'top of the scalp',
  'scalp-edge': 'edge of the scalp',
  'forehead-centre': 'middle of the forehead',
  'forehead-side': 'side of the forehead',
  'forehead-sides': 'sides of the forehead',
  'nose-bridge': 'bridge of the nose',
  'nose-tip': 'tip of the nose',
  'nose-wing': 'wing of the nose',
  'nose-wings': 'wings of the nose',
  'nose-fold': 'fold beside the nose',
  'nose-folds': 'folds beside the nose',
  'mouth-corner': 'corner of the mouth',
  'mouth-corners': 'corners of the mouth',
  'under-lip': 'under the lip',
  'jaw-edge': 'edge of the jaw',
  'jaw-edges': 'edges of the jaw',
  'jaw-angle': 'jaw angle',
  eye: 'eye contour',
  'eye-corner': 'outer corner of the % eye',
  'eye-corners': 'outer corners of the eyes',
  'under-brow': 'skin under the % brow',
  'under-brows': 'skin under the brows',
  'under-eye': 'skin under the % eye',
  'under-eyes': 'skin under the eyes',
  'under-jaw': 'under the jaw',
  'neck-centre': 'middle of the neck',
  'neck-side': 'side of the neck',
  'neck-sides': 'sides of the neck',
  'abdomen-centre': 'middle of the abdomen',
  'mid-arm': 'arm below the shoulder',
  'mid-arms': 'arms below the shoulders',
  'hand-back': 'back of the % hand',
  'hand-backs': 'backs of the hands',
  'thigh-front': 'front of the % thigh',
  'thigh-fronts': 'fronts of the thighs',
  'thigh-back': 'back of the % thigh',
  'thigh-backs': 'backs of the thighs',
  instep: 'top of the % foot',
  insteps: 'tops of the feet',
};

function spoken(zone: keyof typeof SPOKEN): string {
  return SPOKEN[zone] ?? zone.replaceAll('-', ' ');
}

/** The zone as it is said: "neck front", "left thigh", "skin under the left eye". */
export function zoneName(zone: ZoneId): string {
  const [, part, side] = /^(.*)-(left|right)$/.exec(zone) ?? [];
  if (part === undefined || side === undefined) return spoken(zone);
  const words = spoken(part as PairedLeaf | PairedWhole);
  return words.includes('%') ? words.replace('%', side) : `${side} ${words}`;
}
