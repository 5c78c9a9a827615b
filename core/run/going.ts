import type { Response } from '../house/question';
import type { RunPlan } from './plan';
import type { ActState, RunState } from './standing';

/* How a run goes from one act to the next. */

/** The state with one act changed. */
export function withAct(state: RunState, at: number, change: Partial<ActState>): RunState {
  const act = state.acts[at];
  return act ? { ...state, acts: state.acts.with(at, { ...act, ...change }) } : state;
}

/** The next act that is to be done from a place on comes in hand; where there is none the visit is over. */
export function goingTo(plan: RunPlan, state: RunState, from: number, now: number): RunState {
  const since = Math.min(from, state.returnTo ?? from);
  const at = state.acts.findIndex(
    ({ standing }, place) => place >= since && standing === 'to-come',
  );
  const { inHand: _, waiting: __, returnTo: ___, ...rest } = state;
  if (at === -1) return ended({ ...rest, asked: [] }, now);
  return {
    ...withAct(rest, at, { standing: 'in-hand', beganAt: now }),
    inHand: at,
    asked: plan.acts[at]?.asks ?? [],
  };
}

/** What is in hand is over, and the next act comes. */
export function overAndOn(plan: RunPlan, state: RunState, now: number): RunState {
  const { inHand } = state;
  if (inHand === undefined) return state;
  const over = withAct(state, inHand, { standing: 'done', endedAt: now });
  const { takeOff, ...rest } = over;
  /* What took it off is over: it is off. */
  return goingTo(plan, takeOff?.by === inHand ? rest : over, inHand + 1, now);
}

/** The visit is over; what was not done is left out. */
export function ended(state: RunState, now: number): RunState {
  const acts = state.acts.map((act): ActState =>
    act.standing === 'in-hand'
      ? { ...act, standing: 'done', endedAt: now }
      : act.standing === 'to-come'
        ? { ...act, standing: 'left-out' }
        : act,
  );
  const { inHand: _, takeOff: __, waiting: ___, ...rest } = state;
  const status = state.status === 'stopped' ? 'stopped' : 'ended';
  return { ...rest, acts, status, endedAt: now, asked: [] };
}

/** Acts to come that are left out, and why. */
export function leavingOut(
  state: RunState,
  because: Response,
  isLeftOut: (at: number) => boolean,
): RunState {
  const acts = state.acts.map((act, at): ActState =>
    act.standing === 'to-come' && isLeftOut(at) ? { ...act, standing: 'left-out', because } : act,
  );
  return { ...state, acts };
}
