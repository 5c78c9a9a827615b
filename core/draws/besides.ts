import type { Step } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import { asId } from '../house/ids';
import { fail, ok, type Outcome } from '../problem/problem';
import { exactly, ZERO } from '../quantity/triple';
import type { Draw } from './draw';
import { newOf, type Opened } from './opened';

/* What a step takes besides its doses. */

/** Towels, sponges or tissues with which a step takes something off. */
export function removalDraw(
  step: Step,
  shelf: ShelfIndex,
  opened: Opened,
): Outcome<Draw> | undefined {
  const taking = step.removal?.taking;
  if (!taking) return undefined;
  const material = shelf.materials.get(taking.materialId);
  if (!material) {
    return fail(
      'material-unknown',
      `“${step.name}” takes off with something that is not on the shelf.`,
      { field: 'removal' },
    );
  }
  if (material.unit !== 'piece') {
    return fail(
      'removal-not-by-piece',
      `“${step.name}” takes off with pieces, but ${material.name} is kept in ${material.unit}.`,
      { field: 'removal' },
    );
  }
  const drawn = exactly(taking.pieces);
  return ok({
    stepId: step.id,
    doseId: asId(`${step.id}.removal`),
    for: 'removal',
    materialId: material.id,
    resolved: { drawn },
    consumed: taking.again ? newOf(drawn, material.id, opened) : drawn,
    leftOver: ZERO,
  });
}

/** The gloves that each person wears last, so that a pair is counted when it is put on. */
export type Worn = Map<Step['by'], Step['gloves']>;

/** A pair where a person puts gloves on, or others than before; nothing where they stay on. */
export function glovesDraw(step: Step, shelf: ShelfIndex, worn: Worn): Outcome<Draw> | undefined {
  /* Who waits between gloved steps keeps them on. */
  if (step.gloves === undefined && step.hands !== 'hands-on') return undefined;
  const before = worn.get(step.by);
  worn.set(step.by, step.gloves);
  if (step.gloves === undefined || step.gloves === before) return undefined;
  const id = shelf.gloves[step.gloves];
  const material = id === undefined ? undefined : shelf.materials.get(id);
  if (material?.kind !== 'consumable' || !material.gloves) {
    return fail(
      'gloves-missing',
      `“${step.name}” is done in ${step.gloves} gloves: say on the shelf which material those are.`,
      { field: 'gloves' },
    );
  }
  const drawn = exactly(material.gloves.perPair);
  return ok({
    stepId: step.id,
    doseId: asId(`${step.id}.gloves`),
    for: 'gloves',
    materialId: material.id,
    resolved: { drawn },
    consumed: drawn,
    leftOver: ZERO,
  });
}
