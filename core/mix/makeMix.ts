import { wholeAbove } from '../dose/openPacks';
import type { DoseSettings } from '../dose/resolveAmount';
import type { KitPartId, MaterialId, MixId } from '../house/ids';
import type { ShelfIndex } from '../house/houseIndex';
import { collect, fail, ok, type Outcome } from '../problem/problem';
import {
  mapTriple,
  multiplyTriples,
  scaleTriple,
  sumTriples,
  ZERO,
  type Triple,
} from '../quantity/triple';
import { resolveMix } from './mixYield';

/** What one material contributes to a mix that is made. */
export interface MixDraw {
  readonly materialId: MaterialId;
  /** of a kit, whose box is opened by the visit; then in the part's unit */
  readonly part?: KitPartId;
  /** gone from the shelf, in the material's unit: whole packs of what comes only so */
  readonly amount: Triple;
  /** of the packs that were opened, what did not go into the mix; it is lost */
  readonly leftOver: Triple;
}

/** A mix made for a need. */
export interface MadeMix {
  /** of the mix, in its basis */
  readonly needed: Triple;
  /** batches: needed / yield; whole ones where the recipe is only made whole */
  readonly scale: Triple;
  /** what one reference batch gives for use, in the mix's basis */
  readonly batchYield: number;
  /** of what is mixed, the share that is not used: what stays in the bowl, and what is more than is needed */
  readonly wasted: number;
  readonly draws: readonly MixDraw[];
}

/**
 * Makes enough of a mix for `needed`: scale k = needed / yield, every part at k, mixes within mixes likewise.
 * A part that comes only as whole packs is rounded up to whole packs by itself; the rest follow k. A recipe that
 * is only made in whole batches is repeated.
 * @param needed in the mix's basis
 * @returns what each material gives; a problem naming the loop when a mix contains itself
 * @see M2 M4
 */
export function makeMix(
  mixId: MixId,
  needed: Triple,
  shelf: ShelfIndex,
  settings: DoseSettings,
  within: readonly MixId[] = [],
): Outcome<MadeMix> {
  if (within.includes(mixId)) {
    const loop = [...within.slice(within.indexOf(mixId)), mixId].map(
      (id) => shelf.mixes.get(id)?.name ?? id,
    );
    return fail('mix-cyclic', `A mix cannot contain itself: ${loop.join(' → ')}.`, { mixId });
  }
  const resolved = resolveMix(mixId, shelf, settings);
  if (!resolved.ok) return resolved;
  const { mix, parts, batchYield } = resolved.value;
  const scale = mapTriple(needed, (need) =>
    mix.wholeBatches ? wholeAbove(need / batchYield) : need / batchYield,
  );
  const draws = collect(
    parts.map(({ part, drawable, amount }): Outcome<readonly MixDraw[]> => {
      const used = multiplyTriples(scale, amount);
      if (part.source.kind === 'mix') {
        const inner = makeMix(part.source.mixId, used, shelf, settings, [...within, mixId]);
        return inner.ok ? ok(inner.value.draws) : inner;
      }
      const { materialId, part: ofKit } = part.source;
      if (ofKit !== undefined)
        return ok([{ materialId, part: ofKit, amount: used, leftOver: ZERO }]);
      const content = drawable.packContent;
      if (content === undefined) return ok([{ materialId, amount: used, leftOver: ZERO }]);
      const opened = mapTriple(used, (each) => wholeAbove(each / content) * content);
      const leftOver = {
        low: Math.max(0, opened.low - used.low),
        usual: Math.max(0, opened.usual - used.usual),
        high: Math.max(0, opened.high - used.high),
      };
      return ok([{ materialId, amount: opened, leftOver }]);
    }),
  );
  if (!draws.ok) return draws;
  const mixed = (scale.usual * batchYield) / (1 - mix.bowlLoss);
  const wasted = mixed > 0 ? Math.max(0, 1 - needed.usual / mixed) : 0;
  return ok({ needed, scale, batchYield, wasted, draws: draws.value.flat() });
}

/**
 * What a bowl gives besides the amounts that are said: whole batches, as few as hold them, less those amounts.
 * @param said what is said to be taken of the bowl, in the mix's basis
 * @param batchYield of one reference batch
 * @returns never below 0
 * @see M2
 */
export function restOfBowl(said: readonly Triple[], batchYield: number): number {
  const taken = sumTriples(said).usual;
  const batches = Math.max(1, wholeAbove(taken / batchYield));
  return Math.max(0, batches * batchYield - taken);
}

/** A draw that serves several uses, as far as it is for one of them. */
export function shareOfDraw(draw: MixDraw, share: number): MixDraw {
  return {
    ...draw,
    amount: scaleTriple(draw.amount, share),
    leftOver: scaleTriple(draw.leftOver, share),
  };
}
