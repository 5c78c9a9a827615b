import Joi from 'joi';
import {
  LONGEST_HOLD_SECONDS,
  MOST_HOLDS,
  DIRECTIONS,
  HAND_STATES,
  MOVEMENTS,
  PRESSURES,
  SKIN_STATES,
  TEMPERATURES,
  type Hold,
  type OwnTechnique,
  type Technique,
} from '@bienestar/core/house/technique';
import { name, number, shape } from './common';

const oneOf = <V extends string>(words: Readonly<Record<V, string>>) =>
  Joi.valid(...(Object.keys(words) as V[])).optional();

export const technique = shape<Technique>({
  movement: oneOf(MOVEMENTS),
  direction: oneOf(DIRECTIONS),
  pressure: oneOf(PRESSURES),
  hold: shape<Hold>({
    times: number.integer().min(1).max(MOST_HOLDS),
    seconds: number.greater(0).max(LONGEST_HOLD_SECONDS).optional(),
  }).optional(),
  skin: oneOf(SKIN_STATES),
  hands: oneOf(HAND_STATES),
  temperature: oneOf(TEMPERATURES),
  stretched: Joi.valid(true).optional(),
  upright: Joi.valid(true).optional(),
});

export const ownTechnique = shape<OwnTechnique>({ name, technique: technique.required() });
