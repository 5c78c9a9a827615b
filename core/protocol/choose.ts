import type { Client, ClientTraits } from '../house/client';
import type { OptionId } from '../house/ids';
import type { Choice, ChoiceOption } from '../house/protocol';
import type { Condition } from '../house/traits';
import { leavesOf } from '../zone/zones';
import type { ChoosingBy } from '../house/ways';

/** What a choice sees of a client. */
export function seenOf(by: ChoosingBy, client: ClientTraits): readonly string[] {
  switch (by) {
    case 'skin-type':
      return [client.skinType];
    case 'phototype':
      return [client.phototype];
    case 'condition':
      return client.conditions;
    case 'visit-kind':
      return [client.visitKind];
    case 'course-visit':
      return [
        client.courseVisit,
        ...[2, 3, 4, 5, 6]
          .filter((each) => Number(client.courseVisit) % each === 0)
          .map((each) => `every-${each}`),
      ];
    case 'since-last':
      return client.visitKind === 'first' ? [] : [client.sinceLast];
    case 'day-time':
      return [client.dayTime];
    case 'season':
      return [client.season];
    case 'couch':
      return [];
  }
}

/**
 * The options of a choice that are taken for a client: at the couch the one decided on, or the first;
 * otherwise the first that names what is seen, or each that does. An option that names nothing is for
 * whom no other fits.
 */
export function optionsTaken(choice: Choice, client: Client): ReadonlySet<OptionId> {
  if (choice.by === 'couch') {
    const decided = client.decided.get(choice.id);
    const known = choice.options.find((option) => option.id === decided) ?? choice.options[0];
    return new Set(known ? [known.id] : []);
  }
  const seen = seenOf(choice.by, client);
  const fitting = choice.options.filter((option) =>
    option.for.some((value) => seen.includes(value) && isSeenThere(option, value, client)),
  );
  const otherwise = choice.options.filter((option) => option.for.length === 0).slice(0, 1);
  const taken =
    fitting.length === 0 ? otherwise : choice.take === 'first' ? fitting.slice(0, 1) : fitting;
  return new Set(taken.map((option) => option.id));
}

/** Whether a finding is seen on the skin of which an option speaks; not said where, it is seen there, too. */
function isSeenThere({ where }: ChoiceOption, finding: string, { seenOn }: Client): boolean {
  const zones = where && seenOn?.get(finding as Condition);
  if (!where || !zones || zones.length === 0) return true;
  const meant = new Set(where.flatMap(leavesOf));
  return zones.flatMap(leavesOf).some((leaf) => meant.has(leaf));
}
