import ICAL from 'ical.js';
import type { Booking } from '../house/house';
import { asId } from '../house/ids';
import { dayOf, daysAfter } from '../days/days';
import { toSecond } from '../days/instants';
import { fillPurse, NEVER_ENDS, startNear, whyNotRead } from './boundedRepeats';
import { instantAt, isTimeZone } from '../days/timeZones';

/** Why something of a calendar was not taken over. */
export interface CalendarFault {
  /** of the file, where it begins */
  readonly line: number;
  readonly message: string;
}

/** What a calendar says of the days that count. */
export interface ReadCalendar {
  readonly bookings: readonly Booking[];
  readonly faults: readonly CalendarFault[];
  /** events in the file */
  readonly events: number;
  readonly calledOff: number;
  /** events of whole days: holidays, closed days */
  readonly wholeDays: number;
  /** visits before or after the days that count */
  readonly otherDays: number;
}

/** The days that are read: what was lately, for entering what was performed, and half a year ahead. */
export const DAYS_BACK = 14;
export const DAYS_AHEAD = 183;
const MOST_REPEATS = 20_000;
const MOST_BOOKINGS = 20_000;
const LONGEST_ID = 64;
const LONGEST_TITLE = 120;

interface Block {
  readonly line: number;
  readonly text: string;
}

/**
 * Reads an iCalendar file: events with time zones and repeats, exceptions and changed repeats, as visits
 * on their days. What cannot be read is told with its line, and the rest is taken.
 * @param today ISO date
 * @param timeZone of the house: of times that name none, and of days
 * @param onProgress is told the share that is done
 * @see RFC 5545
 */
export function readCalendar(
  text: string,
  today: string,
  timeZone: string,
  onProgress: (share: number) => void = () => undefined,
): ReadCalendar {
  const { events, zones } = blocksOf(text);
  const faults: CalendarFault[] = [];
  if (events.length === 0 && !/BEGIN:VCALENDAR/i.test(text)) {
    const message = 'This is no iCalendar file: it does not begin with BEGIN:VCALENDAR.';
    return { ...NOTHING, faults: [{ line: 1, message }] };
  }
  fillPurse();
  const known = zonesOf(zones);
  const from = daysAfter(today, -DAYS_BACK);
  const until = daysAfter(today, DAYS_AHEAD);
  const bookings = new Map<string, Booking>();
  const byUid = new Map<string, { block: Block; event: ICAL.Event }[]>();
  let calledOff = 0;
  let wholeDays = 0;
  let otherDays = 0;
  for (const [at, block] of events.entries()) {
    if (at % 200 === 0) onProgress((at / events.length) * 0.6);
    const event = eventOf(block, known, faults);
    if (!event) continue;
    const uid = event.uid || `line-${block.line}`;
    const same = byUid.get(uid);
    if (same) same.push({ block, event });
    else byUid.set(uid, [{ block, event }]);
  }
  let done = 0;
  for (const [uid, of] of byUid) {
    done += 1;
    if (done % 200 === 0) onProgress(0.6 + (done / byUid.size) * 0.4);
    const masters = of.filter(({ event }) => !event.isRecurrenceException());
    const changed = of.filter(({ event }) => event.isRecurrenceException());
    for (const { block, event } of masters.length > 0 ? masters : changed) {
      try {
        for (const each of changed) if (each.event !== event) event.relateException(each.event);
        for (const visit of visitsOf(event, from, until, changedOf(event, changed))) {
          if (visit.item.startDate.isDate) {
            wholeDays += 1;
            continue;
          }
          if (statusOf(visit.item) === 'CANCELLED') {
            calledOff += 1;
            continue;
          }
          const start = instantOf(visit.start, zoneOf(visit.item) ?? timeZone);
          const day = dayOf(start, timeZone);
          if (day < from || day >= until) {
            otherDays += 1;
            continue;
          }
          const end = instantOf(visit.end, zoneOf(visit.item) ?? timeZone);
          const at = toSecond(start);
          const id = idOf(`${uid}/${at}`);
          if (bookings.size >= MOST_BOOKINGS) break;
          bookings.set(id, {
            id: asId(id),
            title: titleOf(visit.item),
            at,
            minutes: Math.min(1440, Math.max(0, (end.getTime() - start.getTime()) / 60_000)),
          });
        }
      } catch (error) {
        faults.push({ line: block.line, message: wordsOf(error) });
      }
    }
  }
  ICAL.TimezoneService.reset();
  const sorted = [...bookings.values()].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  return { bookings: sorted, faults, events: events.length, calledOff, wholeDays, otherDays };
}

const NOTHING: ReadCalendar = {
  bookings: [],
  faults: [],
  events: 0,
  calledOff: 0,
  wholeDays: 0,
  otherDays: 0,
};

/** The events and time zones of a file, each by itself: a broken one must not hide the others. */
function blocksOf(text: string): {
  readonly events: readonly Block[];
  readonly zones: readonly Block[];
} {
  const events: Block[] = [];
  const zones: Block[] = [];
  let kind: 'VEVENT' | 'VTIMEZONE' | undefined;
  let from = 0;
  let lines: string[] = [];
  for (const [at, line] of text.split(/\r\n|\n|\r/).entries()) {
    const begins = /^BEGIN:(VEVENT|VTIMEZONE)\s*$/i.exec(line)?.[1]?.toUpperCase();
    if (begins === 'VEVENT' || begins === 'VTIMEZONE') {
      /* One that was never ended is rubbish, and told as such. */
      if (kind === 'VEVENT') events.push({ line: from, text: lines.join('\r\n') });
      kind = begins;
      from = at + 1;
      lines = [];
    }
    if (kind) lines.push(line);
    if (kind && new RegExp(`^END:${kind}\\s*$`, 'i').test(line)) {
      (kind === 'VEVENT' ? events : zones).push({ line: from, text: lines.join('\r\n') });
      kind = undefined;
    }
  }
  if (kind === 'VEVENT') events.push({ line: from, text: lines.join('\r\n') });
  return { events, zones };
}

function zonesOf(blocks: readonly Block[]): ReadonlyMap<string, ICAL.Timezone> {
  const zones = new Map<string, ICAL.Timezone>();
  ICAL.TimezoneService.reset();
  for (const { text } of blocks) {
    try {
      const zone = new ICAL.Timezone(componentOf(text, 'vtimezone'));
      ICAL.TimezoneService.register(zone);
      zones.set(zone.tzid, zone);
    } catch {
      /* A zone that cannot be read is looked up by its name. */
    }
  }
  return zones;
}

function eventOf(
  block: Block,
  zones: ReadonlyMap<string, ICAL.Timezone>,
  faults: CalendarFault[],
): ICAL.Event | undefined {
  const no = (message: string): undefined => {
    faults.push({ line: block.line, message });
    return undefined;
  };
  try {
    const event = new ICAL.Event(componentOf(block.text, 'vevent'));
    const start = event.component.getFirstProperty('dtstart');
    if (!start || !Number.isFinite(event.startDate.toUnixTime())) {
      return no('This event does not say when it begins.');
    }
    const why = whyNotRead(event.component);
    if (why !== undefined) return no(`This event cannot be read (${why}).`);
    const tzid = start.getFirstParameter('tzid');
    if (tzid && !zones.has(tzid) && !isTimeZone(tzid)) {
      return no(`Nobody knows the time zone “${tzid}” of this event.`);
    }
    return event;
  } catch (error) {
    return no(wordsOf(error));
  }
}

function componentOf(text: string, name: string): ICAL.Component {
  const calendar = new ICAL.Component(
    ICAL.parse(`BEGIN:VCALENDAR\r\n${text}\r\nEND:VCALENDAR`) as string,
  );
  const found = calendar.getFirstSubcomponent(name);
  if (!found) throw new Error('it is empty');
  return found;
}

interface Visit {
  readonly item: ICAL.Event;
  readonly start: ICAL.Time;
  readonly end: ICAL.Time;
}

/** The changed repeats that belong to an event; none where it is itself one. */
function changedOf(
  event: ICAL.Event,
  changed: readonly { readonly event: ICAL.Event }[],
): readonly ICAL.Event[] {
  return changed.flatMap((each) => (each.event === event ? [] : [each.event]));
}

function* visitsOf(
  event: ICAL.Event,
  from: string,
  until: string,
  changed: readonly ICAL.Event[],
): Generator<Visit> {
  if (!event.isRecurring()) {
    yield { item: event, start: event.startDate, end: event.endDate };
    return;
  }
  const last = ICAL.Time.fromDateString(until);
  const repeats = event.iterator(startNear(event, ICAL.Time.fromDateString(from), changed));
  for (let count = 0; count < MOST_REPEATS; count += 1) {
    /* The types leave out that it ends. */
    const next = repeats.next() as ICAL.Time | undefined;
    if (!next || next.compare(last) > 0) return;
    const { item, startDate, endDate } = event.getOccurrenceDetails(next);
    yield { item, start: startDate, end: endDate };
  }
  throw new Error(NEVER_ENDS);
}

/** A moment of a calendar; a zone that the file does not describe is looked up by its name. */
function instantOf(time: ICAL.Time, zone: string): Date {
  const { tzid } = time.zone as { readonly tzid?: string };
  const floating = tzid === undefined || tzid === 'floating';
  if (!floating) return time.toJSDate();
  const wall = Date.UTC(time.year, time.month - 1, time.day, time.hour, time.minute, time.second);
  return instantAt(wall, zone);
}

/** The zone that an event names, where it is known by its name; repeats of it do not carry it on. */
function zoneOf({ component }: ICAL.Event): string | undefined {
  const tzid = component.getFirstProperty('dtstart')?.getFirstParameter('tzid');
  return tzid && isTimeZone(tzid) ? tzid : undefined;
}

function statusOf({ component }: ICAL.Event): string {
  return String(component.getFirstPropertyValue('status') ?? '').toUpperCase();
}

function titleOf(event: ICAL.Event): string {
  /* A calendar may leave it out, whatever the types say. */
  const title = (event.summary as string | null) ?? '';
  const plain = title.trim().replaceAll(/\s+/g, ' ');
  return plain === '' ? 'Without a title' : plain.slice(0, LONGEST_TITLE);
}

/** Ids of calendars are of any length; two that begin alike must not become one. */
function idOf(text: string): string {
  if (text.length <= LONGEST_ID) return text;
  let hash = 2_166_136_261;
  for (const letter of text) {
    hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 16_777_619) >>> 0;
  }
  return `${text.slice(0, LONGEST_ID - 30)}~${hash.toString(36)}~${text.slice(-20)}`;
}

function wordsOf(error: unknown): string {
  const words = error instanceof Error ? error.message : String(error);
  return `This event cannot be read (${words.slice(0, 120)}).`;
}
