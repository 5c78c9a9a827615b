import { dayOf, daysAfter, daysSince } from '../days/days';
import type { BookingId, MaterialId, ServiceId } from './ids';
import type { CountRound, Treatment } from './restock';

/**
 * What was performed, added up by service and day: as much as figures need of it, however long a house has
 * been open.
 */
export interface VisitLog {
  /** ISO date of the first day that is looked at */
  readonly since: string;
  /** visits of each service on that day and those after it, as far as there were any */
  readonly visits: Readonly<Partial<Record<ServiceId, readonly number[]>>>;
  /** the bookings of the book that are entered as performed */
  readonly entered: readonly BookingId[];
}

/** A log of nothing. */
export const NO_VISITS: VisitLog = { since: '0001-01-01', visits: {}, entered: [] };

/** What a log is made of. */
export type LoggedVisit = Pick<Treatment, 'serviceId' | 'bookingId' | 'takenBackAt'> & {
  readonly at: string | Date;
};

/**
 * Adds visits up by service and day. What was taken back was not performed.
 * @param since ISO date; what was before it is left out
 * @param timeZone by whose clocks days go
 */
export function visitLogOf(
  visits: Iterable<LoggedVisit>,
  since: string,
  timeZone: string,
): VisitLog {
  /* Not an object: a service may be called “constructor”. */
  const counts = new Map<string, number[]>();
  const entered: BookingId[] = [];
  for (const { serviceId, at, bookingId, takenBackAt } of visits) {
    if (takenBackAt !== undefined) continue;
    if (bookingId !== undefined) entered.push(bookingId);
    const day = daysSince(since, new Date(at), timeZone);
    if (day < 0) continue;
    const days = counts.get(serviceId) ?? [];
    counts.set(serviceId, days);
    while (days.length <= day) days.push(0);
    days[day] = (days[day] ?? 0) + 1;
  }
  return { since, visits: Object.fromEntries(counts), entered };
}

/** The visits of a log, day by day: each service and ISO date on which it was performed, and how often. */
export function* visitsByDay({ since, visits }: VisitLog): Generator<{
  readonly serviceId: ServiceId;
  readonly day: string;
  readonly count: number;
}> {
  for (const [serviceId, days] of Object.entries(visits)) {
    for (const [at, count] of (days ?? []).entries()) {
      if (count > 0) yield { serviceId: serviceId as ServiceId, day: daysAfter(since, at), count };
    }
  }
}

/** How many visits a log has. */
export function visitsIn(log: VisitLog): number {
  let all = 0;
  for (const { count } of visitsByDay(log)) all += count;
  return all;
}

/** The ISO date on which each material was counted last. */
export type CountedOn = Readonly<Partial<Record<MaterialId, string>>>;

/**
 * When each material was counted last in a round.
 * @param timeZone by whose clocks days go
 * @param before what is known of earlier rounds
 */
export function lastCounted(
  rounds: readonly Pick<CountRound, 'lines'>[],
  timeZone: string,
  before: CountedOn = {},
): CountedOn {
  const last = new Map(Object.entries(before) as [MaterialId, string][]);
  for (const { lines } of rounds) {
    for (const { materialId, at } of lines) {
      const day = dayOf(new Date(at), timeZone);
      const known = last.get(materialId);
      if (known === undefined || day > known) last.set(materialId, day);
    }
  }
  return Object.fromEntries(last) as CountedOn;
}
