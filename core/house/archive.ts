import type { PricePoint } from './pricePoint';
import { dayOf, daysAfter, daysBetween, mondayOf } from '../days/days';
import type { WeekOfSpans } from './hours';
import { toSecond } from '../days/instants';
import { instantAt, wallOf } from '../days/timeZones';
import type { Lot, Movement } from './stock';
import type { House, Order, Person, Run, RunLogEntry, Treatment } from './house';
import type { JournalEntry } from './journal';
import type { LogbookEntry, LogbookPlan } from './logbook';
import type { MaterialId } from './ids';

/** A House with its memory: what is on the shelf follows from the ledger, so it is not said twice. */
export interface HouseArchive extends Omit<House, 'stock' | 'log' | 'countedOn'> {
  /** what was performed, visit by visit */
  readonly treatments: readonly Treatment[];
  /** visits that were run in the room, and all that happened in them */
  readonly runs: readonly Run[];
  readonly runEvents: readonly RunLogEntry[];
  /** visits as they were, beside what they were to be */
  readonly logbookPlans: readonly LogbookPlan[];
  readonly logbook: readonly LogbookEntry[];
  readonly prices: readonly PricePoint[];
  readonly lots: readonly Lot[];
  readonly movements: readonly Movement[];
  /** what was changed, as it was before, by day */
  readonly journal: readonly JournalEntry[];
}

const DAY_MS = 86_400_000;

/** The materials that are kept in stock: all but linen, which goes round. */
export function stockedIds(materials: House['materials']): MaterialId[] {
  return materials.flatMap((material) => (material.kind === 'linen' ? [] : [material.id]));
}

/**
 * An archive with all its days moved so that the newest movement is of today: a demo house stays as
 * fresh as it was written. What happened on its newest day moves with the clock, so that the newest
 * movement is of just now and what keeps for hours has as many left at any time of the day; before
 * the hour at which that day began all of it has happened just now.
 */
export function asOfNow(archive: HouseArchive, now: Date): HouseArchive {
  const newest = archive.movements.reduce((last, { at }) => (at > last ? at : last), '');
  if (newest === '') return archive;
  const { timeZone } = archive.settings;
  const moment = toSecond(now);
  const newestDay = dayOf(new Date(newest), timeZone);
  const today = dayOf(now, timeZone);
  const by = daysBetween(newestDay, today);
  const moved = (day: string): string => daysAfter(day, by);
  const movedAt = (at: string): string =>
    toSecond(instantAt(wallOf(new Date(at), timeZone) + by * DAY_MS, timeZone));
  /* What happens in a run is kept to the millisecond. */
  const movedToTheMs = (at: string): string =>
    new Date(Date.parse(movedAt(at)) + (Date.parse(at) % 1000)).toISOString();
  const isOfNewestDay = (at: string): boolean => dayOf(new Date(at), timeZone) === newestDay;
  const byClock = Date.parse(moment) - Date.parse(movedAt(newest));
  const withTheClock = (at: string): string => {
    const later = toSecond(new Date(Date.parse(movedAt(at)) + byClock));
    return dayOf(new Date(later), timeZone) === today ? later : moment;
  };
  const archivedLater = <T extends { readonly archivedOn?: string }>(thing: T): T =>
    thing.archivedOn === undefined ? thing : { ...thing, archivedOn: moved(thing.archivedOn) };
  return {
    ...archive,
    materials: archive.materials.map(archivedLater),
    mixes: archive.mixes.map(archivedLater),
    devices: archive.devices.map(archivedLater),
    blocks: archive.blocks.map(archivedLater),
    protocols: archive.protocols.map(archivedLater),
    settings: { ...archive.settings, ...openMoved(archive.settings, by) },
    people: archive.people.map((person) => hoursMoved(person, by)),
    bookings: archive.bookings.map((booking) => ({ ...booking, at: movedAt(booking.at) })),
    placed: archive.placed.map((visit) => ({
      ...visit,
      at: movedAt(visit.at),
      ...(visit.bookedAt !== undefined && { bookedAt: movedAt(visit.bookedAt) }),
    })),
    treatments: archive.treatments.map((treatment) => ({
      ...treatment,
      at: isOfNewestDay(treatment.at) ? withTheClock(treatment.at) : movedAt(treatment.at),
      ...(treatment.takenBackAt !== undefined && { takenBackAt: movedAt(treatment.takenBackAt) }),
    })),
    runs: archive.runs.map((run) => ({ ...run, at: movedAt(run.at) })),
    runEvents: archive.runEvents.map((event) => ({ ...event, at: movedToTheMs(event.at) })),
    logbook: archive.logbook.map((entry) => ({
      ...entry,
      at: isOfNewestDay(entry.at) ? withTheClock(entry.at) : movedAt(entry.at),
      ...(entry.bookedAt !== undefined && { bookedAt: movedAt(entry.bookedAt) }),
      ...(entry.corrections && {
        corrections: entry.corrections.map((each) => ({ ...each, at: movedAt(each.at) })),
      }),
    })),
    soldCourses: archive.soldCourses.map((sold) => ({ ...sold, soldOn: moved(sold.soldOn) })),
    orders: archive.orders.map((order) => orderMoved(order, moved)),
    counts: archive.counts.map((round) => ({
      ...round,
      startedOn: moved(round.startedOn),
      ...(round.endedOn !== undefined && { endedOn: moved(round.endedOn) }),
      lines: round.lines.map((line) => ({ ...line, at: movedAt(line.at) })),
    })),
    prices: archive.prices.map((point) => ({ ...point, on: moved(point.on) })),
    journal: archive.journal.map((entry) => ({ ...entry, on: moved(entry.on) })),
    menus: archive.menus.map(({ from, until, ...menu }) => ({
      ...menu,
      ...(from !== undefined && { from: moved(from) }),
      ...(until !== undefined && { until: moved(until) }),
    })),
    lots: archive.lots.map((lot) => ({
      ...lot,
      deliveredOn: moved(lot.deliveredOn),
      ...(lot.expiresOn !== undefined && { expiresOn: moved(lot.expiresOn) }),
    })),
    movements: archive.movements.map((movement) => ({
      ...movement,
      at: isOfNewestDay(movement.at) ? withTheClock(movement.at) : movedAt(movement.at),
    })),
  };
}

/** Hours of a week whose days are moved: what was on a Monday is so many days later. */
function weekMoved(week: WeekOfSpans, by: number): WeekOfSpans {
  return week.map((_, day) => week[(((day - by) % 7) + 7) % 7] ?? []);
}

function daysMoved<D extends { readonly from: string; readonly to: string }>(
  days: D,
  by: number,
): D {
  return { ...days, from: daysAfter(days.from, by), to: daysAfter(days.to, by) };
}

/** Opening hours that go along with the visits: the day on which it is closed stays between the same days. */
function openMoved(
  { openHours }: House['settings'],
  by: number,
): Pick<House['settings'], 'openHours'> {
  if (!openHours) return {};
  const { week, otherwise } = openHours;
  return {
    openHours: {
      week: weekMoved(week, by),
      ...(otherwise && { otherwise: otherwise.map((each) => daysMoved(each, by)) }),
    },
  };
}

function hoursMoved(person: Person, by: number): Person {
  if (!person.hours) return person;
  const { usually, weeks, away } = person.hours;
  return {
    ...person,
    hours: {
      usually: weekMoved(usually, by),
      ...(weeks && {
        weeks: weeks.map(({ monday, days }) => ({
          monday: mondayOf(daysAfter(monday, by)),
          days: weekMoved(days, by),
        })),
      }),
      ...(away && { away: away.map((each) => daysMoved(each, by)) }),
    },
  };
}

function orderMoved(order: Order, moved: (day: string) => string): Order {
  const { sent, dueOn, closedOn } = order;
  return {
    ...order,
    writtenOn: moved(order.writtenOn),
    ...(sent && { sent: { ...sent, on: moved(sent.on) } }),
    ...(dueOn !== undefined && { dueOn: moved(dueOn) }),
    ...(closedOn !== undefined && { closedOn: moved(closedOn) }),
    lines: order.lines.map((line) => ({
      ...line,
      received: line.received.map((receipt) => ({ ...receipt, on: moved(receipt.on) })),
    })),
  };
}
