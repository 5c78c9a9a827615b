import { isDay } from './days';

/** In which order day, month and year are written. */
export type DayOrder = 'dmy' | 'mdy' | 'ymd';

const CENTURY = 2000;

/**
 * A day as people type it, in the order in which their house writes one: "3/12/2026", "3.12.26", "3 12 26";
 * the year first in any order ("2026-12-03"); without a year in that of `today`. Nothing is guessed: what
 * is no day in that order is none.
 * @param today ISO date
 * @returns an ISO date; nothing for what is not a day
 * @example typedDay('3/12/26', 'dmy', '2026-11-27') // '2026-12-03'
 */
export function typedDay(text: string, order: DayOrder, today: string): string | undefined {
  const parts = text
    .trim()
    .split(/[\s./-]+/)
    .filter((part) => part !== '');
  if (!parts.every((part) => /^\d{1,4}$/.test(part))) return undefined;
  const [first = '', second = '', third] = parts;
  if (parts.length === 2) {
    const [day, month] = order === 'dmy' ? [first, second] : [second, first];
    return dayFrom(today.slice(0, 4), month, day);
  }
  if (parts.length !== 3 || third === undefined) return undefined;
  if (first.length === 4 || order === 'ymd') return dayFrom(first, second, third);
  return order === 'dmy' ? dayFrom(third, second, first) : dayFrom(third, first, second);
}

function dayFrom(year: string, month: string, day: string): string | undefined {
  if (year.length !== 2 && year.length !== 4) return undefined;
  if (month.length > 2 || day.length > 2) return undefined;
  const whole = year.length === 2 ? String(CENTURY + Number(year)) : year;
  const iso = `${whole}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  return isDay(iso) ? iso : undefined;
}
