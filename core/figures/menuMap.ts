import type { House, Service } from '../house/house';
import { priceChange, type PriceChange } from '../price/priceChange';
import { roomHourPrice } from '../price/priceOf';
import type { HouseFigures } from './houseFigures';

/** Where a service stands: what its room hour brings, and how often it is booked. */
export const QUARTERS = ['carries', 'hidden', 'toils', 'rests'] as const;
export type Quarter = (typeof QUARTERS)[number];

/** A service on the map. Money in minor units. */
export interface MapPlace {
  readonly service: Service;
  readonly quarter: Quarter;
  readonly visitsPerWeek: number;
  readonly perRoomHour: number;
  readonly roomHoursPerWeek: number;
  readonly contributionPerWeek: number;
  /** below the line: the price that reaches it, and what visits may do then */
  readonly toReach?: { readonly gross: number; readonly change: PriceChange };
}

/** The menu by what a room hour brings and how often it is booked. */
export interface MenuMap {
  readonly places: readonly MapPlace[];
  /** what a room hour should bring, or what it brings on average where the house has not said */
  readonly line: number;
  readonly lineIs: 'wanted' | 'average';
  /** visits a week from which a service counts as often booked */
  readonly often: number;
}

/** A service is booked often from this share of what would be its even share of all visits. */
const SHARE_OF_EVEN = 0.7;

/**
 * Places every service that can be counted: above or below what a room hour should bring, booked often
 * (at least 70 % of an even share of all visits) or seldom.
 * @see P3 P6 P7
 */
export function menuMap(house: House, figures: HouseFigures): MenuMap {
  const visits = new Map(house.demand.map((line) => [line.serviceId, line.visitsPerWeek]));
  const counted = house.services.flatMap((service) => {
    const of = figures.services.get(service.id);
    if (!of?.price.ok || !of.schedule.ok) return [];
    const { slotMinutes } = of.schedule.value;
    const visitsPerWeek = visits.get(service.id) ?? 0;
    const { contribution } = of.price.value;
    return [
      {
        service,
        price: of.price.value,
        visitsPerWeek,
        roomHoursPerWeek: (visitsPerWeek * slotMinutes) / 60,
        contributionPerWeek: visitsPerWeek * contribution,
      },
    ];
  });
  const total = (of: (each: (typeof counted)[number]) => number): number =>
    counted.reduce((sum, each) => sum + of(each), 0);
  const hours = total((each) => each.roomHoursPerWeek);
  const average = hours > 0 ? total((each) => each.contributionPerWeek) / hours : 0;
  const { settings } = house;
  const line = settings.targetPerRoomHourMinor ?? average;
  const often =
    counted.length > 0 ? (total((each) => each.visitsPerWeek) / counted.length) * SHARE_OF_EVEN : 0;
  const places = counted.map(({ price, ...each }): MapPlace => {
    const earns = price.perRoomHour >= line;
    const booked = each.visitsPerWeek > 0 && each.visitsPerWeek >= often;
    const reaching = earns ? undefined : roomHourPrice(price.load, line, settings, {});
    return {
      ...each,
      perRoomHour: price.perRoomHour,
      quarter: earns ? (booked ? 'carries' : 'hidden') : booked ? 'toils' : 'rests',
      ...(reaching?.ok === true && {
        toReach: { gross: reaching.value.gross, change: priceChange(price, reaching.value) },
      }),
    };
  });
  return {
    places: places.sort((a, b) => b.contributionPerWeek - a.contributionPerWeek),
    line,
    lineIs: settings.targetPerRoomHourMinor === undefined ? 'average' : 'wanted',
    often,
  };
}
