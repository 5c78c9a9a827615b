import type { Action } from './actions';
import type { Warning } from './careFacts';
import type { Hazard } from './device';
import type { RuleId } from './ids';

/** What a rule speaks of: an action, what a material or device brings, or what goes by a word. */
export type RuleThing =
  | { readonly is: 'action'; readonly action: Action }
  | { readonly is: 'brings'; readonly trait: Warning | Hazard }
  | { readonly is: 'named'; readonly words: string };

/** A rule that holds in all protocols of a house: after something, something else always or never comes. */
export interface HouseRule {
  readonly id: RuleId;
  readonly after: RuleThing;
  readonly comes: 'always' | 'never';
  readonly then: RuleThing;
}

/** What a rule speaks of, in words. */
export function ruleThingWords(thing: RuleThing): string {
  switch (thing.is) {
    case 'action':
      return thing.action;
    case 'brings':
      return thing.trait.replaceAll('-', ' ');
    case 'named':
      return `“${thing.words}”`;
  }
}
