import type { Client } from '../house/client';
import type { Conditional, Mix, Protocol, Step, WorkedProtocol } from '../house/house';
import { optionsOf } from '../house/protocol';
import type { ChoiceId, OptionId, StepId } from '../house/ids';
import { ok, type Outcome } from '../problem/problem';
import { stepFor } from './conditional';
import { expandBlocks, type Blocks, type WrittenOut } from './expandBlocks';
import { optionsTaken } from './choose';

/**
 * A protocol as it is worked for one client: blocks are written out, every choice is made, optional
 * steps are done or left out. What lies beside a step that another option replaces lies beside the
 * first step of the option taken; where there is none, and beside an optional step that is left out, it is left
 * out with the step.
 * @returns problems of blocks
 */
export function workFor(
  protocol: Protocol,
  blocks: Blocks,
  client: Client,
): Outcome<WorkedProtocol> {
  const written = expandBlocks(protocol, blocks, { protocolId: protocol.id });
  if (!written.ok) return written;
  const chosen = chosenFor(written.value, client);
  const isAllLeftOut = chosen.steps.length === 0 && written.value.steps.length > 0;
  return ok({ ...protocol, ...chosen, ...(isAllLeftOut && { isAllLeftOut: true as const }) });
}

/** The steps that are done for a client as they are then done, and the layers that are then made. */
export function chosenFor(written: WrittenOut, client: Client): WrittenOut {
  const { steps, layerGroups, choices } = written;
  if (choices.length === 0 && steps.every((step) => step.optional === undefined)) return written;
  const taken = new Map<ChoiceId, ReadonlySet<OptionId>>(
    choices.map((choice) => [choice.id, optionsTaken(choice, client)]),
  );
  const isTaken = (thing: Conditional): boolean =>
    optionsOf(thing).every(({ choiceId, optionId }) => taken.get(choiceId)?.has(optionId) ?? true);
  const isDone = (step: Step): boolean =>
    step.optional === undefined ||
    (client.optional.get(step.id) ?? step.optional.usually) === 'done';

  const done = new Map<StepId, Step>();
  for (const step of steps) if (isTaken(step) && isDone(step)) done.set(step.id, step);
  const standIn = (id: StepId): StepId | undefined => {
    if (done.has(id)) return id;
    const host = steps.find((step) => step.id === id);
    /* A step that is only left out has nothing in its place. */
    const choiceId = host && !isTaken(host) ? host.option?.choiceId : undefined;
    if (choiceId === undefined) return undefined;
    return steps.find(
      (step) =>
        done.has(step.id) && step.meanwhileOf === undefined && step.option?.choiceId === choiceId,
    )?.id;
  };

  const chosen: Step[] = [];
  for (const step of done.values()) {
    const doses = step.doses.every(isTaken) ? step.doses : step.doses.filter(isTaken);
    const so = stepFor(step, isTaken);
    const worked: Step = doses === step.doses ? so : { ...so, doses };
    if (worked.meanwhileOf === undefined) {
      chosen.push(worked);
      continue;
    }
    const host = standIn(worked.meanwhileOf);
    if (host === undefined) continue;
    chosen.push(host === worked.meanwhileOf ? worked : { ...worked, meanwhileOf: host });
  }
  const counted = layerGroups.map((group) => {
    const layers = group.otherwise?.findLast(isTaken)?.layers;
    return layers ? { ...group, layers } : group;
  });
  /* What is remembered goes by whether they are the same. */
  const isAsWritten = counted.every((group, at) => group === layerGroups[at]);
  return { ...written, steps: chosen, layerGroups: isAsWritten ? layerGroups : counted };
}

/** The recipe of a mix for a client's skin, and what is seen on it. */
export function recipeFor(mix: Mix, client: Pick<Client, 'skinType' | 'conditions'>): Mix {
  const recipe = mix.recipes?.find(
    ({ skinTypes, findings = [] }) =>
      skinTypes.includes(client.skinType) ||
      findings.some((each) => client.conditions.includes(each)),
  );
  return recipe ? { ...mix, parts: recipe.parts } : mix;
}
