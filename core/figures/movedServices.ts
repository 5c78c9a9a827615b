import type { House, Service } from '../house/house';
import type { HouseFigures } from './houseFigures';

/** What a change of the house does to one service. Minor units. */
export interface MovedService {
  readonly service: Service;
  readonly costBefore: number;
  readonly costAfter: number;
  /** what the guest would be charged */
  readonly priceBefore?: number;
  readonly priceAfter?: number;
}

/** What does not make half a minor unit is no change. */
const NOTHING = 0.5;
/** So little of what a service costs is not worth a question. */
const NOT_ASKED = 0.005;

/**
 * The services whose full cost is another after a change of the house, the largest change first.
 * @see C7 P5
 */
export function movedServices(
  house: Pick<House, 'services'>,
  before: HouseFigures,
  after: HouseFigures,
): MovedService[] {
  return house.services
    .flatMap((service): MovedService[] => {
      const was = before.services.get(service.id);
      const is = after.services.get(service.id);
      if (!was?.cost.ok || !is?.cost.ok) return [];
      const costBefore = was.cost.value.full.usual;
      const costAfter = is.cost.value.full.usual;
      if (Math.abs(costAfter - costBefore) < NOTHING) return [];
      return [
        {
          service,
          costBefore,
          costAfter,
          ...(was.price.ok && { priceBefore: was.price.value.gross }),
          ...(is.price.ok && { priceAfter: is.price.value.gross }),
        },
      ];
    })
    .sort((a, b) => change(b) - change(a));
}

function change({ costBefore, costAfter }: MovedService): number {
  return Math.abs(costAfter - costBefore);
}

/** What a change does to what was counted before, as numbers of services. */
export interface MenuEffect {
  /** services that were counted and cannot be any more */
  readonly uncounted: number;
  readonly dearer: number;
  readonly cheaper: number;
  /** of those that are dearer or cheaper, by how much the first on the list is, minor units */
  readonly mostMinor: number;
}

/**
 * What a change does to the services that stay, for saying it before it is made. Less than half a percent of what
 * a service costs is not said: what one service uses of open jars moves the others by a cent.
 * @param house after the change
 * @returns nothing when no service costs anything else
 * @see C7
 */
export function menuEffect(
  house: Pick<House, 'services'>,
  before: HouseFigures,
  after: HouseFigures,
): MenuEffect | undefined {
  const moved = movedServices(house, before, after).filter(
    (each) => change(each) >= NOT_ASKED * each.costBefore,
  );
  const uncounted = house.services.filter(
    ({ id }) =>
      before.services.get(id)?.cost.ok === true && after.services.get(id)?.cost.ok !== true,
  ).length;
  if (moved.length === 0 && uncounted === 0) return undefined;
  const dearer = moved.filter(({ costBefore, costAfter }) => costAfter > costBefore).length;
  const [most] = moved;
  return {
    uncounted,
    dearer,
    cheaper: moved.length - dearer,
    mostMinor: most ? most.costAfter - most.costBefore : 0,
  };
}
