import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LayerGroup, Step } from '../house/house';
import { asId, type MaterialId, type RunEventId, type RunId } from '../house/ids';
import type { Question, Reaction, Response } from '../house/question';
import { drawsOf } from '../draws/drawsOf';
import {
  cleanser,
  dose,
  measured,
  minutes,
  protocol,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { mayRespond, ruleFor } from './answers';
import { planOf, type RunPlan } from './plan';
import type { Happening, RunEvent } from '../house/run';
import { runState, type RunState } from './runState';
import { contactsNow, couldGive, isDue, runTimes } from './runTimes';
import { drawKey, entriesOfRun, oneMore, takenBy, takenInAct, usedInRun } from './used';

const START = Date.parse('2026-11-28T10:00:00Z');
const at = (minute: number): string => new Date(START + minute * 60_000).toISOString();
const msAt = (minute: number): number => START + minute * 60_000;
let made = 0;

/** Something that happens at a minute of the run. */
function event(minute: number, what: Happening): RunEvent {
  made += 1;
  return { ...what, id: asId<RunEventId>(`event-${made}`), at: at(minute) };
}
const began = (): RunEvent => event(0, { kind: 'began' });
const done = (minute: number, act: string): RunEvent => event(minute, { kind: 'done', act });

function asking(reactions: readonly Reaction[], id = 'asked'): Question {
  return { id: asId(id), ask: 'How does it feel?', answer: { kind: 'score' }, reactions };
}
const answer = (
  minute: number,
  act: string,
  score: number,
  changes: { readonly response?: Response; readonly reason?: string } = {},
): RunEvent =>
  event(minute, { kind: 'answered', act, question: 'asked', answer: score, ...changes });

const CAREFUL: readonly Reaction[] = [
  { from: 3, response: 'lightly' },
  { from: 5, response: 'fewer-layers' },
  { from: 7, response: 'off' },
  { from: 9, response: 'stop' },
];

const group: LayerGroup = {
  id: asId('layers'),
  name: 'Acid layers',
  layers: { first: 2, returning: 3 },
  between: { wait: minutes(1) },
  asks: [asking(CAREFUL)],
};
const gel = asId<MaterialId>('cleanser');
const acid = asId<MaterialId>('acid');
const named = (id: string, of: Partial<Step>, time = minutes(2)): Step =>
  step(id, time, { id: asId(id), ...of });
const layered = protocol(
  [
    named('lay-out', { stretch: 'set-up' }),
    named('cleanse', { zones: ['face'], doses: [dose(gel, measured(3, 'ml'))] }, minutes(3, 4, 6)),
    named('acid', {
      zones: ['face'],
      layerGroupId: group.id,
      doses: [dose(acid, measured(2, 'ml'))],
      capMinutes: 10,
      capSince: 'first-touch',
    }),
    named('rinse', { zones: ['face'], removal: { how: 'cool-water' } }),
    named('massage', { phase: 'massage' }, minutes(6, 10, 14)),
    named('eye-care', { optional: { usually: 'done', if: 'there is time' } }, minutes(3)),
    named('clear', { stretch: 'reset' }),
  ],
  { layerGroups: [group] },
);

function planned(of = layered): RunPlan {
  const draws = valueOf(
    drawsOf(of, 'returning', shelf([cleanser(), cleanser({ id: acid })]), settings),
  );
  return valueOf(planOf(of, 'returning', draws, settings));
}
const plan = planned();
const run = (...events: readonly RunEvent[]): RunState => runState(plan, [began(), ...events]);
const inHand = (state: RunState): string | undefined =>
  state.inHand === undefined ? undefined : plan.acts[state.inHand]?.id;
const toFirstLayer = [done(2, 'lay-out//'), done(6, 'cleanse//')];

describe('the plan of a run', () => {
  it('has each layer and wait for itself, and asks when a layer is on', () => {
    expect(plan.acts.map(({ id, asks }) => `${id} ${asks.length}`)).toEqual([
      'lay-out// 0',
      'cleanse// 0',
      'acid/1/ 1',
      'between/layers/1 0',
      'acid/2/ 1',
      'between/layers/2 0',
      'acid/3/ 1',
      'rinse// 0',
      'massage// 0',
      'eye-care// 0',
      'clear// 0',
    ]);
  });

  it('asks after a test spot what decides', () => {
    const spot = {
      zones: ['chin' as const],
      minutes: minutes(1),
      wait: minutes(5),
      watch: 'weals',
    };
    const tried = planned({ ...layered, layerGroups: [{ ...group, testSpot: spot }] });
    const act = tried.acts.find(({ kind }) => kind === 'test');
    expect(act?.minutes).toEqual(minutes(6));
    const state = runState(tried, [
      began(),
      ...toFirstLayer,
      event(12, {
        kind: 'answered',
        act: act?.id ?? '',
        question: 'test/layers',
        answer: 'yes',
      }),
    ]);
    expect([state.status, state.takeOff?.why]).toEqual(['stopped', 'stopped']);
  });
});

describe('a run', () => {
  it('goes from act to act by taps, each with its times', () => {
    const state = run(...toFirstLayer);
    expect(inHand(state)).toBe('acid/1/');
    expect(state.acts[1]).toMatchObject({ beganAt: msAt(2), endedAt: msAt(6) });
  });

  it('counts a tap once that comes in twice, or was pressed twice', () => {
    const tap = done(2, 'lay-out//');
    expect(inHand(run(tap, tap, done(2.01, 'lay-out//')))).toBe('cleanse//');
  });

  it('never runs backwards, whatever the clock of the tablet says', () => {
    const state = run(done(5, 'lay-out//'), done(3, 'cleanse//'));
    expect(state.acts[1]).toMatchObject({ beganAt: msAt(5), endedAt: msAt(5) });
  });

  it('leaves out what is left out, but not what takes off what lies there', () => {
    const leave = (act: string): RunEvent => event(6.5, { kind: 'left-out', act });
    const standings = (state: RunState): readonly string[] =>
      state.acts.map(({ standing }) => standing);
    expect(standings(run(...toFirstLayer, leave('massage//')))[8]).toBe('left-out');
    expect(standings(run(...toFirstLayer, leave('rinse//')))[7]).toBe('to-come');
    const nothingOn = [leave('acid/1/'), leave('acid/2/'), leave('acid/3/'), leave('cleanse//')];
    expect(standings(run(...nothingOn, leave('rinse//')))[7]).toBe('left-out');
    const again = event(7, { kind: 'taken-in', act: 'massage//' });
    expect(standings(run(...toFirstLayer, leave('massage//'), again))[8]).toBe('to-come');
  });

  it('takes a tap back, and goes on from when its act began', () => {
    const state = run(...toFirstLayer, event(6.1, { kind: 'undone', act: 'cleanse//' }));
    expect(inHand(state)).toBe('cleanse//');
    expect(state.acts[1]).toMatchObject({ standing: 'in-hand', beganAt: msAt(2) });
    expect(state.acts[2]).toMatchObject({ standing: 'to-come' });
  });

  it('ends by itself when all is done', () => {
    const short = planned(protocol([named('only', {})]));
    const state = runState(short, [began(), done(3, 'only//')]);
    expect([state.status, state.endedAt]).toEqual(['ended', msAt(3)]);
  });
});

describe('a gate', () => {
  it('is not passed without an answer, nor by leaving the act out', () => {
    expect(inHand(run(...toFirstLayer, done(8, 'acid/1/')))).toBe('acid/1/');
    const leaving = event(8, { kind: 'left-out', act: 'acid/1/' });
    expect(inHand(run(...toFirstLayer, leaving))).toBe('acid/1/');
    const answered = run(...toFirstLayer, answer(8, 'acid/1/', 2), done(8, 'acid/1/'));
    expect(inHand(answered)).toBe('between/layers/1');
  });

  it('goes by the rule of the highest number that holds', () => {
    const of = { reactions: CAREFUL };
    expect([0, 2, 3, 4, 5, 6, 7, 8, 9, 10].map((score) => ruleFor(of, score).response)).toEqual([
      'go-on',
      'go-on',
      'lightly',
      'lightly',
      'fewer-layers',
      'fewer-layers',
      'off',
      'off',
      'stop',
      'stop',
    ]);
  });

  it('leaves further layers out, and their waits', () => {
    const state = run(...toFirstLayer, answer(8, 'acid/1/', 5), done(8, 'acid/1/'));
    expect(inHand(state)).toBe('rinse//');
    expect(state.acts.filter(({ because }) => because === 'fewer-layers')).toHaveLength(4);
  });

  it('leads straight to what takes it off, and nowhere else', () => {
    const state = run(...toFirstLayer, answer(8, 'acid/1/', 7));
    expect(inHand(state)).toBe('rinse//');
    expect(state.takeOff).toMatchObject({ why: 'off', by: 7 });
    const tried = run(
      ...toFirstLayer,
      answer(8, 'acid/1/', 7, { response: 'go-on', reason: 'she says it is fine' }),
      event(8.2, { kind: 'undone', act: 'acid/1/' }),
      event(8.3, { kind: 'left-out', act: 'rinse//' }),
      event(8.4, { kind: 'ended' }),
    );
    expect([inHand(tried), tried.status]).toEqual(['rinse//', 'running']);
    const off = run(...toFirstLayer, answer(8, 'acid/1/', 7), done(9, 'rinse//'));
    expect([inHand(off), off.takeOff]).toEqual(['massage//', undefined]);
  });

  it('lets gentler be chosen freely, and stronger with a reason', () => {
    expect(mayRespond('go-on', 'lightly', undefined)).toBe(true);
    expect(mayRespond('lightly', 'go-on', undefined)).toBe(false);
    expect(mayRespond('lightly', 'go-on', ' ')).toBe(false);
    expect(mayRespond('lightly', 'go-on', 'she is used to it')).toBe(true);
    expect(mayRespond('off', 'lightly', 'she is used to it')).toBe(false);
  });

  it('waits no longer than it may: then it comes off', () => {
    const waits = planned({
      ...layered,
      layerGroups: [
        { ...group, asks: [asking([{ from: 1, response: 'wait', atMostMinutes: 2 }])] },
      ],
    });
    const waiting = [began(), ...toFirstLayer, answer(8, 'acid/1/', 4)];
    const first = runState(waits, waiting);
    expect(first.waiting).toEqual({ since: msAt(8), until: msAt(10) });
    expect(first.asked).toHaveLength(1);
    const calm = runState(waits, [...waiting, answer(9, 'acid/1/', 0)]);
    expect([calm.asked, calm.waiting]).toEqual([[], undefined]);
    expect(runState(waits, [...waiting, answer(9, 'acid/1/', 2)]).waiting?.until).toBe(msAt(10));
    expect(runState(waits, [...waiting, answer(10, 'acid/1/', 2)]).takeOff?.why).toBe('off');
  });

  it('stops all of it, and ends when it is off', () => {
    const stopped = run(...toFirstLayer, answer(8, 'acid/1/', 9));
    expect([stopped.status, stopped.takeOff?.why]).toEqual(['stopped', 'stopped']);
    expect(contactsNow(plan, stopped, msAt(9))).toHaveLength(1);
    const tooSoon = [...toFirstLayer, answer(8, 'acid/1/', 9), event(9, { kind: 'ended' })];
    expect(run(...tooSoon).endedAt).toBeUndefined();
    const after = [...toFirstLayer, answer(8, 'acid/1/', 7), done(9, 'rinse//')];
    const later = run(...after, event(10, { kind: 'stopped', why: '' }));
    expect(contactsNow(plan, later, msAt(11))).toEqual([]);
    const off = run(...tooSoon, event(10, { kind: 'took-off' }), event(11, { kind: 'ended' }));
    expect([off.status, off.endedAt, contactsNow(plan, off, msAt(12))]).toEqual([
      'stopped',
      msAt(11),
      [],
    ]);
  });

  it('leads to taking off when somebody says so, as when a contact was too long', () => {
    const off = event(9, { kind: 'off' });
    const state = run(...toFirstLayer, off, off);
    expect([inHand(state), state.takeOff?.why]).toEqual(['rinse//', 'off']);
    expect(contactsNow(plan, state, msAt(10))).toEqual([]);
  });

  it('is taken off by hand where the protocol has nothing that does', () => {
    const never = planned(
      protocol(
        layered.steps.filter(({ id }) => id !== 'rinse'),
        { layerGroups: [group] },
      ),
    );
    const events = [began(), ...toFirstLayer, answer(8, 'acid/1/', 7)];
    const state = runState(never, events);
    expect([state.inHand, state.takeOff?.by]).toEqual([undefined, undefined]);
    const on = runState(never, [...events, event(9, { kind: 'took-off' })]);
    expect(never.acts[on.inHand ?? -1]?.id).toBe('massage//');
    expect(contactsNow(never, on, msAt(9))).toEqual([]);
  });
});

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
  });
});

describe('whatever is tapped', () => {
  const anyEvent: fc.Arbitrary<RunEvent> = fc
    .tuple(
      fc.constantFrom(
        'done',
        'undone',
        'left-out',
        'taken-in',
        'answered',
        'took-off',
        'off',
        'stopped',
        'ended',
      ),
      fc.nat(plan.acts.length - 1),
      fc.nat(10),
      fc.nat(90),
      fc.constantFrom('go-on', 'lightly', 'off', undefined),
    )
    .map(([kind, which, score, minute, response]) =>
      event(minute, {
        kind,
        act: plan.acts[which]?.id,
        why: 'she asks to',
        question: 'asked',
        answer: score,
        response,
      } as Happening),
    );
  /* Taps that go on, so that most runs come far. */
  const goingOn = plan.acts.flatMap(({ id, asks }) => [
    ...asks.map(() => answer(1, id, 1)),
    done(1, id),
  ]);
  const anyRun = fc
    .tuple(
      fc.array(anyEvent, { maxLength: 12 }),
      fc.nat(goingOn.length),
      fc.array(fc.nat(), { maxLength: 12 }),
    )
    .map(([others, far, places]) => {
      const all = [began(), ...goingOn.slice(0, far)];
      others.forEach((other, which) => {
        all.splice(1 + ((places[which] ?? 0) % all.length), 0, other);
      });
      return all;
    });

  it('one act at most is in hand, no time runs backwards, and what must come off is never passed', () => {
    fc.assert(
      fc.property(anyRun, (events) => {
        let before: RunState | undefined;
        events.forEach((_, upTo) => {
          const state = runState(plan, events.slice(0, upTo + 1));
          const hands = state.acts.filter(({ standing }) => standing === 'in-hand');
          expect(hands).toHaveLength(state.inHand === undefined ? 0 : 1);
          for (const act of state.acts)
            if (act.endedAt !== undefined)
              expect(act.endedAt).toBeGreaterThanOrEqual(act.beganAt ?? NaN);
          /* What must come off is only over by taking it off. */
          if (before?.takeOff && !state.takeOff) {
            const last = events[upTo];
            expect(['took-off', 'done']).toContain(last?.kind);
          }
          if (before?.status === 'ended') expect(state.acts).toEqual(before.acts);
          before = state;
        });
      }),
      { numRuns: 300 },
    );
  });

  it('counts what is sent again once', () => {
    fc.assert(
      fc.property(anyRun, fc.nat(), (events, which) => {
        const twice = [...events, ...events.slice(which % events.length)];
        expect(runState(plan, twice)).toEqual(runState(plan, events));
      }),
    );
  });
});
