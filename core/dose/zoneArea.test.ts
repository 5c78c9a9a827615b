import { describe, expect, it } from 'vitest';
import { settings } from '../testing/sample';
import { bodySurfaceM2, zoneAreaCm2 } from './zoneArea';
import { FACE_PARTS, leavesOf, ZONE_IDS, zoneName, type ZoneId } from '../zone/zones';

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

  it('covers the whole body but one percent, never a zone', () => {
    const percent = zoneAreaCm2(ZONE_IDS, settings) / bodySurfaceM2(settings.referenceClient) / 100;
    expect(percent).toBeCloseTo(99, 9);
  });

  it('divides a pair into its sides', () => {
    expect(zoneAreaCm2(['lower-leg-left'], settings) * 2).toBeCloseTo(
      zoneAreaCm2(['lower-legs'], settings),
      9,
    );
    expect(leavesOf('hands')).toEqual(['hand-left', 'hand-right']);
  });

  it('says zones as a therapist does', () => {
    const spoken = (
      ['neck-front', 'lower-leg-left', 'eye-contour', 'decollete'] satisfies ZoneId[]
    ).map(zoneName);
    expect(spoken).toEqual(['neck front', 'left lower leg', 'eye contour', 'décolleté']);
  });
});
