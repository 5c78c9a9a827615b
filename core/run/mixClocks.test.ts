import { describe, expect, it } from 'vitest';
import { asId, type MixId } from '../house/ids';
import { minutes, protocol } from '../testing/sample';
import { began, done, event, msAt, named, planned } from '../testing/sampleRun';
import { mixClock } from './mixClocks';
import { runState } from './runState';

const mixId = asId<MixId>('clay');
const clay = protocol([
  named('talk', {}, minutes(5)),
  named('mask', {
    doses: [
      {
        id: asId('d'),
        source: { kind: 'mix', mixId },
        amount: { how: 'all' },
        opening: 'fresh',
      },
    ],
  }),
  named('rest', {}, minutes(5)),
]);
/* What it takes does not matter here: the mix is not on the shelf. */
const plan = { ...planned(protocol([named('talk', {})])), acts: [] as never[] };

describe('the clock of a mix', () => {
  const acts = clay.steps.map((step) => ({
    id: `${step.id}//`,
    kind: 'step' as const,
    name: step.name,
    step: step as never,
    stretch: 'visit' as const,
    meanwhile: [],
    minutes: minutes(5),
    draws: [],
    asks: [],
    startsAt: 0,
    time: planned(protocol([named('talk', {})])).acts[0]?.time as never,
  }));
  const of = { ...plan, acts };
  const made = { mixId, standingMinutes: 10, workingLifeMinutes: 15 };
  const ticked = event(1, { kind: 'readied', thing: 'clay-0', isReady: true });
  const at = (minute: number, ...more: ReturnType<typeof done>[]) =>
    mixClock('clay-0', made, of, runState(of, [began(), ticked, ...more]), msAt(minute));

  it('runs from when it was made: it stands, is ready, is over', () => {
    expect(at(5)).toEqual({ stage: 'stands', minutes: 4, of: 10 });
    expect(at(11)).toMatchObject({ stage: 'ready', of: 15 });
    expect(at(16)).toMatchObject({ stage: 'over' });
    const keeps = { mixId, standingMinutes: 10 };
    const state = runState(of, [began(), ticked]);
    expect(mixClock('clay-0', keeps, of, state, msAt(99))).toEqual({ stage: 'ready', minutes: 98 });
  });

  it('is not there before it is made, nor once all that uses it is over', () => {
    expect(mixClock('clay-0', made, of, runState(of, [began()]), msAt(5))).toBeUndefined();
    expect(at(12, done(6, 'talk//'))).toBeDefined();
    expect(at(12, done(6, 'talk//'), done(9, 'mask//'))).toBeUndefined();
  });
});
