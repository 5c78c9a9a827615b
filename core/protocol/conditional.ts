import type { Conditional, InOption, LayerGroup, Line, Step } from '../house/protocol';
import { hangingOn, isStep, optionsOf } from '../house/protocol';

/** What of a protocol may hang on options. */
export interface Hanging {
  readonly steps: readonly Line[];
  readonly layerGroups: readonly LayerGroup[];
}

/**
 * Steps and layers with every option on which they hang as another, or without it. What hangs on none any more is
 * for everybody; what was said for some, and is for nobody in particular any more, falls away.
 * @param change what an option becomes; nothing takes it away
 */
export function withOptions<W extends Hanging>(
  writing: W,
  change: (option: InOption) => InOption | undefined,
): W {
  const put = <T extends Conditional>(thing: T): T => {
    const own = optionsOf(thing);
    if (own.length === 0) return thing;
    const { option: _option, also: _also, ...rest } = thing;
    return { ...rest, ...hangingOn(own.flatMap((each) => change(each) ?? [])) } as T;
  };
  const forSome = <T extends Conditional>(otherwise: readonly T[]): readonly T[] | undefined => {
    const left = otherwise.map(put).filter(({ option }) => option);
    return left.length > 0 ? left : undefined;
  };
  return {
    ...writing,
    steps: writing.steps.map((line): Line => {
      const placed = put(line);
      if (!isStep(placed)) return placed;
      const { otherwise, ...step } = placed;
      const some = otherwise && forSome(otherwise);
      return { ...step, doses: step.doses.map(put), ...(some && { otherwise: some }) };
    }),
    layerGroups: writing.layerGroups.map(({ otherwise, ...group }): LayerGroup => {
      const some = otherwise && forSome(otherwise);
      return { ...group, ...(some && { otherwise: some }) };
    }),
  };
}

/**
 * A step as it is for whom some of what it says otherwise holds: places are said as one thing, so are a device and
 * how hands work field by field.
 * @param holds whether something is so for the client
 * @example
 * stepFor(mask, () => false).minutes // those that it says for everybody
 */
export function stepFor(step: Step, holds: (of: Conditional) => boolean): Step {
  const { otherwise, ...plain } = step;
  if (!otherwise) return step;
  return otherwise.filter(holds).reduce((so: Step, { says }) => saidOtherwise(so, says), plain);
}

const PLACE = ['lightly', 'more', 'last', 'never'] as const;

/** A step with what is said otherwise. */
export function saidOtherwise(step: Step, says: Partial<Step>): Step {
  const { technique } = step;
  const placed = says.zones ? without(step, PLACE) : step;
  return {
    ...placed,
    ...says,
    ...(technique && says.technique && { technique: { ...technique, ...says.technique } }),
  };
}

function without(step: Step, keys: readonly (keyof Step)[]): Step {
  return Object.fromEntries(
    Object.entries(step).filter(([key]) => !keys.includes(key as keyof Step)),
  ) as unknown as Step;
}
