/** A visit that comes at the same hour of some weekdays, in the zone of the house. */
interface Slot {
  readonly title: string;
  /** 0 is Sunday */
  readonly weekdays: readonly number[];
  readonly at: string;
  readonly minutes: number;
  /** of ten weeks, in so many somebody comes */
  readonly weeksOfTen: number;
}

const ZONE = 'Atlantic/Canary';
const DAY_MS = 86_400_000;

/** The week of the made-up house, as its booking program calls the visits. */
const WEEK: readonly Slot[] = [
  { title: 'Black-sand clay facial', weekdays: [2, 4, 6], at: '1000', minutes: 75, weeksOfTen: 9 },
  { title: 'Clay (returning guest)', weekdays: [1, 3, 5], at: '1130', minutes: 75, weeksOfTen: 8 },
  { title: 'Clay (returning guest)', weekdays: [2, 4], at: '1600', minutes: 75, weeksOfTen: 7 },
  { title: 'Body polish', weekdays: [1, 2, 4, 5, 6], at: '1300', minutes: 60, weeksOfTen: 8 },
  { title: 'Layered acids', weekdays: [1, 3, 5], at: '1700', minutes: 60, weeksOfTen: 8 },
  { title: 'Layered acids, first time', weekdays: [2], at: '1800', minutes: 60, weeksOfTen: 9 },
  { title: 'Calm facial', weekdays: [3, 6], at: '1200', minutes: 60, weeksOfTen: 8 },
  { title: 'Enzyme and steam', weekdays: [1, 4], at: '1500', minutes: 60, weeksOfTen: 9 },
  { title: 'Express', weekdays: [2, 3, 5, 6], at: '0930', minutes: 30, weeksOfTen: 7 },
  { title: 'Copper firming', weekdays: [3, 5], at: '1030', minutes: 60, weeksOfTen: 8 },
  { title: 'Needle', weekdays: [4], at: '1100', minutes: 75, weeksOfTen: 9 },
  { title: 'Warmth-lift', weekdays: [2, 5], at: '1130', minutes: 60, weeksOfTen: 8 },
  { title: 'Leg wrap', weekdays: [1, 6], at: '1630', minutes: 60, weeksOfTen: 8 },
  { title: 'Warm sand', weekdays: [3, 4], at: '1430', minutes: 60, weeksOfTen: 8 },
];

const WEEKS_AHEAD = 6;
const WEEKS_BACK = 2;

/**
 * The calendar of the made-up house's booking program: visits two weeks back and six ahead, fewer of them the
 * farther ahead, a team meeting that repeats, a day off, one visit that was called off.
 * @param now the day it is read on
 * @returns iCalendar (RFC 5545); the same for the same day
 */
export function calendarOn(now: Date): string {
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Casa Cenera//Simulated booking feed//EN',
    ...zone(),
    ...repeated(now),
  ];
  const monday = new Date(now.getTime() - ((now.getUTCDay() + 6) % 7) * DAY_MS);
  for (let week = -WEEKS_BACK; week < WEEKS_AHEAD; week += 1) {
    for (const [of, slot] of WEEK.entries()) {
      for (const weekday of slot.weekdays) {
        const day = new Date(monday.getTime() + (week * 7 + ((weekday + 6) % 7)) * DAY_MS);
        const chance = drawn(`${dayText(day)}${of}`);
        /* The farther ahead, the fewer have booked yet. */
        const known = week < 1 ? 1 : 1 - week / (WEEKS_AHEAD + 1);
        if (chance >= (slot.weeksOfTen / 10) * known) continue;
        lines.push(...visit(slot, of, day, chance > 0.97 * known ? 'CANCELLED' : 'CONFIRMED'));
      }
    }
  }
  return `${[...lines, 'END:VCALENDAR'].join('\r\n')}\r\n`;
}

function visit({ title, at, minutes }: Slot, of: number, day: Date, status: string): string[] {
  return [
    'BEGIN:VEVENT',
    `UID:${dayText(day)}-${of}@bookings.casa-cenera.example`,
    `DTSTAMP:${dayText(day)}T060000Z`,
    `DTSTART;TZID=${ZONE}:${dayText(day)}T${at}00`,
    `DURATION:PT${minutes}M`,
    `SUMMARY:${title}`,
    `STATUS:${status}`,
    'END:VEVENT',
  ];
}

function repeated(now: Date): string[] {
  const start = new Date(now.getTime() - 60 * DAY_MS);
  const monday = new Date(start.getTime() - ((start.getUTCDay() + 6) % 7) * DAY_MS);
  return [
    'BEGIN:VEVENT',
    'UID:team@bookings.casa-cenera.example',
    `DTSTAMP:${dayText(monday)}T060000Z`,
    `DTSTART;TZID=${ZONE}:${dayText(monday)}T090000`,
    'DURATION:PT30M',
    'SUMMARY:Team meeting',
    'RRULE:FREQ=WEEKLY;BYDAY=MO',
    'END:VEVENT',
  ];
}

function zone(): string[] {
  return [
    'BEGIN:VTIMEZONE',
    `TZID:${ZONE}`,
    'BEGIN:DAYLIGHT',
    'DTSTART:19810329T010000',
    'TZOFFSETFROM:+0000',
    'TZOFFSETTO:+0100',
    'RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU',
    'END:DAYLIGHT',
    'BEGIN:STANDARD',
    'DTSTART:19811025T020000',
    'TZOFFSETFROM:+0100',
    'TZOFFSETTO:+0000',
    'RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU',
    'END:STANDARD',
    'END:VTIMEZONE',
  ];
}

function dayText(day: Date): string {
  return day.toISOString().slice(0, 10).replaceAll('-', '');
}

/** From 0 to 1, the same for the same text. */
function drawn(text: string): number {
  let state = 2_166_136_261;
  for (const letter of text) {
    state = Math.imul(state ^ (letter.codePointAt(0) ?? 0), 16_777_619) >>> 0;
  }
  state = Math.imul(state ^ (state >>> 15), 2_246_822_507) >>> 0;
  return ((state ^ (state >>> 13)) >>> 0) / 2 ** 32;
}
