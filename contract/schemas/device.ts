import Joi from 'joi';
import { ZONE_IDS } from '@bienestar/core/zone/zoneOrder';
import {
  HAZARDS,
  SETTING_KINDS,
  type Device,
  type DeviceEconomics,
  type DeviceLimits,
  type DeviceSetting,
} from '@bienestar/core/house/device';
import { LIMITS } from '../limits';
import { day, id, listOf, money, name, number, positive, shape, text, limited } from './common';

const MOST_NUMBERS = 1_000_000;
const zones = listOf(Joi.valid(...ZONE_IDS), ZONE_IDS.length).unique();

export const deviceOfHouse: Joi.ObjectSchema<Device> = shape<Device>({
  id,
  name,
  count: limited(LIMITS.deviceCount),
  hazards: listOf(Joi.valid(...HAZARDS), HAZARDS.length).unique(),
  settings: listOf(
    shape<DeviceSetting>({
      kind: Joi.valid(...SETTING_KINDS).required(),
      unit: Joi.string().allow('').max(20).required(),
      least: number.min(-MOST_NUMBERS).max(MOST_NUMBERS),
      most: number
        .min(Joi.ref('least'))
        .max(MOST_NUMBERS)
        .messages({ 'number.min': 'The most must not be below the least.' }),
      safer: Joi.valid('less', 'more').required(),
    }),
    SETTING_KINDS.length,
  ).unique('kind'),
  neverZones: zones,
  eyeProtection: Joi.boolean().required(),
  trainedIds: listOf(id, 100).unique(),
  limits: shape<DeviceLimits>({
    minutesPerVisit: limited(LIMITS.deviceMinutes).optional(),
    passesPerVisit: limited(LIMITS.passes).optional(),
    visitsPerYear: limited(LIMITS.mostPerYear).optional(),
  })
    .min(1)
    .optional(),
  sheet: text.min(1).optional(),
  warmMinutes: limited(LIMITS.warmMinutes).optional(),
  heats: shape<NonNullable<Device['heats']>>({
    pieces: limited(LIMITS.hotPieces),
    minutes: limited(LIMITS.warmMinutes),
  }).optional(),
  economics: shape<DeviceEconomics>({
    priceMinor: money,
    resaleMinor: money
      .max(Joi.ref('priceMinor'))
      .messages({ 'number.max': 'It cannot bring more when it goes than it cost.' }),
    life: shape<DeviceEconomics['life']>({
      amount: positive,
      unit: Joi.valid('uses', 'minutes').required(),
    }).required(),
    servicePerYearMinor: money,
    usesPerYear: positive,
  }).optional(),
  archivedOn: day.optional(),
});
