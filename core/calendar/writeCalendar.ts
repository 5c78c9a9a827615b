import ICAL from 'ical.js';

/** Something with a beginning and an end, as a calendar has it. */
export interface CalendarEvent {
  readonly id: string;
  readonly title: string;
  /** ISO 8601 in UTC */
  readonly at: string;
  readonly minutes: number;
  readonly place?: string;
  readonly words?: string;
}

/**
 * Events as an iCalendar file.
 * @param now when it is written
 * @returns RFC 5545, lines folded and ended as it asks
 */
export function writeCalendar(events: readonly CalendarEvent[], now: Date): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', '-//Bienestar//Logbook//EN');
  const stamp = utc(now);
  for (const { id, title, at, minutes, place, words } of events) {
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', id);
    event.updatePropertyWithValue('dtstamp', stamp);
    const begins = new Date(at);
    event.updatePropertyWithValue('dtstart', utc(begins));
    event.updatePropertyWithValue('dtend', utc(new Date(begins.getTime() + minutes * 60_000)));
    event.updatePropertyWithValue('summary', title);
    if (place !== undefined && place !== '') event.updatePropertyWithValue('location', place);
    if (words !== undefined && words !== '') event.updatePropertyWithValue('description', words);
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}

function utc(moment: Date): ICAL.Time {
  return ICAL.Time.fromJSDate(moment, true);
}
