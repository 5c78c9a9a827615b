import { takesOff } from '../house/takesOff';
import { stepsOf } from '../time/contactClock';
import { goingTo, leavingOut, overAndOn, withAct } from './going';
import { meets } from './mayBe';
import type { RunAct, RunPlan } from './plan';
import type { RunState } from './standing';

/* What must come off comes off, and nothing else is done before. */

/** Straight to what takes it off: nothing that lies between is done. */
export function takingOff(
  plan: RunPlan,
  state: RunState,
  why: 'off' | 'neutralise',
  now: number,
): RunState {
  const { inHand } = state;
  const here = inHand === undefined ? undefined : plan.acts[inHand];
  if (inHand === undefined || !here) return state;
  const by = removalAfter(plan, state, inHand, why);
  const over = withAct(state, inHand, { standing: 'done', endedAt: now });
  if (by === undefined) {
    /* The protocol does not say how: it is shown to be taken off, and then goes on after these layers. */
    const without = leavingOut(
      over,
      why,
      (at) => at > inHand && here.group !== undefined && plan.acts[at]?.group === here.group,
    );
    const { inHand: _, ...none } = without;
    return { ...none, takeOff: { why, since: now } };
  }
  const since = state.returnTo ?? inHand;
  const { returnTo: _, ...between } = leavingOut(over, why, (at) => at >= since && at < by);
  return { ...goingTo(plan, between, by, now), takeOff: { why, since: now, by } };
}

/** The next act that neutralises or takes off what lies where something is done now. */
function removalAfter(
  { acts }: RunPlan,
  state: RunState,
  inHand: number,
  why: 'off' | 'neutralise',
): number | undefined {
  const here = stepsOf(acts[inHand] as RunAct);
  const isNext = (at: number, takes: (act: RunAct) => boolean): boolean => {
    const act = acts[at];
    return at > inHand && act !== undefined && state.acts[at]?.standing === 'to-come' && takes(act);
  };
  const removes = (act: RunAct): boolean =>
    stepsOf(act).some((step) => takesOff(step) && meets(step, here));
  const neutralises = (act: RunAct): boolean =>
    stepsOf(act).some(({ action }) => action === 'neutralise');
  const first = why === 'neutralise' ? acts.findIndex((_, at) => isNext(at, neutralises)) : -1;
  const found = first === -1 ? acts.findIndex((_, at) => isNext(at, removes)) : first;
  return found === -1 ? undefined : found;
}

/** Stop: nothing that was to come is done, and what is on comes off. */
export function stopped(state: RunState, why: string, now: number): RunState {
  const { inHand, waiting: _, ...rest } = state;
  const over =
    inHand === undefined ? rest : withAct(rest, inHand, { standing: 'done', endedAt: now });
  return {
    ...leavingOut(over, 'stop', () => true),
    status: 'stopped',
    stoppedWhy: why,
    asked: [],
    takeOff: { why: 'stopped', since: now },
  };
}

/** It is off: the visit goes on, unless it was stopped. */
export function tookOff(plan: RunPlan, state: RunState, now: number): RunState {
  const { takeOff, ...rest } = state;
  if (!takeOff) return state;
  if (takeOff.by !== undefined) return overAndOn(plan, { ...state, asked: [] }, now);
  const off: RunState = { ...rest, tookOffAt: now };
  if (state.status === 'stopped') return off;
  const last = state.acts.findLastIndex(({ standing }) => standing === 'done');
  return goingTo(plan, off, last + 1, now);
}
