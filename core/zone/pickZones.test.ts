import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isChosen, toggleZone, toggleZones } from './pickZones';
import { workedZones } from './workedZones';
import { leavesOf, type ZoneId } from './zones';
import { ZONE_IDS } from './zoneOrder';

const leaves = (zones: readonly ZoneId[]): string[] => [...new Set(zones.flatMap(leavesOf))].sort();

describe('picking zones', () => {
  it('keeps the order of picking, and makes regions of their parts', () => {
    expect(toggleZone(['neck-front'], 'face')).toEqual(['neck-front', 'face']);
    expect(toggleZone(['feet', 'thigh-left'], 'thigh-right')).toEqual(['feet', 'thighs']);
    expect(toggleZone(['cheek-left'], 'nose-fold-left')).toEqual([
      'upper-cheek-left',
      'lower-cheek-left',
    ]);
    expect(toggleZone(['upper-cheek-left'], 'upper-cheek-right')).toEqual(['upper-cheeks']);
  });

  it('keeps an order of its own: right before left, the upper lip last', () => {
    expect(toggleZone(['cheek-right'], 'cheek-left')).toEqual(['cheek-right', 'cheek-left']);
    expect(
      (['upper-lip', 'upper-lip'] as const)
        .reduce<ZoneId[]>((so, zone) => toggleZone(so, zone), ['face'])
        .at(-1),
    ).toBe('upper-lip');
    expect(toggleZone(['face'], 'eye-contour')).not.toContain('face');
    expect(toggleZone(['nose', 'neck-front', 'chin'], 'face')).toEqual(['neck-front', 'face']);
  });

  it('puts a set in, and takes all of it out when all is there', () => {
    const set: ZoneId[] = ['face', 'neck-front'];
    const put = toggleZones(['neck-front'], set);
    expect(leaves(put)).toEqual(leaves(set));
    expect(toggleZones(put, set)).toEqual([]);
  });

  it('twice is as before, in skin; and no skin is ever named twice', () => {
    const zone = fc.constantFrom(...ZONE_IDS);
    fc.assert(
      fc.property(fc.array(zone), zone, (picks, last) => {
        const before = picks.reduce<ZoneId[]>((so, each) => toggleZone(so, each), []);
        const all = leavesOf(last);
        const wasWhole = all.every((leaf) => isChosen(before, leaf));
        const wasNone = all.every((leaf) => !isChosen(before, leaf));
        const twice = toggleZone(toggleZone(before, last), last);
        if (wasWhole || wasNone) expect(leaves(twice)).toEqual(leaves(before));
        const named = twice.flatMap(leavesOf);
        expect(new Set(named).size).toBe(named.length);
      }),
    );
  });
});

describe('where a step is really worked', () => {
  it('is its zones without those where it never is', () => {
    expect(workedZones({ zones: ['face', 'neck-front'], never: ['eye-contour'] })).toEqual([
      'forehead',
      'cheeks',
      'nose',
      'perioral',
      'chin',
      'jawline',
      'neck-front',
    ]);
    expect(workedZones({ zones: ['back'], never: ['abdomen'] })).toEqual(['back']);
    expect(workedZones({ zones: ['nose'], never: ['face'] })).toEqual([]);
  });
});
