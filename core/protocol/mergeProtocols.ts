import type { Line, Protocol, Writing } from '../house/house';
import { withOptions } from './conditional';
import { ordered } from './editSteps';
import { mergeOrder } from './mergeOrder';

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

/** What is written is merged list by list; another list does not compile without its words. */
export const ORDER_WORDS: { readonly [K in keyof Writing]-?: string } = {
  steps: 'the order of steps',
  layerGroups: 'the order of layers',
  choices: 'the order of choices',
};

/** What a protocol says of itself besides its work, in words: one that is not here does not compile. */
export const OWN_WORDS: {
  readonly [K in Exclude<keyof Protocol, keyof Writing | 'id'>]-?: string;
} = {
  name: 'the name',
  summary: 'the summary',
  goal: 'the goal',
  meantFor: 'for whom it is meant',
  licence: 'the limits of the licence',
  archivedOn: 'whether it is archived',
  cautions: 'the cautions',
  around: 'before and after',
  painRelief: 'pain relief',
};

/** Where a line stands is one thing: brought together key by key it would stand where nobody put it. */
const PLACE: ReadonlySet<string> = new Set<keyof Line>(['stretch', 'layerGroupId', 'meanwhileOf']);

/** Whose side stands where both changed something. */
export type Side = 'mine' | 'theirs';

/**
 * Brings together what two people made of the same protocol: what only one of them changed is as that one
 * left it, a step field by field, and so is its place among the others.
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
    if (!clashes.some((clash) => clash.key === key)) clashes.push({ key, name });
    return sideOf(key) === 'mine' ? my : their;
  };
  const pickNamed = <V extends { readonly id: string; readonly name: string }>(
    any: V,
    was: V | undefined,
    my: V | undefined,
    their: V | undefined,
  ): V | undefined => {
    if (!was || !my || !their) return pick(any.name, was, my, their, any.id);
    const [old, mines, theirs] = [fieldsOf(was), fieldsOf(my), fieldsOf(their)];
    const merged = [...new Set([...mines.keys(), ...theirs.keys()])].map((field) =>
      pick(any.name, old.get(field), mines.get(field), theirs.get(field), any.id),
    );
    return Object.assign({}, ...merged) as V;
  };
  const merge = <V extends { readonly id: string; readonly name: string }>(
    of: keyof typeof ORDER_WORDS,
    list: (writing: Writing) => readonly V[],
  ): V[] => {
    const [was, my, their] = [list(base), list(mine), list(theirs)];
    const kept = new Map<string, V>();
    for (const any of [...my, ...their.filter(({ id }) => !my.some((each) => each.id === id))]) {
      const by = (all: readonly V[]): V | undefined => all.find(({ id }) => id === any.id);
      const stands = pickNamed(any, by(was), by(my), by(their));
      if (stands) kept.set(any.id, stands);
    }
    const words = ORDER_WORDS[of];
    const ids = (all: readonly V[]): string[] => all.map(({ id }) => id);
    const order = mergeOrder(ids(was), ids(my), ids(their), new Set(kept.keys()), sideOf(words));
    if (order.clashes) clashes.push({ key: words, name: words });
    return order.ids.flatMap((id) => kept.get(id) ?? []);
  };
  const steps = merge<Line>('steps', (writing) => writing.steps);
  const choices = merge('choices', (writing) => writing.choices);
  const known = new Set(choices.map(({ id }) => id));
  const written = ordered<Writing>(
    withOptions<Writing>(
      {
        steps: withoutDeadEnds(steps),
        layerGroups: merge('layerGroups', (writing) => writing.layerGroups),
        choices,
      },
      (option) => (known.has(option.choiceId) ? option : undefined),
    ),
  );
  const names = Object.keys(OWN_WORDS) as readonly (keyof typeof OWN_WORDS)[];
  const own = Object.fromEntries(
    names.map((name) => [name, pick(OWN_WORDS[name], base[name], mine[name], theirs[name])]),
  ) as unknown as Pick<Protocol, keyof typeof OWN_WORDS>;
  const protocol: Protocol = { id: mine.id, ...own, ...written };
  return { protocol, clashes };
}

/** One may have taken out the step beside which the other put work: it then stands by itself. */
function withoutDeadEnds(steps: readonly Line[]): Line[] {
  const outer = new Set(
    steps.filter((step) => step.meanwhileOf === undefined).map((step) => step.id),
  );
  return steps.map((step) =>
    step.meanwhileOf !== undefined && !outer.has(step.meanwhileOf)
      ? { ...step, meanwhileOf: undefined }
      : step,
  );
}

/** What a thing says, apart by what can be changed without the rest. */
function fieldsOf(thing: object): Map<string, object> {
  const fields = new Map<string, object>();
  for (const [key, value] of held(thing)) {
    const field = PLACE.has(key) ? 'place' : key;
    fields.set(field, { ...fields.get(field), [key]: value });
  }
  return fields;
}

/** Plain data alike, whatever the order of keys; a key that holds nothing is as none. */
export function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const [left, right] = [new Map(held(a)), new Map(held(b))];
  return left.size === right.size && [...left].every(([key, value]) => same(value, right.get(key)));
}

function held(value: object): [string, unknown][] {
  return Object.entries(value).filter(([, each]) => each !== undefined);
}
