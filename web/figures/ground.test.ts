import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placeOn, rangeOf } from './ground';

const GROUND = { width: 700, height: 500, mark: 28 };

describe('marks on a ground', () => {
  it('are not squeezed into a corner by one that lies far out, which stands at the edge', () => {
    const hours = [24, 26, 28, 29, 31, 33, 35, 42, 96];
    const range = rangeOf(hours, [28]);
    expect(range).toEqual({ from: 24, to: 42 });
    const points = hours.map((y, x) => ({ x, y }));
    const placed = placeOn(points, { x: rangeOf([0, 8], []), y: range }, GROUND);
    expect(placed.map(({ beyond }) => beyond.y)).toEqual(hours.map((hour) => hour === 96));
    expect(placed[8]?.bottom).toBe(GROUND.height - GROUND.mark / 2);
    expect(placed[7]?.bottom).toBe(placed[8]?.bottom);
  });

  it('hold what must be seen, and all of what is alike', () => {
    expect(rangeOf([3, 3, 3, 9], [1])).toEqual({ from: 1, to: 9 });
    expect(rangeOf([5], [])).toEqual({ from: 5, to: 5 });
  });

  it('never lie over one another, and never outside', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: fc.nat(12), y: fc.integer({ min: 2000, max: 2400 }) }), {
          minLength: 1,
          maxLength: 40,
        }),
        (points) => {
          const ranges = {
            x: rangeOf(
              points.map(({ x }) => x),
              [0],
            ),
            y: rangeOf(
              points.map(({ y }) => y),
              [2100],
            ),
          };
          const placed = placeOn(points, ranges, GROUND);
          placed.forEach((one, at) => {
            expect(one.left).toBeGreaterThanOrEqual(14);
            expect(one.left).toBeLessThanOrEqual(686);
            expect(one.bottom).toBeGreaterThanOrEqual(14);
            expect(one.bottom).toBeLessThanOrEqual(486);
            for (const other of placed.slice(0, at)) {
              const apart = Math.hypot(one.left - other.left, one.bottom - other.bottom);
              expect(apart).toBeGreaterThan(27.9);
            }
          });
        },
      ),
    );
  });
});
