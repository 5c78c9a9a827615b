import type { Draw } from '../draws/draw';
import { toSecond } from '../days/instants';
import type { Amount, Material, Run, Treatment } from '../house/house';
import type { SoldProduct } from '../house/logbook';
import { chosenPack } from '../house/packs';
import { asId, type EntryId, type MaterialId, type RunId, type TreatmentId } from '../house/ids';
import { asKept } from '../house/stock';
import { stepsOf } from '../time/contactClock';
import type { UseEntry } from '../stock/entries';
import { isUsual, type RunAct, type RunPlan } from './plan';
import type { RunState } from './standing';

/** What one draw of an act is called, so that another amount can be said of it. */
export function drawKey(act: Pick<RunAct, 'id'>, { doseId, materialId, part }: Draw): string {
  return [act.id, doseId, materialId, part ?? ''].join(':');
}

/** Parts of what is measured, spread or weighed that one more of it is. */
const A_TENTH = 0.1;

/**
 * How much one more or one less of a draw is, in the unit of its material: a pump, a drop, a sachet, a piece as it was
 * said; a tenth of what is measured or spread.
 * @example
 * oneMore({ how: 'counted', quantity: exactly(3), measure: 'pump' }, draw of 4.8 ml) // 1.6
 */
export function oneMore(amount: Amount | undefined, { consumed }: Pick<Draw, 'consumed'>): number {
  switch (amount?.how) {
    case 'counted':
    case 'named':
    case 'packs':
    case 'fingertip':
    case 'batches':
      return consumed.usual / amount.quantity.usual;
    case 'measured':
      return amount.unit === 'piece' ? 1 : consumed.usual * A_TENTH;
    case undefined:
    case 'all':
    case 'rest':
    case 'coat':
    case 'coat-weight':
      return consumed.usual * A_TENTH;
  }
}

/** A draw of an act as it can be said to have been another amount. */
export interface Taken {
  readonly key: string;
  readonly draw: Draw;
  /** in the unit of its material */
  readonly quantity: number;
  /** one more or one less */
  readonly step: number;
  readonly isOther: boolean;
  /** grams that lay on the scale before it was taken */
  readonly onScale?: number;
  /** another product that was taken */
  readonly instead?: MaterialId;
}

/** How often the act at a place of a plan is done, with what was done once more. */
export function timesDone({ acts }: Pick<RunState, 'acts'>, at: number | undefined): number {
  return 1 + (acts[at ?? -1]?.again ?? 0);
}

/**
 * What an act takes, as planned or as was said. Said to be what was planned anyhow, it is not otherwise.
 * @param times how often the act is done
 */
export function takenInAct(
  act: RunAct,
  state: Pick<RunState, 'took' | 'onScale' | 'instead'>,
  times = 1,
): Taken[] {
  const amounts = new Map(
    stepsOf(act).flatMap(({ doses }) => doses.map(({ id, amount }) => [id, amount] as const)),
  );
  return act.draws
    .filter(({ consumed }) => consumed.usual > 0)
    .map((draw) => {
      const key = drawKey(act, draw);
      const said = state.took.get(key);
      const planned = draw.consumed.usual * times;
      const onScale = state.onScale.get(key);
      const instead = state.instead.get(key);
      return {
        key,
        draw,
        quantity: said ?? planned,
        step: oneMore(amounts.get(draw.doseId), draw),
        isOther: said !== undefined && asKept(said) !== asKept(planned),
        ...(onScale !== undefined && { onScale }),
        ...(instead && { instead }),
      };
    });
}

/** So much more or less of what was taken; never less than nothing. */
export function takenBy({ quantity, step }: Pick<Taken, 'quantity' | 'step'>, by: number): number {
  return asKept(Math.max(0, quantity + by * step));
}

/** What a run used of a material. */
export interface UsedOfMaterial {
  readonly materialId: MaterialId;
  /** in its unit; of a kit, boxes */
  readonly quantity: number;
  /** as it was planned */
  readonly planned: number;
}

interface Summed {
  quantity: number;
  planned: number;
  isDrawn: boolean;
  /** an amount of it was told */
  isSaid: boolean;
}

const NOTHING_USED: Readonly<Summed> = { quantity: 0, planned: 0, isDrawn: false, isSaid: false };

/**
 * What a run used: what was planned for what was done, unless another amount was said. Of a single dose whose opening
 * was left out, the first that is done opens it.
 * @see R5
 */
export function usedInRun({ acts }: RunPlan, state: RunState): UsedOfMaterial[] {
  const used = new Map<MaterialId, Summed>();
  const opened = new Map<MaterialId, number>();
  acts.forEach((act, at) => {
    const isDone = state.acts[at]?.standing === 'done';
    for (const draw of act.draws) {
      const { materialId, consumed } = draw;
      const of = used.get(materialId) ?? { ...NOTHING_USED };
      used.set(materialId, of);
      if (isUsual(act)) of.planned += consumed.usual;
      opened.set(materialId, Math.max(opened.get(materialId) ?? 0, consumed.usual));
      if (!isDone) continue;
      const key = drawKey(act, draw);
      const quantity = state.took.get(key) ?? consumed.usual * timesDone(state, at);
      const instead = state.instead.get(key);
      if (instead !== undefined) {
        const other = used.get(instead) ?? { ...NOTHING_USED };
        used.set(instead, other);
        other.quantity += quantity;
        other.isDrawn = true;
        other.isSaid = true;
        continue;
      }
      of.isDrawn = true;
      of.isSaid ||= state.took.has(key);
      of.quantity += quantity;
    }
  });
  return [...used].map(([materialId, { quantity, planned, isDrawn, isSaid }]) => ({
    materialId,
    quantity: quantity === 0 && isDrawn && !isSaid ? (opened.get(materialId) ?? 0) : quantity,
    planned,
  }));
}

/** What a visit takes off the shelf when the guest bought something as well: whole containers of it. */
export function withSold(
  used: readonly UsedOfMaterial[],
  sold: readonly SoldProduct[],
  materials: readonly Material[],
): UsedOfMaterial[] {
  const content = (id: MaterialId): number => {
    const material = materials.find((each) => each.id === id);
    return material && material.kind !== 'linen' ? chosenPack(material).content : 0;
  };
  const packs = new Map(sold.map(({ materialId, quantity }) => [materialId, quantity]));
  const more = (id: MaterialId): number => (packs.get(id) ?? 0) * content(id);
  const known = new Set(used.map(({ materialId }) => materialId));
  return [
    ...used.map((each) => ({ ...each, quantity: each.quantity + more(each.materialId) })),
    ...sold
      .filter(({ materialId }) => !known.has(materialId))
      .map(({ materialId }) => ({ materialId, quantity: more(materialId), planned: 0 })),
  ];
}

/** The visit that a run was, as the log has it: of the same id, so that it counts once. */
export function treatmentOfRun(run: Run, { beganAt }: Pick<RunState, 'beganAt'>): Treatment {
  return {
    id: asId<TreatmentId>(run.id),
    serviceId: run.serviceId,
    at: beganAt === undefined ? run.at : toSecond(new Date(beganAt)),
    visitKind: run.visitKind,
    ...(run.bookingId && { bookingId: run.bookingId }),
    ...(run.soldCourseId && { soldCourseId: run.soldCourseId }),
    entryIds: [],
  };
}

/**
 * What a run takes off the shelf; the same entries however often it is asked.
 * @param isKept whether a material is kept in stock: linen is not
 * @param at when the visit was, ISO 8601
 * @param takenFrom the containers that were said; of all others the one that ends first is meant
 */
export function entriesOfRun(
  runId: RunId,
  used: readonly UsedOfMaterial[],
  isKept: (id: MaterialId) => boolean,
  at: string,
  note: string,
  takenFrom: ReadonlyMap<MaterialId, Pick<UseEntry, 'lotId' | 'containerId'>> = new Map(),
): UseEntry[] {
  const from = (id: MaterialId): Pick<UseEntry, 'lotId' | 'containerId'> => {
    const { lotId, containerId } = takenFrom.get(id) ?? {};
    return lotId && containerId ? { lotId, containerId } : {};
  };
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
            ...from(materialId),
          },
        ]
      : [],
  );
}
