import type { Hands, Stretch } from '../house/actions';
import { actionFacts, type Action, type Phase } from '../house/actions';

/** The name that a step has by what is done in it. */
export function sayableName(action: Action | undefined): string | undefined {
  return action && `${action.charAt(0).toUpperCase()}${action.slice(1)}`;
}

/** Whose hands an action takes unless it is said. */
export function gentleHands(action: Action | undefined): Hands {
  return action === undefined ? 'hands-on' : actionFacts(action).hands;
}

/** Where in the treatment an action stands unless it is said. */
export function usualPhase(action: Action | undefined): Phase | undefined {
  return action && actionFacts(action).phase;
}

/** The stretch in which alone something is done: what prepares, what tidies up. */
export function saidStretch(action: Action | undefined): Stretch | undefined {
  return action && actionFacts(action).stretch;
}
