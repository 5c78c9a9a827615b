import type { ServiceRates } from '../cost/performers';
import type { ServiceCost } from '../cost/serviceCost';
import type { ServiceFigures } from '../figures/houseFigures';
import type { Service, WorkedProtocol } from '../house/house';
import { fail, ok, type About, type Outcome } from '../problem/problem';
import type { Schedule } from '../time/schedule';

/** A service of which every figure is there. */
export interface Counted {
  readonly service: Service;
  readonly protocol: WorkedProtocol;
  readonly schedule: Schedule;
  readonly cost: ServiceCost;
  readonly rates: ServiceRates;
}

/**
 * The figures of a service within an offer.
 * @returns the problem that keeps one of them from being had
 */
export function countedOf(
  service: Service | undefined,
  figures: ServiceFigures | undefined,
  where: About<'service-unknown'>,
): Outcome<Counted> {
  if (!service || !figures) {
    return fail('service-unknown', 'A service of this is no longer on the menu.', where);
  }
  const { work, schedule, cost, rates } = figures;
  if (!work.ok) return work;
  if (!schedule.ok) return schedule;
  if (!rates.ok) return rates;
  if (!cost.ok) return cost;
  return ok({
    service,
    protocol: work.value,
    schedule: schedule.value,
    cost: cost.value,
    rates: rates.value,
  });
}

/** How often a service, as it is then worked, is part of an offer. */
export interface OfferPart extends Counted {
  readonly times: number;
}
