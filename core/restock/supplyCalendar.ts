import type { Weekday } from '../days/days';
import { leadTimeOverBy } from './incompleteGamma';

const DAYS_A_WEEK = 7;
/** What is less likely than this is not waited for. */
const NEVER = 1e-7;
const MOST_WEEKS = 600;

/** How a supplier delivers, and how often the shelf is looked at. Days. */
export interface LeadTime {
  readonly leadTimeDays: number;
  readonly leadTimeSdDays: number;
  /** days between looks at the shelf; 0 when an order is written as soon as a use calls for it */
  readonly reviewDays: number;
  /** the weekdays on which the supplier delivers; any unless given */
  readonly deliveryDays?: readonly Weekday[];
  /** how much longer an order of these days waits, because the supplier is closed */
  readonly closedDays?: number;
}

/** A number of days, and how often it is that many. */
export interface DaysShare {
  readonly days: number;
  /** of all; they sum to 1 */
  readonly share: number;
}

/** A look at the shelf: its weekday, and the days until the next one. */
export interface Look {
  readonly weekday: Weekday;
  readonly daysToNext: number;
  readonly share: number;
}

/** The weekday so many whole days after another. */
export function weekdayAfter(weekday: Weekday, days: number): Weekday {
  return (((((weekday - 1 + days) % DAYS_A_WEEK) + DAYS_A_WEEK) % DAYS_A_WEEK) + 1) as Weekday;
}

/** Whether a supplier comes on some weekdays only. */
export function hasDeliveryDays({ deliveryDays = [] }: Pick<LeadTime, 'deliveryDays'>): boolean {
  return deliveryDays.length > 0 && deliveryDays.length < DAYS_A_WEEK;
}

/**
 * How long an order waits that is written on a weekday: until the first delivery day at or after its lead time.
 * @returns each number of whole days that it can take, with its chance
 * @example waitsFrom(1, { leadTimeDays: 3, leadTimeSdDays: 0, deliveryDays: [3] }) // [{ days: 9, share: 1 }]
 * @see S2
 */
export function waitsFrom(
  weekday: Weekday,
  { leadTimeDays, leadTimeSdDays, deliveryDays = [] }: Omit<LeadTime, 'reviewDays'>,
): readonly DaysShare[] {
  const waits: DaysShare[] = [];
  let before = 0;
  for (let days = 0; days < MOST_WEEKS * DAYS_A_WEEK && before < 1 - NEVER; days += 1) {
    if (deliveryDays.length > 0 && !deliveryDays.includes(weekdayAfter(weekday, days))) continue;
    const by = leadTimeOverBy(days, leadTimeDays, leadTimeSdDays);
    if (by > before) waits.push({ days, share: by - before });
    before = Math.max(before, by);
  }
  return waits.map(({ days, share }) => ({ days, share: share / before }));
}

/**
 * The days on which a shelf is looked at that is looked at from time to time, one cycle of them: on each delivery
 * day, on one of them every so many weeks, or, where the looks wander through the week, on any day.
 * @see S2
 */
export function looksOf({ reviewDays, deliveryDays = [] }: LeadTime): readonly Look[] {
  const days = [...deliveryDays].sort((a, b) => a - b);
  const isEach = Math.abs(reviewDays - DAYS_A_WEEK / Math.max(1, days.length)) < 1e-6;
  if (isEach) {
    return days.map((weekday, at) => {
      const next = days[(at + 1) % days.length] ?? weekday;
      return {
        weekday,
        daysToNext: ((next - weekday + DAYS_A_WEEK - 1) % DAYS_A_WEEK) + 1,
        share: 1 / days.length,
      };
    });
  }
  const on = reviewDays % DAYS_A_WEEK === 0 ? days : WEEKDAYS;
  return on.map((weekday) => ({ weekday, daysToNext: reviewDays, share: 1 / on.length }));
}

const WEEKDAYS: readonly Weekday[] = [1, 2, 3, 4, 5, 6, 7];

/**
 * The days for which an order point must last, where deliveries come on some weekdays only. Looked at from time to
 * time: from a look to the arrival of the order that the next look could write. Looked at any day: to the arrival
 * of an order written on the weekday on which the point is reached, each as likely.
 * @see S2
 */
export function protectionTimes(lead: LeadTime): readonly DaysShare[] {
  const times = new Map<number, number>();
  const add = (weekday: Weekday, before: number, share: number): void => {
    for (const wait of waitsFrom(weekday, lead)) {
      const days = before + wait.days;
      times.set(days, (times.get(days) ?? 0) + share * wait.share);
    }
  };
  if (lead.reviewDays > 0) {
    for (const { weekday, daysToNext, share } of looksOf(lead)) {
      add(weekdayAfter(weekday, Math.round(daysToNext)), daysToNext, share);
    }
  } else for (const weekday of WEEKDAYS) add(weekday, 0, 1 / WEEKDAYS.length);
  return [...times].map(([days, share]) => ({ days, share })).sort((a, b) => a.days - b.days);
}

/** The weekday of a day that is counted from a first one. */
export type WeekdayOf = (day: number) => Weekday;

/** Counts weekdays from that of day 0. */
export function weekdaysFrom(first: Weekday): WeekdayOf {
  return (day) => weekdayAfter(first, Math.floor(day));
}

/** The weekday on which a shelf that is played through is looked at first. */
export function firstLookOn(lead: LeadTime): Weekday {
  const [look] = lead.reviewDays > 0 && hasDeliveryDays(lead) ? looksOf(lead) : [];
  return look?.weekday ?? 1;
}

/** Whether a shelf that is looked at from time to time can be looked at on a day at all. */
export function isLookDay(day: number, lead: LeadTime, weekdayOf: WeekdayOf): boolean {
  if (!hasDeliveryDays(lead)) return true;
  const weekday = weekdayOf(day);
  return looksOf(lead).some((look) => look.weekday === weekday);
}

/**
 * The day of the next look after one.
 * @param day of a look
 */
export function lookAfter(day: number, lead: LeadTime, weekdayOf: WeekdayOf): number {
  if (!hasDeliveryDays(lead)) return day + lead.reviewDays;
  const weekday = weekdayOf(day);
  const look = looksOf(lead).find((each) => each.weekday === weekday);
  return day + (look?.daysToNext ?? lead.reviewDays);
}

/**
 * When an order is there that is written on a day and takes so long.
 * @param taking days of its lead time, as they were drawn
 */
export function arrivalAfter(
  day: number,
  taking: number,
  { deliveryDays = [] }: Pick<LeadTime, 'deliveryDays'>,
  weekdayOf: WeekdayOf,
): number {
  if (!hasDeliveryDays({ deliveryDays })) return day + taking;
  let days = Math.ceil(taking - 1e-9);
  while (!deliveryDays.includes(weekdayAfter(weekdayOf(day), days))) days += 1;
  return day + days;
}
