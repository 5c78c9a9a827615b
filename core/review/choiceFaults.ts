import type { Choice } from '../house/house';
import { optionsOf } from '../house/protocol';
import type { ChoiceId, OptionId, ProtocolId } from '../house/ids';
import { problem, type CodeAbout } from '../problem/problem';
import { conditionalsIn } from '../protocol/deciding';
import { clientWith } from '../house/client';
import { COURSE_VISITS, SINCE_LAST } from '../house/traits';
import type { ChoosingBy } from '../house/ways';
import { seenOf } from '../protocol/choose';
import type { HouseSettings } from '../house/settings';
import { choosingValues } from '../protocol/choosingValues';
import type { WrittenOut } from '../protocol/expandBlocks';
import type { Finding } from './finding';

type Say = (
  weight: Finding['weight'],
  code: CodeAbout<'protocolId' | 'choiceId'>,
  message: string,
) => Finding;

/**
 * Choices that cannot be meant: without options, with values that nobody has, with an option that is
 * never reached or holds nothing, or leaving some clients without anything.
 */
export function choiceFaults(
  written: WrittenOut,
  protocolId: ProtocolId,
  settings: Pick<HouseSettings, 'findings'>,
): Finding[] {
  const holds = heldOptions(written);
  return written.choices.flatMap((choice) => {
    const where = { protocolId, choiceId: choice.id };
    const say: Say = (weight, code, message) => ({ weight, ...problem(code, message, where) });
    if (choice.options.length === 0) {
      return [say('fault', 'choice-empty', `“${choice.name}” has no options yet: add the first.`)];
    }
    const empty = choice.options.filter(({ id }) => !holds.get(choice.id)?.has(id));
    return [
      ...(empty.length === choice.options.length
        ? [
            say(
              'prompt',
              'choice-unused',
              `Nothing depends on “${choice.name}” yet: put steps or products into its options.`,
            ),
          ]
        : []),
      ...unmet(choice, settings).map((name) =>
        say('fault', 'choice-unmet', `No client ever meets “${name}” of “${choice.name}”.`),
      ),
      ...gaps(choice, settings, say),
    ];
  });
}

function gaps(choice: Choice, settings: Pick<HouseSettings, 'findings'>, say: Say): Finding[] {
  if (choice.by === 'couch' || choice.noneIsFine) return [];
  if (choice.options.some((option) => option.for.length === 0)) return [];
  const named = new Set(choice.options.flatMap((option) => option.for));
  const left = whoComes(choice.by, settings).filter(
    ({ seen }) => !seen.some((value) => named.has(value)),
  );
  if (left.length === 0) return [];
  const whom = left.map(({ name }) => name.replaceAll('-', ' ')).join(', ');
  return [
    say(
      choice.by === 'condition' ? 'prompt' : 'fault',
      'choice-gap',
      `“${choice.name}” leaves nothing for: ${whom}. Add an option for anybody else, or say that going without is meant.`,
    ),
  ];
}

/** Everybody whom a choice may meet, and what it sees of each. */
function whoComes(
  by: ChoosingBy,
  settings: Pick<HouseSettings, 'findings'>,
): readonly { readonly name: string; readonly seen: readonly string[] }[] {
  switch (by) {
    case 'course-visit':
      return COURSE_VISITS.map((courseVisit) => ({
        name: `visit ${courseVisit}`,
        seen: seenOf(by, clientWith({ courseVisit })),
      }));
    case 'since-last':
      return [
        { name: 'first visits', seen: [] },
        ...SINCE_LAST.map((each) => ({ name: each, seen: [each] })),
      ];
    case 'skin-type':
    case 'phototype':
    case 'condition':
    case 'visit-kind':
    case 'day-time':
    case 'season':
    case 'couch':
      return choosingValues(by, settings).map((each) => ({ name: said(each), seen: [each] }));
  }
}

/** A value as it is read: a finding of the house by its words. */
function said(value: string): string {
  return value.replace(/^own-/u, '');
}

/** The options that are never taken: all they name is taken before, or they are for nobody in a second "anybody else". */
function unmet({ by, take, options }: Choice, settings: Pick<HouseSettings, 'findings'>): string[] {
  if (by === 'couch') return [];
  const taken = new Set<string>();
  let otherwise = false;
  return options.flatMap(({ name, for: values }) => {
    if (values.length === 0) {
      const again = otherwise;
      otherwise = true;
      return again ? [name] : [];
    }
    const reached = values.some(
      (value) =>
        choosingValues(by, settings).includes(value) && (take === 'each' || !taken.has(value)),
    );
    /* Somebody with two conditions may meet the second of two options only through the other one; so may the sixth
       visit, which is a second, too. */
    if (by !== 'condition' && by !== 'course-visit') values.forEach((value) => taken.add(value));
    return reached ? [] : [name];
  });
}

function heldOptions(written: WrittenOut): ReadonlyMap<ChoiceId, ReadonlySet<OptionId>> {
  const held = new Map<ChoiceId, Set<OptionId>>();
  for (const each of conditionalsIn(written).flatMap(optionsOf)) {
    const known = held.get(each.choiceId) ?? new Set<OptionId>();
    held.set(each.choiceId, known.add(each.optionId));
  }
  return held;
}
