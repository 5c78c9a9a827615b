import { describe, expect, it } from 'vitest';
import { settings } from '../testing/sample';
import { zoneAreaCm2 } from './zoneArea';
import { estimatedZones, withEstimate } from './zoneShares';

describe('how large a house says that zones are', () => {
  it('adds up to the whole, pairs told once', () => {
    const zones = estimatedZones(settings);
    for (const { parts, name } of zones) {
      expect(
        parts.reduce((sum, { share }) => sum + share, 0),
        name,
      ).toBeCloseTo(1, 12);
    }
    expect(zones.find(({ zone }) => zone === 'forehead')?.parts.map(({ name }) => name)).toEqual([
      'middle of the forehead',
      'sides of the forehead',
      'temples',
      'brows',
      'hairline',
    ]);
    expect(zones.map(({ name }) => name)).toContain('cheeks');
  });

  it('is another once it is estimated otherwise, left and right alike', () => {
    const cheeks = estimatedZones(settings).find(({ zone }) => zone === 'cheek-left');
    if (!cheeks) throw new Error('there are cheeks');
    const own = { ...settings, ...withEstimate(settings, cheeks, [0.5, 0.3, 0.2]) };
    const cheek = zoneAreaCm2(['cheek-right'], own);
    expect(zoneAreaCm2(['nose-fold-right'], own)).toBeCloseTo(0.2 * cheek, 9);
    expect(zoneAreaCm2(['nose-folds'], own)).toBeCloseTo(0.4 * cheek, 9);
    expect(cheek).toBeCloseTo(zoneAreaCm2(['cheek-right'], settings), 9);
    const face = estimatedZones(settings).find(({ zone }) => zone === 'face');
    if (!face) throw new Error('there is a face');
    const flat = { ...settings, ...withEstimate(settings, face, [1, 0, 0, 0, 0, 0, 0]) };
    expect(zoneAreaCm2(['forehead'], flat)).toBeCloseTo(zoneAreaCm2(['face'], settings), 9);
  });
});
