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
import { loadOf, minutesProblems, NO_MINUTES, switchOn, type DeviceMinutes } from './stepLoad';
import { stepTime } from './stepTime';

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
