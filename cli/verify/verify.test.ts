import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { House } from '@bienestar/core/house/house';
import { mapLeaves } from '@bienestar/core/testing/leaves';
import { Lots } from '@bienestar/core/testing/lots';
import { randomHouse } from '@bienestar/core/testing/randomHouse';
import { highsSolver } from '@bienestar/core/week/worth/highsSolver';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { compareHouse } from './compare';
import { lawsBrokenBy } from './laws';
import { lessonsOfSeed } from './lessonsByHand';
import { isShort, playPoint } from './pointByChance';
import { slotsByChance } from './slotByChance';
import { weekOfSeed } from './weekByHand';

const SEEDS = Array.from({ length: 12 }, (_, at) => at + 1001);

/** A house of which every figure by this name is a hundredth more. */
function spoiled(house: House, name: string): House {
  return mapLeaves(house, ({ path, value }) =>
    path.at(-1) === name && typeof value === 'number' ? value * 1.01 : value,
  );
}

describe('random houses', () => {
  it('have the figures that are worked out by hand', () => {
    const all = SEEDS.map((seed) => compareHouse(randomHouse(seed)));
    expect(all.flatMap(({ differences }) => differences)).toEqual([]);
    expect(all.reduce((sum, { figures }) => sum + figures, 0)).toBeGreaterThan(1_000);
  });

  it.each(['priceMinor', 'heightCm', 'washMinor', 'hourlyPayMinor', 'occupancy', 'commission'])(
    'differ from them where %s was worked out with another',
    (name) => {
      const houses = SEEDS.slice(0, 3).map(randomHouse);
      const differences = houses.flatMap(
        (house) => compareHouse(house, createCalculator()(spoiled(house, name))).differences,
      );
      expect(differences).not.toEqual([]);
    },
  );

  it('keep the laws', () => {
    const all = SEEDS.map((seed) => lawsBrokenBy(randomHouse(seed)));
    expect(all.flatMap(({ broken }) => broken)).toEqual([]);
    expect(all.reduce((sum, { figures }) => sum + figures, 0)).toBeGreaterThan(10_000);
  });

  it('have slots into which as many drawn visits fit as was asked', () => {
    const all = SEEDS.map((seed) => slotsByChance(randomHouse(seed), 2_000, seed));
    expect(all.flatMap(({ faults }) => faults)).toEqual([]);
    expect(all.reduce((sum, { slots }) => sum + slots, 0)).toBeGreaterThan(20);
  });
});

describe('drawn logs', () => {
  it('teach what is worked out by hand', () => {
    const all = SEEDS.map(lessonsOfSeed);
    expect(all.flatMap(({ faults }) => faults)).toEqual([]);
    expect(all.reduce((sum, { figures }) => sum + figures, 0)).toBeGreaterThan(300);
  });
});

describe('drawn weeks', () => {
  it('have the mixes, offsets and delays that are worked out by hand', async () => {
    const solve = highsSolver(await loadHighs());
    const all = SEEDS.map((seed) => weekOfSeed(seed, new Lots(seed), solve));
    expect(all.flatMap(({ faults }) => faults)).toEqual([]);
    expect(all.reduce((sum, { figures }) => sum + figures, 0)).toBe(SEEDS.length * 8);
  });
});

describe('shelves played through', () => {
  it('have orders that come in time as often as was asked', () => {
    expect(SEEDS.map((seed) => playPoint(seed, 2_000)).filter(isShort)).toEqual([]);
  });
});
