import type { Choice, InOption, Writing } from '../house/house';
import { withOptions } from './conditional';
import type { ChoiceId, OptionId } from '../house/ids';

/** Changes some keys of a choice. */
export function changeChoice<W extends Writing>(
  writing: W,
  id: ChoiceId,
  changes: Partial<Choice>,
): W {
  return {
    ...writing,
    choices: writing.choices.map((choice) =>
      choice.id === id ? { ...choice, ...changes } : choice,
    ),
  };
}

/** Takes a choice out; what was in its options is for everybody. */
export function removeChoice<W extends Writing>(writing: W, id: ChoiceId): W {
  return {
    ...forEverybody(writing, (option) => option.choiceId === id),
    choices: writing.choices.filter((choice) => choice.id !== id),
  };
}

/** Takes an option out of a choice; what was in it is for everybody. */
export function removeOption<W extends Writing>(writing: W, id: ChoiceId, optionId: OptionId): W {
  const freed = forEverybody(
    writing,
    (option) => option.choiceId === id && option.optionId === optionId,
  );
  const options = writing.choices
    .find((choice) => choice.id === id)
    ?.options.filter((option) => option.id !== optionId);
  return options ? changeChoice(freed, id, { options }) : freed;
}

function forEverybody<W extends Writing>(writing: W, isGone: (option: InOption) => boolean): W {
  return withOptions(writing, (option) => (isGone(option) ? undefined : option));
}
