import type { Choice, Protocol, Step } from '../house/house';
import type { ChoiceId, OptionId } from '../house/ids';
import { isStep, optionsOf, type Conditional } from '../house/protocol';
import type { Run, RunEvent } from '../house/run';
import type { RunPlan } from './plan';
import type { RunState } from './standing';

/** What is decided of the choices at the couch: before the visit, or when they came up; the last that was said. */
export function decidedIn(
  { decided = {} }: Pick<Run, 'decided'>,
  events: readonly RunEvent[],
): ReadonlyMap<ChoiceId, OptionId> {
  const all = new Map(Object.entries(decided) as [ChoiceId, OptionId][]);
  for (const event of events) if (event.kind === 'decided') all.set(event.choice, event.option);
  return all;
}

/** Everything of a step on which a choice may hang. */
function hangsOn(step: Step, layers: Protocol['layerGroups'], id: ChoiceId): boolean {
  const group = layers.find((each) => each.id === step.layerGroupId);
  const things: readonly Conditional[] = [
    step,
    ...step.doses,
    ...(step.otherwise ?? []),
    ...(group?.otherwise ?? []),
  ];
  return things.some((thing) => optionsOf(thing).some(({ choiceId }) => choiceId === id));
}

/**
 * The choice that has come up and is not decided: what is in hand, or what would have come before it, hangs on it.
 * @param protocol as the run keeps it, its blocks written out
 * @returns nothing where all is decided that matters by now
 */
export function choiceDue(
  protocol: Protocol,
  { acts }: RunPlan,
  { status, inHand }: RunState,
  decided: ReadonlyMap<ChoiceId, OptionId>,
): Choice | undefined {
  if (status !== 'running' || inHand === undefined) return undefined;
  const steps = protocol.steps.filter(isStep);
  const ids = acts.slice(0, inHand + 1).flatMap(({ step }) => step?.id ?? []);
  const reached = Math.max(...ids.map((id) => steps.findIndex((step) => step.id === id)));
  return protocol.choices.find(
    ({ id, by, options }) =>
      by === 'couch' &&
      options.length > 1 &&
      !decided.has(id) &&
      steps.some((step, at) => at <= reached && hangsOn(step, protocol.layerGroups, id)),
  );
}
