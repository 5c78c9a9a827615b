import type { Draw } from '../draws/drawsOf';
import { toSecond } from '../days/instants';
import type { Run, Treatment } from '../house/house';
import { asId, type EntryId, type MaterialId, type RunId, type TreatmentId } from '../house/ids';
import { asKept } from '../house/stock';
import type { UseEntry } from '../stock/entries';
import { isUsual, type RunAct, type RunPlan } from './plan';
import type { RunState } from './runState';

/** What one draw of an act is called, so that another amount can be said of it. */
export function drawKey(act: Pick<RunAct, 'id'>, { doseId, materialId, part }: Draw): string {
  return [act.id, doseId, materialId, part ?? ''].join(':');
}

/** What a run used of a material. */
export interface UsedOfMaterial {
  readonly materialId: MaterialId;
  /** in its unit; of a kit, boxes */
  readonly quantity: number;
  /** as it was planned */
  readonly planned: number;
}

/**
 * What a run used: what was planned for what was done, unless another amount was said. Of a single dose whose opening
 * was left out, the first that is done opens it.
 * @see R5
 */
export function usedInRun({ acts }: RunPlan, state: RunState): UsedOfMaterial[] {
  const used = new Map<MaterialId, { quantity: number; planned: number; isDrawn: boolean }>();
  const opened = new Map<MaterialId, number>();
  acts.forEach((act, at) => {
    const isDone = state.acts[at]?.standing === 'done';
    for (const draw of act.draws) {
      const { materialId, consumed } = draw;
      const of = used.get(materialId) ?? { quantity: 0, planned: 0, isDrawn: false };
      used.set(materialId, of);
      if (isUsual(act)) of.planned += consumed.usual;
      opened.set(materialId, Math.max(opened.get(materialId) ?? 0, consumed.usual));
      if (!isDone) continue;
      of.isDrawn = true;
      of.quantity += state.took.get(drawKey(act, draw)) ?? consumed.usual;
    }
  });
  const isSaid = (materialId: MaterialId): boolean =>
    acts.some((act) =>
      act.draws.some(
        (draw) => draw.materialId === materialId && state.took.has(drawKey(act, draw)),
      ),
    );
  return [...used].map(([materialId, { quantity, planned, isDrawn }]) => ({
    materialId,
    quantity:
      quantity === 0 && isDrawn && !isSaid(materialId) ? (opened.get(materialId) ?? 0) : quantity,
    planned,
  }));
}

/** The visit that a run was, as the log has it: of the same id, so that it counts once. */
export function treatmentOfRun(run: Run, { beganAt }: Pick<RunState, 'beganAt'>): Treatment {
  return {
    id: asId<TreatmentId>(run.id),
    serviceId: run.serviceId,
    at: beganAt === undefined ? run.at : toSecond(new Date(beganAt)),
    visitKind: run.visitKind,
    ...(run.bookingId && { bookingId: run.bookingId }),
    entryIds: [],
  };
}

/**
 * What a run takes off the shelf; the same entries however often it is asked.
 * @param isKept whether a material is kept in stock: linen is not
 * @param at when the visit was, ISO 8601
 */
export function entriesOfRun(
  runId: RunId,
  used: readonly UsedOfMaterial[],
  isKept: (id: MaterialId) => boolean,
  at: string,
  note: string,
): UseEntry[] {
  return used.flatMap(({ materialId, quantity }): UseEntry[] =>
    quantity > 0 && isKept(materialId)
      ? [
          {
            kind: 'use',
            id: asId<EntryId>(`${runId}-${materialId}`),
            materialId,
            quantity: asKept(quantity),
            at,
            note,
          },
        ]
      : [],
  );
}
