import type { Dose, Minutes, Step } from '../house/house';
import type { DoseId, StepId } from '../house/ids';
import { gentleHands, sayableName, usualPhase, usualStretch } from './defaults';
import type { ParsedStep } from './parsedStep';

/** Makes ids for what a line adds. */
export interface NewIds {
  readonly step: () => StepId;
  readonly dose: () => DoseId;
}

const A_WHILE: Minutes = { least: 5, usual: 5, most: 5 };

/**
 * A step as a line says it. All that a line can say is as the line says, so that what it leaves out is
 * taken off; where the step stands and which options its products belong to stay as they were.
 * @param before the step that the line was of; a new one without it
 */
export function applyLine(said: ParsedStep, before: Step | undefined, ids: NewIds): Step {
  const { action, doses, ...rest } = said;
  const placed: Pick<Step, 'id' | 'stretch'> &
    Partial<Pick<Step, 'meanwhileOf' | 'layerGroupId' | 'inLayers' | 'option'>> = before
    ? {
        id: before.id,
        stretch: before.stretch,
        ...(before.meanwhileOf !== undefined && { meanwhileOf: before.meanwhileOf }),
        ...(before.layerGroupId !== undefined && { layerGroupId: before.layerGroupId }),
        ...(before.inLayers !== undefined && { inLayers: before.inLayers }),
        ...(before.option !== undefined && { option: before.option }),
      }
    : { id: ids.step(), stretch: usualStretch(action) };
  const phase = rest.phase ?? usualPhase(action);
  return {
    ...placed,
    ...rest,
    name: rest.name ?? sayableName(action) ?? before?.name ?? 'Step',
    ...(action !== undefined && { action }),
    ...(phase !== undefined && { phase }),
    by: rest.by ?? 'therapist',
    hands: rest.hands ?? gentleHands(action),
    minutes: rest.minutes ?? before?.minutes ?? minutesFor(rest.capMinutes),
    zones: rest.zones ?? [],
    doses: matched(doses, before?.doses ?? [], ids),
  };
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
  return doses.map((dose) => {
    const at = left.findIndex(
      ({ source }) => JSON.stringify(source) === JSON.stringify(dose.source),
    );
    const [was] = at === -1 ? [] : left.splice(at, 1);
    return {
      id: was?.id ?? ids.dose(),
      ...dose,
      ...(was?.option && { option: was.option }),
    };
  });
}
