import { describe, expect, it } from 'vitest';
import { asId } from '../house/ids';
import { dose, measured, minutes, protocol } from '../testing/sample';
import type { RunEvent } from '../house/run';
import { runState } from './runState';
import type { RunState } from './standing';
import { takenInAct, timesDone, usedInRun } from './used';
import {
  acid,
  gel,
  event,
  began,
  done,
  answer,
  named,
  layered,
  planned,
  plan,
  run,
  inHand,
  toFirstLayer,
} from '../testing/sampleRun';

describe('a longest time without a product', () => {
  it('is named by its step, and not by what was put on before', () => {
    const pass = named('pass', { zones: ['face'], capMinutes: 12 }, minutes(8));
    const before = layered.steps.find(({ id }) => id === asId('cleanse'));
    if (!before) throw new Error('There is no cleansing.');
    const passing = protocol([before, pass] as Parameters<typeof protocol>[0]);
    const [contact] = planned(passing).contacts;
    expect(contact).toMatchObject({ name: 'pass' });
    expect(contact?.source).toBeUndefined();
  });
});

describe('who leads', () => {
  it('is the tablet on which it began, until another takes over; what happens is the same', () => {
    const onOne = event(0, { kind: 'began', on: 'one' });
    const led = event(1, { kind: 'led', on: 'two' });
    const leaderOf = (...events: readonly RunEvent[]) => runState(plan, events).leader;
    expect(leaderOf(began())).toBeUndefined();
    expect(leaderOf(onOne)).toBe('one');
    expect(leaderOf(onOne, led)).toBe('two');
    expect(inHand(runState(plan, [onOne, led, done(2, 'lay-out//')]))).toBe('cleanse//');
  });
});

describe('what is sold after a visit', () => {
  const sale = (minute: number, quantity: number): RunEvent =>
    event(minute, { kind: 'sold', materialId: gel, quantity });
  const soldBy = (...events: readonly RunEvent[]) => run(...events).sold;

  it('is as it was said last', () => {
    expect(soldBy(sale(60, 2), sale(61, 1))).toEqual([{ materialId: gel, quantity: 1 }]);
    expect(soldBy(sale(60, 2), sale(61, 0))).toEqual([]);
  });

  it.each([
    ['entered', event(61, { kind: 'entered' })],
    ['put away', event(61, { kind: 'put-away', why: 'nobody-came' })],
  ])('is not another once the visit is %s: the log has it as it was', (_how, over) => {
    expect(soldBy(sale(60, 2), over, sale(62, 5))).toEqual([{ materialId: gel, quantity: 2 }]);
  });
});

describe('an act before its turn', () => {
  const off = [
    ...toFirstLayer,
    answer(8, 'acid/1/', 1),
    done(8, 'acid/1/'),
    done(9, 'between/layers/1'),
    answer(10, 'acid/2/', 1),
    done(10, 'acid/2/'),
    done(11, 'between/layers/2'),
    answer(12, 'acid/3/', 1),
    done(12, 'acid/3/'),
    done(13, 'rinse//'),
  ];
  const move = (minute: number, act: string) => event(minute, { kind: 'moved', act });

  it('is done now, and what was in hand comes after it', () => {
    const state = run(...off, move(14, 'eye-care//'));
    expect(inHand(state)).toBe('eye-care//');
    const back = run(...off, move(14, 'eye-care//'), done(16, 'eye-care//'));
    expect(inHand(back)).toBe('massage//');
    const on = run(...off, move(14, 'eye-care//'), done(16, 'eye-care//'), done(26, 'massage//'));
    expect(inHand(on)).toBe('clear//');
    expect(on.acts.filter(({ standing }) => standing === 'done')).toHaveLength(
      plan.acts.length - 1,
    );
  });

  it('does not keep from taking off: off leads there and nowhere else', () => {
    const later = planned(
      protocol([
        named('massage', {}, minutes(5)),
        named('talk', {}, minutes(5)),
        named('mask', { zones: ['face'], doses: [dose(acid, measured(2, 'ml'))] }),
        named('rinse', { zones: ['face'], removal: { how: 'cool-water' } }),
        named('cream', {}, minutes(2)),
      ]),
    );
    const state = runState(later, [
      began(),
      event(1, { kind: 'moved', act: 'talk//' }),
      event(2, { kind: 'off' }),
    ]);
    expect(later.acts[state.inHand ?? -1]?.id).toBe('rinse//');
    expect(state.acts.map(({ standing }) => standing)).toEqual([
      'left-out',
      'done',
      'left-out',
      'in-hand',
      'to-come',
    ]);
  });

  it('is never one that takes off, lies on the skin or goes past such', () => {
    const before = run(done(2, 'lay-out//'), move(3, 'eye-care//'), move(3, 'rinse//'));
    expect(inHand(before)).toBe('cleanse//');
    expect(inHand(run(...toFirstLayer, move(7, 'massage//')))).toBe('acid/1/');
    expect(inHand(run(...off, move(14, 'clear//')))).toBe('massage//');
  });
});

describe('what really happened', () => {
  it('may be another product, another setting, or done once more; not what lies on the skin', () => {
    const key = `cleanse//:${plan.acts[1]?.draws[0]?.doseId ?? ''}:${gel}:`;
    const state = run(
      done(2, 'lay-out//'),
      event(3, { kind: 'again', act: 'cleanse//' }),
      event(3, { kind: 'again', act: 'massage//' }),
      event(4, { kind: 'set', act: 'cleanse//', setting: 'x', value: 3 }),
      done(6, 'cleanse//'),
      event(7, { kind: 'again', act: 'acid/1/' }),
    );
    expect(state.acts.map(({ again }) => again ?? 0)).toEqual(
      plan.acts.map(({ id }) => (id === 'cleanse//' ? 1 : 0)),
    );
    expect(state.set.get('x')).toBe(3);
    const usedOf = (of: RunState, id: string) =>
      usedInRun(plan, of).find(({ materialId }) => (materialId as string) === id)?.quantity;
    expect(usedOf(state, gel)).toBe(6);
    const [cleanse] = plan.acts.slice(1);
    if (!cleanse) throw new Error('There is no cleansing.');
    expect(takenInAct(cleanse, state, timesDone(state, 1))[0]).toMatchObject({
      quantity: 6,
      isOther: false,
    });
    /* What was said before it was done once more is what was taken then, and no more is left out. */
    const weighed = { by: 'weighed' } as const;
    const said = run(
      done(2, 'lay-out//'),
      event(3, { kind: 'took', act: 'cleanse//', draw: key, quantity: 4.5, ...weighed }),
      event(4, { kind: 'again', act: 'cleanse//' }),
      done(6, 'cleanse//'),
    );
    expect(usedOf(said, gel)).toBe(7.5);
    expect(said.weighed.has(key)).toBe(false);
    const other = run(
      done(2, 'lay-out//'),
      event(3, { kind: 'instead', act: 'cleanse//', draw: key, materialId: acid }),
      done(6, 'cleanse//'),
    );
    expect(usedOf(other, gel)).toBe(0);
    expect(usedOf(other, acid)).toBe(3);
  });
});
