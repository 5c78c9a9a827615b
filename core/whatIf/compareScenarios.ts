import type { Calculator } from '../figures/createCalculator';
import type { HouseFigures, ServiceFigures } from '../figures/houseFigures';
import { plannedOf, recoveryOf, type Recovery } from '../figures/recovery';
import type { Change, House, Scenario, Service } from '../house/house';
import type { ServiceId } from '../house/ids';
import type { Problem } from '../problem/problem';
import { costPlusPrice } from '../price/priceOf';
import { applyChange } from './applyChange';

/** A House as a scenario would have it, and the changes that could not be made. */
export interface Tried {
  readonly house: House;
  readonly gone: readonly { readonly change: Change; readonly problems: readonly Problem[] }[];
}

/** The House with all changes of a scenario made, one after the other; those that cannot be are told. */
export function applyScenario(house: House, { changes }: Pick<Scenario, 'changes'>): Tried {
  const gone: { change: Change; problems: readonly Problem[] }[] = [];
  let tried = house;
  for (const change of changes) {
    const made = applyChange(tried, change);
    if (made.ok) tried = made.value;
    else gone.push({ change, problems: made.problems });
  }
  return { house: tried, gone };
}

/** What a service comes to in one House. Minor units. */
export interface Side {
  readonly fullCost: number;
  readonly gross: number;
  readonly margin: number;
  readonly contribution: number;
  readonly perRoomHour: number;
  readonly slotMinutes: number;
  readonly belowFloor: boolean;
  readonly underTarget: boolean;
  readonly visitsPerWeek: number;
}

/** A service today and in a scenario; a side that cannot be counted is missing. */
export interface ComparedService {
  readonly service: Service;
  readonly today?: Side;
  readonly then?: Side;
  /** the price at the house's endings that would keep today's margin; none where it is today's */
  readonly toHold?: number;
}

/** The house of a week. Minor units, hours. */
export interface Week {
  readonly turnover: number;
  readonly contribution: number;
  readonly roomHours: number;
  /** whether it pays for rooms and for what is owed anyhow; nothing while nothing is planned */
  readonly recovery?: Recovery;
}

export interface ComparedScenario {
  readonly scenario: Scenario;
  readonly tried: Tried;
  /** of the house as the scenario would have it */
  readonly figures: HouseFigures;
  readonly services: readonly ComparedService[];
  readonly today: Week;
  readonly then: Week;
  /** services that do not cover their direct cost then, and did today */
  readonly fallBelowFloor: number;
  /** services that miss their target margin then, and reached it today */
  readonly fallUnderTarget: number;
}

/**
 * Scenarios beside the house as it is: cost, margin and price of every service, the price that would
 * keep today's margin, and the week of the whole house by the planned visits: whether it adds up, too.
 * @param calculate remembers what a scenario leaves as it was; keep one for as long as scenarios are looked at
 * @see C7 C8 C9 P2 P5 P6
 */
export function compareScenarios(
  house: House,
  scenarios: readonly Scenario[],
  calculate: Calculator,
): readonly ComparedScenario[] {
  const figuresToday = calculate(house);
  const today = sidesOf(house, figuresToday);
  const weekToday = weekOf(today, house, figuresToday);
  return scenarios.map((scenario) => {
    const tried = applyScenario(house, scenario);
    const figures = calculate(tried.house);
    const then = sidesOf(tried.house, figures);
    const services = tried.house.services.map((service): ComparedService => {
      const was = today.get(service.id);
      const is = then.get(service.id);
      return {
        service,
        ...(was && { today: was }),
        ...(is && { then: is }),
        ...(was &&
          is &&
          isMoved(was, is) &&
          priceToHold(was.margin, service, figures, tried.house)),
      };
    });
    return {
      scenario,
      tried,
      figures,
      services,
      today: weekToday,
      then: weekOf(then, tried.house, figures),
      fallBelowFloor: falling(services, 'belowFloor'),
      fallUnderTarget: falling(services, 'underTarget'),
    };
  });
}

function falling(services: readonly ComparedService[], into: 'belowFloor' | 'underTarget'): number {
  return services.filter(({ today, then }) => then?.[into] === true && today?.[into] !== true)
    .length;
}

const SAME_SHARE = 1e-9;

/** Whether there is anything to hold: a margin that is another than today's. */
function isMoved(today: Side, then: Side): boolean {
  return Math.abs(then.margin - today.margin) > SAME_SHARE;
}

function sidesOf(house: House, figures: HouseFigures): ReadonlyMap<ServiceId, Side> {
  const visits = new Map(house.demand.map((line) => [line.serviceId, line.visitsPerWeek]));
  const sides = new Map<ServiceId, Side>();
  for (const [id, { cost, price, schedule }] of figures.services) {
    if (!cost.ok || !price.ok || !schedule.ok) continue;
    const { gross, margin, targetMargin, contribution, perRoomHour, belowFloor } = price.value;
    sides.set(id, {
      fullCost: cost.value.full.usual,
      gross,
      margin,
      contribution,
      perRoomHour,
      slotMinutes: schedule.value.slotMinutes,
      belowFloor,
      underTarget: margin < targetMargin - SAME_SHARE,
      visitsPerWeek: visits.get(id) ?? 0,
    });
  }
  return sides;
}

function priceToHold(
  margin: number,
  service: Service,
  figures: HouseFigures,
  house: House,
): { readonly toHold?: number } {
  const of: ServiceFigures | undefined = figures.services.get(service.id);
  if (!of?.price.ok) return {};
  const held = costPlusPrice(of.price.value.load, margin, house.settings, {
    serviceId: service.id,
  });
  return held.ok ? { toHold: held.value.gross } : {};
}

const MINUTES_IN_AN_HOUR = 60;

function weekOf(sides: ReadonlyMap<ServiceId, Side>, house: House, figures: HouseFigures): Week {
  let turnover = 0;
  let contribution = 0;
  let roomHours = 0;
  for (const side of sides.values()) {
    turnover += side.gross * side.visitsPerWeek;
    contribution += side.contribution * side.visitsPerWeek;
    roomHours += (side.slotMinutes * side.visitsPerWeek) / MINUTES_IN_AN_HOUR;
  }
  const recovery = recoveryOf(house, plannedOf(house, figures));
  return { turnover, contribution, roomHours, ...(recovery && { recovery }) };
}
