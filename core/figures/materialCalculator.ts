import { packUnits } from '../cost/landedUnitCost';
import type { BoughtMaterial, Material, Pack } from '../house/house';
import { chosenPack, leadTimeOf, preferredPack } from '../house/packs';
import type { HouseIndex } from '../house/houseIndex';
import type { MaterialId } from '../house/ids';
import { fail, failWith, ok, type Outcome, type Problem } from '../house/problem';
import { cover } from '../stock/cover';
import { materialDemand, type MaterialDemand } from '../stock/demandRate';
import { reorderPoint, type ReorderPoint } from '../stock/reorderPoint';
import { usesWhileWaiting, type UsesWhileWaiting } from '../stock/usesWhileWaiting';
import type { MaterialFigures, MaterialUse, Restocking } from './houseFigures';
import { Remembered } from './remember';

/** What the figures of a material are made from, besides the material itself. */
export interface MaterialInputs {
  readonly index: HouseIndex;
  readonly unitCost: Outcome<number>;
  readonly uses: readonly MaterialUse[];
  /** why uses are not known, where a service that draws it has a fault */
  readonly faults: readonly Problem[];
  readonly serviceLevel: number;
}

interface Awaited {
  readonly demand: MaterialDemand;
  readonly uses: UsesWhileWaiting;
  readonly reorderPoint: ReorderPoint;
}

/** Computes materials, each part of one anew only when something it depends on is another. */
export class MaterialCalculator {
  readonly #uses: Remembered<MaterialId, readonly MaterialUse[]>;
  readonly #awaited: Remembered<MaterialId, Outcome<Awaited>>;
  readonly #restockings: Remembered<MaterialId, Outcome<Restocking>>;
  readonly #figures: Remembered<MaterialId, MaterialFigures>;

  /** @param depth how many states of each material are remembered */
  constructor(depth = 1) {
    this.#uses = new Remembered(depth);
    this.#awaited = new Remembered(depth);
    this.#restockings = new Remembered(depth);
    this.#figures = new Remembered(depth);
  }

  /** The figures of `material`. */
  compute(material: Material, inputs: MaterialInputs): MaterialFigures {
    const { id } = material;
    const uses = this.#uses.get(id, flatten(inputs.uses), () => inputs.uses);
    const onHand = inputs.index.onHand.get(id) ?? 0;
    const restocking =
      material.kind === 'linen' ? null : this.#restock(material, uses, onHand, inputs);
    const { unitCost } = inputs;
    return this.#figures.get(id, [unitCost, uses, onHand, restocking], () => ({
      materialId: id,
      unitCost,
      uses,
      onHand,
      restocking,
    }));
  }

  /** Forgets what is no longer there. */
  keepOnly(isCurrent: (id: MaterialId) => boolean): void {
    for (const kept of [this.#uses, this.#awaited, this.#restockings, this.#figures]) {
      kept.keepOnly(isCurrent);
    }
  }

  #restock(
    material: BoughtMaterial,
    uses: readonly MaterialUse[],
    onHand: number,
    { index, faults, serviceLevel }: MaterialInputs,
  ): Outcome<Restocking> {
    const pack = chosenPack(material);
    const supplier = index.suppliers.get(pack.supplierId);
    const from = [
      uses,
      supplier,
      /* all of the pack but its price */
      pack.supplierId,
      pack.containers,
      pack.content,
      pack.residual,
      pack.leadTimeDays,
      pack.leadTimeSdDays,
      material.kind === 'fresh' ? material.yieldPerPiece : undefined,
      material.kind,
      material.unit,
      material.name,
      serviceLevel,
      ...faults,
    ];
    const awaited = this.#awaited.get(material.id, from, () =>
      faults.length > 0 ? failWith(faults) : awaitDelivery(material, uses, index, serviceLevel),
    );
    return this.#restockings.get(material.id, [awaited, onHand], () =>
      awaited.ok
        ? ok({
            ...awaited.value,
            cover: cover(onHand, awaited.value.demand.perDay, awaited.value.reorderPoint.amount),
          })
        : awaited,
    );
  }
}

function flatten(uses: readonly MaterialUse[]): unknown[] {
  const flat: unknown[] = [];
  for (const { serviceId, visitsPerWeek, consumed } of uses) {
    flat.push(serviceId, visitsPerWeek, consumed.low, consumed.usual, consumed.high);
  }
  return flat;
}

function awaitDelivery(
  material: BoughtMaterial,
  uses: readonly MaterialUse[],
  index: HouseIndex,
  serviceLevel: number,
): Outcome<Awaited> {
  const where = { materialId: material.id };
  const pack = preferredPack(material);
  const supplier = index.suppliers.get(pack.supplierId);
  if (!supplier) {
    return fail(
      'supplier-unknown',
      `Say who supplies ${material.name}, so that its lead time is known.`,
      {
        ...where,
        field: 'supplierId',
      },
    );
  }
  const demand = materialDemand(
    uses.map((use) => ({ visitsPerWeek: use.visitsPerWeek, amount: use.consumed.usual })),
  );
  const waiting = usesWhileWaiting(demand.usesPerDay, leadTimeOf(pack, supplier));
  const terms = {
    indivisible: indivisible(material, pack),
    packUnits: packUnits(pack),
    serviceLevel,
  };
  const point = reorderPoint(demand, waiting, terms, where);
  return point.ok ? ok({ demand, uses: waiting, reorderPoint: point.value }) : point;
}

/** The whole steps in which a material goes: one single dose, one piece; nothing for ml and g by hand. */
function indivisible(material: BoughtMaterial, pack: Pack): number | undefined {
  if (material.kind === 'single-dose') return pack.content;
  return material.unit === 'piece' ? 1 : undefined;
}
