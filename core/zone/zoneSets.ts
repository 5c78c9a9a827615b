import type { ZoneId } from './zones';

/** Zones that are often worked together, by the name they go by. */
export interface ZoneSet {
  readonly name: string;
  readonly zones: readonly ZoneId[];
}

export const ZONE_SETS: readonly ZoneSet[] = [
  { name: 'face and neck', zones: ['face', 'neck-front'] },
  { name: 'face, neck and décolleté', zones: ['face', 'neck-front', 'decollete'] },
  { name: 'neck and shoulders', zones: ['neck-back', 'upper-arms'] },
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
