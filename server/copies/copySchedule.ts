import { COPY_REASONS, type CopyReason, type SafeCopy } from '@bienestar/contract/api';

/** The hour at which a copy of the day is made, in the time of this machine. */
const NIGHT_HOUR = 3;
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
export function isNightCopyDue(copies: readonly SafeCopy[], now: Date): boolean {
  const night = new Date(now);
  night.setHours(NIGHT_HOUR, 0, 0, 0);
  if (night > now) night.setDate(night.getDate() - 1);
  return !copies.some(({ at }) => Date.parse(at) >= night.getTime());
}

/**
 * The copies that are let go of: kept are all of today and yesterday, and of each of the last seven days,
 * five weeks and twelve months in which there are any, the newest.
 */
export function copiesToLetGo(copies: readonly SafeCopy[], now: Date): readonly SafeCopy[] {
  const newestFirst = copies.toSorted((a, b) => (a.at < b.at ? 1 : -1));
  const kept = new Set<SafeCopy>();
  const yesterday = new Date(now.getTime() - 86_400_000).toISOString().slice(0, 10);
  for (const copy of newestFirst) if (copy.at.slice(0, 10) >= yesterday) kept.add(copy);
  const spans = [
    [DAYS_KEPT, (at: string) => at.slice(0, 10)],
    [WEEKS_KEPT, weekOf],
    [MONTHS_KEPT, (at: string) => at.slice(0, 7)],
  ] as const;
  for (const [most, spanOf] of spans) {
    const seen = new Set<string>();
    for (const copy of newestFirst) {
      const span = spanOf(copy.at);
      if (seen.has(span) || seen.size >= most) continue;
      seen.add(span);
      kept.add(copy);
    }
  }
  return copies.filter((copy) => !kept.has(copy));
}

/** The Monday of the week of a moment. */
function weekOf(at: string): string {
  const day = new Date(`${at.slice(0, 10)}T00:00:00Z`);
  day.setUTCDate(day.getUTCDate() - ((day.getUTCDay() + 6) % 7));
  return day.toISOString().slice(0, 10);
}
