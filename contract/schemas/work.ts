import Joi from 'joi';
import {
  BUILDS,
  CONDITIONS,
  DAY_TIMES,
  PHOTOTYPES,
  SEASONS,
  SKIN_TYPES,
} from '@bienestar/core/house/client';
import type { Person, Room, Service } from '@bienestar/core/house/house';
import { id, listOf, money, name, shape, shareBelowOne, some } from './common';

export const room = shape<Room>({ id, name, kind: Joi.valid('dry', 'wet').required() });

export const person = shape<Person>({
  id,
  name,
  role: Joi.valid('therapist', 'assistant').required(),
  hourlyPayMinor: money,
});

const shownFor = shape<NonNullable<Service['shownFor']>>({
  skinType: Joi.valid(...SKIN_TYPES).optional(),
  phototype: Joi.valid(...PHOTOTYPES).optional(),
  conditions: some(Joi.valid(...CONDITIONS), CONDITIONS.length).unique(),
  dayTime: Joi.valid(...DAY_TIMES).optional(),
  season: Joi.valid(...SEASONS).optional(),
  build: Joi.valid(...BUILDS).optional(),
}).optional();

export const service: Joi.ObjectSchema<Service> = shape<Service>({
  id,
  name,
  protocolId: id,
  edition: Joi.number().integer().min(1).max(100_000).optional(),
  visitKind: Joi.valid('first', 'returning').required(),
  shownFor,
  therapistIds: listOf(id, 100).unique(),
  targetMargin: shareBelowOne.optional(),
});
