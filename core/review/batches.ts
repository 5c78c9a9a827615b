import type { Draw } from '../draws/draw';
import type { Mix } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import type { ProtocolId, StepId } from '../house/ids';
import { preferredPack } from '../house/packs';
import type { MadeMix } from '../mix/makeMix';
import type { Finding } from './finding';

/** So much of another pack is little enough to ask for less. */
const JUST_OVER = 0.2;
const SAME = 1e-6;

/**
 * Bowls that open another sachet or capsule for a little more than the ones before hold: less of the mix would
 * do, or another recipe.
 * @see M2
 */
export function batchFindings(
  draws: readonly Draw[],
  protocolId: ProtocolId,
  shelf: ShelfIndex,
): Finding[] {
  const bowls = new Map<MadeMix, { readonly mix: Mix; readonly stepId: StepId }>();
  for (const { stepId, mix: of } of draws) {
    const mix = of && shelf.mixes.get(of.mixId);
    if (of && mix && !bowls.has(of.made)) bowls.set(of.made, { mix, stepId });
  }
  return [...bowls].flatMap(([made, { mix, stepId }]) =>
    justOver(made, mix, { protocolId, stepId }, shelf),
  );
}

function justOver(
  { draws, needed, scale, batchYield }: MadeMix,
  mix: Mix,
  at: { readonly protocolId: ProtocolId; readonly stepId: StepId },
  shelf: ShelfIndex,
): Finding[] {
  const said = (value: number, unit: string): string => `${Math.round(value * 10) / 10} ${unit}`;
  const asked = `${said(needed.usual, mix.basis)} of ${mix.name} are asked for`;
  const told = (message: string): Finding => ({
    weight: 'prompt',
    code: 'batch-just-over',
    message: `${asked}: ${message}`,
    where: { ...at, mixId: mix.id, field: 'doses' },
  });
  if (mix.wholeBatches) {
    const before = (scale.usual - 1) * batchYield;
    return isJustOver(needed.usual, before, batchYield)
      ? [
          told(
            `${said(needed.usual - before, mix.basis)} more than whole batches of it give, for which another is made.`,
          ),
        ]
      : [];
  }
  return draws.flatMap(({ materialId, amount, leftOver }): Finding[] => {
    const material = shelf.materials.get(materialId);
    if (material?.kind !== 'single-dose') return [];
    const { content } = preferredPack(material);
    const before = amount.usual - content;
    const used = amount.usual - leftOver.usual;
    if (!isJustOver(used, before, content)) return [];
    const { name, unit } = material;
    return [
      told(
        `${said(used - before, unit)} more of ${name} than ${said(before, unit)}, for which another is opened.`,
      ),
    ];
  });
}

/** Whether a need passes whole ones by a little of another. */
function isJustOver(needed: number, before: number, one: number): boolean {
  const over = needed - before;
  return before > SAME && over > SAME && over <= JUST_OVER * one;
}
