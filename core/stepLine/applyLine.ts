import type { Dose, Minutes, Step, Writing } from '../house/house';
import type { Stretch } from '../house/actions';
import { holdMinutes, type Technique } from '../house/technique';
import type { DoseId, StepId } from '../house/ids';
import type { NewLine } from '../protocol/addSteps';
import { changeStep } from '../protocol/editSteps';
import { hangingOn, optionsOf } from '../house/protocol';
import { withOtherwise } from '../protocol/otherwise';
import {
  dosesForOf,
  hangingFor,
  isSameWhom,
  joinedOf,
  withDosesFor,
  type DosesFor,
} from '../protocol/forWhom';
import { gentleHands, saidStretch, sayableName, usualPhase } from './defaults';
import { inLayersSaid, questionsSaid } from '../protocol/layersSaid';
import type { ParsedLine } from './parseStepLine';
import type { ParsedStep } from './parsedStep';

/** Makes ids for what a line adds. */
export interface NewIds {
  readonly step: () => StepId;
  readonly dose: () => DoseId;
  /** of a choice or an option */
  readonly other: () => string;
}

const A_WHILE: Minutes = { least: 5, usual: 5, most: 5 };

/**
 * A step as a line says it. All that a line can say is as the line says, so that what it leaves out is
 * taken off; where the step stands and which options its products belong to stay as they were.
 * @param before the step that the line was of; a new one without it
 */
export function applyLine(said: ParsedStep, before: Step | undefined, ids: NewIds): Step {
  /* For whom it is belongs to the protocol's choices, and how many layers there are to its layers: see
     `lineToAdd`. */
  const { action, doses, for: _forWhom, layers: _layers, otherwise: _some, asks, ...rest } = said;
  const placed: Pick<Step, 'id' | 'stretch'> &
    Partial<Pick<Step, 'meanwhileOf' | 'layerGroupId' | 'option' | 'also' | 'otherwise'>> = before
    ? {
        id: before.id,
        stretch: before.stretch,
        ...(before.meanwhileOf !== undefined && { meanwhileOf: before.meanwhileOf }),
        ...(before.layerGroupId !== undefined && { layerGroupId: before.layerGroupId }),
        ...hangingOn(optionsOf(before)),
        ...(before.otherwise && { otherwise: before.otherwise }),
      }
    : { id: ids.step(), stretch: saidStretch(action) ?? 'visit' };
  const phase = rest.phase ?? usualPhase(action);
  return {
    ...placed,
    ...rest,
    name: rest.name ?? sayableName(action) ?? before?.name ?? 'Step',
    ...(action !== undefined && { action }),
    ...(phase !== undefined && { phase }),
    by: rest.by ?? 'therapist',
    hands: rest.hands ?? gentleHands(action),
    minutes:
      rest.minutes ?? before?.minutes ?? heldFor(rest.technique) ?? minutesFor(rest.capMinutes),
    zones: rest.zones ?? [],
    doses: matched(doses, before?.doses ?? [], ids),
    ...(asks && { asks: questionsSaid(asks, before?.asks ?? [], ids.other) }),
  };
}

/**
 * A protocol in which a step is as a changed line says it: also for whom, where a line can say that. What the
 * line no longer says is taken off the step.
 */
export function changedByLine<W extends Writing>(
  writing: W,
  step: Step,
  said: ParsedStep,
  ids: NewIds,
): W {
  const after = applyLine(said, step, ids);
  const gone = Object.keys(step).filter((key) => !(key in after));
  const changed = changeStep(writing, step.id, {
    ...Object.fromEntries(gone.map((key) => [key, undefined])),
    ...after,
  });
  const before = joinedOf(writing, step);
  const known = dosesForOf(writing, step);
  const saidOf = new Map(dosesForIn(said, after.doses));
  /* What no line can say, and what is said as it was, stays in the choice in which it stands. */
  const plain = after.doses.map(({ option, also, ...dose }) => {
    const was = known.get(dose.id);
    const who = saidOf.get(dose.id);
    const stays = was ? who && isSameWhom(who, was) : !who;
    const on = optionsOf({ option, also });
    if (on.length === 0 || !stays) return dose;
    saidOf.delete(dose.id);
    return { ...dose, ...hangingOn(on) };
  });
  const placed = withDosesFor(changed, { name: after.name, doses: plain }, saidOf, ids.other);
  const dosed = changeStep(placed.writing, step.id, { doses: placed.doses });
  const layered =
    step.meanwhileOf === undefined
      ? inLayersSaid(dosed, step.id, said.layers, after.name, ids.other)
      : dosed;
  const some = withOtherwise(layered, step.id, said.otherwise ?? [], ids.other);
  if (said.for && before && isSameWhom(said.for, before)) return some;
  if (said.for) {
    const { writing: chosen, on } = hangingFor(some, said.for, after.name, ids.other);
    return changeStep(chosen, step.id, { option: undefined, also: undefined, ...on });
  }
  return before ? changeStep(some, step.id, { option: undefined, also: undefined }) : some;
}

/** For whom the products of a line are, by the doses they became. */
function dosesForIn(said: ParsedStep, doses: readonly Dose[]): DosesFor {
  return new Map(
    said.doses.flatMap(({ for: who }, at) => {
      const dose = doses[at];
      return who && dose ? [[dose.id, who] as const] : [];
    }),
  );
}

/**
 * A line of many as a step to be added: where it goes and for whom it is, beside what it says.
 * @param heading under which it stands
 */
export function lineToAdd(
  { said, beside }: Pick<ParsedLine, 'said' | 'beside'>,
  ids: NewIds,
  heading?: Stretch,
): NewLine<Step> {
  const stretch = heading ?? saidStretch(said.action);
  const line = applyLine(said, undefined, ids);
  const dosesFor = dosesForIn(said, line.doses);
  return {
    line,
    ...(dosesFor.size > 0 && { dosesFor }),
    beside,
    ...(stretch !== undefined && { stretch }),
    ...(said.for && { forWhom: said.for }),
    ...(said.layers && { layers: said.layers }),
    ...(said.otherwise && { otherwise: said.otherwise }),
  };
}

/** Touches that are counted and held take as long as they take. */
function heldFor(technique: Technique | undefined): Minutes | undefined {
  const held = technique?.hold && holdMinutes(technique.hold);
  return held === undefined ? undefined : { least: held, usual: held, most: held };
}

/** An endpoint without minutes is waited for up to its cap. */
function minutesFor(capMinutes: number | undefined): Minutes {
  return capMinutes === undefined
    ? A_WHILE
    : { least: capMinutes / 2, usual: (capMinutes * 3) / 4, most: capMinutes };
}

/** The doses of a line, each with the id and option of the dose it was before. */
function matched(doses: ParsedStep['doses'], before: readonly Dose[], ids: NewIds): Dose[] {
  const left = [...before];
  return doses.map(({ for: _who, ...dose }) => {
    const at = left.findIndex(
      ({ source }) => JSON.stringify(source) === JSON.stringify(dose.source),
    );
    const [was] = at === -1 ? [] : left.splice(at, 1);
    return {
      id: was?.id ?? ids.dose(),
      ...dose,
      ...(was && hangingOn(optionsOf(was))),
    };
  });
}
