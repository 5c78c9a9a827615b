import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { minutes, protocol } from '../testing/sample';
import { mayRespond, ruleFor } from './answers';
import type { Happening, RunEvent } from '../house/run';
import { runState } from './runState';
import type { RunState } from './standing';
import { contactsNow } from './runTimes';
import {
  msAt,
  event,
  began,
  done,
  asking,
  answer,
  CAREFUL,
  group,
  named,
  layered,
  planned,
  plan,
  run,
  inHand,
  toFirstLayer,
} from '../testing/sampleRun';

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
        'moved',
        'again',
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
