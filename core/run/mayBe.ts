import type { Step } from '../house/house';
import { takesOff } from '../house/takesOff';
import { stepsOf } from '../time/contactClock';
import { workedLeaves } from '../zone/workedLeaves';
import type { RunAct, RunPlan } from './plan';
import type { RunState } from './standing';

/**
 * Whether an act may be left out: not one that is over, that waits for an answer, or that takes off what lies on the
 * skin by then.
 */
export function mayBeLeftOut(plan: RunPlan, state: RunState, at: number): boolean {
  const act = plan.acts[at];
  const standing = state.acts[at]?.standing;
  if (!act || (standing !== 'to-come' && standing !== 'in-hand')) return false;
  if (state.takeOff?.by === at || (standing === 'in-hand' && state.asked.length > 0)) return false;
  const isDone = (place: number): boolean => state.acts[place]?.standing !== 'left-out';
  const removes = (place: number): boolean =>
    isDone(place) && stepsOf(plan.acts[place] as RunAct).some(takesOff);
  if (!stepsOf(act).some(takesOff)) return true;
  const since = plan.acts.findLastIndex((_, place) => place < at && removes(place)) + 1;
  return !plan.acts.some(
    (other, place) =>
      place >= since &&
      place < at &&
      isDone(place) &&
      stepsOf(other).some((step) => step.doses.length > 0 && meets(step, stepsOf(act))),
  );
}

/**
 * Whether what is in hand may be done once more: not what lies on the skin for so long, is a layer, asks something or
 * takes something off.
 */
export function mayBeRepeated(plan: RunPlan, { status, inHand }: RunState): boolean {
  const act = inHand === undefined ? undefined : plan.acts[inHand];
  if (status !== 'running' || !act?.step || inHand === undefined) return false;
  const inContact = plan.contacts.some(({ from, until }) => inHand >= from && inHand < until);
  return !inContact && !act.group && act.asks.length === 0 && !stepsOf(act).some(takesOff);
}

/** Whether a step shares skin with one of others; one that says no place may be anywhere. */
export function meets(step: Step, others: readonly Step[]): boolean {
  const leaves = workedLeaves(step);
  return others.some((other) => {
    const there = workedLeaves(other);
    return leaves.length === 0 || there.length === 0 || leaves.some((leaf) => there.includes(leaf));
  });
}

/**
 * Whether an act that comes later may be done now. Nothing that lies on the skin, is a layer, asks or takes something off
 * changes its turn, and nothing goes past it.
 */
export function mayBeMoved(plan: RunPlan, state: RunState, at: number): boolean {
  const { inHand, status, returnTo, takeOff } = state;
  if (status !== 'running' || inHand === undefined || returnTo !== undefined || takeOff)
    return false;
  if (at <= inHand || state.acts[at]?.standing !== 'to-come' || state.asked.length > 0)
    return false;
  const act = plan.acts[at];
  if (act?.stretch !== 'visit' || plan.acts[inHand]?.stretch !== 'visit') return false;
  const isFree = (place: number): boolean => {
    const each = plan.acts[place];
    const inContact = plan.contacts.some(({ from, until }) => place >= from && place < until);
    return (
      each?.step !== undefined &&
      !inContact &&
      !each.group &&
      each.asks.length === 0 &&
      !stepsOf(each).some(takesOff)
    );
  };
  for (let place = inHand; place <= at; place += 1) if (!isFree(place)) return false;
  return true;
}
