import type { ServiceCost } from '../cost/serviceCost';
import { owedPerMonth, WEEKS_A_MONTH } from '../cost/therapistRate';
import type { House, Service } from '../house/house';
import type { HouseFigures, ServiceFigures } from './houseFigures';

/** What all planned visits are charged for something, beside what it costs. Minor units a month. */
export interface Recovered {
  readonly charged: number;
  readonly paid: number;
  /** the share that the figures go by */
  readonly assumed: number;
  /** the share at which the planned visits would be charged what is paid; above 1 where more is planned than fits */
  readonly implied: number;
}

/** When the house pays rent and everything that is owed by the month. Minor units, visits. */
export interface HouseBreakEven {
  readonly rentPerMonth: number;
  /** to everybody who works here, whether or not somebody comes */
  readonly owedPerMonth: number;
  /** what the planned visits add, rooms and what is owed anyhow not counted */
  readonly addedPerMonth: number;
  /** what one more guest adds, of the visits as they are planned */
  readonly perVisit: number;
  readonly visitsPerMonth: number;
  /** in the mixture that is planned; nothing where a guest adds nothing */
  readonly visitsNeeded: number | null;
  /** what the planned visits leave after both */
  readonly leftPerMonth: number;
}

/** What the planned visits bring in for rooms and pay. */
export interface Recovery {
  readonly rooms: Recovered;
  /** pay that is owed whether or not somebody comes */
  readonly pay: Recovered;
  readonly breakEven: HouseBreakEven;
  readonly visitsPerWeek: number;
}

type Value<O> = O extends { readonly ok: true; readonly value: infer V }
  ? { readonly ok: true; readonly value: V }
  : never;

/** A service of which everything is counted. */
type CountedFigures = ServiceFigures & {
  readonly [K in 'schedule' | 'cost' | 'price']: Value<ServiceFigures[K]>;
};

function isCounted(of: ServiceFigures): of is CountedFigures {
  return of.schedule.ok && of.cost.ok && of.price.ok;
}

/** A service that can be counted, and how often it is planned. */
export interface Planned {
  readonly service: Service;
  readonly visitsPerWeek: number;
  readonly of: CountedFigures;
}

/** The services that can be counted, also those that are not planned. */
export function plannedOf(house: House, figures: HouseFigures): readonly Planned[] {
  const plan = new Map(house.demand.map((line) => [line.serviceId, line.visitsPerWeek]));
  return house.services.flatMap((service) => {
    const of = figures.services.get(service.id);
    return of && isCounted(of) ? [{ service, visitsPerWeek: plan.get(service.id) ?? 0, of }] : [];
  });
}

/**
 * What the planned visits charge for rooms and for pay that is owed anyhow, beside what these cost, and how many
 * visits of such a mixture pay for both.
 * @returns nothing while no visit is planned that can be counted
 * @see C4 C8 C9
 */
export function recoveryOf(house: House, planned: readonly Planned[]): Recovery | undefined {
  const { settings } = house;
  const visitsPerWeek = planned.reduce((sum, each) => sum + each.visitsPerWeek, 0);
  if (visitsPerWeek === 0) return undefined;
  const perMonth = (of: (each: Planned) => number): number =>
    WEEKS_A_MONTH * planned.reduce((sum, each) => sum + each.visitsPerWeek * of(each), 0);
  const charged = (part: keyof Pick<ServiceCost, 'room' | 'fixedPay'>): number =>
    perMonth(({ of }) => of.cost.value[part].usual);
  const rent = settings.roomCost.fixedPerMonthMinor;
  const owed = house.people.reduce((sum, person) => sum + owedPerMonth(person, settings), 0);
  const added = perMonth(({ of }) => of.price.value.oneMore.contribution);
  const visitsPerMonth = visitsPerWeek * WEEKS_A_MONTH;
  const perVisit = added / visitsPerMonth;
  return {
    rooms: recovered(charged('room'), rent, settings.roomCost.occupancy),
    pay: recovered(charged('fixedPay'), owed, settings.bookableShare),
    breakEven: {
      rentPerMonth: rent,
      owedPerMonth: owed,
      addedPerMonth: added,
      perVisit,
      visitsPerMonth,
      visitsNeeded: perVisit > 0 ? (rent + owed) / perVisit : null,
      leftPerMonth: added - rent - owed,
    },
    visitsPerWeek,
  };
}

function recovered(charged: number, paid: number, assumed: number): Recovered {
  return { charged, paid, assumed, implied: paid > 0 ? (assumed * charged) / paid : assumed };
}
