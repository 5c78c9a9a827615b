import ICAL from 'ical.js';

/**
 * Repeats of events, bounded. What calendars that took minutes share is a rule whose next date is looked
 * for without end: it never comes (a thirtieth of February), comes every second, or lies thousands of
 * years back or ahead. Here a rule begins near the days that count, and looking costs from a purse that
 * all rules of a file share.
 */

/** Steps that all rules of a file may take together: a second of work on a slow machine. */
const MOST_STEPS = 10_000;
const LONGEST_INTERVAL = 1_000;
const LONGEST_VISIT_SECONDS = 31 * 86_400;
const DAY_SECONDS = 86_400;
const TOO_OFTEN = new Set(['SECONDLY', 'MINUTELY', 'HOURLY']);

/** What is said of a rule that has no end that anybody can reach. */
export const NEVER_ENDS = 'its repeats are too many, or never come';

/** The steps that are left. */
let purse = 0;

/* The library asks this at every step of looking for the next date, and has no bound of its own. */
const looking = ICAL.RecurIterator.prototype as unknown as {
  check_contracting_rules: () => boolean;
};
const check = looking.check_contracting_rules;
looking.check_contracting_rules = function (this: unknown): boolean {
  purse -= 1;
  if (purse < 0) throw new Error(NEVER_ENDS);
  return check.call(this);
};

/** Begins a file: its rules have all steps before them. */
export function fillPurse(): void {
  purse = MOST_STEPS;
}

/**
 * Why an event is not read, before anything of it is worked out.
 * @returns words, or nothing where it is as events are
 */
export function whyNotRead(component: ICAL.Component): string | undefined {
  for (const property of component.getAllProperties('rrule')) {
    const rule = property.getFirstValue() as ICAL.Recur;
    if (TOO_OFTEN.has(rule.freq)) return 'it repeats more often than daily, as no visit does';
    if (rule.interval > LONGEST_INTERVAL) return 'its repeats lie further apart than anybody plans';
  }
  const duration = component.getFirstPropertyValue('duration') as ICAL.Duration | null;
  if (duration && Math.abs(duration.toSeconds()) > LONGEST_VISIT_SECONDS) {
    return 'it lasts longer than a month';
  }
  return undefined;
}

/**
 * Where the repeats of an event are looked for from: near a day, at one of its own dates, where its rule
 * lets that be told; else where it begins.
 */
export function startNear(
  event: ICAL.Event,
  day: ICAL.Time,
  changed: readonly ICAL.Event[],
): ICAL.Time {
  const begins = event.startDate;
  const [property, ...others] = event.component.getAllProperties('rrule');
  const rule = property?.getFirstValue() as ICAL.Recur | undefined;
  const days = rule?.freq === 'DAILY' ? 1 : rule?.freq === 'WEEKLY' ? 7 : 0;
  if (!rule || others.length > 0 || rule.count || days === 0) return begins;
  if (event.component.getFirstProperty('rdate')) return begins;
  /* A repeat that was moved into these days may have lain before them. */
  const earliest = changed.reduce(
    (first, { recurrenceId }) => (recurrenceId.compare(first) < 0 ? recurrenceId : first),
    day,
  );
  const apart = earliest.subtractDateTz(begins).toSeconds() / DAY_SECONDS;
  const period = days * rule.interval;
  const skipped = Math.floor(apart / period) - 1;
  if (skipped <= 0) return begins;
  const start = begins.clone();
  start.adjust(skipped * period, 0, 0, 0);
  return start;
}
