import type { Choice, Conditional, Dose, InOption, Step, Writing } from '../house/house';
import { hangingOn, optionsOf } from '../house/protocol';
import { asId, type DoseId, type OptionId } from '../house/ids';
import type { ChoosingBy } from '../house/ways';
import type { ZoneId } from '../zone/zones';

/**
 * For whom a step is, or when: one thing that a choice looks at, and the values that fit; none for anybody else.
 * At the couch, the option that is decided on and the name of what is decided, as far as they are said.
 */
export interface ForWhom {
  readonly by: ChoosingBy;
  readonly values: readonly string[];
  /** of findings: only where they are seen on some of this skin */
  readonly where?: readonly ZoneId[];
}

/** Several that are joined: for whom all of them are so. */
export type Joined = readonly ForWhom[];

/** For whom each product of a step is that is not for everybody. */
export type DosesFor = ReadonlyMap<DoseId, Joined>;

const BY_WORDS: Readonly<Record<ChoosingBy, string>> = {
  'skin-type': 'Skin type',
  phototype: 'Phototype',
  condition: 'What is seen',
  'visit-kind': 'Which visit',
  'course-visit': 'Visit of the course',
  'since-last': 'Since the last visit',
  'day-time': 'Time of day',
  season: 'Season',
  couch: 'At the couch',
};

/**
 * The option for whom a step is, and the protocol with the choice that has it: one that is there already, or a
 * choice of its own, by which everybody else goes without. Anybody else is an option of the last choice that
 * looks at the same.
 * @param name of what is decided at the couch
 * @param newId makes an id that nothing has yet
 * @param isOtherwise it is how something is otherwise for some; else whether it is done
 * @example
 * inOptionFor(facial, { by: 'skin-type', values: ['oily'] }, 'Clay', newId).option // { choiceId, optionId }
 */
export function inOptionFor<W extends Writing>(
  writing: W,
  { by, values, where }: ForWhom,
  name: string,
  newId: () => string,
  isOtherwise = false,
): { readonly writing: W; readonly option: InOption } {
  const decided = by === 'couch' ? atTheCouch(writing, values, name, newId) : undefined;
  if (decided) return decided;
  for (const choice of writing.choices) {
    const option = choice.options.find(
      (each, at) =>
        choice.by === by &&
        by !== 'couch' &&
        isSame(each.for, values) &&
        isSame(each.where ?? [], where ?? []) &&
        !isForestalled(choice, at),
    );
    if (option) return { writing, option: { choiceId: choice.id, optionId: option.id } };
  }
  const taken: Choice['options'][number] = {
    id: asId(newId()),
    name: nameOf(by, values, name),
    for: by === 'couch' ? [] : values,
    ...(where && { where }),
  };
  const others = writing.choices.findLast((each) => each.by === by && by !== 'couch');
  if (others && values.length === 0) {
    const choices = writing.choices.map((each) =>
      each.id === others.id ? { ...each, options: [...each.options, taken] } : each,
    );
    return {
      writing: { ...writing, choices },
      option: { choiceId: others.id, optionId: taken.id },
    };
  }
  const otherName = isOtherwise ? 'As for everybody' : 'Left out';
  const without = { id: asId<typeof taken.id>(newId()), name: otherName, for: [] };
  const choice: Choice = {
    id: asId(newId()),
    name: by === 'couch' ? (values[1] ?? name) : BY_WORDS[by],
    by,
    take: 'first',
    /* At the couch the first is the usual one: a step is done, and done as for everybody. */
    options: by !== 'couch' ? [taken] : isOtherwise ? [without, taken] : [taken, without],
    noneIsFine: true,
  };
  return {
    writing: { ...writing, choices: [...writing.choices, choice] },
    option: { choiceId: choice.id, optionId: taken.id },
  };
}

/**
 * What something hangs on for whom it is, and the protocol with the choices that say so.
 * @param name of what is decided at the couch
 * @param newId makes an id that nothing has yet
 */
export function hangingFor<W extends Writing>(
  writing: W,
  joined: Joined,
  name: string,
  newId: () => string,
  isOtherwise = false,
): { readonly writing: W; readonly on: Conditional } {
  let so = writing;
  const options = joined.map((who) => {
    const found = inOptionFor(so, who, name, newId, isOtherwise);
    so = found.writing;
    return found.option;
  });
  return { writing: so, on: hangingOn(options) };
}

/** For whom something is, where a line can say all that it hangs on; nothing of what is for everybody. */
export function joinedOf(writing: Writing, thing: Conditional): Joined | undefined {
  const options = optionsOf(thing);
  const said = options.flatMap((option) => forWhomOf(writing, option) ?? []);
  return said.length > 0 && said.length === options.length ? said : undefined;
}

/** For whom an option is, where that can be said in one go. */
function forWhomOf({ choices }: Writing, option: InOption): ForWhom | undefined {
  const choice = choices.find(({ id }) => id === option.choiceId);
  const taken = choice?.options.find(({ id }) => id === option.optionId);
  if (!choice || !taken) return undefined;
  if (choice.by !== 'couch')
    return { by: choice.by, values: taken.for, ...(taken.where && { where: taken.where }) };
  /* By its names, where they can mean nothing else. */
  const alike = couchOptions(choices, [taken.name, choice.name]);
  return alike.length === 1 ? { by: 'couch', values: [taken.name, choice.name] } : undefined;
}

/** The options at the couch of these names; of any choice where it is not said which. */
function couchOptions(
  choices: readonly Choice[],
  [option, of]: readonly string[],
): readonly InOption[] {
  return choices
    .filter(({ by, name }) => by === 'couch' && (of === undefined || name === of))
    .flatMap((choice) =>
      choice.options
        .filter(({ name }) => name === option)
        .map(({ id }) => ({ choiceId: choice.id, optionId: id })),
    );
}

/** The option of these names, or a new one of the choice of that name; nothing where there is neither. */
function atTheCouch<W extends Writing>(
  writing: W,
  values: readonly string[],
  name: string,
  newId: () => string,
): { readonly writing: W; readonly option: InOption } | undefined {
  const [option] = couchOptions(writing.choices, values);
  if (option) return { writing, option };
  const choice = writing.choices.find(
    (each) => each.by === 'couch' && values[1] !== undefined && each.name === values[1],
  );
  if (!choice) return undefined;
  const added = { id: asId<OptionId>(newId()), name: values[0] ?? name, for: [] };
  const choices = writing.choices.map((each) =>
    each.id === choice.id ? { ...each, options: [...each.options, added] } : each,
  );
  return {
    writing: { ...writing, choices },
    option: { choiceId: choice.id, optionId: added.id },
  };
}

/** For whom the products of a step are, each that is not for everybody, where that can be said in one go. */
export function dosesForOf(writing: Writing, { doses }: Pick<Step, 'doses'>): DosesFor {
  return new Map(
    doses.flatMap((dose) => {
      const who = joinedOf(writing, dose);
      return who ? [[dose.id, who] as const] : [];
    }),
  );
}

/**
 * The products of a step for whom they are, and the protocol with the choices that say so.
 * @param dosesFor those that are not for everybody
 */
export function withDosesFor<W extends Writing>(
  writing: W,
  { name, doses }: Pick<Step, 'name' | 'doses'>,
  dosesFor: DosesFor,
  newId: () => string,
): { readonly writing: W; readonly doses: readonly Dose[] } {
  let so = writing;
  const placed = doses.map((dose): Dose => {
    const who = dosesFor.get(dose.id);
    if (!who) return dose;
    const { writing: chosen, on } = hangingFor(so, who, name, newId);
    so = chosen;
    return { ...dose, ...on };
  });
  return { writing: so, doses: placed };
}

/** Whether an option before it is taken for somebody of whom it speaks: of several findings the first counts. */
function isForestalled({ by, take, options }: Choice, at: number): boolean {
  if (take === 'each') return false;
  const values = options[at]?.for ?? [];
  return options
    .slice(0, at)
    .some((before) => by === 'condition' || before.for.some((each) => values.includes(each)));
}

/** Whether two say the same people. */
export function isSameWhom(a: Joined, b: Joined): boolean {
  const isIn = (one: ForWhom, all: Joined): boolean =>
    all.some(
      (each) =>
        each.by === one.by &&
        isSame(each.values, one.values) &&
        isSame(each.where ?? [], one.where ?? []),
    );
  return a.length === b.length && a.every((each) => isIn(each, b));
}

function isSame(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((each) => b.includes(each));
}

function nameOf(by: ChoosingBy, values: readonly string[], name: string): string {
  if (by === 'couch') return values[0] ?? name;
  if (values.length === 0) return 'anybody else';
  if (by === 'visit-kind') return values.includes('first') ? 'first visit' : 'later visits';
  const said = values.map((value) => value.replace(/^own-/u, '').replaceAll('-', ' ')).join(', ');
  return by === 'course-visit' ? `visit ${said}` : said;
}
