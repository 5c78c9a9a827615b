import type { Draw } from '../draws/draw';
import type { LayerGroup, Otherwise, Step, Stretch, WorkedProtocol } from '../house/house';
import { optionsOf } from '../house/protocol';
import type { LayerGroupId } from '../house/ids';
import { waysOf } from '../protocol/deciding';
import { STRETCHES } from '../protocol/arrange';
import type { WrittenOut } from '../protocol/expandBlocks';
import type { Schedule, ScheduleRow } from '../time/schedule';

/**
 * How a step stands on the card: it is done; it may be done if needed, or as is decided at the couch; or it is
 * done for other clients.
 */
export type CardStanding = 'done' | 'if-needed' | 'at-the-couch' | 'for-others';

/** When a step begins, the first time it is done. */
export interface CardClock {
  /** minutes after the room is taken */
  readonly room: number;
  /** minutes after the guest enters; none before */
  readonly guest?: number;
}

/** A step on the card that a therapist follows. */
export interface CardStep {
  readonly step: Step;
  readonly standing: CardStanding;
  /** counted through the whole card, from 1; none for what is done meanwhile, or is not done as a rule */
  readonly number: number | undefined;
  /** none for what is not done as a rule */
  readonly clock: CardClock | undefined;
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
 * A protocol as a card for one client: its steps in the order of work, those in layers once with how often they
 * are done, each with what it takes each time. What is only done if needed, at the couch or for others stands
 * in its place, too.
 * @param written everything that is written, blocks written out
 * @param worked what is done for this client
 */
export function protocolCard(
  written: WrittenOut,
  worked: WorkedProtocol,
  schedule: Schedule,
  draws: readonly Draw[],
): readonly CardStretch[] {
  const done = new Map(worked.steps.map((step) => [step.id, step]));
  const rows = rowsByStep(schedule);
  const guestEnters = Math.min(
    ...worked.steps.flatMap((step) =>
      step.stretch === 'visit' ? (rows.get(step.id)?.[0]?.startsAt ?? []) : [],
    ),
  );
  return inStretches(written, (step) => {
    const mine = done.get(step.id);
    const [first, ...more] = rows.get(step.id) ?? [];
    if (!mine || !first) {
      return { step, standing: standingOf(step, written), clock: undefined, times: 0, draws: [] };
    }
    const guest = first.startsAt - guestEnters;
    return {
      step: saidAtTheCouch(mine, step, written),
      standing: 'done',
      clock: { room: first.startsAt, ...(guest >= 0 && step.stretch !== 'set-up' && { guest }) },
      times: more.length + 1,
      draws: draws.filter(
        (draw) => draw.stepId === step.id && draw.layer === first.layer && draw.half === first.half,
      ),
    };
  });
}

/** A protocol as a card for everybody: all branches stand side by side, with for whom each is. */
export function cardForEverybody(written: WrittenOut): readonly CardStretch[] {
  return inStretches(written, (step) => ({
    step,
    standing: optionsOf(step).length > 0 || step.optional ? standingOf(step, written) : 'done',
    clock: undefined,
    times: 1,
    draws: [],
  }));
}

type Standing = Omit<CardStep, 'number' | 'inLayers' | 'layersBegin'>;

function inStretches(written: WrittenOut, stand: (step: Step) => Standing): CardStretch[] {
  const groups = new Map(written.layerGroups.map((group) => [group.id, group]));
  const begun = new Set<LayerGroupId>();
  let number = 0;
  return STRETCHES.map((stretch) => ({
    stretch,
    steps: written.steps
      .filter((step) => step.stretch === stretch)
      .map((step): CardStep => {
        const standing = stand(step);
        const isCounted = step.meanwhileOf === undefined && standing.standing === 'done';
        if (isCounted) number += 1;
        const { layerGroupId } = step;
        const begins = layerGroupId !== undefined && !begun.has(layerGroupId);
        if (layerGroupId !== undefined) begun.add(layerGroupId);
        return {
          ...standing,
          number: isCounted ? number : undefined,
          inLayers: layerGroupId !== undefined,
          ...(begins && { layersBegin: groups.get(layerGroupId) }),
        };
      }),
  })).filter(({ steps }) => steps.length > 0);
}

/** The steps that are done for a client, and those that may be: if needed, or as is decided at the couch. */
export function stepsThatMayBe(written: WrittenOut, worked: WorkedProtocol): readonly Step[] {
  const done = new Map(worked.steps.map((step) => [step.id, step]));
  return written.steps.flatMap((step) => {
    const mine = done.get(step.id);
    if (mine) return waysOf(saidAtTheCouch(mine, step, written));
    return standingOf(step, written) === 'for-others' ? [] : [step];
  });
}

/** How a step is otherwise where that is only seen at the couch. */
function atTheCouch({ otherwise = [] }: Step, { choices }: WrittenOut): readonly Otherwise[] {
  const couch = new Set(choices.filter(({ by }) => by === 'couch').map(({ id }) => id));
  return otherwise.filter((each) => optionsOf(each).some(({ choiceId }) => couch.has(choiceId)));
}

/** A step as it is done for a client, with what may be otherwise at the couch. */
function saidAtTheCouch(mine: Step, step: Step, written: WrittenOut): Step {
  const otherwise = atTheCouch(step, written);
  return otherwise.length > 0 ? { ...mine, otherwise } : mine;
}

function standingOf(step: Step, { choices }: WrittenOut): Exclude<CardStanding, 'done'> {
  const ofStep = choices.filter(({ id }) =>
    optionsOf(step).some(({ choiceId }) => choiceId === id),
  );
  if (ofStep.length === 0) return step.optional ? 'if-needed' : 'for-others';
  return ofStep.every(({ by }) => by === 'couch') ? 'at-the-couch' : 'for-others';
}

function rowsByStep({ rows }: Schedule): ReadonlyMap<string, readonly ScheduleRow[]> {
  const all = new Map<string, ScheduleRow[]>();
  for (const row of rows) {
    if (row.of.kind !== 'step') continue;
    const known = all.get(row.of.stepId);
    if (known) known.push(row);
    else all.set(row.of.stepId, [row]);
  }
  return all;
}
