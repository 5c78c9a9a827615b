import { drawableMix, resolveAmount, type DoseSettings } from '../dose/resolveAmount';
import type { Dose, Mix, Step } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import { overLayers, timesOf } from '../dose/overLayers';
import type { MixId } from '../house/ids';
import { makeMix, restOfBowl, type MadeMix } from '../mix/makeMix';
import { resolveMix } from '../mix/mixYield';
import { fail, ok, type Outcome } from '../problem/problem';
import { exactly, sumTriples, type Triple } from '../quantity/triple';
import type { StepTurn } from '../time/turns';
import { workedLeaves } from '../zone/workedLeaves';

/** What one dose takes of a bowl. */
export interface FromBowl {
  readonly mixId: MixId;
  /** of the mix, in its basis */
  readonly needed: Triple;
  /** of what was put into the bowl; the shares of all its uses sum to 1 */
  readonly share: number;
  readonly made: MadeMix;
  /** nothing was taken of it before */
  readonly isFirst: boolean;
}

/** What each dose of a mix takes, by `useKey`. */
export type Bowls = ReadonlyMap<string, Outcome<FromBowl>>;

/** Minutes closer than this are the same. */
const SAME = 1e-6;

/** Tells a dose of one turn from that of another. */
export function useKey(turn: Pick<StepTurn, 'layer' | 'half'>, { id }: Pick<Dose, 'id'>): string {
  return `${id}/${turn.layer ?? ''}/${turn.half ?? ''}`;
}

/** One dose that is taken of a bowl: so much, or all that is left by the others. */
interface Use {
  readonly key: string;
  readonly step: Step;
  readonly said: Triple | 'rest';
}

interface Filling {
  readonly mix: Mix;
  /** when it is mixed, expected minutes after the room is first used */
  readonly mixedAt: number;
  readonly uses: Use[];
}

/**
 * The bowls of a visit: what is used of a mix within its working life is made once, before the first use, for
 * the sum of what is needed; its cost is shared by need. A step that makes the mix begins another bowl.
 * *All of it* and *the rest of the bowl* are what whole batches give beyond the amounts that are said.
 * @param turns every step as often as it is done, in the order of work
 * @see M2 M3
 */
export function bowlsOf(
  turns: readonly StepTurn[],
  shelf: ShelfIndex,
  settings: DoseSettings,
): Bowls {
  const found = new Map<string, Outcome<FromBowl>>();
  const inUse = new Map<MixId, Filling>();
  const madeAt = new Map<MixId, number>();
  const all: Filling[] = [];
  const times = timesOf(turns);
  for (const turn of turns) {
    const { step, startsAt, ownMinutes } = turn;
    for (const id of step.makes ?? []) {
      inUse.delete(id);
      madeAt.set(id, startsAt + ownMinutes);
    }
    for (const written of step.doses) {
      const dose = overLayers(written, times.get(step.id) ?? 1);
      if (dose.source.kind !== 'mix') continue;
      const { mixId } = dose.source;
      const key = useKey(turn, dose);
      const mix = shelf.mixes.get(mixId);
      if (!mix) {
        found.set(
          key,
          fail('mix-unknown', `“${step.name}” uses a mix that is no longer in the house.`, {
            field: 'source',
          }),
        );
        continue;
      }
      const said = saidOf(dose, step, mix, shelf, settings);
      if (!said.ok) {
        found.set(key, said);
        continue;
      }
      const known = inUse.get(mixId);
      const keeps = mix.workingLifeMinutes ?? Infinity;
      const use: Use = { key, step, said: said.value };
      if (known && startsAt - known.mixedAt <= keeps + SAME) known.uses.push(use);
      else {
        /* Made here, it is mixed before it is used; older than it keeps, it is mixed anew. */
        const mixedAt = known ? startsAt : Math.min(startsAt, madeAt.get(mixId) ?? startsAt);
        const bowl: Filling = { mix, mixedAt, uses: [use] };
        inUse.set(mixId, bowl);
        all.push(bowl);
      }
    }
  }
  for (const bowl of all) {
    for (const [key, from] of filled(bowl, shelf, settings)) found.set(key, from);
  }
  return found;
}

function saidOf(
  { amount }: Dose,
  step: Step,
  mix: Mix,
  shelf: ShelfIndex,
  settings: DoseSettings,
): Outcome<Triple | 'rest'> {
  if (amount.how === 'all' || amount.how === 'rest') return ok('rest');
  const made = amount.how === 'batches' ? resolveMix(mix.id, shelf, settings) : undefined;
  if (made && !made.ok) return made;
  const drawable = drawableMix(mix, made?.value.batchYield);
  const resolved = resolveAmount(amount, workedLeaves(step), drawable, settings, {});
  return resolved.ok ? ok(resolved.value.drawn) : resolved;
}

function filled(
  { mix, uses }: Filling,
  shelf: ShelfIndex,
  settings: DoseSettings,
): readonly (readonly [string, Outcome<FromBowl>])[] {
  const resolved = resolveMix(mix.id, shelf, settings);
  if (!resolved.ok) return uses.map(({ key }) => [key, resolved]);
  const said = uses.flatMap((use) => (use.said === 'rest' ? [] : [use.said]));
  const rests = uses.length - said.length;
  const each = rests === 0 ? 0 : restOfBowl(said, resolved.value.batchYield) / rests;
  const needs = uses.map((use) => (use.said === 'rest' ? exactly(each) : use.said));
  const sum = sumTriples(needs);
  const made = makeMix(mix.id, sum, shelf, settings);
  return uses.map(({ key }, at) => {
    const needed = needs[at] ?? exactly(0);
    if (!made.ok) return [key, made];
    const share = sum.usual > 0 ? needed.usual / sum.usual : 1 / uses.length;
    return [key, ok({ mixId: mix.id, needed, share, made: made.value, isFirst: at === 0 })];
  });
}
