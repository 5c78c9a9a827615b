import type { Minutes, Step, WorkedProtocol } from '../house/house';
import type { DeviceId } from '../house/ids';
import { devicesOf } from '../house/protocol';
import type { Problem } from '../problem/problem';
import { meanMinutes, type Distribution } from './distribution';
import { areMinutes, stepTime, timeWithBeside } from './stepTime';

/** How long each device is on, in expected minutes. */
export type DeviceMinutes = ReadonlyMap<DeviceId, number>;

/** What a step and the work beside it come to, wherever it stands. */
export interface StepLoad {
  readonly own: number;
  readonly time: Distribution;
  /** of all that is done beside it, in sequence */
  readonly work: number;
  readonly beside: readonly number[];
  /** minutes outside the work beside it of the same person */
  readonly alone: number;
}

/** Layers without a wait between them. */
export const NO_MINUTES: Minutes = { least: 0, usual: 0, most: 0 };

interface KnownLoad {
  readonly beside: readonly Step[];
  readonly paceSpread: number;
  readonly load: StepLoad;
}

const loads = new WeakMap<Step, KnownLoad>();

/** What a step and the work beside it come to. @see T2 T4 */
export function loadOf(step: Step, meanwhile: readonly Step[], paceSpread: number): StepLoad {
  const known = loads.get(step);
  if (
    known?.paceSpread === paceSpread &&
    known.beside.length === meanwhile.length &&
    known.beside.every((each, at) => each === meanwhile[at])
  ) {
    return known.load;
  }
  const time = timeWithBeside(
    step.minutes,
    meanwhile.map((each) => each.minutes),
    paceSpread,
  );
  const beside = meanwhile.map((each) => meanMinutes(stepTime(each.minutes, paceSpread)));
  const sameHands = meanwhile.reduce(
    (sum, each, at) => (each.by === step.by ? sum + (beside[at] ?? 0) : sum),
    0,
  );
  const load: StepLoad = {
    own: meanMinutes(stepTime(step.minutes, paceSpread)),
    time,
    work: beside.reduce((sum, each) => sum + each, 0),
    beside,
    alone: Math.max(0, meanMinutes(time) - sameHands),
  };
  loads.set(step, { beside: meanwhile, paceSpread, load });
  return load;
}

/**
 * Adds the minutes in which the devices of a step and of what lies beside it are on: one that serves both is on
 * once, as long as the step with all of that.
 */
export function switchOn(
  minutes: Map<DeviceId, number>,
  step: Step,
  meanwhile: readonly Step[],
  { time, beside }: Pick<StepLoad, 'time' | 'beside'>,
): void {
  const throughout = devicesOf(step);
  const turnOn = (id: DeviceId, lasting: number): void => {
    minutes.set(id, (minutes.get(id) ?? 0) + lasting);
  };
  for (const id of throughout) turnOn(id, meanMinutes(time));
  meanwhile.forEach((each, at) => {
    for (const id of devicesOf(each)) if (!throughout.includes(id)) turnOn(id, beside[at] ?? 0);
  });
}

/** Minutes of a protocol that are no minutes, or not in order. */
export function minutesProblems(protocol: WorkedProtocol): Problem[] {
  const fault = (minutes: Minutes, name: string): string | undefined =>
    areMinutes(minutes)
      ? undefined
      : `The minutes of “${name}” must be 0 or more, with least, usual and most in order.`;
  const problems: Problem[] = [];
  for (const step of protocol.steps) {
    const message = fault(step.minutes, step.name);
    const where = { protocolId: protocol.id, stepId: step.id, field: 'minutes' };
    if (message) problems.push({ code: 'minutes-invalid', message, where });
  }
  for (const { id, name, between, testSpot } of protocol.layerGroups) {
    for (const minutes of [between?.wait, testSpot?.minutes, testSpot?.wait]) {
      const message = minutes && fault(minutes, name);
      const where = { protocolId: protocol.id, layerGroupId: id, field: 'wait' };
      if (message) problems.push({ code: 'minutes-invalid', message, where });
    }
  }
  return problems;
}
