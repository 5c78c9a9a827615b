import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inWholes } from './pickZones';
import { leavesOf } from './zones';
import { ZONE_IDS } from './zoneOrder';
import { zonesSaid } from './zonesSaid';

describe('zones as they are said', () => {
  it('go by a name of the house, also where its parts were put together', () => {
    const own = [{ name: 'scar', zones: ['upper-cheek-left', 'lower-cheek-left'] as const }];
    expect(zonesSaid(['nose', 'upper-cheek-left', 'lower-cheek-left', 'chin'], own)).toEqual([
      'nose',
      'scar',
      'chin',
    ]);
    expect(zonesSaid(['lower-cheek-left', 'upper-cheek-left'], own)).toHaveLength(2);
    expect(zonesSaid(['cheek-left'], [{ name: 'side', zones: leavesOf('cheek-left') }])).toEqual([
      'side',
    ]);
  });

  it('are put together into the largest, and stay the same skin in the same order', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...ZONE_IDS), { maxLength: 6 }), (zones) => {
        const leaves = zones.flatMap(leavesOf);
        const wholes = inWholes(leaves);
        expect(wholes.flatMap(leavesOf)).toEqual(leaves);
        expect(wholes.length).toBeLessThanOrEqual(Math.max(zones.length, 0));
      }),
    );
  });

  it('are as few as can be, also where two sides stand beside each other', () => {
    expect(inWholes(['elbow-left', 'forearm-right'])).toEqual(['elbow-left', 'forearm-right']);
  });

  it('have each a name of their own', () => {
    const names = ZONE_IDS.flatMap((zone) => zonesSaid([zone]));
    expect(new Set(names).size).toBe(names.length);
  });
});
