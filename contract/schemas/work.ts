import Joi from 'joi';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { finding } from './finding';
import {
  BUILDS,
  COURSE_VISITS,
  DAY_TIMES,
  PHOTOTYPES,
  SEASONS,
  SINCE_LAST,
  SKIN_TYPES,
} from '@bienestar/core/house/traits';
import {
  LADDERS,
  ROOM_KINDS,
  type Neighbourhood,
  type Person,
  type Pricing,
  type Room,
  type Service,
} from '@bienestar/core/house/house';
import {
  id,
  listOf,
  money,
  name,
  neededAtTimes,
  onCost,
  shape,
  share,
  shareBelowOne,
  some,
  text,
  limited,
} from './common';
import { LIMITS } from '../limits';
import { workHours } from './hours';
import { guestWords } from './sold';

export const room = shape<Room>({ id, name, kind: Joi.valid(...ROOM_KINDS).required() });

export const person: Joi.ObjectSchema<Person> = shape<Person>({
  id,
  name,
  role: Joi.valid('therapist', 'assistant').required(),
  hourlyPayMinor: money,
  grade: name.optional(),
  onCost: onCost.optional(),
  hoursPerWeek: limited(LIMITS.hoursPerWeek).optional(),
  paidWhenWorking: Joi.valid(true).optional(),
  monthlyPayMinor: money.optional(),
  shareOfPrice: share.optional(),
  hours: workHours.optional(),
});

/** What a guest is like, as far as it is said. */
export const shownFor = shape<NonNullable<Service['shownFor']>>({
  skinType: Joi.valid(...SKIN_TYPES).optional(),
  phototype: Joi.valid(...PHOTOTYPES).optional(),
  conditions: some(finding, 80).unique(),
  courseVisit: Joi.valid(...COURSE_VISITS).optional(),
  sinceLast: Joi.valid(...SINCE_LAST).optional(),
  dayTime: Joi.valid(...DAY_TIMES).optional(),
  season: Joi.valid(...SEASONS).optional(),
  build: Joi.valid(...BUILDS).optional(),
}).optional();

const asked = money.min(1);

const neighbourhood = shape<Neighbourhood>({
  low: asked,
  usual: asked
    .min(Joi.ref('low'))
    .messages({ 'number.min': 'The usual price must not be below the lowest.' }),
  high: asked
    .min(Joi.ref('usual'))
    .messages({ 'number.min': 'The highest price must not be below the usual one.' }),
});

const pricing = shape<Pricing>({
  by: Joi.valid(...LADDERS, 'own').required(),
  ownMinor: neededAtTimes(
    asked
      .when('by', { is: 'own', otherwise: Joi.optional() })
      .messages({ 'any.required': 'Say the price that is charged.' }),
  ),
  reason: text.min(1).max(LONGEST_NOTE).optional(),
  neighbourhood: neighbourhood.optional(),
}).optional();

export const service: Joi.ObjectSchema<Service> = shape<Service>({
  id,
  name,
  protocolId: id,
  edition: Joi.number().integer().min(1).max(100_000).optional(),
  visitKind: Joi.valid('first', 'returning').required(),
  shownFor,
  therapistIds: listOf(id, 100).unique(),
  roomKind: Joi.valid(...ROOM_KINDS).optional(),
  targetMargin: shareBelowOne.optional(),
  pricing,
  guest: guestWords.optional(),
});
