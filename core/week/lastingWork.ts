import type { Draw } from '../draws/draw';
import type { Mix, Step, WorkedProtocol } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import type { StepId } from '../house/ids';
import { mixMakings } from '../mix/mixMakings';
import { addTriples, type Triple } from '../quantity/triple';
import type { Schedule } from '../time/schedule';

/** Minutes of a step that somebody has done already. */
export interface Spared {
  readonly stepId: StepId;
  /** expected */
  readonly minutes: number;
  /** nothing of the step is left */
  readonly isWhole?: true;
}

/**
 * Something that a visit makes ready and that lasts, so that a later visit which needs the same is spared the work.
 * Expected minutes after the room is first used.
 */
export interface LastingWork {
  /** what has the same key is the same */
  readonly key: string;
  readonly name: string;
  /** only a visit in the same room is served by it */
  readonly inRoom: boolean;
  /** begun, and ready */
  readonly from: number;
  readonly ready: number;
  /** when this visit needs it last */
  readonly last: number;
  /** after it is ready; nothing where it keeps for the day */
  readonly lasts?: number;
  /** the step in whose minutes it is made, and what it takes of them; nothing where none counts them */
  readonly made?: Spared;
  readonly mix?: { readonly mix: Mix; readonly needed: Triple };
}

/**
 * What of a visit may serve a later one: mixes that keep, and set-up that holds.
 * @param draws of the same protocol
 * @see M2 M3
 */
export function lastingWork(
  protocol: WorkedProtocol,
  schedule: Schedule,
  draws: readonly Draw[],
  shelf: ShelfIndex,
): readonly LastingWork[] {
  return [
    ...mixesMade(protocol, schedule, draws, shelf),
    ...protocol.steps.flatMap((step) => setUp(step, protocol, schedule)),
  ];
}

function mixesMade(
  protocol: WorkedProtocol,
  schedule: Schedule,
  draws: readonly Draw[],
  shelf: ShelfIndex,
): LastingWork[] {
  const found = new Map<string, LastingWork>();
  for (const { mix, usedBy, makeAt, mixedAt, lastAt, madeBy } of mixMakings(
    protocol,
    schedule,
    shelf,
  )) {
    if (mix.made !== 'ahead' && mix.workingLifeMinutes === undefined) continue;
    const before = found.get(mix.id);
    const own = draws.filter((draw) => draw.mix?.mixId === mix.id);
    const here = neededIn(own.filter(({ stepId }) => stepId === usedBy));
    if (!here) continue;
    const needed = before?.mix ? addTriples(before.mix.needed, here) : here;
    found.set(mix.id, {
      key: `mix/${mix.id}/${[...new Set(own.map(({ materialId }) => materialId))].toSorted().join()}`,
      name: mix.name,
      inRoom: false,
      from: Math.min(before?.from ?? makeAt, makeAt),
      ready: Math.min(before?.ready ?? mixedAt, mixedAt),
      last: Math.max(before?.last ?? lastAt, lastAt),
      ...(mix.workingLifeMinutes !== undefined && { lasts: mix.workingLifeMinutes }),
      ...(madeBy !== undefined &&
        mix.mixingMinutes > 0 && { made: { stepId: madeBy, minutes: mix.mixingMinutes } }),
      mix: { mix, needed },
    });
  }
  return [...found.values()];
}

/** What a step needs of a mix: every part of it is a draw of its own, the need behind them is one. */
function neededIn(draws: readonly Draw[]): Triple | undefined {
  const needs = new Map<string, Triple>();
  for (const { doseId, layer, half, mix } of draws) {
    if (mix) needs.set(`${doseId}/${layer ?? ''}/${half ?? ''}`, mix.needed);
  }
  const [first, ...others] = needs.values();
  return first && others.reduce(addTriples, first);
}

/** A step of a block is the same in every protocol that uses it. */
const OF_BLOCK = /^[^.]*\.(.+)$/;

function setUp(
  { id, name, stretch, holdsMinutes }: Step,
  protocol: WorkedProtocol,
  { rows }: Schedule,
): LastingWork[] {
  const row = rows.find(({ of }) => of.kind === 'step' && of.stepId === id);
  if (stretch !== 'set-up' || holdsMinutes === undefined || !row) return [];
  const inBlock = OF_BLOCK.exec(id)?.[1];
  const ready = row.startsAt + row.ownMinutes;
  return [
    {
      key: `set-up/${inBlock === undefined ? `${protocol.id}/${id}` : `${inBlock}/${name}`}`,
      name,
      inRoom: true,
      from: row.startsAt,
      ready,
      last: ready,
      lasts: holdsMinutes,
      made: { stepId: id, minutes: row.ownMinutes, isWhole: true },
    },
  ];
}
