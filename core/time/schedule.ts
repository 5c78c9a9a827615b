import type {
  Hands,
  LayerGroup,
  Minutes,
  Role,
  Step,
  Stretch,
  TestSpot,
  VisitKind,
  WorkedProtocol,
} from '../house/house';
import type { DeviceId, LayerGroupId, StepId } from '../house/ids';
import { devicesOf } from '../house/protocol';
import { failWith, ok, type Outcome, type Problem } from '../problem/problem';
import { paceSpreadOf, type HouseSettings } from '../house/settings';
import { arrange, STRETCHES, type Arrangement, type Half } from '../protocol/arrange';
import {
  allInSequence,
  chanceBeyond,
  meanMinutes,
  NO_TIME,
  quantileMinutes,
  sdMinutes,
  type Distribution,
} from './distribution';
import { slotMinutes } from './slot';
import { areMinutes, stepTime, timeWithBeside } from './stepTime';

export type TimeSettings = Pick<HouseSettings, 'slotGridMinutes' | 'slotQuantile' | 'paceSpread'>;

/** One line of the day's clock, with expected minutes. @see T4 */
export interface ScheduleRow {
  readonly of:
    | { readonly kind: 'step'; readonly stepId: StepId }
    | { readonly kind: 'between'; readonly layerGroupId: LayerGroupId }
    | { readonly kind: 'test'; readonly layerGroupId: LayerGroupId };
  readonly name: string;
  readonly stretch: Stretch;
  readonly layer?: number;
  readonly half?: Half;
  readonly by: Role;
  readonly hands: Hands;
  /** minutes after the room is first used */
  readonly startsAt: number;
  /** minutes the room is tied up by this line; 0 for what is done meanwhile */
  readonly roomMinutes: number;
  /** minutes this line lasts by itself */
  readonly ownMinutes: number;
  /** as they are written, of a step */
  readonly minutes?: Minutes;
  /** minutes of `by`; beside meanwhile work of the same person, those outside that work */
  readonly handsOn: number;
  readonly watching: number;
  readonly free: number;
  readonly meanwhileOf?: StepId;
  readonly contact?: ContactCap;
}

/** How long a product lies on the skin, from the first touch to when it is taken off. @see R4 */
export interface ContactClock {
  /** expected minutes after the room is first used */
  readonly startsAt: number;
  /** the zone that was touched first, application included */
  readonly firstZoneMinutes: number;
  /** the zone that was touched last, when the first application ended */
  readonly lastZoneMinutes: number;
  /** the chance that the first zone has it for longer than the cap */
  readonly chancePast: number;
  /** nothing takes it off while the guest is there */
  readonly neverEnds: boolean;
}

/** How the work beside a capped contact time fits. @see T6 */
export interface ContactCap {
  readonly capMinutes: number;
  readonly expectedMinutes: number;
  /** the chance of running past the cap */
  readonly chancePast: number;
  /** counted from the first touch, over steps and layers */
  readonly clock?: ContactClock;
}

/** A length of time in figures, minutes. */
export interface TimeFigures {
  readonly mean: number;
  readonly sd: number;
  readonly p50: number;
  readonly p90: number;
}

export type DeviceMinutes = ReadonlyMap<DeviceId, number>;

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
  /** minutes that each device is on, worked with or running along */
  readonly deviceMinutes: DeviceMinutes;
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
  protocol: WorkedProtocol,
  visitKind: VisitKind,
  settings: TimeSettings,
): Outcome<Schedule> {
  const arrangement = arrange(protocol, visitKind);
  const problems = minutesProblems(protocol);
  if (!arrangement.ok || problems.length > 0) {
    return failWith([...(arrangement.ok ? [] : arrangement.problems), ...problems]);
  }
  const clock = runClock(protocol, arrangement.value, paceSpreadOf(settings));
  const times = STRETCHES.map((stretch) => allInSequence(clock.parts[stretch]));
  const visit = times[STRETCHES.indexOf('visit')] ?? NO_TIME;
  const room = allInSequence(times);
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
    deviceMinutes: clock.deviceMinutes,
    conflicts: clock.conflicts,
  });
}

/**
 * Adds the minutes in which the devices of a step and of what lies beside it are on: one that serves both is on
 * once, as long as the step with all of that.
 */
function switchOn(
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

/** A clock that has not been added up: every line, and the times that follow one another. */
interface Clock {
  readonly rows: readonly ScheduleRow[];
  readonly conflicts: readonly Problem[];
  readonly deviceMinutes: DeviceMinutes;
  /** the times of each stretch, in order; what is done meanwhile is within its step's */
  readonly parts: Readonly<Record<Stretch, readonly Distribution[]>>;
}

function runClock(protocol: WorkedProtocol, arrangement: Arrangement, paceSpread: number): Clock {
  const rows: ScheduleRow[] = [];
  const conflicts = new Map<StepId, Problem>();
  const deviceMinutes = new Map<DeviceId, number>();
  let now = 0;
  const partsOf = (stretch: Stretch): Distribution[] =>
    arrangement[stretch].map((occurrence) => {
      if (occurrence.kind === 'between') {
        const { group, layer } = occurrence;
        const wait = stepTime(group.between?.wait ?? NO_MINUTES, paceSpread);
        rows.push(waitRow(group, layer, stretch, now, meanMinutes(wait)));
        now += meanMinutes(wait);
        return wait;
      }
      if (occurrence.kind === 'test') {
        const tried = placeTest(
          occurrence.group,
          occurrence.spot,
          { stretch, startsAt: now },
          paceSpread,
        );
        rows.push(...tried.rows);
        now += meanMinutes(tried.time);
        return tried.time;
      }
      const { step, meanwhile, layer, half } = occurrence;
      const placed = placeStep(step, meanwhile, { layer, half }, now, paceSpread);
      rows.push(...placed.rows);
      switchOn(deviceMinutes, step, meanwhile, loadOf(step, meanwhile, paceSpread));
      const contact = placed.rows[0]?.contact;
      if (contact && contact.expectedMinutes > contact.capMinutes) {
        conflicts.set(step.id, capProblem(protocol, step, contact));
      }
      now += meanMinutes(placed.time);
      return placed.time;
    });
  const parts = {
    'set-up': partsOf('set-up'),
    visit: partsOf('visit'),
    reset: partsOf('reset'),
  };
  return { rows, conflicts: [...conflicts.values()], deviceMinutes, parts };
}

/** Which time a step is done, where it is done more than once. */
interface Turn {
  readonly layer?: number;
  readonly half?: Half;
}

interface Placed {
  readonly rows: ScheduleRow[];
  readonly time: Distribution;
}

function placeTest(
  group: LayerGroup,
  spot: TestSpot,
  { stretch, startsAt }: Pick<ScheduleRow, 'stretch' | 'startsAt'>,
  paceSpread: number,
): Placed {
  const trying = stepTime(spot.minutes, paceSpread);
  const waiting = stepTime(spot.wait, paceSpread);
  const line = (name: string, hands: Hands, from: number, minutes: number): ScheduleRow => ({
    of: { kind: 'test', layerGroupId: group.id },
    name,
    stretch,
    by: 'therapist',
    hands,
    startsAt: from,
    roomMinutes: minutes,
    ownMinutes: minutes,
    ...marked(hands, minutes),
  });
  const tried = meanMinutes(trying);
  return {
    rows: [
      line('Test spot', 'hands-on', startsAt, tried),
      line(spot.watch, 'watching', startsAt + tried, meanMinutes(waiting)),
    ],
    time: allInSequence([trying, waiting]),
  };
}

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

function placeStep(
  step: Step,
  meanwhile: readonly Step[],
  turn: Turn,
  startsAt: number,
  paceSpread: number,
): Placed {
  const { own, time, work, beside, alone } = loadOf(step, meanwhile, paceSpread);
  const besideRows: ScheduleRow[] = [];
  let besideStart = startsAt;
  meanwhile.forEach((each, at) => {
    const minutes = beside[at] ?? 0;
    besideRows.push({
      ...rowOf(each, turn, besideStart),
      roomMinutes: 0,
      ownMinutes: minutes,
      ...marked(each.hands, minutes),
      meanwhileOf: step.id,
    });
    besideStart += minutes;
  });
  const row: ScheduleRow = {
    ...rowOf(step, turn, startsAt),
    roomMinutes: meanMinutes(time),
    ownMinutes: own,
    ...marked(step.hands, alone),
    ...(step.capMinutes === undefined
      ? {}
      : {
          contact: {
            capMinutes: step.capMinutes,
            expectedMinutes: meanwhile.length === 0 ? own : work,
            chancePast: chanceBeyond(time, step.capMinutes),
          },
        }),
  };
  return { rows: [row, ...besideRows], time };
}

/** What a clock adds up to, without its lines: the times in order, and who is tied up how long. */
export interface ClockLoad {
  readonly parts: readonly Distribution[];
  /** minutes hands-on or watching, by role */
  readonly attended: Readonly<Record<Role, number>>;
  readonly deviceMinutes: DeviceMinutes;
}

/**
 * The times and attended minutes of a protocol, for who needs no line of its clock.
 * @returns problems as `scheduleOf`
 * @see T1 T4
 */
export function clockLoad(
  protocol: WorkedProtocol,
  visitKind: VisitKind,
  settings: Pick<HouseSettings, 'paceSpread'>,
): Outcome<ClockLoad> {
  const paceSpread = paceSpreadOf(settings);
  const arrangement = arrange(protocol, visitKind);
  const problems = minutesProblems(protocol);
  if (!arrangement.ok || problems.length > 0) {
    return failWith([...(arrangement.ok ? [] : arrangement.problems), ...problems]);
  }
  const attended: Record<Role, number> = { therapist: 0, assistant: 0 };
  const parts: Distribution[] = [];
  const deviceMinutes = new Map<DeviceId, number>();
  const tieUp = ({ by, hands }: Pick<Step, 'by' | 'hands'>, minutes: number): void => {
    if (hands !== 'free') attended[by] += minutes;
  };
  for (const stretch of STRETCHES) {
    for (const occurrence of arrangement.value[stretch]) {
      if (occurrence.kind === 'step') {
        const { step, meanwhile } = occurrence;
        const load = loadOf(step, meanwhile, paceSpread);
        const { time, beside, alone } = load;
        tieUp(step, alone);
        meanwhile.forEach((each, at) => tieUp(each, beside[at] ?? 0));
        switchOn(deviceMinutes, step, meanwhile, load);
        parts.push(time);
        continue;
      }
      const times =
        occurrence.kind === 'test'
          ? [
              stepTime(occurrence.spot.minutes, paceSpread),
              stepTime(occurrence.spot.wait, paceSpread),
            ]
          : [stepTime(occurrence.group.between?.wait ?? NO_MINUTES, paceSpread)];
      for (const time of times) attended.therapist += meanMinutes(time);
      parts.push(...times);
    }
  }
  return ok({ parts, attended, deviceMinutes });
}

function rowOf(
  step: Step,
  { layer, half }: Turn,
  startsAt: number,
): Pick<
  ScheduleRow,
  'of' | 'name' | 'stretch' | 'layer' | 'half' | 'by' | 'hands' | 'startsAt' | 'minutes'
> {
  const { stretch, name, by, hands, minutes } = step;
  const of = { kind: 'step', stepId: step.id } as const;
  return { of, name, stretch, layer, half, by, hands, startsAt, minutes };
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
    name: group.asks?.[0]?.ask ?? '',
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

/** That what is planned for a contact time is longer than it may be. */
export function capProblem(
  protocol: Pick<WorkedProtocol, 'id'>,
  step: Step,
  contact: ContactCap,
): Problem {
  return {
    code: 'contact-cap-passed',
    message: `“${step.name}” may stay on for at most ${contact.capMinutes} min, but what is planned for that time takes longer. Shorten it, or follow the maker's longest contact time.`,
    where: { protocolId: protocol.id, stepId: step.id, field: 'capMinutes' },
  };
}

function minutesProblems(protocol: WorkedProtocol): Problem[] {
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
