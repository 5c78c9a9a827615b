import { Remembered } from './remember';
import type { Material, Mix, Step, WorkedProtocol } from '../house/house';
import type { Gloves } from '../house/houseIndex';
import { chosenPack } from '../house/packs';
import { devicesOf } from '../house/protocol';
import type { MaterialId, MixId } from '../house/ids';

/*
 * What of a thing a figure depends on. A facet stays the same object for as long as nothing in it
 * changes, so that a new price does not look like a new dose, nor a new dose like a new clock.
 */

/** What of a material decides doses: all but the price. */
export type DoseFacet = readonly unknown[];

/** What of a material decides its cost: all but the measures. */
export type PriceFacet = readonly unknown[];

/** Finds the facets of materials, the same ones again for materials that did not change in them. */
export class MaterialFacets {
  readonly #doses: Remembered<MaterialId, DoseFacet>;
  readonly #prices: Remembered<MaterialId, PriceFacet>;

  /** @param depth how many states of each material are remembered */
  constructor(depth = 1) {
    this.#doses = new Remembered(depth);
    this.#prices = new Remembered(depth);
  }

  doseFacet(material: Material): DoseFacet {
    const content = material.kind === 'single-dose' ? chosenPack(material).content : undefined;
    const kit = material.kind === 'kit' ? material : undefined;
    return remembered(this.#doses, material.id, [
      material.kind,
      material.name,
      material.unit,
      material.measures,
      material.kind === 'consumable' ? material.countedPer : undefined,
      material.kind === 'consumable' ? material.gloves : undefined,
      content,
      kit?.parts,
      kit?.forVisits,
    ]);
  }

  priceFacet(material: Material): PriceFacet {
    const bought = material.kind === 'linen' ? material.laundry : chosenPack(material);
    const held = material.kind === 'fresh' ? material.yieldPerPiece : undefined;
    return remembered(this.#prices, material.id, [material.kind, material.name, bought, held]);
  }
}

function remembered(
  known: Remembered<MaterialId, readonly unknown[]>,
  id: MaterialId,
  now: readonly unknown[],
): readonly unknown[] {
  return known.get(id, now, () => now);
}

/** Everything of a protocol that its clock depends on: all but doses, zones and notes. */
export function clockFacet(protocol: WorkedProtocol): unknown[] {
  const facet: unknown[] = [protocol.id, protocol.name, protocol.layerGroups];
  for (const step of protocol.steps) {
    facet.push(step.id, step.name, step.stretch, step.by, step.hands, step.minutes);
    facet.push(step.meanwhileOf, step.layerGroupId, step.inLayers, step.capMinutes);
    facet.push(...devicesOf(step));
  }
  return facet;
}

/**
 * Whatever steps draw, also through mixes, in order of first mention: doses, what takes them off
 * again, gloves.
 */
export function materialsReached(
  steps: readonly Step[],
  mixes: ReadonlyMap<MixId, Mix>,
  gloves: Gloves,
): readonly MaterialId[] {
  const reached = new Set<MaterialId>();
  const seen = new Set<MixId>();
  const visitMix = (mixId: MixId): void => {
    if (seen.has(mixId)) return;
    seen.add(mixId);
    const mix = mixes.get(mixId);
    const recipes = mix?.recipes ?? [];
    for (const { source } of [...(mix?.parts ?? []), ...recipes.flatMap((each) => each.parts)]) {
      if (source.kind === 'material') reached.add(source.materialId);
      else visitMix(source.mixId);
    }
  };
  for (const step of steps) {
    const worn = step.gloves && gloves[step.gloves];
    if (step.removal?.taking) reached.add(step.removal.taking.materialId);
    if (worn !== undefined) reached.add(worn);
    for (const { source } of step.doses) {
      if (source.kind === 'material') reached.add(source.materialId);
      else visitMix(source.mixId);
    }
  }
  return [...reached];
}
