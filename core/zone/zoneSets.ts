import type { ZoneId } from './zones';

/** Zones that are often worked together, by the name they go by. */
export interface ZoneSet {
  readonly name: string;
  readonly zones: readonly ZoneId[];
}

/** How a house may call a place: with no sign that a line would take for something else. */
export const PLACE_NAME: RegExp = /^[\p{L}\p{N}][\p{L}\p{M}\p{N} '-]*$/u;

/** Groups as people say them. */
export const ZONE_SETS: readonly ZoneSet[] = [
  { name: 'face and neck', zones: ['face', 'neck-front'] },
  { name: 'face, neck and décolleté', zones: ['face', 'neck-front', 'decollete'] },
  { name: 'T-zone', zones: ['forehead-centre', 'nose', 'chin'] },
  { name: 'round the mouth', zones: ['upper-lip', 'under-lip', 'mouth-corners'] },
  { name: 'hairline and perimeter', zones: ['hairline', 'scalp-edge'] },
  { name: 'neck and shoulders', zones: ['neck-back', 'shoulders'] },
  { name: 'full back', zones: ['back', 'neck-back'] },
  { name: 'legs', zones: ['thighs', 'lower-legs', 'feet'] },
  { name: 'arms', zones: ['upper-arms', 'forearms', 'hands'] },
  {
    name: 'whole body',
    zones: [
      'chest',
      'abdomen',
      'back',
      'buttocks',
      'upper-arms',
      'forearms',
      'hands',
      'thighs',
      'lower-legs',
      'feet',
    ],
  },
];
