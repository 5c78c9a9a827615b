import { describe, expect, it } from 'vitest';
import { asId, type RunId } from '../house/ids';
import { minutes, protocol } from '../testing/sample';
import type { RunEvent } from '../house/run';
import { runState } from './runState';
import type { RunState } from './standing';
import { contactsNow, couldGive, isDue, runTimes } from './runTimes';
import { drawKey, entriesOfRun, oneMore, takenBy, takenInAct, usedInRun } from './used';
import {
  START,
  at,
  msAt,
  event,
  began,
  done,
  answer,
  gel,
  acid,
  named,
  planned,
  plan,
  run,
  toFirstLayer,
} from '../testing/sampleRun';

describe('the clock of a contact (R4)', () => {
  const stages = (minute: number, ...events: readonly RunEvent[]): string[] =>
    contactsNow(plan, run(...events), msAt(minute)).map(({ stage }) => stage);

  it('runs from the first touch over all layers until it is taken off', () => {
    expect(stages(5, done(2, 'lay-out//'))).toEqual([]);
    const first = toFirstLayer;
    const second = [
      ...first,
      answer(8, 'acid/1/', 0),
      done(8, 'acid/1/'),
      done(9, 'between/layers/1'),
    ];
    const [contact] = contactsNow(plan, run(...second), msAt(11));
    expect(contact).toMatchObject({ minutes: 5, lastTouchedMinutes: 3, stage: 'calm' });
    expect(stages(14.5, ...second)).toEqual(['soon']);
    expect(stages(16, ...second)).toEqual(['off-now']);
    const off = [...second, answer(11, 'acid/2/', 7)];
    expect(stages(12, ...off)).toEqual([]);
  });

  it('ends with the act where it is of that alone', () => {
    const mask = named('mask', { hands: 'free', capMinutes: 12, zones: ['face'] }, minutes(12));
    const masked = planned(protocol([mask, named('after', {})]));
    const on = contactsNow(masked, runState(masked, [began()]), msAt(11));
    expect(on.map(({ stage }) => stage)).toEqual(['soon']);
    expect(contactsNow(masked, runState(masked, [began(), done(12, 'mask//')]), msAt(13))).toEqual(
      [],
    );
  });
});

describe('the times of a run', () => {
  it('are behind by what is gone beyond what was expected (R1)', () => {
    expect(runTimes(plan, run(), 60, msAt(1)).behind).toBeCloseTo(0, 9);
    expect(runTimes(plan, run(), 60, msAt(5)).behind).toBeCloseTo(3, 9);
    expect(runTimes(plan, run(done(1, 'lay-out//')), 60, msAt(1)).behind).toBeCloseTo(-1, 9);
  });

  it('tell what is to be made ready a little before it is begun', () => {
    const times = runTimes(plan, run(done(2, 'lay-out//')), 60, msAt(3));
    expect(times.planned).toBeCloseTo(3, 9);
    expect([-5, 0, 4.9, 5.1].map((minute) => isDue(minute, times))).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });

  it('say what is left, and how likely the slot is (R2)', () => {
    const begun = runTimes(plan, run(), 60, START);
    expect(begun.left).toBeCloseTo(plan.expected, 6);
    expect(runTimes(plan, run(), 10, START).chance).toBe(0);
    expect(runTimes(plan, run(), 200, START).chance).toBeCloseTo(1, 9);
  });

  it('give where it harms least, never in contact, questions or taking off (R3)', () => {
    const give = couldGive(plan, run(), plan.expected - 2, START);
    expect(give.map(({ act, how }) => `${act} ${how}`)).toEqual([
      'eye-care// left-out',
      'massage// least',
      'cleanse// least',
    ]);
    const { chance } = runTimes(plan, run(), plan.expected - 2, START);
    for (const each of give) expect(each.chance).toBeGreaterThanOrEqual(chance);
    expect(give[1]?.minutes).toBeCloseTo(4, 9);
  });

  it('is taken: what is done in its least minutes counts as that, and is not offered again', () => {
    const slot = plan.expected - 2;
    const [, massage] = couldGive(plan, run(), slot, START);
    const short = run(event(1, { kind: 'shortened', act: 'massage//' }));
    const { left, chance } = runTimes(plan, short, slot, START);
    expect(left).toBeCloseTo(runTimes(plan, run(), slot, START).left - 4, 6);
    expect(chance).toBeCloseTo(massage?.chance ?? 0, 6);
    expect(couldGive(plan, short, slot, START).map(({ act }) => act)).not.toContain('massage//');
  });
});

describe('what a run used (R5)', () => {
  const all = (state: RunState): RunState => ({
    ...state,
    acts: state.acts.map((act) => ({ ...act, standing: 'done' })),
  });

  it('is what was planned for what was done', () => {
    expect(usedInRun(plan, all(run()))).toEqual([
      { materialId: gel, quantity: 3, planned: 3 },
      { materialId: acid, quantity: 6, planned: 6 },
    ]);
    const fewer = run(...toFirstLayer, answer(8, 'acid/1/', 5), done(8, 'acid/1/'));
    expect(usedInRun(plan, fewer)[1]).toEqual({ materialId: acid, quantity: 2, planned: 6 });
  });

  it('is what was said instead, and the same entries however often it is asked', () => {
    const [, cleanse] = plan.acts;
    const draw = cleanse?.draws[0];
    if (!cleanse || !draw) throw new Error('nothing is drawn');
    const took = (quantity: number): RunEvent =>
      event(4, { kind: 'took', act: cleanse.id, draw: drawKey(cleanse, draw), quantity });
    const used = usedInRun(plan, run(...toFirstLayer, took(4.5)));
    expect(used[0]?.quantity).toBe(4.5);
    expect(usedInRun(plan, run(...toFirstLayer, took(-1)))[0]?.quantity).toBe(3);
    const entries = entriesOfRun(asId<RunId>('r'), used, () => true, at(0), 'Facial');
    expect(entries).toMatchObject([{ id: 'r-cleanser', quantity: 4.5 }]);
    expect(entriesOfRun(asId<RunId>('r'), used, () => false, at(0), 'Facial')).toEqual([]);
  });
});

describe('one more', () => {
  const draw = { consumed: { low: 4, usual: 4.8, high: 5 } };
  const quantity = { low: 2, usual: 3, high: 4 };

  it('is one as it was said, and a tenth of what is measured or spread', () => {
    expect(oneMore({ how: 'counted', quantity, measure: 'pump' }, draw)).toBeCloseTo(1.6, 9);
    expect(oneMore({ how: 'packs', quantity }, draw)).toBeCloseTo(1.6, 9);
    expect(oneMore({ how: 'measured', quantity, unit: 'piece' }, draw)).toBe(1);
    expect(oneMore({ how: 'measured', quantity, unit: 'ml' }, draw)).toBeCloseTo(0.48, 9);
    expect(oneMore({ how: 'coat', coat: 'thin' }, draw)).toBeCloseTo(0.48, 9);
    expect(oneMore(undefined, draw)).toBeCloseTo(0.48, 9);
  });

  it('is never less than nothing, and what was said is what was used', () => {
    expect(takenBy({ quantity: 1, step: 1.6 }, -1)).toBe(0);
    const act = plan.acts[1];
    if (!act) throw new Error('nothing is drawn');
    const [before] = takenInAct(act, run());
    if (!before) throw new Error('nothing is drawn');
    expect([before.quantity, before.isOther]).toEqual([3, false]);
    const more = takenBy(before, 2);
    const state = run(event(1, { kind: 'took', act: act.id, draw: before.key, quantity: more }));
    expect(takenInAct(act, state)[0]).toMatchObject({ quantity: more, isOther: true });
    expect(more).toBeCloseTo(3.6, 9);
    /* One more and one less again is as planned. */
    const less = event(2, { kind: 'took', act: act.id, draw: before.key, quantity: 3 });
    expect(takenInAct(act, run(less))[0]).toMatchObject({ quantity: 3, isOther: false });
  });
});
