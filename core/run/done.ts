import { isUsual, type RunAct, type RunPlan } from './plan';
import type { ActState, RunState } from './standing';
import { minutesBetween } from './runTimes';

/** An act as it went. */
export interface DoneAct {
  readonly act: RunAct;
  readonly of: ActState;
  /** that it took; 0 for what was left out */
  readonly minutes: number;
}

/** A run as it went, planned beside done. */
export interface DoneRun {
  /** from when the room was taken until it was free */
  readonly minutes: number;
  /** of all that is done as a rule */
  readonly expected: number;
  /** what was done, and what is done as a rule and was left out */
  readonly acts: readonly DoneAct[];
}

/** What was done in a run that is over, and how long it took. */
export function doneInRun(plan: RunPlan, state: RunState): DoneRun {
  const acts = plan.acts.flatMap((act, at): DoneAct[] => {
    const of = state.acts[at];
    if (!of || (of.standing === 'left-out' && !isUsual(act))) return [];
    const minutes = minutesBetween(of.beganAt ?? 0, of.endedAt ?? of.beganAt ?? 0);
    return [{ act, of, minutes: of.standing === 'left-out' ? 0 : minutes }];
  });
  return {
    minutes: minutesBetween(state.beganAt ?? 0, state.endedAt ?? state.beganAt ?? 0),
    expected: plan.expected,
    acts,
  };
}
