import type { Line, Protocol, Writing } from '../house/house';
import type { ChoiceId } from '../house/ids';
import { ordered } from './editSteps';

/** Two edits of the same protocol brought together. */
export interface Merged {
  readonly protocol: Protocol;
  /** what both changed differently */
  readonly clashes: readonly Clash[];
}

/** Something that both changed differently. */
export interface Clash {
  /** of a step, layers or a choice its id; otherwise what it is */
  readonly key: string;
  readonly name: string;
}

/** Whose side stands where both changed something. */
export type Side = 'mine' | 'theirs';

/**
 * Brings together what two people made of the same protocol: a thing that only one of them changed
 * is as that one left it. The order of steps is mine, with their new steps after the step they
 * followed.
 * @param base what both began with
 * @param sideOf whose side stands in a clash, by its key; mine unless told
 */
export function mergeProtocols(
  base: Protocol,
  mine: Protocol,
  theirs: Protocol,
  sideOf: (key: string) => Side = () => 'mine',
): Merged {
  const clashes: Clash[] = [];
  const pick = <V>(name: string, was: V, my: V, their: V, key = name): V => {
    if (same(my, their) || same(their, was)) return my;
    if (same(my, was)) return their;
    clashes.push({ key, name });
    return sideOf(key) === 'mine' ? my : their;
  };
  const pickNamed = <V extends { readonly id: string; readonly name: string }>(
    any: V,
    was: V | undefined,
    my: V | undefined,
    their: V | undefined,
  ): V | undefined => pick(any.name, was, my, their, any.id);
  const steps = mergeLists(base.steps, mine.steps, theirs.steps, pickNamed);
  const layerGroups = mergeLists(base.layerGroups, mine.layerGroups, theirs.layerGroups, pickNamed);
  const choices = mergeLists(base.choices, mine.choices, theirs.choices, pickNamed);
  const written = ordered<Writing>({
    steps: withoutDeadEnds(steps, new Set(choices.map((choice) => choice.id))),
    layerGroups,
    choices,
  });
  const protocol: Protocol = {
    ...mine,
    name: pick('the name', base.name, mine.name, theirs.name),
    summary: pick('the summary', base.summary, mine.summary, theirs.summary),
    cautions: pick('the cautions', base.cautions, mine.cautions, theirs.cautions),
    around: pick('before and after', base.around, mine.around, theirs.around),
    painRelief: pick('pain relief', base.painRelief, mine.painRelief, theirs.painRelief),
    ...written,
  };
  return { protocol, clashes };
}

function mergeLists<T extends { readonly id: string }>(
  base: readonly T[],
  mine: readonly T[],
  theirs: readonly T[],
  pick: (any: T, was: T | undefined, my: T | undefined, their: T | undefined) => T | undefined,
): T[] {
  const find = (list: readonly T[], id: string): T | undefined =>
    list.find((item) => item.id === id);
  const merged: T[] = [];
  for (const my of mine) {
    const kept = pick(my, find(base, my.id), my, find(theirs, my.id));
    if (kept) merged.push(kept);
  }
  theirs.forEach((their, at) => {
    if (find(mine, their.id)) return;
    const kept = pick(their, find(base, their.id), undefined, their);
    if (!kept) return;
    const before = theirs
      .slice(0, at)
      .findLast((item) => merged.some((each) => each.id === item.id));
    const place = before ? merged.findIndex((item) => item.id === before.id) + 1 : 0;
    merged.splice(place, 0, kept);
  });
  return merged;
}

/**
 * One may have taken out the step beside which the other put work, or the choice it hangs on: it then
 * stands by itself, for everybody.
 */
function withoutDeadEnds(steps: readonly Line[], choices: ReadonlySet<ChoiceId>): Line[] {
  const outer = new Set(
    steps.filter((step) => step.meanwhileOf === undefined).map((step) => step.id),
  );
  return steps.map((step) => {
    const alone = step.meanwhileOf !== undefined && !outer.has(step.meanwhileOf);
    const forAll = step.option !== undefined && !choices.has(step.option.choiceId);
    return alone || forAll
      ? { ...step, ...(alone && { meanwhileOf: undefined }), ...(forAll && { option: undefined }) }
      : step;
  });
}

/** Plain data alike, whatever the order of keys; a key that holds nothing is as none. */
function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const [left, right] = [new Map(held(a)), new Map(held(b))];
  return left.size === right.size && [...left].every(([key, value]) => same(value, right.get(key)));
}

function held(value: object): [string, unknown][] {
  return Object.entries(value).filter(([, each]) => each !== undefined);
}
