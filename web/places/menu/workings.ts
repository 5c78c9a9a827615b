import { shownCost, type ShownCost } from '@bienestar/core/cost/shownCost';
import { explainCost, type ExplainedService } from '@bienestar/core/explain/explainCost';
import { explainPrice } from '@bienestar/core/explain/explainPrice';
import { explainSlot } from '@bienestar/core/explain/explainTime';
import type { Working } from '@bienestar/core/explain/working';
import type { ServiceFigures } from '@bienestar/core/figures/houseFigures';
import type { House, Service } from '@bienestar/core/house/house';
import type { ServicePrice } from '@bienestar/core/price/ladders';
import type { Schedule } from '@bienestar/core/time/schedule';

type Make = () => Working;

/** The figures of a service in a row of the menu, each with its working. */
export interface MenuWorkings {
  readonly schedule: Schedule;
  readonly shown: ShownCost;
  readonly price: ServicePrice;
  readonly slot: Make;
  readonly direct: Make;
  readonly full: Make;
  readonly gross: Make;
  readonly margin: Make;
  readonly contribution: Make;
  readonly perRoomHour: Make;
  readonly perTherapistHour: Make;
  readonly breakEven: Make;
  readonly floor: Make;
  readonly oneMore: Make;
  readonly oneMoreFloor: Make;
  readonly oneMoreBreakEven: Make;
  readonly profit: Make;
  readonly even: Make;
  readonly mostDiscount: Make;
}

/** What the workings of a service are made from; nothing when one of its figures cannot be had. */
export function explainedOf(
  house: House,
  service: Service,
  { work, schedule, rates, cost }: ServiceFigures,
): ExplainedService | undefined {
  if (!work.ok || !schedule.ok || !rates.ok || !cost.ok) return undefined;
  return {
    house,
    service,
    protocol: work.value,
    schedule: schedule.value,
    rates: rates.value,
    cost: cost.value,
  };
}

/** The workings of a service; nothing when one of its figures cannot be had. */
export function workingsOf(
  house: House,
  service: Service,
  figures: ServiceFigures,
): MenuWorkings | undefined {
  const { price } = figures;
  const of = explainedOf(house, service, figures);
  if (!of || !price.ok) return undefined;
  const { schedule, cost } = of;
  return {
    schedule,
    shown: shownCost(cost),
    price: price.value,
    slot: () => explainSlot(schedule, service, house),
    direct: () => explainCost('direct', of),
    full: () => explainCost('full', of),
    gross: () => explainPrice('gross', price.value, of),
    contribution: () => explainPrice('contribution', price.value, of),
    margin: () => explainPrice('margin', price.value, of),
    perRoomHour: () => explainPrice('perRoomHour', price.value, of),
    perTherapistHour: () => explainPrice('perTherapistHour', price.value, of),
    breakEven: () => explainPrice('breakEven', price.value, of),
    floor: () => explainPrice('floor', price.value, of),
    oneMore: () => explainPrice('oneMore', price.value, of),
    oneMoreFloor: () => explainPrice('oneMoreFloor', price.value, of),
    oneMoreBreakEven: () => explainPrice('oneMoreBreakEven', price.value, of),
    profit: () => explainPrice('profit', price.value, of),
    even: () => explainPrice('even', price.value, of),
    mostDiscount: () => explainPrice('mostDiscount', price.value, of),
  };
}
