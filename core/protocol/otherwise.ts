import type { Conditional, OtherLayers, Otherwise, Step, Writing } from '../house/protocol';
import { isStep, optionsOf } from '../house/protocol';
import { VARYING } from '../house/ways';
import type { LayerGroupId, StepId } from '../house/ids';
import { changeStep } from './editSteps';
import { hangingFor, isSameWhom, joinedOf, type Joined } from './forWhom';

/** How a step is otherwise for some, and in how many layers it is then done. */
export interface SaidOtherwise {
  readonly for: Joined;
  readonly says: Otherwise['says'];
  readonly layers?: OtherLayers['layers'];
}

/** How a step is otherwise for some, as far as a line can say for whom; with how many layers its layers then have. */
export function otherwiseSaidOf(writing: Writing, id: StepId): readonly SaidOtherwise[] {
  const step = stepIn(writing, id);
  if (!step) return [];
  const said = (step.otherwise ?? []).flatMap((each): SaidOtherwise[] => {
    const whom = joinedOf(writing, each);
    return whom ? [{ for: whom, says: each.says }] : [];
  });
  const counted = (layersOf(writing, step)?.otherwise ?? []).flatMap((each): SaidOtherwise[] => {
    const whom = joinedOf(writing, each);
    return whom ? [{ for: whom, says: {}, layers: each.layers }] : [];
  });
  /* Both for the same people are said as one, as long as either list keeps its order. */
  const left = [...said];
  const together = counted.flatMap((many) => {
    const at = left.findIndex((one) => isSameWhom(one.for, many.for));
    if (at === -1) return [many];
    const before = left.splice(0, at + 1);
    const one = before.pop();
    return [...before, ...(one ? [{ ...one, layers: many.layers }] : [])];
  });
  return [...together, ...left];
}

/**
 * A protocol in which a step is otherwise for some as it is said, and its layers with it. What no line can say stays.
 * @param newId makes an id that nothing has yet
 */
export function withOtherwise<W extends Writing>(
  writing: W,
  id: StepId,
  said: readonly SaidOtherwise[],
  newId: () => string,
): W {
  const step = stepIn(writing, id);
  if (!step) return writing;
  const group = layersOf(writing, step);
  const unsaid = <T extends Otherwise | OtherLayers>(all: readonly T[] = []): T[] =>
    all.filter((each) => !joinedOf(writing, each));
  const steps = unsaid(step.otherwise);
  const layers = unsaid(group?.otherwise);
  let so = writing;
  for (const each of said) {
    const { writing: chosen, on } = hangingFor(so, each.for, step.name, newId, true);
    so = chosen;
    const { option } = on;
    if (!option) continue;
    if (Object.keys(each.says).length > 0) steps.push({ ...on, option, says: each.says });
    if (each.layers) layers.push({ ...on, option, layers: each.layers });
  }
  const otherwise = steps.length > 0 ? steps : undefined;
  const changed = step.otherwise === otherwise ? so : changeStep(so, id, { otherwise });
  if (!group || (group.otherwise === undefined && layers.length === 0)) return changed;
  const { otherwise: _before, ...rest } = group;
  const counted = { ...rest, ...(layers.length > 0 && { otherwise: layers }) };
  return {
    ...changed,
    layerGroups: changed.layerGroups.map((each) => (each.id === group.id ? counted : each)),
  };
}

/**
 * A protocol in which a step is otherwise for some. What is as for everybody is not said for them; what is given as
 * nothing is as for everybody again.
 * @param on for whom
 */
export function changeOtherwise<W extends Writing>(
  writing: W,
  id: StepId,
  on: Conditional,
  changes: Partial<Step>,
): W {
  const step = stepIn(writing, id);
  const { option, also } = on;
  if (!step || !option) return writing;
  const all = step.otherwise ?? [];
  const at = all.findIndex((each) => hangsOnSame(each, on));
  const merged: Readonly<Record<string, unknown>> = { ...all[at]?.says, ...changes };
  const says = Object.fromEntries(
    VARYING.flatMap((key) =>
      merged[key] === undefined || isAlike(merged[key], step[key]) ? [] : [[key, merged[key]]],
    ),
  ) as Otherwise['says'];
  const one: Otherwise[] =
    Object.keys(says).length > 0 ? [{ option, ...(also && { also }), says }] : [];
  const otherwise = at === -1 ? [...all, ...one] : all.toSpliced(at, 1, ...one);
  return changeStep(writing, id, { otherwise: otherwise.length > 0 ? otherwise : undefined });
}

/**
 * A protocol in which layers are as many for some as is given, or as for everybody.
 * @param on for whom
 */
export function changeOtherLayers<W extends Writing>(
  writing: W,
  id: LayerGroupId,
  on: Conditional,
  layers: OtherLayers['layers'] | undefined,
): W {
  const { option, also } = on;
  if (!option) return writing;
  const one: OtherLayers[] = layers ? [{ option, ...(also && { also }), layers }] : [];
  return {
    ...writing,
    layerGroups: writing.layerGroups.map(({ otherwise: all = [], ...group }) => {
      const at = group.id === id ? all.findIndex((each) => hangsOnSame(each, on)) : -1;
      const some =
        group.id !== id ? all : at === -1 ? [...all, ...one] : all.toSpliced(at, 1, ...one);
      return some.length > 0 ? { ...group, otherwise: some } : group;
    }),
  };
}

/** Whether two hang on the same options. */
export function hangsOnSame(a: Conditional, b: Conditional): boolean {
  return isAlike(optionsOf(a), optionsOf(b));
}

function isAlike(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

function stepIn({ steps }: Writing, id: StepId): Step | undefined {
  const line = steps.find((each) => each.id === id);
  return line && isStep(line) ? line : undefined;
}

/** The layers in which a step is done; what lies beside another is in that one's. */
function layersOf(
  { layerGroups }: Writing,
  { layerGroupId, meanwhileOf }: Step,
): Writing['layerGroups'][number] | undefined {
  return meanwhileOf === undefined ? layerGroups.find(({ id }) => id === layerGroupId) : undefined;
}
