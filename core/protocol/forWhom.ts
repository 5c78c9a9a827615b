import type { Choice, InOption, Writing } from '../house/house';
import { asId } from '../house/ids';
import type { ChoosingBy } from '../house/protocol';

/** For whom a step is, or when: one thing that a choice looks at, and the values that fit; none at the couch. */
export interface ForWhom {
  readonly by: ChoosingBy;
  readonly values: readonly string[];
}

const BY_WORDS: Readonly<Record<ChoosingBy, string>> = {
  'skin-type': 'Skin type',
  phototype: 'Phototype',
  condition: 'What is seen',
  'visit-kind': 'Which visit',
  'day-time': 'Time of day',
  season: 'Season',
  couch: 'At the couch',
};

/**
 * The option for whom a step is, and the protocol with the choice that has it: one that is there already, or a
 * choice of its own, by which everybody else goes without.
 * @param name of what is decided at the couch
 * @param newId makes an id that nothing has yet
 * @example
 * inOptionFor(facial, { by: 'skin-type', values: ['oily'] }, 'Clay', newId).option // { choiceId, optionId }
 */
export function inOptionFor<W extends Writing>(
  writing: W,
  { by, values }: ForWhom,
  name: string,
  newId: () => string,
): { readonly writing: W; readonly option: InOption } {
  for (const choice of writing.choices) {
    const option = choice.options.find(
      (each, at) =>
        choice.by === by &&
        by !== 'couch' &&
        isSame(each.for, values) &&
        !isForestalled(choice, at),
    );
    if (option) return { writing, option: { choiceId: choice.id, optionId: option.id } };
  }
  const taken: Choice['options'][number] = {
    id: asId(newId()),
    name: nameOf(by, values, name),
    for: values,
  };
  const without = { id: asId<typeof taken.id>(newId()), name: 'Left out', for: [] };
  const choice: Choice = {
    id: asId(newId()),
    name: by === 'couch' ? name : BY_WORDS[by],
    by,
    take: 'first',
    options: by === 'couch' ? [taken, without] : [taken],
    noneIsFine: true,
  };
  return {
    writing: { ...writing, choices: [...writing.choices, choice] },
    option: { choiceId: choice.id, optionId: taken.id },
  };
}

/** For whom an option is, where that can be said in one go; at the couch it can when leaving out is all else. */
export function forWhomOf({ choices }: Writing, option: InOption | undefined): ForWhom | undefined {
  const choice = choices.find(({ id }) => id === option?.choiceId);
  const taken = choice?.options.find(({ id }) => id === option?.optionId);
  if (!choice || !taken || choice.by === 'couch' || taken.for.length === 0) return undefined;
  return { by: choice.by, values: taken.for };
}

/** Whether an option before it is taken for somebody of whom it speaks: of several findings the first counts. */
function isForestalled({ by, take, options }: Choice, at: number): boolean {
  if (take === 'each') return false;
  const values = options[at]?.for ?? [];
  return options
    .slice(0, at)
    .some((before) => by === 'condition' || before.for.some((each) => values.includes(each)));
}

function isSame(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((each) => b.includes(each));
}

function nameOf(by: ChoosingBy, values: readonly string[], name: string): string {
  if (by === 'couch') return name;
  if (by === 'visit-kind') return values.includes('first') ? 'first visit' : 'later visits';
  return values.map((value) => value.replaceAll('-', ' ')).join(', ');
}
