import loadHighs from 'highs';
import { describe, expect, it, test } from 'vitest';
import { asId } from '../house/ids';
import { minutes, protocol, step } from '../testing/sample';
import { scheduleOf } from '../time/schedule';
import { backToBack } from './play/backToBack';
import { highsSolver } from './worth/highsSolver';
import { menuMix, shortOf, type MixProblem, type MixService } from './worth/menuMix';
import { DayPlay } from './play/playDay';
import type { PlayedDay } from './play/playedDay';
import { leastOffset, type Shared } from './play/stagger';
import { visitParts } from './play/visitParts';

const solve = highsSolver(await loadHighs());

const RESTS = step('Enzyme', minutes(6), { hands: 'free' });
const MASK = step('Mask', minutes(12), { hands: 'free' });

/** The treatment of the worked figures. */
const treatment = protocol([
  step('Set up', minutes(4, 5, 7), { stretch: 'set-up' }),
  step('Consult', minutes(4, 6, 12)),
  step('Cleanse', minutes(4, 5, 6)),
  RESTS,
  step('Rinse', minutes(2, 3, 4)),
  step('Mask on', minutes(2, 3, 4)),
  MASK,
  step('Hand massage', minutes(7, 9, 13), { meanwhileOf: MASK.id }),
  step('Mask off', minutes(3, 4, 6)),
  step('Finish', minutes(3, 4, 5)),
  step('Mirror', minutes(3, 5, 10)),
  step('Reset', minutes(6, 8, 10), { stretch: 'reset' }),
]);

function worked<T>(outcome: { readonly ok: true; readonly value: T } | { readonly ok: false }): T {
  if (!outcome.ok) throw new Error('could not be worked');
  return outcome.value;
}

describe('what an hour is worth', () => {
  const [DRY, WET, HANDS, HANDPIECE] = [0, 1, 2, 3];
  const service = (
    contribution: number,
    [least, most]: readonly [number, number],
    uses: MixService['uses'],
    hands: number,
  ): MixService => ({ contribution, least, most, uses, hands: [{ minutes: hands, by: [HANDS] }] });
  const week: MixProblem = {
    days: 1,
    services: [
      service(3130, [4, 45], [[DRY, 70]], 46.7),
      service(3918, [2, 20], [[DRY, 70]], 50),
      service(
        3958,
        [0, 30],
        [
          [DRY, 80],
          [HANDPIECE, 35],
        ],
        59.9,
      ),
      service(3437, [2, 25], [[WET, 85]], 64.5),
    ],
    limits: [{ perDay: [5184] }, { perDay: [2592] }, { perDay: [4446] }, { perDay: [480] }],
  };

  it('is the mix that brings most, and what a minute more of each limit would bring', () => {
    const mix = worked(menuMix(week, solve));
    [38.383673, 20, 13.714286, 12.899174].forEach((visits, at) =>
      expect(mix.visits[at]).toBeCloseTo(visits, 6),
    );
    expect(mix.contribution).toBeCloseTo(297_116.502, 3);
    [9.164363, 0, 53.286822, 0.942009].forEach((worth, at) =>
      expect(mix.limits[at]?.worth[0]).toBeCloseTo(worth, 6),
    );
    expect(2592 - (mix.limits[WET]?.used[0] ?? 0)).toBeCloseTo(1495.57, 3);
    expect(mix.bookingWorth[1]).toBeCloseTo(612.153, 3);
  });

  it('is in whole visits at most that, and no visit more fits', () => {
    const mix = worked(menuMix(week, solve, 'whole'));
    expect(mix.visits.every(Number.isInteger)).toBe(true);
    expect(mix.contribution).toBeLessThanOrEqual(mix.atMost + 1e-6);
    expect(mix.contribution).toBe(bestInWhole(week));
  });

  it('says of what there is too little for what is kept in any case', () => {
    const [clay, ...others] = week.services;
    const kept = { ...week, services: [{ ...clay!, least: 100, most: 120 }, ...others] };
    expect(menuMix(kept, solve)).toMatchObject({
      ok: false,
      problems: [{ code: 'demand-beyond-limit' }],
    });
    const short = shortOf(kept, solve);
    const missing = 100 * 70 + 2 * 70 - 5184;
    expect(short.find(({ limit }) => limit === DRY)?.amount).toBeCloseTo(missing, 6);
    expect(shortOf(week, solve)).toEqual([]);
  });

  it('divides hands so that who can do much is kept for it', () => {
    const [body, face] = [0, 1];
    const mix = worked(
      menuMix(
        {
          days: 2,
          services: [
            {
              contribution: 10,
              least: 0,
              most: 99,
              uses: [],
              hands: [{ minutes: 60, by: [body, face] }],
            },
            {
              contribution: 12,
              least: 0,
              most: 99,
              uses: [],
              hands: [{ minutes: 60, by: [face] }],
            },
          ],
          limits: [{ perDay: [120, 0] }, { perDay: [120, 60] }],
        },
        solve,
      ),
    );
    expect(mix.visits[0]).toBeCloseTo(2, 9);
    expect(mix.visits[1]).toBeCloseTo(3, 9);
  });

  /** Every mix of whole visits tried, the last service filled up. */
  function bestInWhole({ services, limits }: MixProblem): number {
    let best = 0;
    const has = limits.map((limit) => ('perDay' in limit ? (limit.perDay[0] ?? 0) : 0));
    const tryFrom = (at: number, left: readonly number[], gain: number): void => {
      const each = services[at];
      if (!each) {
        best = Math.max(best, gain);
        return;
      }
      const takes = has.map((_, limit) =>
        limit === HANDS
          ? (each.hands[0]?.minutes ?? 0)
          : (each.uses.find(([of]) => of === limit)?.[1] ?? 0),
      );
      for (let visits = each.least; visits <= each.most; visits += 1) {
        const rest = left.map((of, limit) => of - visits * (takes[limit] ?? 0));
        if (rest.some((of) => of < -1e-9)) break;
        tryFrom(at + 1, rest, gain + visits * each.contribution);
      }
    };
    tryFrom(0, has, 0);
    return best;
  }
});

describe('two rooms, one pair of hands', () => {
  const hands = (...spans: (readonly [number, number])[]) =>
    spans.map(([from, to]) => ({ from, to }));
  const alike = (...spans: (readonly [number, number])[]): Shared => ({
    of: 'therapist',
    first: hands(...spans),
    second: hands(...spans),
    between: 2,
  });

  test('nothing fits into the gap', () => {
    expect(leastOffset([alike([5, 29], [35, 55])], 5)).toEqual({ minutes: 55, isNested: false });
    expect(leastOffset([alike([5, 22], [34, 40], [58, 66])], 5)).toEqual({
      minutes: 65,
      isNested: false,
    });
  });

  test('the second goes into a gap that is wide enough, walking there and back', () => {
    expect(leastOffset([alike([0, 10], [34, 44])], 5)).toEqual({ minutes: 15, isNested: true });
  });

  test('a device that goes from room to room keeps them further apart', () => {
    const device: Shared = { ...alike([20, 30]), of: asId('handpiece') };
    expect(leastOffset([alike([0, 4], [38, 42]), device], 5)).toEqual({
      minutes: 15,
      isNested: true,
    });
  });
});

describe('back to back in one room', () => {
  const schedule = worked(
    scheduleOf(treatment, 'returning', { slotGridMinutes: 5, slotQuantile: 0.9, paceSpread: 0 }),
  );
  const row = Array.from({ length: 4 }, () => ({ roomTime: schedule.roomTime, slotMinutes: 65 }));

  it('is late by what the visits before were, exactly', () => {
    const { late, chanceAfterEnd } = backToBack(row, 5);
    [0, 0.184462, 0.236381, 0.255377].forEach((mean, at) =>
      expect(late[at]?.mean).toBeCloseTo(mean, 6),
    );
    [0, 0.000849, 0.002254, 0.003087].forEach((chance, at) =>
      expect(late[at]?.chanceLate).toBeCloseTo(chance, 6),
    );
    const four = backToBack(
      row.toSpliced(3, 1, { roomTime: schedule.roomTime, slotMinutes: 70 }),
      5,
    );
    expect(four.chanceAfterEnd).toBeCloseTo(0.003508, 6);
    expect(chanceAfterEnd).toBeGreaterThan(four.chanceAfterEnd);
  });

  it('played through comes out the same within the noise', () => {
    const parts = worked(visitParts(treatment, 'returning', 0.06));
    const day: PlayedDay = {
      visits: [0, 1, 2, 3].map((at) => ({
        key: `${at}`,
        roomId: asId('lava'),
        starts: 600 + at * 65,
        slotMinutes: 65,
        parts,
        therapistId: asId('ione'),
      })),
      devices: [],
      walkMinutes: 2,
      closes: 600 + 4 * 65,
      lateMinutes: 1,
      waitMinutes: 3,
      guestLateness: [],
      noShows: 0,
    };
    const play = new DayPlay(day, 20_261_128);
    play.play(40_000);
    const paced = worked(
      scheduleOf(treatment, 'returning', {
        slotGridMinutes: 5,
        slotQuantile: 0.9,
        paceSpread: 0.06,
      }),
    );
    const exact = backToBack(
      row.map(() => ({ roomTime: paced.roomTime, slotMinutes: 65 })),
      1,
    );
    const { visits, shareAfterClosing } = play.figures();
    visits.forEach(({ meanLate, shareLate }, at) => {
      expect(Math.abs(meanLate - (exact.late[at]?.mean ?? 0))).toBeLessThan(0.05);
      expect(Math.abs(shareLate - (exact.late[at]?.chanceLate ?? 0))).toBeLessThan(0.01);
    });
    expect(Math.abs(shareAfterClosing - exact.chanceAfterEnd)).toBeLessThan(0.01);
  });
});
