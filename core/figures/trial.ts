import { roomRatePerMinute } from '../cost/roomRate';
import type { Client } from '../house/client';
import type { House, Person, Service } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import { MaterialFacets } from './facets';
import type { HouseFigures, ServiceFigures } from './houseFigures';
import { Remembered } from './remember';
import { ServiceCalculator, type ServiceInputs } from './serviceCalculator';
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
  /** who performs it, where several share the work; else those of the service who were trained */
  performers?: readonly Person[],
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
  return (house, materials, service, inUse, client, performers) => {
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
      ...pricesOf(materials),
      roomRate: roomRatePerMinute(house.settings.roomCost, house.rooms.length),
      ...(performers && { performers }),
    });
    return { work, figures };
  };
}

/** What materials cost, and how much of an open one is used. */
export type Prices = Pick<ServiceInputs, 'unitCosts' | 'opens'>;

const known = new WeakMap<HouseFigures['materials'], Prices>();

/** What materials cost by the figures of a House; the same for the same figures. @see C1 C2 */
export function pricesOf(materials: HouseFigures['materials']): Prices {
  const before = known.get(materials);
  if (before) return before;
  const made: Prices = {
    unitCosts: new Map([...materials].map(([id, { unitCost }]) => [id, unitCost])),
    opens: new Map([...materials].flatMap(([id, { open }]) => (open ? [[id, open]] : []))),
  };
  known.set(materials, made);
  return made;
}
