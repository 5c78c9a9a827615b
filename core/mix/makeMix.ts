import type { DoseSettings } from '../dose/resolveAmount';
import type { MaterialId, MixId } from '../house/ids';
import type { ShelfIndex } from '../house/houseIndex';
import { collect, fail, ok, type Outcome } from '../problem/problem';
import { mapTriple, multiplyTriples, type Triple } from '../quantity/triple';
import { resolveMix } from './mixYield';
import { wholePackScale } from './wholePackScale';

/** What one material contributes to a mix that is made. */
export interface MixDraw {
  readonly materialId: MaterialId;
  /** in the material's unit, all of it used or thrown away */
  readonly amount: Triple;
}

/** A mix made for a need. */
export interface MadeMix {
  /** batches: needed / yield, up to whole packs where a part comes only so */
  readonly scale: Triple;
  readonly batchYield: number;
  readonly draws: readonly MixDraw[];
}

/**
 * Makes enough of a mix for `needed`: scale k = needed / yield, every part at k, mixes within mixes
 * likewise.
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
  const { parts, batchYield } = resolved.value;

  const packsPerBatch = parts.flatMap(({ drawable, amount }) =>
    drawable.packContent === undefined ? [] : [amount.usual / drawable.packContent],
  );
  const scale = mapTriple(needed, (need) => wholePackScale(need / batchYield, packsPerBatch));

  const draws = collect(
    parts.map(({ part, drawable, amount }): Outcome<readonly MixDraw[]> => {
      const usual = { low: amount.usual, usual: amount.usual, high: amount.usual };
      const used = multiplyTriples(scale, drawable.packContent === undefined ? amount : usual);
      if (part.source.kind === 'material') {
        return ok([{ materialId: part.source.materialId, amount: used }]);
      }
      const inner = makeMix(part.source.mixId, used, shelf, settings, [...within, mixId]);
      return inner.ok ? ok(inner.value.draws) : inner;
    }),
  );
  return draws.ok ? ok({ scale, batchYield, draws: draws.value.flat() }) : draws;
}
