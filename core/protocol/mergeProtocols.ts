import type { LayerGroup, Protocol, Step } from '../house/house';
import { ordered } from './editSteps';

/** Two edits of the same protocol brought together. */
export interface Merged {
  readonly protocol: Protocol;
  /** names of what both changed differently; there, mine stands in `protocol` */
  readonly clashes: readonly string[];
}

/**
 * Brings together what two people made of the same protocol: a thing that only one of them changed
 * is as that one left it. The order of steps is mine, with their new steps after the step they
 * followed.
 * @param base what both began with
 */
export function mergeProtocols(base: Protocol, mine: Protocol, theirs: Protocol): Merged {
  const clashes: string[] = [];
  const pick = <V>(label: string, was: V, my: V, their: V): V => {
    if (same(my, their) || same(their, was)) return my;
    if (same(my, was)) return their;
    clashes.push(label);
    return my;
  };
  const steps = mergeLists<Step>(base.steps, mine.steps, theirs.steps, (step, was, my, their) =>
    pick(step.name, was, my, their),
  );
  const layerGroups = mergeLists<LayerGroup>(
    base.layerGroups,
    mine.layerGroups,
    theirs.layerGroups,
    (group, was, my, their) => pick(group.name, was, my, their),
  );
  const protocol = ordered({
    id: mine.id,
    name: pick('the name', base.name, mine.name, theirs.name),
    summary: pick('the summary', base.summary, mine.summary, theirs.summary),
    steps: withoutDeadEnds(steps),
    layerGroups,
  });
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

/** One may have taken out the step beside which the other put work: it then stands by itself. */
function withoutDeadEnds(steps: readonly Step[]): Step[] {
  const outer = new Set(
    steps.filter((step) => step.meanwhileOf === undefined).map((step) => step.id),
  );
  return steps.map((step) =>
    step.meanwhileOf === undefined || outer.has(step.meanwhileOf)
      ? step
      : { ...step, meanwhileOf: undefined },
  );
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
