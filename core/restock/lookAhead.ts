import { Chance, drawerOf } from './chance';
import { SimulatedShelf } from './simulatedShelf';
import {
  arrivalAfter,
  hasDeliveryDays,
  isLookDay,
  lookAfter,
  weekdaysFrom,
} from './supplyCalendar';
import { packsToOrder, type PlayedMaterial } from './verifyPolicy';
import type { Weekday } from '../days/days';

/** What is there today. Amounts in the material's unit, days from today. */
export interface StartingShelf {
  readonly open: readonly { readonly amount: number; readonly daysLeft?: number }[];
  readonly sealed: readonly { readonly amount: number; readonly daysLeft?: number }[];
  readonly coming: readonly { readonly amount: number; readonly day: number }[];
  readonly promised: number;
  /** days on which nothing is ordered from the supplier or comes from it, both included */
  readonly closed?: readonly ClosedDays[];
}

interface ClosedDays {
  readonly from: number;
  readonly to: number;
}

/** Who comes on the days ahead. */
export interface DaysAhead {
  /** of the first of them */
  readonly weekday: Weekday;
  /** uses of a day, besides those that are booked or promised */
  readonly usesOn: readonly number[];
  readonly booked: readonly {
    readonly day: number;
    readonly amount: number;
    readonly of: 'book' | 'course';
  }[];
}

/** Whether orders are written as the house does, or none any more. */
export type Ordering = 'policy' | 'none';

/** One day ahead, over all runs. Amounts in the material's unit. */
export interface DayAhead {
  readonly day: number;
  readonly low: number;
  readonly usual: number;
  readonly high: number;
  /** expected to come on that day */
  readonly delivered: number;
  /** expected to be over on that day */
  readonly over: number;
  /** chance that something was missing on or before that day */
  readonly outBy: number;
}

export interface LookAhead {
  readonly days: readonly DayAhead[];
  readonly runs: number;
  /** days until something is missing in half of the runs; nothing when it lasts in most */
  readonly runsOutIn: number | null;
}

const HALF_A_DAY = 0.5;
const LOW = 0.1;
const HIGH = 0.9;

/**
 * The stock of the days ahead: many runs of what may come, from what is there today. Booked visits come
 * on their days, the others at random; orders are written as the policy says.
 * @param onRun is told how many runs are done; answers false to stop
 * @returns the same for the same seed
 * @see S5 S6
 */
export function lookAhead(
  material: PlayedMaterial,
  start: StartingShelf,
  ahead: DaysAhead,
  {
    runs,
    seed,
    ordering = 'policy',
  }: { readonly runs: number; readonly seed: number; readonly ordering?: Ordering },
  onRun: (done: number) => boolean = () => true,
): LookAhead {
  const days = ahead.usesOn.length;
  const { lead } = material;
  const weekdayOf = weekdaysFrom(ahead.weekday);
  const isLook = (day: number): boolean => lead.reviewDays === 0 || isLookDay(day, lead, weekdayOf);
  const chance = new Chance(seed);
  const sizeOf = drawerOf(material.demand.sizes);
  const levels = Array.from({ length: days }, () => new Float64Array(runs));
  const delivered = new Float64Array(days);
  const over = new Float64Array(days);
  const firstOut = new Int32Array(runs).fill(days);
  let done = 0;
  for (; done < runs; done += 1) {
    if (!onRun(done)) break;
    playOnce(done);
  }
  const sorted = levels.map((each) => each.subarray(0, done).toSorted());
  const at = (of: Float64Array, share: number): number =>
    of[Math.min(of.length - 1, Math.floor(share * of.length))] ?? 0;
  const out = firstOut.subarray(0, done).toSorted();
  let gone = 0;
  const list = sorted.map((of, day): DayAhead => {
    while (gone < out.length && (out[gone] ?? days) <= day) gone += 1;
    return {
      day,
      low: at(of, LOW),
      usual: at(of, 0.5),
      high: at(of, HIGH),
      delivered: (delivered[day] ?? 0) / done,
      over: (over[day] ?? 0) / done,
      outBy: gone / done,
    };
  });
  const half = out[Math.floor(out.length / 2)] ?? days;
  return { days: list, runs: done, runsOutIn: half < days ? half : null };

  function playOnce(run: number): void {
    const shelf = new SimulatedShelf(material.keeping);
    for (const { amount, daysLeft } of start.open) shelf.put(amount, daysLeft, 'open');
    for (const { amount, daysLeft } of start.sealed) shelf.put(amount, daysLeft, 'sealed');
    for (const { amount, day } of start.coming) shelf.expect(amount / shelf.packUnits, day);
    const { policy, demand } = material;
    let promised = start.promised;
    let nextLook = 0;
    for (let day = 0; day < days; day += 1) {
      const uses: { readonly at: number; readonly amount: number }[] = ahead.booked
        .filter((each) => each.day === day)
        .map(({ amount }) => ({ at: day + chance.unit(), amount }));
      const others = chance.count(ahead.usesOn[day] ?? 0);
      for (let each = 0; each < others; each += 1) {
        uses.push({ at: day + chance.unit(), amount: sizeOf(chance) });
      }
      uses.sort((a, b) => a.at - b.at);
      for (const use of [...uses, { at: day + 1, amount: 0 }]) {
        while (Math.min(shelf.nextDelivery, shelf.nextEnd) <= use.at) happen(shelf, day);
        shelf.passTo(use.at);
        if (use.amount > 0 && shelf.use(use.amount) > 0 && (firstOut[run] ?? days) > day) {
          firstOut[run] = day;
        }
      }
      for (const each of ahead.booked) {
        if (each.day === day && each.of === 'course') promised -= each.amount;
      }
      /* Who reads this looks at the shelf today. */
      const looks = day === 0 || (day >= nextLook && isLook(day));
      if (ordering === 'policy' && looks) {
        const isRegular = lead.reviewDays > 0 && isLook(day);
        nextLook = isRegular ? lookAfter(day, lead, weekdayOf) : day + 1;
        const position = shelf.position(demand.perDay) - Math.max(0, promised);
        const packs = packsToOrder(policy, position, shelf.packUnits);
        if (packs > 0) {
          const taking = chance.gamma(lead.leadTimeDays, lead.leadTimeSdDays);
          /* It is written as the day ends, and comes in the course of a day. */
          const { closed = [] } = start;
          const written = firstOpen(day, closed);
          const sent = Math.max(shelf.day, written);
          const there = whenOpen(
            hasDeliveryDays(lead)
              ? Math.max(sent, arrivalAfter(written, taking, lead, weekdayOf) + HALF_A_DAY)
              : sent + taking,
            closed,
            (from) =>
              hasDeliveryDays(lead) ? arrivalAfter(from, 0, lead, weekdayOf) + HALF_A_DAY : from,
          );
          shelf.expect(packs, there);
        }
      }
      const of = levels[day];
      if (of) of[run] = shelf.onHand;
    }
  }

  function happen(shelf: SimulatedShelf, day: number): void {
    if (shelf.nextDelivery <= shelf.nextEnd) {
      shelf.passTo(Math.max(shelf.day, shelf.nextDelivery));
      delivered[day] = (delivered[day] ?? 0) + shelf.receive();
    } else {
      shelf.passTo(Math.max(shelf.day, shelf.nextEnd));
      over[day] = (over[day] ?? 0) + shelf.discardOver();
    }
  }
}

/** The first day from one on at which the supplier is not closed. */
function firstOpen(day: number, closed: readonly ClosedDays[]): number {
  let open = day;
  for (const _ of closed) {
    const away = closed.find(({ from, to }) => from <= open && open < to + 1);
    if (!away) return open;
    open = away.to + 1;
  }
  return open;
}

/** When something comes that would come while the supplier is closed: with the first delivery afterwards. */
function whenOpen(
  there: number,
  closed: readonly ClosedDays[],
  deliveryFrom: (day: number) => number,
): number {
  let comes = there;
  for (const _ of closed) {
    const open = firstOpen(comes, closed);
    if (open === comes) return comes;
    comes = deliveryFrom(open);
  }
  return comes;
}

const DAYS_A_WEEK = 7;

/** The days ahead by the week: as each week ends, with what came and was over in it. */
export function weeksOf({ days }: Pick<LookAhead, 'days'>): readonly DayAhead[] {
  const weeks: DayAhead[] = [];
  for (let from = 0; from < days.length; from += DAYS_A_WEEK) {
    const week = days.slice(from, from + DAYS_A_WEEK);
    const last = week.at(-1);
    if (!last) continue;
    weeks.push({
      ...last,
      delivered: week.reduce((sum, { delivered }) => sum + delivered, 0),
      over: week.reduce((sum, { over }) => sum + over, 0),
    });
  }
  return weeks;
}
