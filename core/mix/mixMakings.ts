import type { Mix, WorkedProtocol } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import type { MixId, StepId } from '../house/ids';
import type { Schedule, ScheduleRow } from '../time/schedule';

/** When a mix is made for a step that uses it, in minutes after the room is first used. */
export interface MixMaking {
  readonly mix: Mix;
  readonly usedBy: StepId;
  /** the first time it is needed */
  readonly neededAt: number;
  /** the last time it is used */
  readonly lastAt: number;
  /** when mixing begins; below 0 is before the room is first used */
  readonly makeAt: number;
  /** when it is mixed, and stands */
  readonly mixedAt: number;
  /** the step in which it is made, where one says so */
  readonly madeBy?: StepId;
}

/**
 * When each mix is made: in the step that says so, or at the tray so that it has stood long enough when
 * it is first needed.
 * @see M3
 */
export function mixMakings(
  protocol: WorkedProtocol,
  schedule: Schedule,
  shelf: ShelfIndex,
): MixMaking[] {
  const rowsOf = rowsByStep(schedule.rows);
  const makers = new Map<MixId, { readonly stepId: StepId; readonly until: number }>();
  for (const step of protocol.steps) {
    for (const id of step.makes ?? []) {
      const row = rowsOf.get(step.id)?.[0];
      if (row) makers.set(id, { stepId: step.id, until: row.startsAt + row.ownMinutes });
    }
  }
  return protocol.steps.flatMap((step) =>
    step.doses.flatMap(({ source }): MixMaking[] => {
      const mix = source.kind === 'mix' ? shelf.mixes.get(source.mixId) : undefined;
      const rows = rowsOf.get(step.id) ?? [];
      const first = rows[0];
      const last = rows.at(-1);
      if (!mix || !first || !last) return [];
      const maker = makers.get(mix.id);
      const isMadeHere = maker?.stepId === step.id;
      /* Made and used in one step, it is mixed first, and needed before the step ends. */
      const neededAt = isMadeHere ? maker.until : first.startsAt;
      const mixedAt = isMadeHere
        ? first.startsAt + mix.mixingMinutes
        : maker
          ? maker.until
          : neededAt - mix.standingMinutes;
      return [
        {
          mix,
          usedBy: step.id,
          neededAt,
          lastAt: last.startsAt,
          makeAt: mixedAt - mix.mixingMinutes,
          mixedAt,
          ...(maker && { madeBy: maker.stepId }),
        },
      ];
    }),
  );
}

function rowsByStep(rows: readonly ScheduleRow[]): ReadonlyMap<StepId, ScheduleRow[]> {
  const byStep = new Map<StepId, ScheduleRow[]>();
  for (const row of rows) {
    if (row.of.kind !== 'step') continue;
    const known = byStep.get(row.of.stepId);
    if (known) known.push(row);
    else byStep.set(row.of.stepId, [row]);
  }
  return byStep;
}
