import { describe, expect, it } from 'vitest';
import type { ZoneSetting } from '../house/house';
import type { ZoneId } from '../zone/zones';
import { energyInAll, resolvedSettings } from './deviceSettings';

const cheeks: ZoneSetting = {
  zones: ['cheeks'],
  values: [
    { kind: 'energy', value: 20, upTo: 24 },
    { kind: 'pulse', value: 3 },
  ],
  passes: 3,
};
const half = (zones: ZoneSetting['zones'], of: ZoneId): ZoneSetting => ({
  zones,
  values: [],
  share: { of, part: 0.5 },
});

describe('settings that are a share of what other zones have', () => {
  it('follow them, also over several, and keep what they say themselves', () => {
    const forehead = {
      ...half(['forehead'], 'cheeks'),
      values: [{ kind: 'pulse', value: 2 }] as const,
    };
    const [, first, second] = resolvedSettings([cheeks, forehead, half(['nose'], 'forehead')]);
    expect(first).toEqual({
      zones: ['forehead'],
      values: [
        { kind: 'pulse', low: 2, high: 2 },
        { kind: 'energy', low: 10, high: 12 },
      ],
    });
    expect(second?.values).toContainEqual({ kind: 'energy', low: 5, high: 6 });
  });

  it('find their zone within a larger one', () => {
    const [, chin] = resolvedSettings([cheeks, half(['chin'], 'cheek-left')]);
    expect(chin?.values[0]).toMatchObject({ kind: 'energy', low: 10 });
  });

  it('say that they go round in a circle, or that nothing is set there', () => {
    const round = resolvedSettings([half(['chin'], 'nose'), half(['nose'], 'chin')]);
    expect(round.map(({ fault }) => fault)).toEqual(['circle', 'circle']);
    expect(resolvedSettings([half(['chin'], 'chin')])[0]?.fault).toBe('circle');
    expect(resolvedSettings([cheeks, half(['chin'], 'nose')])[1]?.fault).toBe('nothing-there');
  });

  it('give energy times passes in all', () => {
    const [first] = resolvedSettings([cheeks]);
    expect(first && energyInAll(first)).toEqual({ low: 60, high: 72 });
    expect(energyInAll({ zones: [], values: [], passes: 3 })).toBeUndefined();
  });
});
