import type { BoughtMaterial, House } from '../house/house';
import type { MaterialId, ServiceId } from '../house/ids';
import {
  dayOf,
  daysAfter,
  daysBetween,
  endOfDay,
  hoursBetween,
  todayOf,
  weekdayOf,
  type HouseClock,
} from '../days/days';
import { shelfState } from '../stock/shelfLife';
import type { MaterialStock } from '../house/stock';
import { bookOf } from './bookOf';
import { bookedService, bookingNames, factorOn } from './forecast';
import type { DaysAhead, StartingShelf } from './lookAhead';
import type { RestockFigures } from './restocker';
import { takenFromOpen, type Restocking } from './restocking';

/** The twelve weeks that are looked ahead. */
export const AHEAD_DAYS = 84;

/**
 * Who comes on the days ahead, as far as a material goes: booked visits on their days, visits of sold
 * courses when they are due, all others at the rate that months and growth make of what is expected now.
 */
export function daysAheadOf(
  house: House,
  restock: RestockFigures,
  materialId: MaterialId,
  restocking: Restocking,
  days = AHEAD_DAYS,
): DaysAhead {
  const { today } = restock;
  const byService = new Map<ServiceId, { visits: number; amount: number }>();
  for (const { serviceId, visitsPerWeek, amount } of restocking.rates) {
    const known = byService.get(serviceId) ?? { visits: 0, amount: 0 };
    const visits = known.visits + visitsPerWeek;
    /* the mean of what its visits take */
    const mean =
      visits > 0 ? (known.amount * known.visits + amount * visitsPerWeek) / visits : amount;
    byService.set(serviceId, { visits, amount: mean });
  }
  const names = bookingNames(house);
  const { timeZone } = house.settings;
  const booked: DaysAhead['booked'][number][] = [];
  const bookedOn = new Map<string, number>();
  for (const { title, at } of bookOf(house)) {
    const service = bookedService(title, names);
    const of = service ? byService.get(service) : undefined;
    const day = daysBetween(today, dayOf(new Date(at), timeZone));
    if (!service || !of || day < 0 || day >= days) continue;
    booked.push({ day, amount: of.amount, of: 'book' });
    bookedOn.set(`${service}/${day}`, (bookedOn.get(`${service}/${day}`) ?? 0) + 1);
  }
  for (const visit of restock.promises.get(materialId)?.visits ?? []) {
    const day = daysBetween(today, visit.day);
    if (day < days) booked.push({ day, amount: visit.amount, of: 'course' });
  }
  const plan = new Map(house.demand.map((line) => [line.serviceId, line]));
  const { restock: settings } = house.settings;
  const usesOn = Array.from({ length: days }, (_, day) => {
    let uses = 0;
    for (const [serviceId, { visits }] of byService) {
      const line = plan.get(serviceId) ?? {};
      const now = factorOn(line, settings, today);
      const then = factorOn(line, settings, daysAfter(today, day));
      const expected = (visits / 7) * (now > 0 ? then / now : 1);
      uses += Math.max(0, expected - (bookedOn.get(`${serviceId}/${day}`) ?? 0));
    }
    return uses;
  });
  return { weekday: weekdayOf(today), usesOn, booked };
}

/** The shelf of the moment as the runs begin with it. */
export function startingShelf(
  material: BoughtMaterial,
  stock: Pick<MaterialStock, 'lots'>,
  { onItsWay, position, pack, supplier }: Restocking,
  clock: HouseClock,
): StartingShelf {
  const { now, timeZone } = clock;
  const today = todayOf(clock);
  const { open, lots } = shelfState(material, stock, clock);
  return {
    open: open
      .filter(({ daysLeft }) => daysLeft === undefined || daysLeft > 0)
      .map(({ remaining, daysLeft }) => ({
        amount: takenFromOpen(remaining, pack),
        ...(daysLeft !== undefined && { daysLeft }),
      })),
    sealed: lots
      .filter(({ daysLeft }) => daysLeft === undefined || daysLeft >= 0)
      .map(({ lot, sealed }) => ({
        amount: sealed * (1 - pack.residual),
        ...(lot.expiresOn !== undefined && {
          daysLeft: hoursBetween(now, endOfDay(lot.expiresOn, timeZone)) / 24,
        }),
      })),
    coming: onItsWay.map(({ amount, dueOn }) => ({
      amount: amount * (1 - pack.residual),
      day: Math.max(0, daysBetween(today, dueOn)) + 0.5,
    })),
    promised: position.promised,
    ...(supplier.closed && {
      closed: supplier.closed.map(({ from, to }) => ({
        from: daysBetween(today, from),
        to: daysBetween(today, to),
      })),
    }),
  };
}
