import { materialsReached } from '../figures/facets';
import { editionInUse } from '../figures/serviceWork';
import type { House, Service } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import type { MaterialId } from '../house/ids';
import { waysOf } from '../protocol/deciding';
import { expandBlocks } from '../protocol/expandBlocks';
import type { RestockFigures } from './restocker';

/** Why a material is never ordered. */
export type Unused =
  /** no service on the menu works with it */
  | { readonly because: 'nowhere' }
  /** services work with it, of which no visit is expected */
  | { readonly because: 'no-visits'; readonly services: readonly Service[] }
  /** visits are expected of services that work with it, but none of a client who gets it */
  | { readonly because: 'nobody'; readonly services: readonly Service[] };

/**
 * Why no visit that is expected takes anything of a material.
 * @returns nothing where one does
 * @see S1
 */
export function whyUnused(
  materialId: MaterialId,
  house: House,
  { materials, forecasts }: Pick<RestockFigures, 'materials' | 'forecasts'>,
): Unused | undefined {
  const of = materials.get(materialId);
  if (!of?.ok || of.value.demand.perDay > 0) return undefined;
  const services = house.services.filter((service) => worksWith(service, materialId, house));
  if (services.length === 0) return { because: 'nowhere' };
  const expected = services.filter(({ id }) => (forecasts.get(id)?.used ?? 0) > 0);
  return expected.length === 0
    ? { because: 'no-visits', services }
    : { because: 'nobody', services: expected };
}

/** Whether a service works with it for anybody. */
function worksWith(service: Service, materialId: MaterialId, house: House): boolean {
  const index = indexHouse(house);
  const inUse = editionInUse(service, index, house);
  const written = inUse && expandBlocks(inUse.protocol, index.blocks, {});
  if (!inUse || !written?.ok) return false;
  const mixes = new Map(inUse.mixes.map((mix) => [mix.id, mix]));
  return materialsReached(written.value.steps.flatMap(waysOf), mixes, index.gloves).includes(
    materialId,
  );
}
