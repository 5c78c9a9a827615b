import Joi from 'joi';
import type {
  Away,
  HoursSeason,
  OpenHours,
  OtherHours,
  RosteredWeek,
  Span,
  WeekSettings,
  WorkHours,
} from '@bienestar/core/house/hours';
import { isDay } from '@bienestar/core/days/days';
import { LIMITS } from '../limits';
import { day, limited, listOf, name, shape, shareAboveNothing, some } from './common';

const MOST_SPANS = 12;
const DAYS = 7;
const MOST_SEASONS = 12;
const LEAP_YEAR = 2028;
const MOST_WEEKS = 260;

const span = shape<Span>({
  from: limited(LIMITS.minuteOfDay),
  to: limited(LIMITS.minuteOfDay).greater(Joi.ref('from')).messages({
    'number.greater':
      'It must end after it begins. What goes on past midnight stands on the next day.',
  }),
});

/** Spans of one day, one after the other. */
export const spans = listOf(span, MOST_SPANS).custom((value: readonly Span[], helpers) =>
  value.every(({ from }, at) => at === 0 || from >= (value[at - 1]?.to ?? 0))
    ? value
    : helpers.message({
        custom: 'These times overlap: each begins when the one before has ended.',
      }),
);

const week: Joi.ArraySchema<Span[][]> = Joi.array<Span[][]>()
  .items(spans.optional())
  .length(DAYS)
  .required();

const last = day.custom((to: string, helpers) => {
  const [{ from }] = helpers.state.ancestors as [{ readonly from?: unknown }];
  return typeof from === 'string' && to < from
    ? helpers.message({ custom: 'It must not end before it begins.' })
    : to;
});

const otherHours = shape<OtherHours>({ from: day, to: last, name, spans });

const dayOfYear = Joi.string()
  .custom((value: string, helpers) =>
    /^\d\d-\d\d$/.test(value) && isDay(`${LEAP_YEAR}-${value}`)
      ? value
      : helpers.message({ custom: 'This must be a day of the year, such as 06-15.' }),
  )
  .required();

const seasons = some(
  shape<HoursSeason>({ name, from: dayOfYear, to: dayOfYear, week }),
  MOST_SEASONS,
).unique('name');

export const openHours = shape<OpenHours>({ week, seasons, otherwise: some(otherHours, 500) });

const rosteredWeek = shape<RosteredWeek>({ monday: day, days: week });

const away = shape<Away>({ from: day, to: last, why: name.optional() });

export const workHours = shape<WorkHours>({
  usually: week,
  seasons,
  weeks: some(rosteredWeek, MOST_WEEKS).unique('monday'),
  away: some(away, 500),
});

export const weekSettings = shape<WeekSettings>({
  roomShare: shareAboveNothing,
  walkMinutes: limited(LIMITS.walkMinutes),
  waitMinutes: limited(LIMITS.waitMinutes),
});
