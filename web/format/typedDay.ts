import { typedDay, type DayOrder } from '@bienestar/core/days/typedDay';
import { localeNow, onLocale } from './locale';

let format: Intl.DateTimeFormat | undefined;
onLocale(() => {
  format = undefined;
});

function written(): Intl.DateTimeFormat {
  format ??= new Intl.DateTimeFormat(localeNow(), {
    day: '2-digit',
    month: '2-digit',
    year: 'numeric',
    calendar: 'gregory',
    numberingSystem: 'latn',
    timeZone: 'UTC',
  });
  return format;
}

/** In which order a day is written here. */
function orderHere(): DayOrder {
  const letters = written()
    .formatToParts(new Date(0))
    .flatMap(({ type }) =>
      type === 'day' || type === 'month' || type === 'year' ? [type.charAt(0)] : [],
    )
    .join('');
  return letters === 'mdy' || letters === 'ymd' ? letters : 'dmy';
}

/** A day in figures, as it stands in a field here: "03/12/2026". */
export function dayInFigures(day: string): string {
  return written().format(new Date(`${day}T00:00Z`));
}

/** Reads a day as it is typed here; nothing for what is not one. */
export function parseDay(text: string, today: string): string | undefined {
  return typedDay(text, orderHere(), today);
}
