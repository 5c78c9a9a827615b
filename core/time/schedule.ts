import type {
  Hands,
  LayerGroup,
  Minutes,
  Protocol,
  Role,
  Step,
  Stretch,
  VisitKind,
} from '../house/house';
import type { LayerGroupId, StepId } from '../house/ids';
import { failWith, ok, type Outcome, type Problem } from '../house/problem';
import type { HouseSettings } from '../house/settings';
import { arrange, STRETCHES, type Arrangement } from '../protocol/arrange';
import {
  allInSequence,
  chanceBeyond,
  meanMinutes,
  quantileMinutes,
  sdMinutes,
  sideBySide,
  type Distribution,
} from './distribution';
import { slotMinutes } from './slot';
import { areMinutes, stepTime } from './stepTime';

export type TimeSettings = Pick<HouseSettings, 'slotGridMinutes' | 'slotQuantile'>;

/** One line of the day's clock, with expected minutes. @see T4 */
export interface ScheduleRow {
  readonly of:
    | { readonly kind: 'step'; readonly stepId: StepId }
    | { readonly kind: 'between'; readonly layerGroupId: LayerGroupId };
  readonly name: string;
  readonly stretch: Stretch;
  readonly layer?: number;
  readonly by: Role;
  readonly hands: Hands;
  /** minutes after the room is first used */
  readonly startsAt: number;
  /** minutes the room is tied up by this line; 0 for what is done meanwhile */
  readonly roomMinutes: number;
  /** minutes this line lasts by itself */
  readonly ownMinutes: number;
  /** minutes of `by`; beside meanwhile work of the same person, those outside that work */
  readonly handsOn: number;
  readonly watching: number;
  readonly free: number;
  readonly meanwhileOf?: StepId;
  readonly contact?: ContactCap;
}

/** How the work beside a capped contact time fits. @see T6 */
export interface ContactCap {
  readonly capMinutes: number;
  readonly expectedMinutes: number;
  /** the chance of running past the cap */
  readonly chancePast: number;
}

/** A length of time in figures, minutes. */
export interface TimeFigures {
  readonly mean: number;
  readonly sd: number;
  readonly p50: number;
  readonly p90: number;
}

/** When everything happens, who is tied up, and how long the room is. */
export interface Schedule {
  readonly rows: readonly ScheduleRow[];
  readonly room: TimeFigures;
  readonly visit: TimeFigures;
  readonly roomTime: Distribution;
  readonly slotMinutes: number;
  /** what the guest is told */
  readonly guestMinutes: number;
  /** minutes hands-on or watching, by role */
  readonly attended: Readonly<Record<Role, number>>;
  /** contact times that the work beside them passes */
  readonly conflicts: readonly Problem[];
}

/**
 * The clock of a protocol: each line's start and minutes, the distributions of visit and room time,
 * the slot, attended minutes by role, and contact times that are passed.
 * @returns problems for what `arrange` refuses, and minutes that are negative or out of order
 * @see T1 T2 T3 T4 T5 T6
 */
export function scheduleOf(
  protocol: Protocol,
  visitKind: VisitKind,
  settings: TimeSettings,
): Outcome<Schedule> {
  const arrangement = arrange(protocol, visitKind);
  const problems = minutesProblems(protocol);
  if (!arrangement.ok || problems.length > 0) {
    return failWith([...(arrangement.ok ? [] : arrangement.problems), ...problems]);
  }
  const clock = runClock(protocol, arrangement.value);
  const { visit } = clock.times;
  const room = allInSequence(STRETCHES.map((stretch) => clock.times[stretch]));
  return ok({
    rows: clock.rows,
    room: timeFigures(room),
    visit: timeFigures(visit),
    roomTime: room,
    slotMinutes: slotMinutes(room, settings.slotQuantile, settings.slotGridMinutes),
    guestMinutes: slotMinutes(visit, settings.slotQuantile, settings.slotGridMinutes),
    attended: {
      therapist: attendedBy(clock.rows, 'therapist'),
      assistant: attendedBy(clock.rows, 'assistant'),
    },
    conflicts: clock.conflicts,
  });
}

interface Clock {
  readonly rows: ScheduleRow[];
  readonly conflicts: Problem[];
  readonly times: Record<Stretch, Distribution>;
}

function runClock(protocol: Protocol, arrangement: Arrangement): Clock {
  const rows: ScheduleRow[] = [];
  const conflicts = new Map<StepId, Problem>();
  let now = 0;
  const timeOf = (stretch: Stretch): Distribution =>
    allInSequence(
      arrangement[stretch].map((occurrence) => {
        if (occurrence.kind === 'between') {
          const { group, layer } = occurrence;
          const wait = stepTime(group.between?.wait ?? { least: 0, usual: 0, most: 0 });
          rows.push(waitRow(group, layer, stretch, now, meanMinutes(wait)));
          now += meanMinutes(wait);
          return wait;
        }
        const { step, meanwhile, layer } = occurrence;
        const placed = placeStep(step, meanwhile, layer, now);
        rows.push(...placed.rows);
        const contact = placed.rows[0]?.contact;
        if (contact && contact.expectedMinutes > contact.capMinutes) {
          conflicts.set(step.id, capProblem(protocol, step, contact));
        }
        now += meanMinutes(placed.time);
        return placed.time;
      }),
    );
  const times = { 'set-up': timeOf('set-up'), visit: timeOf('visit'), reset: timeOf('reset') };
  return { rows, conflicts: [...conflicts.values()], times };
}

function placeStep(
  step: Step,
  meanwhile: readonly Step[],
  layer: number | undefined,
  startsAt: number,
): { readonly rows: ScheduleRow[]; readonly time: Distribution } {
  const own = stepTime(step.minutes);
  const workTimes = meanwhile.map((beside) => stepTime(beside.minutes));
  const work = allInSequence(workTimes);
  const time = meanwhile.length === 0 ? own : sideBySide(own, work);
  const roomMinutes = meanMinutes(time);

  const besideRows: ScheduleRow[] = [];
  let besideStart = startsAt;
  let sameHands = 0;
  meanwhile.forEach((beside, at) => {
    const minutes = meanMinutes(workTimes[at] ?? work);
    if (beside.by === step.by) sameHands += minutes;
    besideRows.push({
      ...rowOf(beside, layer, besideStart),
      roomMinutes: 0,
      ownMinutes: minutes,
      ...marked(beside.hands, minutes),
      meanwhileOf: step.id,
    });
    besideStart += minutes;
  });

  const row: ScheduleRow = {
    ...rowOf(step, layer, startsAt),
    roomMinutes,
    ownMinutes: meanMinutes(own),
    ...marked(step.hands, Math.max(0, roomMinutes - sameHands)),
    ...(step.capMinutes === undefined
      ? {}
      : {
          contact: {
            capMinutes: step.capMinutes,
            expectedMinutes: meanwhile.length === 0 ? meanMinutes(own) : meanMinutes(work),
            chancePast: chanceBeyond(time, step.capMinutes),
          },
        }),
  };
  return { rows: [row, ...besideRows], time };
}

function rowOf(
  step: Step,
  layer: number | undefined,
  startsAt: number,
): Pick<ScheduleRow, 'of' | 'name' | 'stretch' | 'layer' | 'by' | 'hands' | 'startsAt'> {
  const { stretch, name, by, hands } = step;
  return { of: { kind: 'step', stepId: step.id }, name, stretch, layer, by, hands, startsAt };
}

function waitRow(
  group: LayerGroup,
  layer: number,
  stretch: Stretch,
  startsAt: number,
  minutes: number,
): ScheduleRow {
  return {
    of: { kind: 'between', layerGroupId: group.id },
    name: group.between?.question ?? '',
    stretch,
    layer,
    by: 'therapist',
    hands: 'watching',
    startsAt,
    roomMinutes: minutes,
    ownMinutes: minutes,
    ...marked('watching', minutes),
  };
}

function marked(hands: Hands, minutes: number): Pick<ScheduleRow, 'handsOn' | 'watching' | 'free'> {
  return {
    handsOn: hands === 'hands-on' ? minutes : 0,
    watching: hands === 'watching' ? minutes : 0,
    free: hands === 'free' ? minutes : 0,
  };
}

function attendedBy(rows: readonly ScheduleRow[], role: Role): number {
  return rows.reduce((sum, row) => (row.by === role ? sum + row.handsOn + row.watching : sum), 0);
}

function timeFigures(time: Distribution): TimeFigures {
  return {
    mean: meanMinutes(time),
    sd: sdMinutes(time),
    p50: quantileMinutes(time, 0.5),
    p90: quantileMinutes(time, 0.9),
  };
}

function capProblem(protocol: Protocol, step: Step, contact: ContactCap): Problem {
  return {
    code: 'contact-cap-passed',
    message: `“${step.name}” may stay on for at most ${contact.capMinutes} min, but what is planned for that time takes longer. Shorten it, or follow the maker's longest contact time.`,
    where: { protocolId: protocol.id, stepId: step.id, field: 'capMinutes' },
  };
}

function minutesProblems(protocol: Protocol): Problem[] {
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
  for (const group of protocol.layerGroups) {
    const message = group.between && fault(group.between.wait, group.name);
    const where = { protocolId: protocol.id, layerGroupId: group.id, field: 'wait' };
    if (message) problems.push({ code: 'minutes-invalid', message, where });
  }
  return problems;
}
