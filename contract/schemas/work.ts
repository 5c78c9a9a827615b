import Joi from 'joi';
import type {
  Dose,
  LayerGroup,
  Person,
  Protocol,
  Room,
  Service,
  Step,
  VisitKind,
} from '@bienestar/core/house/house';
import { ZONE_IDS } from '@bienestar/core/zone/zones';
import { capMinutes, id, listOf, minutes, money, name, shape, shareBelowOne, text } from './common';
import { amount, source } from './shelf';

const LARGEST_PROTOCOL = 400;

export const room = shape<Room>({ id, name, kind: Joi.valid('dry', 'wet').required() });

const role = Joi.valid('therapist', 'assistant').required();

export const person = shape<Person>({ id, name, role, hourlyPayMinor: money });

const dose = shape<Dose>({
  id,
  source,
  amount,
  opening: Joi.valid('fresh', 'left-over-first').required(),
});

const step = shape<Step>({
  id,
  stretch: Joi.valid('set-up', 'visit', 'reset').required(),
  name,
  by: role,
  hands: Joi.valid('hands-on', 'watching', 'free').required(),
  minutes,
  zones: listOf(Joi.valid(...ZONE_IDS), ZONE_IDS.length).unique(),
  doses: listOf(dose, 40).unique('id'),
  meanwhileOf: id.optional(),
  layerGroupId: id.optional(),
  capMinutes,
  note: text.optional(),
});

const layers = Joi.number().integer().min(1).max(50).required();

const layerGroup = shape<LayerGroup>({
  id,
  name,
  layers: shape<Record<VisitKind, number>>({ first: layers, returning: layers }),
  between: shape<NonNullable<LayerGroup['between']>>({ wait: minutes, question: text }).optional(),
});

export const protocol: Joi.ObjectSchema<Protocol> = shape<Protocol>({
  id,
  name,
  summary: text,
  steps: listOf(step, LARGEST_PROTOCOL).unique('id'),
  layerGroups: listOf(layerGroup, 40).unique('id'),
});

export const service: Joi.ObjectSchema<Service> = shape<Service>({
  id,
  name,
  protocolId: id,
  visitKind: Joi.valid('first', 'returning').required(),
  therapistIds: listOf(id, 100).unique(),
  targetMargin: shareBelowOne.optional(),
});
