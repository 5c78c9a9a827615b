import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LayerGroup, Minutes, Step } from '../house/house';
import { asId } from '../house/ids';
import { minutes, problemOf, protocol, settings, step, valueOf } from '../testing/sample';
import {
  allInSequence,
  chanceBeyond,
  inSequence,
  meanMinutes,
  mixed,
  pointAt,
  quantileMinutes,
  sdMinutes,
  sideBySide,
  type Distribution,
} from './distribution';
import { incompleteBeta } from './incompleteBeta';
import { clockLoad } from './clockLoad';
import { scheduleOf, type Schedule } from './schedule';
import { slotMinutes } from './slot';
import { stepTime as paced } from './stepTime';
import { SharedSums } from './sums';

const maskId = asId<Step['id']>('mask');
const worked = protocol([
  step('set up', minutes(4, 5, 7), { stretch: 'set-up' }),
  step('consult', minutes(4, 6, 12)),
  step('cleanse', minutes(4, 5, 6)),
  step('enzyme rest', minutes(6), { hands: 'watching' }),
  step('rinse', minutes(2, 3, 4)),
  step('mask on', minutes(2, 3, 4)),
  step('mask', minutes(12), { id: maskId, hands: 'free', capMinutes: 12 }),
  step('hand massage', minutes(7, 9, 13), { meanwhileOf: maskId }),
  step('mask off', minutes(3, 4, 6)),
  step('finish', minutes(3, 4, 5)),
  step('mirror and home care', minutes(3, 5, 10)),
  step('reset', minutes(6, 8, 10), { stretch: 'reset' }),
]);

/** The time of a step where nobody is slower than others. */
const stepTime = (of: Minutes, paceSpread = 0): Distribution => paced(of, paceSpread);
const chancesOf = (time: Distribution): readonly number[] => [
  ...(mixed(time).paces[0]?.chances ?? []),
];

function clock(steps: readonly Step[], groups: readonly LayerGroup[] = []): Schedule {
  return valueOf(scheduleOf(protocol(steps, { layerGroups: groups }), 'returning', settings));
}

const anyMinutes = fc
  .tuple(
    fc.integer({ min: 0, max: 200 }),
    fc.integer({ min: 0, max: 100 }),
    fc.integer({ min: 0, max: 100 }),
  )
  .map(([least, more, most]): Minutes =>
    minutes(least / 10, (least + more) / 10, (least + more + most) / 10),
  );

describe('the incomplete beta function', () => {
  it('agrees with its closed forms', () => {
    expect(incompleteBeta(0.3, 1, 1)).toBeCloseTo(0.3, 14);
    expect(incompleteBeta(0.3, 1, 5)).toBeCloseTo(1 - 0.7 ** 5, 13);
    expect(incompleteBeta(0.8, 5, 1)).toBeCloseTo(0.8 ** 5, 13);
    expect(incompleteBeta(0.5, 3, 3)).toBeCloseTo(0.5, 13);
    expect(incompleteBeta(0.2, 2, 3)).toBeCloseTo(0.1808, 13);
  });
});

describe('time of steps (T1, T2)', () => {
  it('has the mean of beta-PERT and chances that sum to 1', () => {
    const consult = stepTime(minutes(4, 6, 12));
    expect(meanMinutes(consult)).toBe((4 + 4 * 6 + 12) / 6);
    expect(chancesOf(consult).reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 12);
  });

  it('lasts the longer of two when something is done meanwhile', () => {
    const mask = stepTime(minutes(12));
    const massage = stepTime(minutes(7, 9, 13));
    const both = sideBySide(mask, massage);
    expect(chanceBeyond(both, 12)).toBeCloseTo(chanceBeyond(massage, 12), 12);
    expect(chanceBeyond(both, 11.9)).toBe(1);
  });
});

describe('the worked treatment (T2-T6)', () => {
  const schedule = valueOf(scheduleOf(worked, 'returning', settings));

  it('has the worked room time, slot and visit', () => {
    expect(schedule.room.mean).toBeCloseTo(62.5018, 4);
    expect(schedule.room.sd).toBeCloseTo(2.324, 4);
    expect(schedule.room.p50).toBe(62.4);
    expect(schedule.room.p90).toBe(65.6);
    expect(schedule.slotMinutes).toBe(70);
    expect(schedule.visit.mean).toBeCloseTo(49.3351, 4);
    expect(schedule.visit.p90).toBe(52.2);
    expect(schedule.guestMinutes).toBe(55);
  });

  it('counts the massage, and the mask only outside it', () => {
    const mask = schedule.rows.find((row) => row.name === 'mask');
    const massage = schedule.rows.find((row) => row.name === 'hand massage');
    expect(massage?.handsOn).toBeCloseTo(9.3333, 2);
    expect(massage?.roomMinutes).toBe(0);
    expect(mask?.free).toBeCloseTo((mask?.roomMinutes ?? 0) - (massage?.handsOn ?? 0), 9);
    expect(mask?.contact?.chancePast).toBeGreaterThan(0);
    expect(schedule.conflicts).toEqual([]);
  });

  it('calls it a conflict when the work beside the mask passes its cap', () => {
    const long = worked.steps.map((one) =>
      one.name === 'hand massage' ? { ...one, minutes: minutes(11, 14, 18) } : one,
    );
    const { conflicts } = clock(long);
    expect(conflicts[0]?.code).toBe('contact-cap-passed');
    expect(conflicts[0]?.where.stepId).toBe(maskId);
  });
});

describe('fixed minutes (T2)', () => {
  it('are never rounded: twenty times a quarter of a minute are five minutes, without a spread', () => {
    const { room, slotMinutes: slot } = clock(
      Array.from({ length: 20 }, () => step('s', minutes(0.25))),
    );
    expect(room).toEqual({ mean: 5, sd: 0, p50: 5, p90: 5 });
    expect(slot).toBe(5);
  });

  it('may be parts of a minute that no binary number has', () => {
    const { room, slotMinutes: slot } = clock(
      Array.from({ length: 45 }, () => step('s', minutes(20 / 60))),
    );
    expect(room.mean).toBeCloseTo(15, 9);
    expect(slot).toBe(15);
  });

  it('keep the mean of what lies beside them, and lie on the grid for nobody', () => {
    const odd = pointAt(9.05);
    const both = sideBySide(odd, stepTime(minutes(7, 9, 13)));
    expect(chanceBeyond(both, 9.04)).toBe(1);
    expect(quantileMinutes(both, 0.01)).toBe(9.05);
    const massage = stepTime(minutes(7, 9, 13));
    const beyond = sideBySide(pointAt(6.03), massage);
    expect(beyond).toBe(massage);
    expect(sideBySide(massage, odd)).toEqual(both);
  });
});

describe('slow and quick days (T7)', () => {
  /* Paces of 0.9, 1 and 1.1. */
  const tenth = 0.1 / Math.sqrt(3);
  const schedule = valueOf(scheduleOf(worked, 'returning', { ...settings, paceSpread: tenth }));

  it('has the worked mean, spread, quantiles and chance', () => {
    expect(schedule.room.mean).toBeCloseTo(62.5096, 4);
    expect(schedule.room.sd).toBeCloseTo(3.4787, 4);
    expect(schedule.room.p90).toBe(67);
    expect(quantileMinutes(schedule.roomTime, 0.95)).toBe(68.5);
    expect(1 - chanceBeyond(schedule.roomTime, 65)).toBeCloseTo(0.778043, 6);
    const alike = valueOf(scheduleOf(worked, 'returning', settings));
    expect(1 - chanceBeyond(alike.roomTime, 65)).toBeCloseTo(0.859438, 6);
  });

  it('leaves fixed minutes as they are', () => {
    expect(stepTime(minutes(12), 0.4)).toEqual(stepTime(minutes(12)));
  });

  it('spreads what varies, with the same mean, and never makes a slot shorter at nine in ten', () => {
    fc.assert(
      fc.property(fc.array(anyMinutes, { minLength: 1, maxLength: 5 }), (all) => {
        const [alike, some, much] = [0, 0.06, 0.4].map((spread) =>
          allInSequence(all.map((each) => stepTime(each, spread))),
        ) as [Distribution, Distribution, Distribution];
        expect(meanMinutes(much)).toBeCloseTo(meanMinutes(alike), 9);
        expect(sdMinutes(some)).toBeGreaterThanOrEqual(sdMinutes(alike) - 0.05);
        expect(sdMinutes(much)).toBeGreaterThanOrEqual(sdMinutes(some) - 0.05);
        expect(slotMinutes(much, 0.95, 5)).toBeGreaterThanOrEqual(slotMinutes(alike, 0.95, 5));
      }),
      { numRuns: 40 },
    );
  });
});

describe('people (T4)', () => {
  it('counts the minutes of each, and leaves the therapist free while the assistant works', () => {
    const { attended, room } = clock([
      step('set up', minutes(5), { stretch: 'set-up', by: 'assistant' }),
      step('massage', minutes(20)),
    ]);
    expect(attended).toEqual({ therapist: 20, assistant: 5 });
    expect(room.mean).toBe(25);
  });

  it('keeps the therapist at the mask while an assistant massages the hands', () => {
    const [mask, massage] = [
      step('mask', minutes(12), { hands: 'watching' }),
      step('hands', minutes(9), { by: 'assistant' }),
    ];
    const { attended } = clock([mask, { ...massage, meanwhileOf: mask.id }]);
    expect(attended).toEqual({ therapist: 12, assistant: 9 });
  });
});

describe('layers (D4, T3)', () => {
  it('repeats the steps with the wait and the question between them', () => {
    const group: LayerGroup = {
      id: asId('g'),
      name: 'Layers',
      layers: { first: 1, returning: 3 },
      between: { wait: minutes(1) },
      asks: [
        {
          id: asId('how'),
          ask: 'How does it feel, 0 to 10?',
          answer: { kind: 'score' },
          reactions: [],
        },
      ],
    };
    const { rows, room } = clock([step('acid', minutes(2), { layerGroupId: group.id })], [group]);
    expect(rows.map((row) => [row.of.kind, row.startsAt])).toEqual([
      ['step', 0],
      ['between', 2],
      ['step', 3],
      ['between', 5],
      ['step', 6],
    ]);
    expect(room.mean).toBe(8);
  });
});

describe('faults of minutes', () => {
  it('are placed at their step', () => {
    const faulty = step('rest', { least: 5, usual: 3, most: 6 });
    const problem = problemOf(scheduleOf(protocol([faulty]), 'first', settings));
    expect(problem.code).toBe('minutes-invalid');
    expect(problem.where).toMatchObject({ stepId: faulty.id, field: 'minutes' });
  });

  it('refuse work beside work that is itself beside something', () => {
    const outer = step('mask', minutes(10));
    const inner = step('massage', minutes(5), { meanwhileOf: outer.id });
    const innermost = step('record', minutes(1), { meanwhileOf: inner.id });
    const problem = problemOf(scheduleOf(protocol([outer, inner, innermost]), 'first', settings));
    expect(problem.code).toBe('meanwhile-nested');
  });
});

describe('laws of time', () => {
  const steps = fc.array(anyMinutes, { minLength: 1, maxLength: 6 });

  it('the slot is never below the median, and the visit never above the room', () => {
    fc.assert(
      fc.property(steps, (times) => {
        const { slotMinutes, room, visit } = clock(times.map((time) => step('s', time)));
        expect(slotMinutes).toBeGreaterThanOrEqual(room.p50);
        expect(visit.mean).toBeLessThanOrEqual(room.mean + 1e-9);
      }),
      { numRuns: 50 },
    );
  });

  it('the lines sum to the whole: room minutes, and attended with free of one therapist', () => {
    fc.assert(
      fc.property(steps, anyMinutes, (times, beside) => {
        const written = times.map((time) => step('s', time, { hands: 'watching' }));
        const meanwhile = step('m', beside, { meanwhileOf: written[0]?.id });
        const { rows, room, attended } = clock([...written, meanwhile]);
        const sum = (pick: (row: Schedule['rows'][number]) => number): number =>
          rows.reduce((total, row) => total + pick(row), 0);
        expect(sum((row) => row.roomMinutes)).toBeCloseTo(room.mean, 6);
        expect(attended.therapist + sum((row) => row.free)).toBeCloseTo(room.mean, 6);
      }),
      { numRuns: 50 },
    );
  });

  it('a protocol of fixed times has a spread of zero', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 1, maxLength: 8 }),
        (tenths) => {
          const { room } = clock(tenths.map((tenth) => step('s', minutes(tenth / 10))));
          expect(room.sd).toBe(0);
          expect(room.mean).toBeCloseTo(tenths.reduce((a, b) => a + b, 0) / 10, 9);
        },
      ),
    );
  });

  it('the order of independent times does not matter', () => {
    fc.assert(
      fc.property(anyMinutes, anyMinutes, (a, b) => {
        const forth = inSequence(stepTime(a), stepTime(b));
        const back = inSequence(stepTime(b), stepTime(a));
        expect(meanMinutes(forth)).toBeCloseTo(meanMinutes(back), 9);
        expect(quantileMinutes(forth, 0.9)).toBeCloseTo(quantileMinutes(back, 0.9), 9);
      }),
      { numRuns: 50 },
    );
  });
});

describe('sums that share most of their times', () => {
  it('have the quantiles of the whole sum, whatever they share', () => {
    const part = (spread: number) =>
      fc
        .tuple(
          fc.integer({ min: 0, max: 40 }),
          fc.integer({ min: 0, max: 30 }),
          fc.integer({ min: 0, max: 30 }),
        )
        .map(([least, a, b]) =>
          stepTime(
            { least: least / 10, usual: (least + a) / 10, most: (least + a + b) / 10 },
            spread,
          ),
        );
    const lists = fc
      .constantFrom(0, 0.06, 0.3)
      .map(part)
      .chain((each) =>
        fc.tuple(
          fc.array(each, { maxLength: 6 }),
          fc.array(fc.array(each, { maxLength: 4 }), { minLength: 1, maxLength: 5 }),
        ),
      );
    fc.assert(
      fc.property(lists, fc.constantFrom(0.5, 0.9, 0.99), ([common, others], share) => {
        const all = others.map((own) => [...common, ...own]);
        const sums = new SharedSums(all);
        for (const list of all) {
          expect(sums.quantileMinutes(list, share)).toBeCloseTo(
            quantileMinutes(allInSequence(list), share),
            9,
          );
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('the load of a clock without its lines', () => {
  it('is that of the schedule', () => {
    const schedule = valueOf(scheduleOf(worked, 'returning', settings));
    const load = valueOf(clockLoad(worked, 'returning', settings));
    expect(load.attended.therapist).toBeCloseTo(schedule.attended.therapist, 9);
    expect(load.parts.reduce((sum, part) => sum + meanMinutes(part), 0)).toBeCloseTo(
      schedule.room.mean,
      6,
    );
  });
});
