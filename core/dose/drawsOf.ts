import type { Dose, Material, Protocol, Step, VisitKind } from '../house/house';
import type { DoseId, MaterialId, MixId, StepId } from '../house/ids';
import type { ShelfIndex } from '../house/houseIndex';
import {
  fail,
  failWith,
  ok,
  placeOutcome,
  type Outcome,
  type Problem,
  type Where,
} from '../house/problem';
import { makeMix } from '../mix/makeMix';
import { arrange, STRETCHES, type Arrangement } from '../protocol/arrange';
import { addTriples, ZERO, type Triple } from '../quantity/triple';
import { openPacks } from './openPacks';
import {
  drawableMaterial,
  drawableMix,
  resolveAmount,
  type DoseSettings,
  type ResolvedAmount,
} from './resolveAmount';

/** What one dose takes of one material in one visit, once for every layer. */
export interface Draw {
  readonly stepId: StepId;
  readonly doseId: DoseId;
  readonly layer?: number;
  readonly materialId: MaterialId;
  /** the mix through which the material is drawn, and its batches */
  readonly mix?: { readonly mixId: MixId; readonly needed: Triple; readonly scale: Triple };
  readonly resolved: ResolvedAmount;
  /** gone from the shelf: whole packs for single doses; in the material's unit */
  readonly consumed: Triple;
  /** of opened single doses, after this dose */
  readonly leftOver: Triple;
}

/**
 * Everything one visit takes from the shelf, dose by dose in the order of work, layers repeated.
 * @returns each draw in its material's unit; every problem of every dose, placed at its step
 * @see D1 D2 D3 D4 M2
 */
export function drawsOf(
  protocol: Protocol,
  visitKind: VisitKind,
  shelf: ShelfIndex,
  settings: DoseSettings,
): Outcome<readonly Draw[]> {
  const arrangement = arrange(protocol, visitKind);
  if (!arrangement.ok) return arrangement;
  const draws: Draw[] = [];
  const problems: Problem[] = [];
  const opened = new Map<MaterialId, Triple>();
  const faulty = new Set<DoseId>();

  for (const { step, layer } of stepsInOrder(arrangement.value)) {
    for (const dose of step.doses) {
      if (faulty.has(dose.id)) continue;
      const where: Where = { protocolId: protocol.id, stepId: step.id, doseId: dose.id };
      const drawn = drawDose(dose, step, shelf, settings, opened);
      if (drawn.ok) {
        draws.push(...drawn.value.map((draw) => (layer === undefined ? draw : { ...draw, layer })));
      } else {
        faulty.add(dose.id);
        const placed = placeOutcome(drawn, where);
        if (!placed.ok) problems.push(...placed.problems);
      }
    }
  }
  return problems.length > 0 ? failWith(problems) : ok(draws);
}

function* stepsInOrder(
  arrangement: Arrangement,
): Generator<{ readonly step: Step; readonly layer?: number }> {
  for (const stretch of STRETCHES) {
    for (const occurrence of arrangement[stretch]) {
      if (occurrence.kind === 'between') continue;
      const { step, meanwhile, layer } = occurrence;
      yield { step, layer };
      for (const beside of meanwhile) yield { step: beside, layer };
    }
  }
}

function drawDose(
  dose: Dose,
  step: Step,
  shelf: ShelfIndex,
  settings: DoseSettings,
  opened: Map<MaterialId, Triple>,
): Outcome<readonly Draw[]> {
  const at = { stepId: step.id, doseId: dose.id };
  switch (dose.source.kind) {
    case 'material': {
      const material = shelf.materials.get(dose.source.materialId);
      if (!material) {
        return fail(
          'material-unknown',
          `“${step.name}” uses a material that is not on the shelf.`,
          {
            field: 'source',
          },
        );
      }
      const drawable = drawableMaterial(material);
      const resolved = resolveAmount(dose.amount, step.zones, drawable, settings, {});
      if (!resolved.ok) return resolved;
      return ok([{ ...at, ...takeFromShelf(dose, material, resolved.value, opened) }]);
    }
    case 'mix': {
      const { mixId } = dose.source;
      const mix = shelf.mixes.get(mixId);
      if (!mix) {
        return fail('mix-unknown', `“${step.name}” uses a mix that is no longer in the house.`, {
          field: 'source',
        });
      }
      const resolved = resolveAmount(dose.amount, step.zones, drawableMix(mix), settings, {});
      if (!resolved.ok) return resolved;
      const needed = resolved.value.drawn;
      const made = makeMix(mixId, needed, shelf, settings);
      if (!made.ok) return made;
      return ok(
        made.value.draws.map((draw) => ({
          ...at,
          materialId: draw.materialId,
          mix: { mixId, needed, scale: made.value.scale },
          resolved: { drawn: draw.amount },
          consumed: draw.amount,
          leftOver: ZERO,
        })),
      );
    }
  }
}

function takeFromShelf(
  dose: Dose,
  material: Material,
  resolved: ResolvedAmount,
  opened: Map<MaterialId, Triple>,
): Omit<Draw, 'stepId' | 'doseId'> {
  const materialId = material.id;
  if (material.kind !== 'single-dose') {
    return { materialId, resolved, consumed: resolved.drawn, leftOver: ZERO };
  }
  const before = opened.get(materialId) ?? ZERO;
  const usesLeftOver = dose.opening === 'left-over-first';
  const available = usesLeftOver ? before : ZERO;
  const { consumed, leftOver } = openPacks(resolved.drawn, material.pack.content, available);
  opened.set(materialId, usesLeftOver ? leftOver : addTriples(before, leftOver));
  return { materialId, resolved, consumed, leftOver };
}
