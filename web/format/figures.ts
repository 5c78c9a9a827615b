import { minorPerMajor } from '@bienestar/contract/currency';
import { localeNow, onLocale } from './locale';
import type { Figure, FigureUnit } from '@bienestar/core/explain/working';
import type { Triple } from '@bienestar/core/quantity/triple';

const made = new Map<string, Intl.NumberFormat>();
const byDecimals: Intl.NumberFormat[] = [];

function formatter(options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = JSON.stringify(options);
  const known = made.get(key) ?? new Intl.NumberFormat(localeNow(), options);
  made.set(key, known);
  return known;
}

/** Money from minor units: "€80.00". */
export function money(minor: number, currency: string): string {
  /* What rounds to nothing has no sign. */
  const options = { style: 'currency', currency, signDisplay: 'negative' } as const;
  return formatter(options).format(minor / minorPerMajor(currency));
}

/** Money of a unit, with more digits where it is small: "€0.0433". */
export function unitMoney(minor: number, currency: string): string {
  const options = { style: 'currency', currency, maximumSignificantDigits: 4 } as const;
  return formatter(options).format(minor / minorPerMajor(currency));
}

/** A change of money, with its sign. */
export function moneyChange(minor: number, currency: string): string {
  const options = { style: 'currency', currency, signDisplay: 'exceptZero' } as const;
  return formatter(options).format(minor / minorPerMajor(currency));
}

/** A number with at most so many decimals, in the reader's way. */
export function number(value: number, decimals = 2): string {
  const plain = (byDecimals[decimals] ??= new Intl.NumberFormat(localeNow(), {
    maximumFractionDigits: decimals,
    signDisplay: 'negative',
  }));
  return plain.format(value);
}

/** A number for an input: grouped, with every digit that is kept. */
export function editable(value: number, decimals = 0): string {
  const options = { minimumFractionDigits: decimals, maximumFractionDigits: 6 };
  return formatter(options).format(value);
}

/** A share as a percentage. */
export function percent(share: number, decimals = 1): string {
  return formatter({ style: 'percent', maximumFractionDigits: decimals }).format(share);
}

/** An amount with as many decimals as can be measured out. */
export function amount(value: number, unit: string): string {
  return `${number(value, measurable(value))} ${unitWord(unit, value)}`;
}

/** An amount with its low and high where they differ: "4.8 ml (4.4–5.2)". */
export function amountRange({ low, usual, high }: Triple, unit: string): string {
  const decimals = measurable(usual);
  const range = `${number(low, decimals)}–${number(high, decimals)}`;
  return low === high ? amount(usual, unit) : `${amount(usual, unit)} (${range})`;
}

/** The word for a unit, in the number it stands in. */
function unitWord(unit: string, value: number): string {
  return unit === 'piece' && value !== 1 ? 'pieces' : unit;
}

function measurable(value: number): number {
  if (value === 0 || value >= 100) return 0;
  return value >= 10 ? 1 : 2;
}

const PLAIN_UNITS: Partial<Record<FigureUnit, string>> = {
  cm2: 'cm²',
  'mg/cm2': 'mg/cm²',
  'uses/day': 'uses a day',
  persons: 'people',
  'visits/week': 'visits a week',
  'visits/month': 'visits a month',
  times: '×',
};

/** Any figure of a working with its unit. */
export function figureText({ amount: value, unit }: Figure, currency: string): string {
  if (unit === 'money') return money(value, currency);
  if (unit === 'money/h') return `${money(value, currency)} an hour`;
  if (unit === 'money/min') return `${unitMoney(value, currency)} a minute`;
  if (unit.startsWith('money/'))
    return `${unitMoney(value, currency)} per ${unit.slice('money/'.length)}`;
  if (unit === 'share') return percent(value, 2);
  const precise = value !== 0 && Math.abs(value) < 1 ? 4 : 2;
  return `${number(value, precise)} ${PLAIN_UNITS[unit] ?? unitWord(unit, value)}`;
}

/** A date as it is written here: "3 Dec 2026". */
export function dayText(day: string): string {
  return dates({ dateStyle: 'medium' }).format(new Date(`${day}T12:00`));
}

/** A date near today, without its year: "3 Dec". */
export function nearDay(day: string): string {
  return dates({ day: 'numeric', month: 'short' }).format(new Date(`${day}T12:00`));
}

/** A day of a week that is at hand: "Thu, 26 Nov". */
export function shortDay(day: string): string {
  return dates({ weekday: 'short', day: 'numeric', month: 'short' }).format(
    new Date(`${day}T12:00`),
  );
}

/** A day of the year, MM-DD: "26 Nov". */
export function dayOfYearText(ofYear: string): string {
  return dates({ day: 'numeric', month: 'short' }).format(new Date(`2028-${ofYear}T12:00`));
}

/** A moment by the clocks of a zone, without the year: "3 Dec, 14:05". */
export function momentText(instant: string, timeZone: string): string {
  return dates({
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
  }).format(new Date(instant));
}

/** A moment of any year by the clocks of a zone: "3 Dec 2025, 14:05". */
export function momentOfYearText(instant: string, timeZone: string): string {
  return dates({
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
  }).format(new Date(instant));
}

/** How large a file is: "84 kB", "1.2 MB". */
export function sizeText(bytes: number): string {
  const [unit, of] = bytes < 1e6 ? (['kilobyte', 1e3] as const) : (['megabyte', 1e6] as const);
  const maximumFractionDigits = of === 1e3 ? 0 : 1;
  return new Intl.NumberFormat(undefined, { style: 'unit', unit, maximumFractionDigits }).format(
    bytes / of,
  );
}

/** A day of the week, 1 being Monday: "Wednesday", "W". */
export function weekdayName(weekday: number, length: 'long' | 'narrow'): string {
  /* 5 January 2026 was a Monday. */
  return dates({ weekday: length }).format(new Date(2026, 0, 4 + weekday));
}

/** A month, 0 being January: "Jan". */
export function monthName(month: number): string {
  return dates({ month: 'short' }).format(new Date(2026, month, 15));
}

/** How long until, or since: "in 9 days", "6 hours left", "2 days over". */
export function timeLeft(days: number): string {
  const over = days < 0;
  const size = Math.abs(days);
  const [count, one, many] =
    size < 2 && size * 24 >= 1
      ? ([Math.floor(size * 24), 'hour', 'hours'] as const)
      : ([Math.floor(size), 'day', 'days'] as const);
  return `${number(count, 0)} ${count === 1 ? one : many} ${over ? 'over' : 'left'}`;
}

const madeDates = new Map<string, Intl.DateTimeFormat>();

onLocale(() => {
  made.clear();
  byDecimals.length = 0;
  madeDates.clear();
});

function dates(options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = JSON.stringify(options);
  const known = madeDates.get(key) ?? new Intl.DateTimeFormat(localeNow(), options);
  madeDates.set(key, known);
  return known;
}

/** A number of things with its word: "1 pack", "3 packs". */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${number(count, 1)} ${count === 1 ? one : many}`;
}
