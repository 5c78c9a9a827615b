import { roomRatePerMinute } from '../cost/roomRate';
import type { Client } from '../house/client';
import type { House, Service } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import { MaterialFacets } from './facets';
import type { HouseFigures, ServiceFigures } from './houseFigures';
import { Remembered } from './remember';
import { ServiceCalculator } from './serviceCalculator';
import { workOf, type ServiceWork, type EditionInUse } from './serviceWork';

/** What a service would be, were it worked by `inUse` for `client`. */
export interface Trial {
  readonly work: ServiceWork;
  readonly figures: ServiceFigures;
}

/** Tries a service out, remembering what the next try leaves as it was. */
export type Try = (
  house: House,
  unitCosts: HouseFigures['materials'],
  service: Service,
  inUse: EditionInUse,
  client: Client,
) => Trial;

/**
 * For what is being written: the figures of one service by a draft, for any client, without those of
 * the rest of the house. Keep one for as long as a draft is open.
 * @see C7 P6 T5
 */
export function createTrial(): Try {
  const services = new ServiceCalculator();
  const facets = new MaterialFacets();
  const works = new Remembered<string, ServiceWork>();
  return (house, materials, service, inUse, client) => {
    const index = indexHouse(house);
    const { plain, sterile } = index.gloves;
    const from = [inUse.protocol, inUse.mixes, house.blocks, client, plain, sterile];
    const work = works.get(service.id, from, () => workOf(inUse, client, index));
    const { visitKind, skinType, phototype, conditions, dayTime, season, build } = client;
    const shownFor = { skinType, phototype, conditions, dayTime, season, build };
    const tried: Service = { ...service, visitKind, shownFor };
    const figures = services.compute(tried, {
      house,
      index,
      work,
      doseFacetOf: (id) => {
        const material = index.materials.get(id);
        return material && facets.doseFacet(material);
      },
      unitCosts: unitCostsOf(materials),
      roomRate: roomRatePerMinute(house.settings.roomCost, house.rooms.length),
    });
    return { work, figures };
  };
}

const known = new WeakMap<HouseFigures['materials'], ReadonlyMap<never, never>>();

function unitCostsOf(
  materials: HouseFigures['materials'],
): Parameters<ServiceCalculator['compute']>[1]['unitCosts'] {
  const before = known.get(materials);
  if (before) return before;
  const made = new Map([...materials].map(([id, figures]) => [id, figures.unitCost]));
  known.set(materials, made as unknown as ReadonlyMap<never, never>);
  return made;
}
