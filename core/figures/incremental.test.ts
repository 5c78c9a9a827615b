import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { House } from '../house/house';
import { leavesOf, withLeaf, type Leaf } from '../testing/leaves';
import { randomHouse } from '../testing/randomHouse';
import { createCalculator } from './createCalculator';

/** Where a value stands, whichever of several it is in. */
function placeOf(path: Leaf['path']): string {
  return path.map((part) => (typeof part === 'number' ? '*' : part)).join('.');
}

/** What says of which kind something is goes with the rest of it, and is not changed alone. */
const KINDS = /\.(?:id|kind|how)$|^materials\.\*\.unit$/;

/** What of a house can be another: each leaf, and amounts and their sources as a whole. */
function changeableIn(house: House): readonly Leaf[] {
  const leaves = leavesOf(house);
  const wholes = leaves.flatMap(({ path }): Leaf[] =>
    /\.(?:amount\.how|source\.kind)$/.test(placeOf(path))
      ? [{ path: path.slice(0, -1), value: at(house, path.slice(0, -1)) }]
      : [],
  );
  return [...leaves.filter(({ path }) => !KINDS.test(placeOf(path))), ...wholes];
}

function at(value: unknown, path: Leaf['path']): unknown {
  return path.reduce<unknown>(
    (inner, part) => (inner as Readonly<Record<string | number, unknown>>)[part],
    value,
  );
}

/** A house in which one leaf is another, maybe one that cannot be computed. */
function changed(house: House, which: number, by: number): House {
  const all = changeableIn(house);
  const leaf = all[which % all.length];
  if (!leaf) return house;
  const { path, value } = leaf;
  if (typeof value === 'number') return withLeaf(house, path, by % 5 === 0 ? 0 : value * (by / 10));
  if (typeof value === 'boolean') return withLeaf(house, path, !value);
  const others = all.filter((other) => placeOf(other.path) === placeOf(path));
  return withLeaf(house, path, others[by % others.length]?.value);
}

describe('a calculator that is kept', () => {
  it('gives after a change of any leaf what a new one gives', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.array(fc.tuple(fc.nat(), fc.integer({ min: 1, max: 40 })), {
          minLength: 4,
          maxLength: 12,
        }),
        (seed, changes) => {
          const kept = createCalculator();
          let current: House = randomHouse(seed);
          kept(current);
          for (const [which, by] of changes) {
            current = changed(current, which, by);
            expect(kept(current)).toEqual(createCalculator()(current));
          }
        },
      ),
      { numRuns: 20, endOnFailure: true },
    );
  });

  it('goes back to what was before when something is taken out and put in again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.constantFrom('materials', 'mixes', 'devices', 'blocks', 'services', 'demand', 'people'),
        (seed, list) => {
          const kept = createCalculator();
          const whole: House = randomHouse(seed);
          const before = kept(whole);
          const less: House = { ...whole, [list]: whole[list].slice(1) };
          expect(kept(less)).toEqual(createCalculator()(less));
          expect(kept(whole)).toEqual(before);
        },
      ),
      { numRuns: 20, endOnFailure: true },
    );
  });
});
