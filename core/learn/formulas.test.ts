import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { driftOf, sigmaOf } from './drift';
import { correctedMean, minutesByLog, quantileOf } from './towards';
import { isQuestioned, seenShare } from './wilson';

const WRITTEN = { least: 4, usual: 6, most: 12 };
const LOGGED = [7, 8, 6.5, 9, 7.5, 8, 10, 7, 8.5, 7.5];

describe('minutes by the log', () => {
  it('go towards it by the number of visits', () => {
    expect(correctedMean(40 / 6, LOGGED)).toBeCloseTo(7.351852, 6);
    const { least, usual, most } = minutesByLog(WRITTEN, LOGGED);
    expect(least).toBeCloseTo(5.513889, 6);
    expect(usual).toBeCloseTo(6.989583, 6);
    expect(most).toBeCloseTo(10.638889, 6);
  });

  it('are as written without a log, stay in order with any, and end at the log of very many visits', () => {
    expect(minutesByLog(WRITTEN, [])).toEqual(WRITTEN);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 60, noNaN: true }), { minLength: 1 }),
        (log) => {
          const { least, usual, most } = minutesByLog(WRITTEN, log);
          expect(least).toBeLessThanOrEqual(usual + 1e-9);
          expect(usual).toBeLessThanOrEqual(most + 1e-9);
        },
      ),
    );
    const many = Array.from({ length: 100_000 }, (_, at) => 9 + (at % 3));
    expect(correctedMean(40 / 6, many)).toBeCloseTo(10, 2);
  });

  it('reads quantiles between order statistics', () => {
    expect(quantileOf([6, 8], 0.25)).toBe(6.5);
    expect(quantileOf([5], 0.95)).toBe(5);
  });
});

describe('whether a slot holds', () => {
  it('is questioned where the promise lies outside of what was seen', () => {
    const held = seenShare(41, 50);
    expect(held.low).toBeCloseTo(0.692039, 6);
    expect(held.high).toBeCloseTo(0.902298, 6);
    expect(isQuestioned(held, 0.9)).toBe(false);
    expect(isQuestioned(seenShare(30, 50), 0.9)).toBe(true);
    expect(isQuestioned(seenShare(200, 200), 0.9)).toBe(true);
    expect(seenShare(0, 0)).toMatchObject({ low: 0, high: 1 });
  });
});

describe('drift', () => {
  const DOSES = [4.6, 5.1, 5.0, 5.4, 5.6, 5.5, 5.9, 6.1];

  it('names the first visit whose weighted mean is outside', () => {
    const points = driftOf(DOSES, 4.8, 0.5);
    [4.76, 4.828, 4.8624, 4.96992, 5.095936, 5.176749, 5.321399, 5.477119].forEach((mean, at) =>
      expect(points[at]?.mean).toBeCloseTo(mean, 6),
    );
    expect(points.findIndex(({ isOutside }) => isOutside)).toBe(6);
    expect(4.8 + (points[6]?.limit ?? 0)).toBeCloseTo(5.288881, 6);
  });

  it('is not widened by what wanders off', () => {
    const steady = [5, 5.2, 4.9, 5.1, 5, 4.8];
    const wandering = steady.map((value, at) => value + at);
    expect(sigmaOf(wandering, 0)).toBeLessThan(1.2);
    expect(sigmaOf([], 0.1)).toBe(0.1);
  });
});
