import Joi from 'joi';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { PHASES } from '@bienestar/core/house/actions';
import { SETTING_KINDS } from '@bienestar/core/house/device';
import { ZONE_IDS } from '@bienestar/core/zone/zoneOrder';
import type {
  LogbookCorrection,
  LogbookEntry,
  LogbookPlan,
  LogbookVisit,
  LoggedAnswer,
  LoggedPasses,
  LoggedSetting,
  PlannedAct,
  PlannedBeside,
  PlannedDraw,
  PlannedSetting,
  SoldProduct,
  ToldAmount,
} from '@bienestar/core/house/logbook';
import { RESPONSES, type Response } from '@bienestar/core/house/question';
import { LIMITS } from '../limits';
import {
  atLeastNothing,
  id,
  instant,
  limited,
  listOf,
  minutes,
  name,
  neededAtTimes,
  number,
  share,
  shape,
  some,
  text,
  within,
} from './common';
import { amount } from './shelf';
import { shownFor } from './work';

const MOST_ACTS = 2_000;
const words = text.max(LONGEST_NOTE);
const place = limited(LIMITS.logbookPlace);
const response = Joi.valid(...(Object.keys(RESPONSES) as Response[]));

const beside = shape<PlannedBeside>({
  stepId: within,
  minutes,
  doseIds: some(within, MOST_ACTS),
});

const act = shape<PlannedAct>({
  id: Joi.string()
    .pattern(/^[A-Za-z0-9_./-]{1,400}$/, 'act')
    .required(),
  stepId: within.optional(),
  name: Joi.string().max(200).required(),
  stretch: Joi.valid('set-up', 'visit', 'reset').required(),
  phase: Joi.valid(...PHASES).optional(),
  hands: Joi.valid('hands-on', 'watching', 'free').optional(),
  layer: limited(LIMITS.layers).optional(),
  minutes,
  beside: some(beside, MOST_ACTS),
  settings: some(
    shape<PlannedSetting>({
      zones: listOf(Joi.valid(...ZONE_IDS), ZONE_IDS.length),
      kind: Joi.valid(...SETTING_KINDS).required(),
      low: number,
      high: number,
    }),
    MOST_ACTS,
  ),
  ifNeeded: Joi.valid('done', 'left-out').optional(),
});

/* Of what was opened before, nothing is taken any more. */
const range = shape<PlannedDraw['quantity']>({
  low: atLeastNothing,
  usual: atLeastNothing,
  high: atLeastNothing,
});

const draw = shape<PlannedDraw>({
  act: place,
  doseId: within,
  materialId: id,
  part: id.optional(),
  quantity: range,
  amount: neededAtTimes(amount.optional()),
});

/** What a visit was to be. */
export const logbookPlan: Joi.ObjectSchema<LogbookPlan> = shape<LogbookPlan>({
  id,
  serviceId: id,
  protocolId: id,
  name: Joi.string().max(200).required(),
  visitKind: Joi.valid('first', 'returning').required(),
  slotMinutes: limited(LIMITS.runSlotMinutes),
  promised: share,
  acts: listOf(act, MOST_ACTS),
  draws: listOf(draw, MOST_ACTS),
});

const told = listOf(
  shape<ToldAmount>({
    draw: place,
    quantity: limited(LIMITS.runTook),
    by: Joi.valid('counted', 'weighed').required(),
    instead: id.optional(),
  }),
  MOST_ACTS,
);

const answer = shape<LoggedAnswer>({
  act: place,
  ask: text,
  answer: Joi.alternatives<number | string>(number, words).required(),
  response: response.required(),
  rule: response.optional(),
  reason: words.optional(),
});

/** A correction of what stands in the logbook. */
export const logbookCorrection: Joi.ObjectSchema<LogbookCorrection> = shape<LogbookCorrection>({
  id,
  at: instant,
  by: id.optional(),
  why: Joi.string().max(LONGEST_NOTE).pattern(/\S/, 'words').required(),
  told: told.optional(),
});

const MINUTES = limited(LIMITS.loggedMinutes);

/** A visit as it was. */
export const logbookEntry: Joi.ObjectSchema<LogbookEntry> = shape<LogbookEntry>({
  id,
  planId: id,
  at: instant,
  performedBy: id.optional(),
  roomId: id.optional(),
  bookingId: Joi.string().max(64).optional(),
  bookedAt: instant.optional(),
  guest: name.optional(),
  client: shownFor,
  roomMinutes: MINUTES,
  minutes: listOf<number | null>(MINUTES.allow(null), MOST_ACTS),
  told,
  repeated: some(
    shape<NonNullable<LogbookEntry['repeated']>[number]>({
      act: place,
      times: limited(LIMITS.timesDone),
    }),
    MOST_ACTS,
  ),
  settings: some(
    shape<LoggedSetting>({
      act: place,
      zones: listOf(Joi.valid(...ZONE_IDS), ZONE_IDS.length),
      kind: Joi.valid(...SETTING_KINDS).required(),
      unit: Joi.string().allow('').max(20).required(),
      low: number,
      high: number,
      was: number,
    }),
    MOST_ACTS,
  ),
  passes: some(
    shape<LoggedPasses>({
      act: place,
      zones: listOf(Joi.valid(...ZONE_IDS), ZONE_IDS.length),
      planned: limited(LIMITS.passes),
      done: limited(LIMITS.passesGone),
    }),
    MOST_ACTS,
  ),
  answers: listOf(answer, MOST_ACTS),
  notes: listOf(words, MOST_ACTS),
  stopped: words.optional(),
  incidents: some(id, MOST_ACTS),
  fell: share,
  cost: shape<NonNullable<LogbookEntry['cost']>>({
    expected: range,
    came: atLeastNothing,
  }).optional(),
  sold: some(shape<SoldProduct>({ materialId: id, quantity: limited(LIMITS.soldPacks) }), 100),
  corrections: some(logbookCorrection, 500),
});

/** A visit with what it was to be. */
export const logbookVisit: Joi.ObjectSchema<LogbookVisit> = shape<LogbookVisit>({
  plan: logbookPlan,
  entry: logbookEntry,
});
