import Joi from 'joi';
import { LONGEST_NAME, LONGEST_NOTE } from '@bienestar/core/house/limits';
import { REST_KINDS, type RestRule } from '@bienestar/core/house/rests';
import { openHours, weekSettings } from './hours';
import { LIMITS, MOST_PACE_SPREAD } from '../limits';
import type { DeclinedLesson, Grade, HouseSettings } from '@bienestar/core/house/settings';
import { isLocale } from '@bienestar/core/days/locale';
import { isTimeZone } from '@bienestar/core/days/timeZones';
import { FACE_PARTS, ZONE_PARTS, type FacePart, type ZoneId } from '@bienestar/core/zone/zones';
import { ZONE_IDS } from '@bienestar/core/zone/zoneOrder';
import { zoneName } from '@bienestar/core/zone/zoneNames';
import { PLACE_NAME, type ZoneSet } from '@bienestar/core/zone/zoneSets';
import { ACTIONS, PHASES } from '@bienestar/core/house/actions';
import { WARNINGS } from '@bienestar/core/house/careFacts';
import { HAZARDS } from '@bienestar/core/house/device';
import type { HouseRule, RuleThing } from '@bienestar/core/house/houseRule';
import {
  byKey,
  id,
  day,
  listOf,
  money,
  name,
  number,
  onCost,
  positive,
  purchaseTax,
  share,
  shape,
  shareAboveNothing,
  shareBelowOne,
  some,
  text,
  limited,
} from './common';
import { ownFinding } from './finding';
import { namedAmount } from './shelf';
import { ownTechnique } from './technique';
import { restockSettings, serviceLevel } from './restock';

const ANTERIOR_TRUNK_PERCENT = 13;
const SUMS_TO_ONE = 1e-6;

const faceShares = shape<Record<FacePart, number>>(
  Object.fromEntries(FACE_PARTS.map((part) => [part, share])) as Record<FacePart, Joi.NumberSchema>,
).custom((value: Record<FacePart, number>, helpers) => {
  const sum = FACE_PARTS.reduce((total, part) => total + value[part], 0);
  return Math.abs(sum - 1) < SUMS_TO_ONE
    ? value
    : helpers.message({ custom: 'The parts of the face must add up to 100 %.' });
});

const zoneShares = Joi.object()
  .pattern(Joi.valid(...ZONE_PARTS.keys()), Joi.object().pattern(Joi.valid(...ZONE_IDS), share))
  .custom((value: NonNullable<HouseSettings['zoneShares']>, helpers) => {
    for (const [zone, shares] of Object.entries(value)) {
      const parts = ZONE_PARTS.get(zone as ZoneId) ?? [];
      const sum = parts.reduce((total, part) => total + (shares[part.zone] ?? part.share), 0);
      const foreign = Object.keys(shares).find((key) => !parts.some((part) => part.zone === key));
      if (foreign !== undefined || Math.abs(sum - 1) >= SUMS_TO_ONE) {
        return helpers.message({
          custom: `The parts of ${zoneName(zone as ZoneId)} must be its own, and add up to 100 %.`,
        });
      }
    }
    return value;
  });

const ownZone = shape<ZoneSet>({
  name: Joi.string().max(LONGEST_NAME).pattern(PLACE_NAME).required().messages({
    'string.pattern.base': 'A place is called by letters, figures, spaces and hyphens.',
  }),
  zones: listOf(Joi.valid(...ZONE_IDS), ZONE_IDS.length)
    .min(1)
    .unique(),
});

const ruleThing: Joi.Schema<RuleThing> = byKey('is', {
  action: shape<Extract<RuleThing, { is: 'action' }>>({
    is: Joi.valid('action').required(),
    action: Joi.valid(...ACTIONS).required(),
  }),
  brings: shape<Extract<RuleThing, { is: 'brings' }>>({
    is: Joi.valid('brings').required(),
    trait: Joi.valid(...WARNINGS, ...HAZARDS).required(),
  }),
  named: shape<Extract<RuleThing, { is: 'named' }>>({
    is: Joi.valid('named').required(),
    words: name,
  }),
});

const MOST_RESTS = 60;
const restKind = Joi.valid(...REST_KINDS).required();
const restRule = shape<RestRule>({
  after: restKind,
  before: restKind,
  days: limited(LIMITS.restDays),
});

const houseRule = shape<HouseRule>({
  id,
  after: ruleThing,
  comes: Joi.valid('always', 'never').required(),
  then: ruleThing,
});

const client = shape<HouseSettings['referenceClient']>({
  heightCm: limited(LIMITS.heightCm),
  weightKg: limited(LIMITS.weightKg),
});

const trunkPercent = shape<HouseSettings['trunkPercent']>({
  decollete: number.min(0).max(ANTERIOR_TRUNK_PERCENT),
  abdomen: number.min(0).max(ANTERIOR_TRUNK_PERCENT),
}).custom((value: HouseSettings['trunkPercent'], helpers) =>
  value.decollete + value.abdomen <= ANTERIOR_TRUNK_PERCENT
    ? value
    : helpers.message({
        custom: `Décolleté and abdomen cannot be more than the ${ANTERIOR_TRUNK_PERCENT} % of the front of the trunk.`,
      }),
);

const ending = money
  .less(Joi.ref('...everyMinor'))
  .messages({ 'number.less': 'An ending must be smaller than what it repeats after.' });

const priceEndings = shape<HouseSettings['priceEndings']>({
  everyMinor: money.min(1),
  endingsMinor: listOf(ending, 20).min(1).unique(),
  rounding: Joi.valid('up', 'nearest').required(),
});

const declinedLesson = shape<DeclinedLesson>({
  key: Joi.string().min(1).max(900).required(),
  on: day,
  why: text.max(LONGEST_NOTE),
  size: number,
});

export const settings: Joi.ObjectSchema<HouseSettings> = shape<HouseSettings>({
  name,
  place: name,
  locale: Joi.string()
    .max(35)
    .custom((tag: string, helpers) =>
      isLocale(tag)
        ? tag
        : helpers.message({ custom: 'Enter a language and region as a tag, such as es-ES.' }),
    )
    .optional(),
  timeZone: Joi.string()
    .max(64)
    .custom((value: string, helpers) =>
      isTimeZone(value)
        ? value
        : helpers.message({ custom: 'Choose a time zone, such as Europe/Madrid.' }),
    )
    .required(),
  currency: Joi.string()
    .pattern(/^[A-Z]{3}$/, 'currency')
    .required(),
  spoons: Joi.valid('us', 'metric').required(),
  referenceClient: client,
  builds: shape<HouseSettings['builds']>({ small: client, large: client }),
  trunkPercent,
  faceShares,
  zoneShares: zoneShares.optional(),
  findings: some(ownFinding, 60).unique(),
  rules: some(houseRule, 60).unique('id'),
  rests: listOf(restRule, MOST_RESTS).optional(),
  techniques: some(ownTechnique, 60).unique('name').messages({
    'array.unique': 'Two ways of working have the same name.',
  }),
  ownZones: some(ownZone, 60).unique('name').messages({
    'array.unique': 'Two places of the house have the same name.',
  }),
  vessels: some(namedAmount, 60).unique('name').messages({
    'array.unique': 'Two vessels have the same name.',
  }),
  handlingLoss: shareBelowOne,
  coatMgPerCm2: shape<HouseSettings['coatMgPerCm2']>({
    thin: positive,
    standard: positive,
    generous: positive,
  }),
  isDemonstration: Joi.boolean().optional(),
  usualSpread: shareBelowOne.optional(),
  paceSpread: number.min(0).max(MOST_PACE_SPREAD).optional(),
  slotGridMinutes: limited(LIMITS.slotGridMinutes),
  slotQuantile: number.min(0.5).max(0.999),
  therapistCharge: Joi.valid('attended', 'slot').required(),
  grades: some(shape<Grade>({ name, hourlyPayMinor: money, onCost: onCost.optional() }), 50).unique(
    'name',
  ),
  onCost,
  withoutExpired: Joi.valid(true).optional(),
  purchaseTax: purchaseTax.optional(),
  bookableShare: shareAboveNothing,
  roomCost: shape<HouseSettings['roomCost']>({
    fixedPerMonthMinor: money,
    openDaysPerMonth: limited(LIMITS.openDaysPerMonth),
    openHoursPerDay: limited(LIMITS.openHoursPerDay),
    occupancy: shareAboveNothing,
  }),
  vat: share,
  commission: shareBelowOne,
  cardFee: shareBelowOne,
  targetMargin: shareBelowOne,
  targetPerRoomHourMinor: money.optional(),
  priceEndings,
  serviceLevel,
  orderDays: limited(LIMITS.orderDays),
  restock: restockSettings,
  openHours: openHours.optional(),
  week: weekSettings.optional(),
  givesFirst: some(Joi.valid(...PHASES), PHASES.length).unique(),
  declinedLessons: some(declinedLesson, 500),
});
