import Joi from 'joi';
import { LIMITS } from '../limits';
import type {
  Course,
  CourseVisits,
  Duo,
  GuestMenu,
  GuestWords,
  MenuLine,
  MenuSection,
  Offer,
  Package,
} from '@bienestar/core/house/house';
import { PHASES } from '@bienestar/core/house/actions';
import {
  byKey,
  day,
  id,
  listOf,
  money,
  name,
  shape,
  shareBelowOne,
  some,
  text,
  limited,
} from './common';

const MOST_LINES = 200;
const words = text.min(1).optional();

/** What guests read of something that is sold. */
export const guestWords: Joi.ObjectSchema<GuestWords> = shape<GuestWords>({
  name: name.optional(),
  text: words,
  minutes: limited(LIMITS.guestMinutes).optional(),
  cautions: some(text.min(1).max(300), 20),
});

const sold = {
  id,
  name,
  discount: shareBelowOne.messages({
    'number.less': 'All of the price cannot be let off: stay below 100 %.',
  }),
  ownMinor: money.min(1).optional(),
  guest: guestWords.optional(),
};

const courseVisits = shape<CourseVisits>({
  serviceId: id,
  visitKind: Joi.valid('first', 'returning').required(),
  times: limited(LIMITS.courseVisits),
});

/** Courses, packages and duo visits. */
export const offer = byKey('kind', {
  course: shape<Course>({
    kind: Joi.valid('course').required(),
    ...sold,
    visits: listOf(courseVisits, 50)
      .min(1)
      .messages({ 'array.min': 'A course has at least one visit.' }),
    everyDays: limited(LIMITS.courseDays),
    validDays: limited(LIMITS.courseDays),
    prepaid: Joi.boolean().required(),
    missed: Joi.valid('made-up', 'lost').required(),
  }),
  package: shape<Package>({
    kind: Joi.valid('package').required(),
    ...sold,
    serviceIds: listOf(id, 6)
      .min(2)
      .messages({ 'array.min': 'A package is of at least two services.' }),
    once: listOf(Joi.valid(...PHASES), PHASES.length).unique(),
  }),
  duo: shape<Duo>({
    kind: Joi.valid('duo').required(),
    ...sold,
    serviceIds: listOf(id, 2).length(2),
    rooms: Joi.valid(1, 2).required(),
  }),
}) as unknown as Joi.Schema<Offer>;

const line = byKey('kind', {
  service: shape<Extract<MenuLine, { kind: 'service' }>>({
    kind: Joi.valid('service').required(),
    serviceId: id,
  }),
  offer: shape<Extract<MenuLine, { kind: 'offer' }>>({
    kind: Joi.valid('offer').required(),
    offerId: id,
  }),
});

const section = shape<MenuSection>({
  id,
  title: name,
  text: words,
  lines: listOf(line, MOST_LINES),
});

/** A menu as guests read it. */
export const menu: Joi.ObjectSchema<GuestMenu> = shape<GuestMenu>({
  id,
  name,
  from: day.optional(),
  until: day.optional(),
  intro: words,
  sections: listOf(section, 50).unique('id'),
  foot: words,
}).custom((value: GuestMenu, helpers) =>
  value.from !== undefined && value.until !== undefined && value.until < value.from
    ? helpers.message({ custom: 'The menu ends before it begins.' })
    : value,
);
