import type { OpenUse } from '../cost/openLife';
import type { Material } from '../house/house';
import type { HouseIndex } from '../house/houseIndex';
import type { MaterialId, ServiceId } from '../house/ids';
import type { Outcome } from '../problem/problem';
import type { MaterialFigures, MaterialUse } from './houseFigures';
import { Remembered } from './remember';

/** What the figures of a material are made from, besides the material itself. */
export interface MaterialInputs {
  readonly index: HouseIndex;
  readonly unitCost: Outcome<number>;
  readonly open: OpenUse | undefined;
  readonly uses: readonly MaterialUse[];
  /** services that may draw it, also those whose doses have a fault */
  readonly drawnBy: readonly ServiceId[];
}

/** Computes materials, each anew only when something it depends on is another. */
export class MaterialCalculator {
  readonly #uses: Remembered<MaterialId, readonly MaterialUse[]>;
  readonly #drawnBy: Remembered<MaterialId, readonly ServiceId[]>;
  readonly #figures: Remembered<MaterialId, MaterialFigures>;

  /** @param depth how many states of each material are remembered */
  constructor(depth = 1) {
    this.#uses = new Remembered(depth);
    this.#drawnBy = new Remembered(depth);
    this.#figures = new Remembered(depth);
  }

  /** The figures of `material`. */
  compute({ id }: Material, inputs: MaterialInputs): MaterialFigures {
    const uses = this.#uses.get(id, flatten(inputs.uses), () => inputs.uses);
    const drawnBy = this.#drawnBy.get(id, inputs.drawnBy, () => inputs.drawnBy);
    const onHand = inputs.index.onHand.get(id) ?? 0;
    const { unitCost, open } = inputs;
    return this.#figures.get(id, [unitCost, open, uses, drawnBy, onHand], () => ({
      materialId: id,
      unitCost,
      ...(open && { open }),
      uses,
      drawnBy,
      onHand,
    }));
  }

  /** Forgets what is no longer there. */
  keepOnly(isCurrent: (id: MaterialId) => boolean): void {
    for (const kept of [this.#uses, this.#drawnBy, this.#figures]) kept.keepOnly(isCurrent);
  }
}

function flatten(uses: readonly MaterialUse[]): unknown[] {
  const flat: unknown[] = [];
  for (const { serviceId, visitsPerWeek, consumed } of uses) {
    flat.push(serviceId, visitsPerWeek, consumed.low, consumed.usual, consumed.high);
  }
  return flat;
}
