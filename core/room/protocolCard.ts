import type { Draw } from '../draws/drawsOf';
import type { LayerGroup, Step, Stretch, WorkedProtocol } from '../house/house';
import type { LayerGroupId } from '../house/ids';
import { STRETCHES } from '../protocol/arrange';
import type { Schedule, ScheduleRow } from '../time/schedule';

/** A step on the card that a therapist follows. */
export interface CardStep {
  readonly step: Step;
  /** counted through the whole card, from 1; none for what is done meanwhile */
  readonly number: number | undefined;
  /** minutes after the room is first used, the first time it is done */
  readonly startsAt: number;
  /** how often it is done in the visit */
  readonly times: number;
  /** what is drawn each time it is done */
  readonly draws: readonly Draw[];
  /** the layers or passes that begin with it */
  readonly layersBegin?: LayerGroup;
  readonly inLayers: boolean;
}

export interface CardStretch {
  readonly stretch: Stretch;
  readonly steps: readonly CardStep[];
}

/**
 * A protocol as a card for the room: its steps in the order of work, those in layers once with how
 * often they are done, each with what it takes each time.
 */
export function protocolCard(
  protocol: WorkedProtocol,
  schedule: Schedule,
  draws: readonly Draw[],
): readonly CardStretch[] {
  const rows = new Map<string, ScheduleRow[]>();
  for (const row of schedule.rows) {
    if (row.of.kind !== 'step') continue;
    const known = rows.get(row.of.stepId);
    if (known) known.push(row);
    else rows.set(row.of.stepId, [row]);
  }
  const groups = new Map(protocol.layerGroups.map((group) => [group.id, group]));
  const begun = new Set<LayerGroupId>();
  let number = 0;
  return STRETCHES.map((stretch) => ({
    stretch,
    steps: protocol.steps
      .filter((step) => step.stretch === stretch)
      .flatMap((step): CardStep[] => {
        const done = rows.get(step.id) ?? [];
        const [first] = done;
        if (!first) return [];
        const meanwhile = step.meanwhileOf !== undefined;
        if (!meanwhile) number += 1;
        const { layerGroupId } = step;
        const begins = layerGroupId !== undefined && !begun.has(layerGroupId);
        if (layerGroupId !== undefined) begun.add(layerGroupId);
        return [
          {
            step,
            number: meanwhile ? undefined : number,
            startsAt: first.startsAt,
            times: done.length,
            draws: draws.filter(
              (draw) =>
                draw.stepId === step.id && draw.layer === first.layer && draw.half === first.half,
            ),
            inLayers: layerGroupId !== undefined,
            ...(begins && { layersBegin: groups.get(layerGroupId) }),
          },
        ];
      }),
  })).filter(({ steps }) => steps.length > 0);
}
