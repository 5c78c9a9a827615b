import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { minutes } from '../testing/sample';
import { allInSequence, chanceBeyond, meanMinutes, pointAt } from './distribution';
import { chanceWithin, leftAfter } from './left';
import { stepTime, timeWithBeside } from './stepTime';

describe('what is left of a visit (R2)', () => {
  const mask = timeWithBeside(minutes(12), [minutes(7, 9, 13)], 0);
  const toCome = [minutes(3, 4, 6), minutes(3, 4, 5), minutes(3, 5, 10), minutes(6, 8, 10)].map(
    (each) => stepTime(each, 0),
  );

  it('has the worked figures of the example, 5 minutes into its mask at minute 37', () => {
    const left = leftAfter(mask, 5, toCome);
    expect(left.mean).toBeCloseTo(28.668426, 5);
    expect(chanceWithin(left, 65 - 37)).toBeCloseTo(0.369295, 5);
    expect(chanceWithin(left, 70 - 37)).toBeCloseTo(0.995874, 5);
  });

  it('has the worked figure of a consultation that has taken 9 minutes', () => {
    expect(leftAfter(stepTime(minutes(4, 6, 12), 0), 9, []).mean).toBeCloseTo(0.682158, 5);
  });

  it('is nothing more of what has taken longer than it ever does', () => {
    expect(leftAfter(stepTime(minutes(4, 6, 12), 0.06), 40, []).mean).toBe(0);
    expect(leftAfter(pointAt(3), 3, [pointAt(2)]).mean).toBe(2);
  });

  const someMinutes = fc
    .tuple(fc.integer({ min: 5, max: 100 }), fc.nat(60), fc.nat(60))
    .map(([least, more, most]) =>
      minutes(least / 10, (least + more) / 10, (least + more + most) / 10),
    );

  it('is all of it where nothing is gone, and agrees with the chance of the whole', () => {
    fc.assert(
      fc.property(
        fc.array(someMinutes, { minLength: 1, maxLength: 5 }),
        fc.constantFrom(0, 0.06, 0.2),
        (all, pace) => {
          const [first, ...others] = all.map((each) => stepTime(each, pace));
          if (!first) return;
          const whole = allInSequence([first, ...others]);
          const left = leftAfter(first, 0, others);
          expect(left.mean).toBeCloseTo(meanMinutes(whole), 1);
          for (const by of [5, 15, 30])
            expect(chanceWithin(left, by)).toBeCloseTo(1 - chanceBeyond(whole, by), 9);
        },
      ),
    );
  });

  it('grows no shorter in all: what is gone and what is left are at least what was expected', () => {
    fc.assert(
      fc.property(someMinutes, fc.double({ min: 0, max: 12, noNaN: true }), (of, gone) => {
        const time = stepTime(of, 0.1);
        const { mean } = leftAfter(time, gone, []);
        expect(mean).toBeGreaterThanOrEqual(0);
        expect(gone + mean).toBeGreaterThanOrEqual(meanMinutes(time) - 0.05);
      }),
    );
  });

  it('takes a visit that has come late for a slow one', () => {
    const [steady, unsure] = [0, 0.2].map((pace) =>
      leftAfter(stepTime(minutes(8, 10, 12), pace), 12.5, [stepTime(minutes(8, 10, 12), pace)]),
    );
    expect(unsure?.mean).toBeGreaterThan((steady?.mean ?? 0) + 1);
  });
});
