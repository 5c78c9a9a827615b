import type { Amount, Mix, MixPart } from '../house/house';
import type { MixId } from '../house/ids';
import { collect, fail, ok, type Outcome, type Where } from '../problem/problem';
import type { ShelfIndex } from '../house/houseIndex';
import {
  drawableMaterial,
  drawableMix,
  resolveAmount,
  type DoseSettings,
  type Drawable,
} from '../dose/resolveAmount';
import { convertUnit } from '../quantity/density';
import { sumTriples, type Triple } from '../quantity/triple';

/** One part of a reference batch. */
export interface ResolvedPart {
  readonly part: MixPart;
  readonly drawable: Drawable;
  /** for the reference batch, in the unit of the part's source */
  readonly amount: Triple;
}

/** A mix ready to be scaled. */
export interface ResolvedMix {
  readonly mix: Mix;
  readonly parts: readonly ResolvedPart[];
  /** what the reference batch gives for use, in the mix's basis, by its usual parts */
  readonly batchYield: number;
}

/**
 * A mix with its parts in base units and the yield of its reference batch: the sum of the parts in
 * the mix's basis x (1 - bowl loss). Parts told as a ratio are a batch of so many ml or g each.
 * @returns problems for an unknown mix or material, no parts, a missing density, or parts in pieces
 * @see M1
 */
export function resolveMix(
  mixId: MixId,
  shelf: ShelfIndex,
  settings: DoseSettings,
): Outcome<ResolvedMix> {
  const where: Where = { mixId };
  const mix = shelf.mixes.get(mixId);
  if (!mix) return fail('mix-unknown', 'This mix is no longer in the house.', where);
  if (mix.parts.length === 0) {
    return fail('mix-empty', `${mix.name} has no parts yet: add the first one.`, where);
  }
  if (!(mix.bowlLoss >= 0 && mix.bowlLoss < 1)) {
    return fail(
      'bowl-loss-invalid',
      `What stays in the bowl of ${mix.name} must be a share from 0 up to, but not including, all of it.`,
      { ...where, field: 'bowlLoss' },
    );
  }
  const parts = collect(mix.parts.map((part) => resolvePart(part, mix, shelf, settings)));
  if (!parts.ok) return parts;
  const inBasis = collect(
    parts.value.map(({ drawable, amount }) =>
      convertUnit(
        amount,
        drawable.unit,
        mix.basis,
        { name: drawable.name, density: drawable.measures.density },
        where,
      ),
    ),
  );
  if (!inBasis.ok) return inBasis;
  const batchYield = sumTriples(inBasis.value).usual * (1 - mix.bowlLoss);
  return ok({ mix, parts: parts.value, batchYield });
}

function resolvePart(
  part: MixPart,
  mix: Mix,
  shelf: ShelfIndex,
  settings: DoseSettings,
): Outcome<ResolvedPart> {
  const where: Where = { mixId: mix.id };
  const drawable = drawableOf(part, shelf);
  if (!drawable) {
    return fail(
      'material-unknown',
      `${mix.name} has a part that is no longer in the house.`,
      where,
    );
  }
  const stated: Amount =
    part.amount.how === 'ratio'
      ? { how: 'measured', quantity: part.amount.parts, unit: part.amount.unit }
      : part.amount;
  const amount = resolveAmount(stated, [], drawable, settings, where);
  return amount.ok ? ok({ part, drawable, amount: amount.value.drawn }) : amount;
}

function drawableOf({ source }: MixPart, shelf: ShelfIndex): Drawable | undefined {
  switch (source.kind) {
    case 'material': {
      const material = shelf.materials.get(source.materialId);
      return material && drawableMaterial(material, source.part);
    }
    case 'mix': {
      const mix = shelf.mixes.get(source.mixId);
      return mix && drawableMix(mix);
    }
  }
}
