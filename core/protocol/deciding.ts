import type { Choice, Conditional, Step } from '../house/protocol';
import { isStep, optionsOf } from '../house/protocol';
import type { ChoiceId } from '../house/ids';
import { saidOtherwise, type Hanging } from './conditional';

/** All that hangs on an option of a choice, each with the options it hangs on. */
export function conditionalsIn({ steps, layerGroups }: Hanging): readonly Conditional[] {
  return [
    ...steps.flatMap((line): readonly Conditional[] =>
      isStep(line) ? [line, ...line.doses, ...(line.otherwise ?? [])] : [line],
    ),
    ...layerGroups.flatMap(({ otherwise = [] }) => otherwise),
  ];
}

/** The choices that decide something in what is written. */
export function choicesDeciding<W extends Hanging & { readonly choices: readonly Choice[] }>(
  writing: W,
): readonly Choice[] {
  const used = new Set<ChoiceId>(
    conditionalsIn(writing).flatMap((each) => optionsOf(each).map(({ choiceId }) => choiceId)),
  );
  return writing.choices.filter(({ id }) => used.has(id));
}

/** Every way in which a step may be done: as it is said for everybody, and for each of whom it is otherwise. */
export function waysOf(step: Step): readonly Step[] {
  const { otherwise = [], ...plain } = step;
  return [plain, ...otherwise.map(({ says }) => saidOtherwise(plain, says))];
}
