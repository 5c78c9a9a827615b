import { describe, expect, it } from 'vitest';
import type { Protocol } from '../house/house';
import { asId, type ChoiceId, type OptionId } from '../house/ids';
import type { Run } from '../house/run';
import { workFor } from '../protocol/workFor';
import { minutes, protocol, settings, valueOf } from '../testing/sample';
import { began, done, event, named } from '../testing/sampleRun';
import { clientOfRun, guestOfRun, withoutOthers } from './begun';
import { choiceDue, decidedIn } from './decide';
import { planOf } from './plan';
import { runState } from './runState';

const mood = asId<ChoiceId>('mood');
const [calm, touchy] = [asId<OptionId>('calm'), asId<OptionId>('touchy')];
const option = (optionId: OptionId) => ({ option: { choiceId: mood, optionId } });
const written: Protocol = protocol(
  [
    named('cleanse', {}, minutes(3)),
    named('soothe', option(touchy), minutes(5)),
    named('massage', {}, minutes(10)),
    named('firm', option(calm), minutes(4)),
  ],
  {
    choices: [
      {
        id: mood,
        name: 'Skin today',
        by: 'couch',
        take: 'first',
        options: [
          { id: calm, name: 'Calm', for: [] },
          { id: touchy, name: 'Touchy', for: [] },
        ],
      },
    ],
  },
);
const run: Run = {
  id: asId('r'),
  serviceId: asId('s'),
  protocolId: written.id,
  protocol: written,
  visitKind: 'returning',
  slotMinutes: 40,
  at: '2026-11-28T10:00:00Z',
};
function goes(...happened: ReturnType<typeof event>[]) {
  const events = [began(), ...happened];
  const worked = valueOf(workFor(written, new Map(), clientOfRun(run, events)));
  const plan = valueOf(planOf(worked, 'returning', [], settings));
  const state = runState(plan, events);
  return {
    inHand: state.inHand === undefined ? undefined : plan.acts[state.inHand]?.name,
    due: choiceDue(written, plan, state, decidedIn(run, events))?.id,
    acts: plan.acts.map(({ name }) => name),
  };
}
const decided = (minute: number, of: OptionId) =>
  event(minute, { kind: 'decided', choice: mood, option: of });

describe('what is decided at the couch', () => {
  it('is asked when it comes up, also where the usual way leaves out what hangs on it', () => {
    expect(goes()).toMatchObject({ inHand: 'cleanse', due: undefined });
    expect(goes(done(3, 'cleanse//'))).toMatchObject({ inHand: 'massage', due: mood });
  });

  it('makes the visit go as it says, and is asked no more', () => {
    const touched = goes(done(3, 'cleanse//'), decided(3, touchy));
    expect(touched).toEqual({
      inHand: 'soothe',
      due: undefined,
      acts: ['cleanse', 'soothe', 'massage'],
    });
    const calmed = goes(done(3, 'cleanse//'), decided(3, touchy), decided(4, calm));
    expect(calmed).toEqual({
      inHand: 'massage',
      due: undefined,
      acts: ['cleanse', 'massage', 'firm'],
    });
  });

  it('says nothing of what would be otherwise for others', () => {
    const worked = valueOf(workFor(written, new Map(), clientOfRun(run)));
    const own = withoutOthers({
      ...worked,
      steps: worked.steps.map((step) => ({
        ...step,
        otherwise: [{ ...option(touchy), says: { minutes: minutes(1) } }],
      })),
    });
    expect(own.choices).toEqual([]);
    expect(own.steps.every((step) => !('otherwise' in step) && !('option' in step))).toBe(true);
    expect(own.steps.map(({ id }) => id)).toEqual(worked.steps.map(({ id }) => id));
  });

  it('is not asked where it was decided before, and that is kept with the run', () => {
    const client = clientOfRun({ ...run, decided: { [mood]: touchy } });
    expect(client.decided.get(mood)).toBe(touchy);
    expect(guestOfRun(client)).toMatchObject({ decided: { mood: 'touchy' } });
    expect(guestOfRun(clientOfRun(run))).not.toHaveProperty('decided');
    const before = { ...run, decided: { [mood]: calm } };
    const plan = valueOf(
      planOf(valueOf(workFor(written, new Map(), client)), 'returning', [], settings),
    );
    const state = runState(plan, [began(), done(1, 'cleanse//')]);
    expect(choiceDue(written, plan, state, decidedIn(before, []))).toBeUndefined();
  });
});
