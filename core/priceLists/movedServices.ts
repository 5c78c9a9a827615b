import type { HouseFigures } from '../figures/houseFigures';
import type { House, Service } from '../house/house';

/** What other prices of the shelf do to one service. Minor units. */
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

/**
 * The services whose full cost is another after a change of the shelf, the largest change first.
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
