import { describe, expect, it } from 'vitest';
import { settings } from '../testing/sample';
import { bodySurfaceM2, partShares, zoneAreaCm2 } from './zoneArea';
import { FACE_PARTS, leavesOf, partsOf, type ZoneId } from '../zone/zones';
import { ZONE_IDS } from '../zone/zoneOrder';
import { zoneName } from '../zone/zoneNames';

describe('zone areas (D1)', () => {
  it('gives the reference client her body surface and her face and neck', () => {
    expect(bodySurfaceM2(settings.referenceClient)).toBeCloseTo(1.726026, 6);
    expect(zoneAreaCm2(['face'], settings)).toBeCloseTo(604.1092, 4);
    expect(zoneAreaCm2(['neck-front'], settings)).toBeCloseTo(172.6026, 4);
    expect(zoneAreaCm2(['face', 'neck-front'], settings)).toBeCloseTo(776.7118, 4);
  });

  it('counts skin once when a region and its part are both named', () => {
    expect(zoneAreaCm2(['face', 'forehead'], settings)).toBe(zoneAreaCm2(['face'], settings));
    expect(zoneAreaCm2([...FACE_PARTS], settings)).toBeCloseTo(zoneAreaCm2(['face'], settings), 9);
  });

  it('counts a zone as its parts, each with its share, whoever estimates them', () => {
    for (const zone of ZONE_IDS) {
      const parts = partsOf(zone);
      if (parts.length === 0) continue;
      const sum = parts.reduce((area, part) => area + zoneAreaCm2([part], settings), 0);
      expect(sum).toBeCloseTo(zoneAreaCm2([zone], settings), 9);
      const shares = partShares(zone, settings);
      if (shares.length === 0) continue;
      expect(shares.reduce((so, { share }) => so + share, 0)).toBeCloseTo(1, 12);
    }
    const own = { ...settings, zoneShares: { nose: { 'nose-tip': 0.4, 'nose-bridge': 0.3 } } };
    expect(zoneAreaCm2(['nose-tip'], own)).toBeCloseTo(0.4 * zoneAreaCm2(['nose'], own), 9);
    expect(zoneAreaCm2(['nose'], own)).toBeCloseTo(zoneAreaCm2(['nose'], settings), 9);
  });

  it('of the lips of the reference client is their share of the mouth, and no skin is counted twice', () => {
    /* 3.5 % of 1.726026 m2, of it .08 round the mouth, of it .30 the lips. */
    expect(zoneAreaCm2(['lips'], settings)).toBeCloseTo(604.1092 * 0.08 * 0.3, 3);
    expect(zoneAreaCm2(['cheek-left', 'upper-cheeks'], settings)).toBeCloseTo(
      604.1092 * 0.4 * 0.5 * 1.45,
      3,
    );
  });

  it('covers the whole body but one percent, never a zone', () => {
    const percent = zoneAreaCm2(ZONE_IDS, settings) / bodySurfaceM2(settings.referenceClient) / 100;
    expect(percent).toBeCloseTo(99, 9);
  });

  it('divides a pair into its sides', () => {
    expect(zoneAreaCm2(['lower-leg-left'], settings) * 2).toBeCloseTo(
      zoneAreaCm2(['lower-legs'], settings),
      9,
    );
    expect(leavesOf('palms')).toEqual(['palm-left', 'palm-right']);
  });

  it('says zones as a therapist does', () => {
    const spoken = (
      [
        'neck-front',
        'lower-leg-left',
        'eye-left',
        'under-eye-right',
        'decollete',
      ] satisfies ZoneId[]
    ).map(zoneName);
    expect(spoken).toEqual([
      'neck front',
      'left lower leg',
      'left eye contour',
      'skin under the right eye',
      'décolleté',
    ]);
  });
});
