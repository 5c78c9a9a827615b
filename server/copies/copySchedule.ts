import { dayOf, daysAfter, mondayOf, todayOf, type HouseClock } from '@bienestar/core/days/days';
import { instantAt } from '@bienestar/core/days/timeZones';
import { COPY_REASONS, type CopyReason, type SafeCopy } from '@bienestar/contract/api';

/** The hour at which a copy of the day is made, by the clocks of the house. */
const NIGHT = '03:00';
const DAYS_KEPT = 7;
const WEEKS_KEPT = 5;
const MONTHS_KEPT = 12;
const NAME = /^(\d{4})-(\d\d)-(\d\d)T(\d\d)-(\d\d)-(\d\d)-([a-z-]+)\.house\.json\.gz$/;

/** The name of a copy made at a moment. */
export function copyName(at: Date, why: CopyReason): string {
  return `${at.toISOString().slice(0, 19).replaceAll(':', '-')}-${why}.house.json.gz`;
}

/** What a name says of the copy; nothing for a file that is none. */
export function copyFrom(name: string, bytes: number): SafeCopy | undefined {
  const [, year, month, day, hour, minute, second, why] = NAME.exec(name) ?? [];
  const reason = COPY_REASONS.find((each) => each === why);
  const at = `${year}-${month}-${day}T${hour}:${minute}:${second}Z`;
  if (reason === undefined || Number.isNaN(Date.parse(at))) return undefined;
  return { name, at, why: reason, bytes };
}

/** Whether the copy of the last night is still to be made, also when the machine slept through it. */
export function isNightCopyDue(copies: readonly SafeCopy[], clock: HouseClock): boolean {
  const nightOf = (day: string): Date => instantAt(Date.parse(`${day}T${NIGHT}Z`), clock.timeZone);
  const today = todayOf(clock);
  const last = nightOf(today) > clock.now ? nightOf(daysAfter(today, -1)) : nightOf(today);
  return !copies.some(({ at }) => Date.parse(at) >= last.getTime());
}

/**
 * The copies that are let go of: kept are all of today and yesterday, and of each of the last seven days,
 * five weeks and twelve months in which there are any, the newest.
 */
export function copiesToLetGo(copies: readonly SafeCopy[], clock: HouseClock): readonly SafeCopy[] {
  const newestFirst = copies.toSorted((a, b) => (a.at < b.at ? 1 : -1));
  const kept = new Set<SafeCopy>();
  const dayIn = (at: string): string => dayOf(new Date(at), clock.timeZone);
  const yesterday = daysAfter(todayOf(clock), -1);
  for (const copy of newestFirst) if (dayIn(copy.at) >= yesterday) kept.add(copy);
  const spans = [
    [DAYS_KEPT, (day: string) => day],
    [WEEKS_KEPT, mondayOf],
    [MONTHS_KEPT, (day: string) => day.slice(0, 7)],
  ] as const;
  for (const [most, spanOf] of spans) {
    const seen = new Set<string>();
    for (const copy of newestFirst) {
      const span = spanOf(dayIn(copy.at));
      if (seen.has(span) || seen.size >= most) continue;
      seen.add(span);
      kept.add(copy);
    }
  }
  return copies.filter((copy) => !kept.has(copy));
}
