import type { Hands, Minutes, Role, Stretch } from '../house/house';
import type { StepId } from '../house/ids';
import type { Half } from '../protocol/arrange';
import type { Schedule, ScheduleRow } from './schedule';

/** A piece of a strand of the ribbon, in expected minutes after the room is first used. */
export interface Segment {
  readonly from: number;
  readonly to: number;
  readonly name: string;
  readonly mark: Hands;
  /** nothing for waits and for time in which nothing is asked of the person */
  readonly stepId?: StepId;
  readonly layer?: number;
  readonly half?: Half;
  /** as they are written, of a step */
  readonly minutes?: Minutes;
}

/** Where a contact time must end. @see T6 */
export interface CapEdge {
  readonly stepId: StepId;
  readonly at: number;
  readonly capMinutes: number;
  readonly chancePast: number;
  readonly passed: boolean;
}

/** A treatment along the minutes: what happens with the client, each person's hands, the room. */
export interface Strands {
  readonly client: readonly Segment[];
  /** what is done beside the step it fits into */
  readonly meanwhile: readonly Segment[];
  readonly hands: Readonly<Record<Role, readonly Segment[]>>;
  readonly room: readonly {
    readonly stretch: Stretch;
    readonly from: number;
    readonly to: number;
  }[];
  readonly caps: readonly CapEdge[];
  readonly end: number;
}

/**
 * Lays a schedule out as strands. The therapist's strand has no gaps: where nothing is asked, it is
 * free.
 * @see T3 T4 T6
 */
export function strandsOf(schedule: Schedule): Strands {
  const outer = schedule.rows.filter((row) => row.meanwhileOf === undefined);
  const beside = schedule.rows.filter((row) => row.meanwhileOf !== undefined);
  const end = outer.reduce((latest, row) => Math.max(latest, endOf(row)), 0);
  return {
    client: outer
      .filter((row) => row.stretch === 'visit')
      .map((row) => segment(row, row.startsAt, endOf(row), row.hands)),
    meanwhile: beside.map((row) =>
      segment(row, row.startsAt, row.startsAt + row.ownMinutes, row.hands),
    ),
    hands: {
      therapist: outer.flatMap((row) => handsDuring(row, beside, 'therapist')),
      assistant: outer
        .flatMap((row) => handsDuring(row, beside, 'assistant'))
        .filter((piece) => piece.stepId !== undefined),
    },
    room: (['set-up', 'visit', 'reset'] as const).flatMap((stretch) => {
      const rows = outer.filter((row) => row.stretch === stretch);
      const first = rows[0];
      const last = rows.at(-1);
      return first && last ? [{ stretch, from: first.startsAt, to: endOf(last) }] : [];
    }),
    caps: outer.flatMap(capOf),
    end,
  };
}

function handsDuring(row: ScheduleRow, beside: readonly ScheduleRow[], role: Role): Segment[] {
  const pieces: Segment[] = [];
  let at = row.startsAt;
  for (const work of beside) {
    if (!belongsTo(work, row) || work.by !== role) continue;
    if (work.startsAt > at) pieces.push(rest(row, role, at, work.startsAt));
    at = work.startsAt + work.ownMinutes;
    pieces.push(segment(work, work.startsAt, at, work.hands));
  }
  if (endOf(row) > at + 1e-9) pieces.push(rest(row, role, at, endOf(row)));
  return pieces;
}

function rest(row: ScheduleRow, role: Role, from: number, to: number): Segment {
  return row.by === role
    ? segment(row, from, to, row.hands)
    : { from, to, name: 'free', mark: 'free' };
}

function belongsTo(work: ScheduleRow, row: ScheduleRow): boolean {
  return (
    row.of.kind === 'step' &&
    work.meanwhileOf === row.of.stepId &&
    work.layer === row.layer &&
    work.half === row.half
  );
}

function segment(row: ScheduleRow, from: number, to: number, mark: Hands): Segment {
  const stepId = row.of.kind === 'step' ? row.of.stepId : undefined;
  return {
    from,
    to,
    name: row.name,
    mark,
    stepId,
    layer: row.layer,
    half: row.half,
    minutes: row.minutes,
  };
}

function endOf(row: ScheduleRow): number {
  return row.startsAt + row.roomMinutes;
}

function capOf(row: ScheduleRow): CapEdge[] {
  if (!row.contact || row.of.kind !== 'step') return [];
  const { capMinutes, chancePast, expectedMinutes, clock } = row.contact;
  const at = (clock?.startsAt ?? row.startsAt) + capMinutes;
  return [
    { stepId: row.of.stepId, at, capMinutes, chancePast, passed: expectedMinutes > capMinutes },
  ];
}
