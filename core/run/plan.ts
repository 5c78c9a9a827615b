import type { Draw } from '../draws/draw';
import type {
  LayerGroup,
  Minutes,
  Source,
  Step,
  Stretch,
  TestSpot,
  VisitKind,
  WorkedProtocol,
} from '../house/house';
import { asId } from '../house/ids';
import type { Question } from '../house/question';
import type { HouseSettings } from '../house/settings';
import { failWith, ok, type Outcome } from '../problem/problem';
import { arrange, STRETCHES, type Half, type Occurrence } from '../protocol/arrange';
import { contactSpan, lastingOf, putOnBy, stepsOf, type Worked } from '../time/contactClock';
import { meanMinutes, type Distribution } from '../time/distribution';
import { NO_MINUTES } from '../time/stepLoad';

/** One thing that is done in a run, each layer and half for itself. */
export interface RunAct extends Worked {
  /** the same in every plan of the same protocol */
  readonly id: string;
  readonly kind: 'step' | 'wait' | 'test';
  readonly name: string;
  readonly stretch: Stretch;
  /** the layers that it belongs to */
  readonly group?: LayerGroup;
  /** counted from 1 */
  readonly layer?: number;
  /** of how many */
  readonly layers?: number;
  readonly minutes: Minutes;
  readonly time: Distribution;
  /** expected minutes after the room is taken */
  readonly startsAt: number;
  /** what it takes, and what is done beside it takes */
  readonly draws: readonly Draw[];
  /** what is asked before it is over */
  readonly asks: readonly Question[];
}

/** How long a product may lie on the skin, in places of acts. @see R4 */
export interface RunContact {
  readonly id: string;
  /** of the step that says how long */
  readonly name: string;
  /** what lies there */
  readonly source?: Source;
  readonly capMinutes: number;
  readonly from: number;
  readonly until: number;
}

/** A visit as it is to go. */
export interface RunPlan {
  readonly acts: readonly RunAct[];
  readonly contacts: readonly RunContact[];
  /** expected minutes of all that is done as a rule */
  readonly expected: number;
}

/** Whether an act is done as a rule: not what is only done if needed, and usually is not. */
export function isUsual({ step }: Pick<RunAct, 'step'>): boolean {
  return step?.optional?.usually !== 'left-out';
}

/**
 * What is done in a visit, one act after the other, each layer, wait and half for itself; and how long what is put
 * on may stay.
 * @param protocol worked for the guest
 * @param draws what it takes; nothing where that cannot be said
 * @returns problems of `arrange`
 * @see R4 T3
 */
export function planOf(
  protocol: WorkedProtocol,
  visitKind: VisitKind,
  draws: readonly Draw[],
  settings: Pick<HouseSettings, 'paceSpread'>,
): Outcome<RunPlan> {
  const arrangement = arrange(protocol, visitKind);
  if (!arrangement.ok) return failWith(arrangement.problems);
  const lasting = lastingOf(protocol, visitKind, settings);
  const groups = new Map(protocol.layerGroups.map((group) => [group.id, group]));
  const occurrences = STRETCHES.flatMap((stretch) =>
    arrangement.value[stretch].map((occurrence) => ({ stretch, occurrence })),
  );
  const acts = occurrences.map(({ stretch, occurrence }, at): RunAct => {
    const { time, startsAt, ...worked } = lasting[at] as (typeof lasting)[number];
    const own = { ...worked, stretch, time, startsAt };
    if (occurrence.kind === 'between') {
      const { group, layer } = occurrence;
      const layers = group.layers[visitKind];
      const minutes = group.between?.wait ?? NO_MINUTES;
      const id = `between/${group.id}/${layer}`;
      const name = 'Wait before the next layer';
      return { ...own, id, kind: 'wait', name, group, layer, layers, minutes, draws: [], asks: [] };
    }
    if (occurrence.kind === 'test') {
      const { group, spot } = occurrence;
      const minutes = addedUp(spot.minutes, spot.wait);
      const id = `test/${group.id}`;
      const asks = [seenOnTestSpot(group, spot)];
      return { ...own, id, kind: 'test', name: 'Test spot', group, minutes, draws: [], asks };
    }
    const { step, layer, half } = occurrence;
    const group = step.layerGroupId && groups.get(step.layerGroupId);
    const isLast = group && isLastOfLayer(occurrence, occurrences[at + 1]?.occurrence);
    return {
      ...own,
      id: [step.id, layer ?? '', half ?? ''].join('/'),
      kind: 'step',
      name: step.name,
      ...(group && { group, layers: group.layers[visitKind] }),
      ...(layer !== undefined && { layer }),
      minutes: step.minutes,
      draws: drawsOfAct(draws, worked, layer, half),
      asks: [
        ...stepsOf(worked).flatMap(({ asks }) => asks ?? []),
        ...(isLast ? (group.asks ?? []) : []),
      ],
    };
  });
  return ok({
    acts,
    contacts: eachOnce(acts.flatMap((act, at) => contactsIn(acts, act, at))),
    expected: acts.reduce((sum, act) => (isUsual(act) ? sum + meanMinutes(act.time) : sum), 0),
  });
}

/** What decides after a test spot, as a question: what is seen there ends it. */
function seenOnTestSpot({ id }: LayerGroup, { watch }: TestSpot): Question {
  return {
    id: asId(`test/${id}`),
    ask: `On the test spot: ${watch}`,
    answer: { kind: 'yes-no' },
    reactions: [{ at: 'yes', response: 'stop' }],
  };
}

function addedUp(a: Minutes, b: Minutes): Minutes {
  return { least: a.least + b.least, usual: a.usual + b.usual, most: a.most + b.most };
}

/** Whether the layer, with both of its halves, is on once this is done. */
function isLastOfLayer(
  { step, layer }: Extract<Occurrence, { kind: 'step' }>,
  next: Occurrence | undefined,
): boolean {
  return !(
    next?.kind === 'step' &&
    next.step.layerGroupId === step.layerGroupId &&
    next.layer === layer
  );
}

function drawsOfAct(
  draws: readonly Draw[],
  worked: Worked,
  layer: number | undefined,
  half: Half | undefined,
): readonly Draw[] {
  const ids = new Set<string>(stepsOf(worked).map(({ id }) => id));
  return draws.filter((draw) => ids.has(draw.stepId) && draw.layer === layer && draw.half === half);
}

/** The same contact is named by each of its layers. */
function eachOnce(all: readonly RunContact[]): RunContact[] {
  const keyOf = ({ name, from, until, capMinutes }: RunContact): string =>
    JSON.stringify([name, from, until, capMinutes]);
  return [...new Map(all.toReversed().map((each) => [keyOf(each), each])).values()].toReversed();
}

/** What an act puts on first. */
function sourceOf(act: RunAct | undefined): Source | undefined {
  return act && stepsOf(act).flatMap(putOnBy)[0];
}

function contactsIn(acts: readonly RunAct[], act: RunAct, at: number): RunContact[] {
  return stepsOf(act).flatMap((step: Step): RunContact[] => {
    const { capMinutes, capSince, name, hands } = step;
    if (capMinutes === undefined) return [];
    const span = contactSpan(acts, at, step);
    const { from, until } = capSince && span ? span : { from: at, until: at + 1 };
    /* What was put on before is meant where the contact is counted from then, and where it rests: not while hands work. */
    const isMeant = span && (span.from === from || hands !== 'hands-on');
    const source = isMeant ? sourceOf(acts[span.from]) : undefined;
    return [
      {
        id: `${act.id}:${step.id}`,
        name,
        ...(source && { source }),
        capMinutes,
        from,
        until,
      },
    ];
  });
}
