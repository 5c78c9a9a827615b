import type { Step } from '../house/house';
import { devicesOf } from '../house/protocol';
import type { StepId } from '../house/ids';
import { problem, type CodeAbout } from '../problem/problem';
import type { Schedule, ScheduleRow } from '../time/schedule';
import { workedZones } from '../zone/workedZones';
import { inWholes } from '../zone/pickZones';
import { leavesOf, type LeafZone } from '../zone/zones';
import { zoneName } from '../zone/zoneNames';
import { effectsOf } from '../house/actions';
import type { Finding, ReviewedProtocol } from './finding';

const WORTH_SAYING = 0.05;

/**
 * What cannot be at once: contact times that what is planned beside them passes, hands that are needed
 * twice, more devices than there are, zones that are worked while something lies on them.
 * @see T4 T6
 */
export function conflictsIn(reviewed: ReviewedProtocol, schedule: Schedule): Finding[] {
  const { worked, index } = reviewed;
  const found = new Map<string, Finding>();
  const say: Say = (stepId, code, message, more) => {
    const where = { protocolId: worked.id, stepId };
    const finding = { weight: 'conflict', ...problem(code, message, where), ...more } as const;
    found.set(`${stepId}/${code}/${message}`, finding);
  };
  const steps = new Map(worked.steps.map((step) => [step.id, step]));
  caps(schedule, say);
  for (const together of hostsOf(schedule.rows, steps)) {
    hands(together, say);
    devices(together, index.devices, say);
  }
  covered(schedule.rows, steps, say);
  return [...found.values()];
}

type Say = (
  stepId: StepId,
  code: CodeAbout<'protocolId' | 'stepId'>,
  message: string,
  more?: Partial<Pick<Finding, 'weight' | 'chance'>>,
) => void;
type Steps = ReadonlyMap<StepId, Step>;

/** A step with what is done beside it. */
interface Together {
  readonly host: Step;
  readonly beside: readonly Step[];
}

function hostsOf(rows: readonly ScheduleRow[], steps: Steps): Together[] {
  const hosts = new Map<StepId, Together & { readonly beside: Step[] }>();
  for (const row of rows) {
    const step = row.of.kind === 'step' ? steps.get(row.of.stepId) : undefined;
    if (!step) continue;
    if (row.meanwhileOf === undefined) {
      if (!hosts.has(step.id)) hosts.set(step.id, { host: step, beside: [] });
      continue;
    }
    const beside = hosts.get(row.meanwhileOf)?.beside;
    if (beside && !beside.includes(step)) beside.push(step);
  }
  return [...hosts.values()];
}

function caps(schedule: Schedule, say: Say): void {
  for (const { of, contact, name } of schedule.rows) {
    if (of.kind !== 'step' || !contact) continue;
    const { capMinutes, expectedMinutes, chancePast, clock } = contact;
    if (clock?.neverEnds) {
      say(
        of.stepId,
        'contact-never-ends',
        `What “${name}” leaves on the skin for at most ${capMinutes} min is never taken off while the guest is there. Add the step that takes it off.`,
      );
    }
    if (expectedMinutes > capMinutes) {
      say(
        of.stepId,
        'contact-cap-passed',
        `“${name}” may stay on for at most ${capMinutes} min, but what is planned for that time takes longer${clock ? `: ${rounded(clock.firstZoneMinutes)} min from the first touch` : ''}. Shorten it, or follow the maker's longest contact time.`,
        { chance: chancePast },
      );
    } else if (chancePast > WORTH_SAYING) {
      say(
        of.stepId,
        'contact-cap-near',
        clock
          ? `“${name}” may pass its ${capMinutes} min from the first touch: putting on and waiting sometimes take longer.`
          : `“${name}” may pass its ${capMinutes} min: what is done meanwhile sometimes takes longer.`,
        { chance: chancePast, weight: 'prompt' },
      );
    }
  }
}

function rounded(minutes: number): number {
  return Math.round(minutes * 10) / 10;
}

function hands({ host, beside }: Together, say: Say): void {
  if (host.hands !== 'hands-on') return;
  for (const step of beside) {
    if (step.by !== host.by || step.hands !== 'hands-on') continue;
    say(
      step.id,
      'hands-taken',
      `“${step.name}” needs the ${step.by}’s hands while “${host.name}” has them. Give it to somebody else, or mark “${host.name}” as watching or free.`,
    );
  }
}

function devices(
  { host, beside }: Together,
  known: ReviewedProtocol['index']['devices'],
  say: Say,
): void {
  const held = devicesOf(host);
  for (const step of beside) {
    for (const id of devicesOf(step)) {
      const device = known.get(id);
      const needed = [...held, id].filter((each) => each === id).length;
      if (device && needed > device.count) {
        say(
          step.id,
          'device-taken',
          `“${step.name}” needs ${device.name} while “${host.name}” has it; the house has ${device.count}.`,
        );
      }
    }
  }
}

/** Walks along the minutes with what lies on the skin. */
function covered(rows: readonly ScheduleRow[], steps: Steps, say: Say): void {
  const under = new Map<LeafZone, Step>();
  for (const row of rows) {
    const step = row.of.kind === 'step' ? steps.get(row.of.stepId) : undefined;
    if (!step) continue;
    const takesOff = step.removal !== undefined || effectsOf(step.action).includes('uncovers');
    const leaves = workedZones(step).flatMap(leavesOf);
    if (takesOff && !step.covers) {
      leaves.forEach((leaf) => under.delete(leaf));
      continue;
    }
    const cover = leaves
      .map((leaf) => under.get(leaf))
      .find((each) => each !== undefined && each.id !== step.id);
    if (cover && isWork(step)) {
      const hit = leaves.filter((leaf) => under.get(leaf) === cover);
      say(step.id, 'zone-covered', underWords(step, hit, cover));
    }
    if (step.covers) {
      leaves.forEach((leaf) => under.set(leaf, step));
      /* What comes off in the same step covers only what is done beside it. */
      if (step.removal && step.removal.how !== 'stays-on') {
        const besides = rows.filter((other) => other.meanwhileOf === step.id);
        for (const other of besides) checkBeside(other, steps, step, say);
        leaves.forEach((leaf) => under.delete(leaf));
      }
    }
  }
}

function checkBeside(row: ScheduleRow, steps: Steps, cover: Step, say: Say): void {
  const step = row.of.kind === 'step' ? steps.get(row.of.stepId) : undefined;
  if (!step || !isWork(step)) return;
  const covers = new Set(cover.zones.flatMap(leavesOf));
  const hit = step.zones.flatMap(leavesOf).filter((leaf) => covers.has(leaf));
  if (hit.length > 0) {
    say(step.id, 'zone-covered', underWords(step, hit, cover));
  }
}

function underWords(step: Step, hit: readonly LeafZone[], cover: Step): string {
  return `“${step.name}” works on ${inWholes(hit).map(zoneName).join(', ')}, which lies under “${cover.name}”. Take it off first, work elsewhere, or, where it is laid over it, say of “${step.name}” that its zones lie under it (in a line: covered).`;
}

/** Whether a step does something on its zones, rather than laying a cover over what lies there. */
function isWork(step: Step): boolean {
  return step.hands === 'hands-on' && !step.covers;
}
