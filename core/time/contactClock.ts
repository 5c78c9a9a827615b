import type { Source, Step, VisitKind, WorkedProtocol } from '../house/house';
import type { StepId } from '../house/ids';
import type { Problem } from '../problem/problem';
import { takesOff } from '../house/takesOff';
import { arrange, STRETCHES, type Half } from '../protocol/arrange';
import { paceSpreadOf } from '../house/settings';
import { workedLeaves } from '../zone/workedLeaves';
import {
  capProblem,
  type ContactClock,
  type Schedule,
  type ScheduleRow,
  type TimeSettings,
} from './schedule';
import { loadOf, NO_MINUTES } from './stepLoad';
import { stepTime } from './stepTime';
import { allInSequence, chanceBeyond, meanMinutes, type Distribution } from './distribution';

/** Something that is done, in the order of work. */
export interface Worked {
  /** nothing for a wait between layers */
  readonly step?: Step;
  readonly meanwhile: readonly Step[];
  readonly half?: Half;
}

/** Something that is done for a while. */
export interface Lasting extends Worked {
  readonly time: Distribution;
  /** expected minutes after the room is taken */
  readonly startsAt: number;
}

/** From when to when a product lies on the skin, in places of what is done. */
export interface ContactSpan {
  /** what puts it on first */
  readonly from: number;
  /** what takes it off, or what comes when it is off */
  readonly until: number;
  /** nothing takes it off while the guest is there */
  readonly neverEnds: boolean;
}

/**
 * A schedule in which the contact of each step that counts it from the first touch goes by its clock.
 * @param schedule of the same protocol and visit
 * @see R4
 */
export function withContactClocks(
  schedule: Schedule,
  protocol: WorkedProtocol,
  visitKind: VisitKind,
  settings: Pick<TimeSettings, 'paceSpread'>,
): Schedule {
  if (!protocol.steps.some(({ capSince }) => capSince !== undefined)) return schedule;
  const all = lastingOf(protocol, visitKind, settings);
  const clocked = new Map<StepId, ScheduleRow['contact'][]>();
  all.forEach((lasting, at) => {
    for (const step of stepsOf(lasting)) {
      const { capMinutes, capSince } = step;
      if (capSince === undefined || capMinutes === undefined) continue;
      const clock = contactClock(all, at, step, capMinutes);
      const contact = clock && {
        capMinutes,
        expectedMinutes: clock.firstZoneMinutes,
        chancePast: clock.chancePast,
        clock,
      };
      clocked.set(step.id, [...(clocked.get(step.id) ?? []), contact]);
    }
  });
  const rows = schedule.rows.map((row): ScheduleRow => {
    const contact = row.of.kind === 'step' ? clocked.get(row.of.stepId)?.shift() : undefined;
    return contact ? { ...row, contact } : row;
  });
  const steps = new Map(protocol.steps.map((step) => [step.id, step]));
  const passed = new Map<StepId, Problem>();
  for (const { of, contact } of rows) {
    const step = of.kind === 'step' ? steps.get(of.stepId) : undefined;
    if (step && contact && contact.expectedMinutes > contact.capMinutes)
      passed.set(step.id, capProblem(protocol, step, contact));
  }
  return { ...schedule, rows, conflicts: [...passed.values()] };
}

/** Everything that follows one another, as the schedule has it; nothing where it cannot be arranged. */
export function lastingOf(
  protocol: WorkedProtocol,
  visitKind: VisitKind,
  settings: Pick<TimeSettings, 'paceSpread'>,
): Lasting[] {
  const arrangement = arrange(protocol, visitKind);
  if (!arrangement.ok) return [];
  const paceSpread = paceSpreadOf(settings);
  let now = 0;
  return STRETCHES.flatMap((stretch) =>
    arrangement.value[stretch].map((occurrence): Lasting => {
      const startsAt = now;
      const lasts = (time: Distribution, of: Partial<Lasting>): Lasting => {
        now += meanMinutes(time);
        return { meanwhile: [], ...of, time, startsAt };
      };
      if (occurrence.kind === 'between')
        return lasts(stepTime(occurrence.group.between?.wait ?? NO_MINUTES, paceSpread), {});
      if (occurrence.kind === 'test') {
        const { minutes, wait } = occurrence.spot;
        const times = [stepTime(minutes, paceSpread), stepTime(wait, paceSpread)];
        return lasts(allInSequence(times), {});
      }
      const { step, meanwhile, half } = occurrence;
      const { time } = loadOf(step, meanwhile, paceSpread);
      return lasts(time, { step, meanwhile, ...(half !== undefined && { half }) });
    }),
  );
}

function contactClock(
  all: readonly Lasting[],
  at: number,
  step: Step,
  capMinutes: number,
): ContactClock | undefined {
  const span = contactSpan(all, at, step);
  if (!span) return undefined;
  const { from, until, neverEnds } = span;
  const times = all.slice(from, until).map(({ time }) => time);
  const total = allInSequence(times);
  const [application] = times;
  const mean = meanMinutes(total);
  return {
    startsAt: all[from]?.startsAt ?? 0,
    firstZoneMinutes: mean,
    lastZoneMinutes: mean - (application && from < at ? meanMinutes(application) : 0),
    chancePast: chanceBeyond(total, capMinutes),
    neverEnds,
  };
}

/**
 * When what lies on the skin during a step is on it: over all steps, layers and waits from the first time that it was
 * put on since something was taken off these zones, until the next step that takes it off begins.
 * @param at which of `all` holds the step
 * @returns nothing where no product was put on
 * @see R4
 */
export function contactSpan(
  all: readonly Worked[],
  at: number,
  step: Step,
): ContactSpan | undefined {
  const here = all[at];
  if (!here) return undefined;
  const zones = workedLeaves(step);
  const isHere = (other: Worked): boolean =>
    here.half === undefined || other.half === undefined || other.half === here.half;
  const shares = (other: Step): boolean => {
    const worked = workedLeaves(other);
    return worked.length === 0 || zones.length === 0 || worked.some((leaf) => zones.includes(leaf));
  };
  const takesOffHere = (worked: Worked): boolean =>
    isHere(worked) && stepsOf(worked).some((each) => takesOff(each) && shares(each));
  const since = all.slice(0, at).findLastIndex(takesOffHere) + 1;
  const puts = (worked: Worked): readonly Source[] =>
    isHere(worked) ? stepsOf(worked).filter(shares).flatMap(putOnBy) : [];
  const lying = all.slice(since, at + 1).map(puts);
  const product = lying.findLast((sources) => sources.length > 0);
  if (!product) return undefined;
  const first = lying.findIndex((sources) =>
    sources.some((source) => product.some((each) => isSame(each, source))),
  );
  const later = all.findIndex((worked, index) => index > at && takesOffHere(worked));
  const off = takesOff(step) ? at + 1 : later;
  return {
    from: since + first,
    until: off === -1 ? lastOfVisit(all) + 1 : off,
    neverEnds: off === -1,
  };
}

/**
 * What a step puts on the skin: not what goes into steam, a bowl, a cloth or a bath, nor the pieces by which a product
 * is put on, such as gauze; pieces that are put on by themselves, such as a sheet, are.
 * @see R4
 */
export function putOnBy({ doses }: Pick<Step, 'doses'>): readonly Source[] {
  const onSkin = doses.filter(({ into }) => into === undefined);
  const spread = onSkin.filter(
    ({ amount }) => !(amount.how === 'measured' && amount.unit === 'piece'),
  );
  return (spread.length > 0 ? spread : onSkin).map(({ source }) => source);
}

function lastOfVisit(all: readonly Worked[]): number {
  return all.findLastIndex(({ step }) => step?.stretch === 'visit');
}

/** A step and what is done beside it. */
export function stepsOf({ step, meanwhile }: Worked): readonly Step[] {
  return step ? [step, ...meanwhile] : meanwhile;
}

function isSame(a: Source, b: Source): boolean {
  return a.kind === 'material'
    ? b.kind === 'material' && a.materialId === b.materialId
    : b.kind === 'mix' && a.mixId === b.mixId;
}
