import { materialDemand, type UseRate } from '@bienestar/core/draws/demandRate';
import type { Weekday } from '@bienestar/core/days/days';
import { reorderPoint } from '@bienestar/core/restock/reorderPoint';
import type { LeadTime } from '@bienestar/core/restock/supplyCalendar';
import { usesWhileWaiting } from '@bienestar/core/restock/usesWhileWaiting';
import { Lots } from '@bienestar/core/testing/lots';
import { gamma } from './draws';

/** A shelf of one material that is played through. */
export interface PlayedPoint {
  readonly rates: readonly UseRate[];
  readonly lead: LeadTime;
  readonly asked: number;
  /** what core says is enough */
  readonly point: number;
  /** the share of orders that came in time, played through */
  readonly reached: number;
  readonly orders: number;
}

const WEEK = 7;

function leadOf(lots: Lots): LeadTime {
  const leadTimeDays = lots.one([0, 1, 3, 7, 14, 30]);
  const deliveryDays = lots.one<readonly Weekday[]>([[], [], [3], [2, 5], [1, 3, 5]]);
  return {
    leadTimeDays,
    leadTimeSdDays: lots.is(0.5) ? 0 : leadTimeDays * lots.typed(0.1, 0.8),
    reviewDays: lots.one([0, 0, 7, 14, ...(deliveryDays.length === 2 ? [3.5] : [])]),
    ...(deliveryDays.length > 0 && { deliveryDays }),
  };
}

/** A shelf drawn at random, its order point by core, and how often that was enough over so many orders. */
export function playPoint(seed: number, orders: number): PlayedPoint {
  const lots = new Lots(seed);
  const rates = Array.from({ length: lots.whole(1, 3) }, () => ({
    visitsPerWeek: lots.typed(0.3, 25),
    amount: lots.whole(1, 9),
  }));
  const lead = leadOf(lots);
  const asked = lots.one([0.8, 0.9, 0.95, 0.98]);
  const demand = materialDemand(rates);
  const found = reorderPoint(
    demand,
    usesWhileWaiting(demand.usesPerDay, lead),
    { indivisible: 1, packUnits: 1, serviceLevel: asked },
    {},
  );
  if (!found.ok) throw new Error(found.problems[0]?.message);
  const point = found.value.amount;
  return { rates, lead, asked, point, reached: played(rates, lead, point, orders, lots), orders };
}

/** Whether orders came in time less often than was asked for, beyond the noise of playing through. */
export function isShort({ asked, reached, orders }: PlayedPoint): boolean {
  return reached < asked - 4 * Math.sqrt((asked * (1 - asked)) / orders);
}

/** Orders whose material did not run out before they came, of all. */
function played(
  rates: readonly UseRate[],
  { leadTimeDays, leadTimeSdDays, reviewDays, deliveryDays = [] }: LeadTime,
  point: number,
  orders: number,
  lots: Lots,
): number {
  const perDay = rates.reduce((sum, { visitsPerWeek }) => sum + visitsPerWeek, 0) / WEEK;
  const mean = rates.reduce((sum, rate) => sum + rate.visitsPerWeek * rate.amount, 0) / WEEK;
  /* A batch that lasts well over the looks, so that each order is one of its own. */
  const batch = Math.ceil(mean * Math.max(10, 3 * reviewDays) + 20);
  const untilUse = (): number => -Math.log(1 - lots.unit()) / perDay;
  const use = (): number => {
    let at = lots.unit() * perDay * WEEK;
    for (const { visitsPerWeek, amount } of rates) {
      at -= visitsPerWeek;
      if (at < 0) return amount;
    }
    return rates[0]?.amount ?? 0;
  };
  const comes = (on: Weekday): boolean => deliveryDays.length === 0 || deliveryDays.includes(on);
  const weekday = (time: number): Weekday => ((Math.floor(time + 1e-9) % WEEK) + 1) as Weekday;
  const wait = (time: number): number => {
    const taking =
      leadTimeSdDays > 0
        ? (gamma((leadTimeDays / leadTimeSdDays) ** 2, lots) * leadTimeSdDays ** 2) / leadTimeDays
        : leadTimeDays;
    if (deliveryDays.length === 0) return taking;
    let days = Math.ceil(taking - 1e-9);
    while (!comes(weekday(time + days))) days += 1;
    return days;
  };
  /* Looks: on each delivery day where there are as many as deliveries, else every so many days from one. */
  const isEach = Math.abs(reviewDays * deliveryDays.length - WEEK) < 1e-6;
  const firstLook = deliveryDays.length > 0 ? (deliveryDays[0] ?? 1) - 1 : 0;
  const lookAfter = (time: number): number => {
    if (!isEach) return time + reviewDays;
    let next = time + 1;
    while (!comes(weekday(next))) next += 1;
    return next;
  };
  let position = point + batch;
  let time = 0;
  let look = firstLook;
  let inTime = 0;
  let next = untilUse();
  for (let order = 0; order < orders; order += 1) {
    /* Until an order is written. */
    for (;;) {
      if (reviewDays === 0) {
        time = next;
        position -= use();
        next = time + untilUse();
        if (position <= point) break;
      } else {
        while (next <= look) {
          position -= use();
          next += untilUse();
        }
        time = look;
        look = lookAfter(look);
        if (position <= point) break;
      }
    }
    /* What is used until it is there is drawn apart: it says nothing of what comes after. */
    let left = position;
    const lasts = wait(time);
    for (let at = untilUse(); at <= lasts && left >= 0; at += untilUse()) left -= use();
    if (left >= 0) inTime += 1;
    while (position <= point) position += batch;
  }
  return inTime / orders;
}
