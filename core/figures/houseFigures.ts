import type { ServiceRates } from '../cost/performers';
import type { WorkedProtocol } from '../house/house';
import type { Draw } from '../draws/draw';
import type { Outcome, Problem } from '../problem/problem';
import type { MaterialId, ServiceId } from '../house/ids';
import type { OpenUse } from '../cost/openLife';
import type { ServiceCost } from '../cost/serviceCost';
import type { ServicePrice } from '../price/ladders';
import type { Triple } from '../quantity/triple';
import type { Schedule } from '../time/schedule';

/** Everything computed for one service; what cannot be computed says why. */
export interface ServiceFigures {
  readonly serviceId: ServiceId;
  /** the protocol as it is worked for the client whose figures these are */
  readonly work: Outcome<WorkedProtocol>;
  readonly schedule: Outcome<Schedule>;
  readonly draws: Outcome<readonly Draw[]>;
  /** consumed in one visit, by material, in the material's unit */
  readonly consumption: Outcome<ReadonlyMap<MaterialId, Triple>>;
  readonly rates: Outcome<ServiceRates>;
  readonly cost: Outcome<ServiceCost>;
  readonly price: Outcome<ServicePrice>;
}

/** A use of a material by a service. */
export interface MaterialUse {
  readonly serviceId: ServiceId;
  readonly visitsPerWeek: number;
  /** consumed in one visit, in the material's unit */
  readonly consumed: Triple;
}

/** Everything computed for one material. */
export interface MaterialFigures {
  readonly materialId: MaterialId;
  /** landed, minor units per unit */
  readonly unitCost: Outcome<number>;
  /** how much of an open container is used, where that is in the cost of visits */
  readonly open?: OpenUse;
  readonly uses: readonly MaterialUse[];
  /** services that may draw it, also those whose doses have a fault */
  readonly drawnBy: readonly ServiceId[];
  readonly onHand: number;
}

/** All figures of a House. */
export interface HouseFigures {
  readonly services: ReadonlyMap<ServiceId, ServiceFigures>;
  readonly materials: ReadonlyMap<MaterialId, MaterialFigures>;
  readonly roomRate: Outcome<number>;
}

/** The reasons, each once, why any figure of a House is missing or in conflict. */
export function problemsOf(figures: HouseFigures): Problem[] {
  const found = new Map<string, Problem>();
  const note = (outcome: Outcome<unknown> | null): void => {
    if (!outcome || outcome.ok) return;
    for (const problem of outcome.problems) found.set(JSON.stringify(problem), problem);
  };
  for (const service of figures.services.values()) {
    note(service.work);
    note(service.schedule);
    note(service.draws);
    note(service.cost);
    note(service.price);
  }
  for (const material of figures.materials.values()) {
    note(material.unitCost);
  }
  return [...found.values()];
}
