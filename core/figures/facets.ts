import type { Material, Mix, Protocol } from '../house/house';
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
  readonly #doses = new Map<MaterialId, DoseFacet>();
  readonly #prices = new Map<MaterialId, PriceFacet>();

  doseFacet(material: Material): DoseFacet {
    const content = material.kind === 'single-dose' ? material.pack.content : undefined;
    return keep(this.#doses, material.id, [
      material.kind,
      material.name,
      material.unit,
      material.measures,
      content,
    ]);
  }

  priceFacet(material: Material): PriceFacet {
    const bought = material.kind === 'linen' ? material.laundry : material.pack;
    return keep(this.#prices, material.id, [material.kind, material.name, bought]);
  }
}

function keep(
  known: Map<MaterialId, readonly unknown[]>,
  id: MaterialId,
  now: readonly unknown[],
): readonly unknown[] {
  const before = known.get(id);
  if (before?.every((part, at) => Object.is(part, now[at]))) return before;
  known.set(id, now);
  return now;
}

/** Everything of a protocol that its clock depends on: all but doses, zones and notes. */
export function clockFacet(protocol: Protocol): unknown[] {
  const facet: unknown[] = [protocol.id, protocol.name, protocol.layerGroups];
  for (const step of protocol.steps) {
    facet.push(step.id, step.name, step.stretch, step.by, step.hands, step.minutes);
    facet.push(step.meanwhileOf, step.layerGroupId, step.capMinutes);
  }
  return facet;
}

/** Whatever a protocol may draw, also through mixes, in order of first mention. */
export function materialsReached(
  protocol: Protocol,
  mixes: ReadonlyMap<MixId, Mix>,
): readonly MaterialId[] {
  const reached = new Set<MaterialId>();
  const seen = new Set<MixId>();
  const visitMix = (mixId: MixId): void => {
    if (seen.has(mixId)) return;
    seen.add(mixId);
    for (const { source } of mixes.get(mixId)?.parts ?? []) {
      if (source.kind === 'material') reached.add(source.materialId);
      else visitMix(source.mixId);
    }
  };
  for (const step of protocol.steps) {
    for (const { source } of step.doses) {
      if (source.kind === 'material') reached.add(source.materialId);
      else visitMix(source.mixId);
    }
  }
  return [...reached];
}
