import Joi from 'joi';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import type {
  Around,
  Compared,
  HomeUse,
  Lasting,
  OwnCautions,
  Recommended,
} from '@bienestar/core/house/house';
import { SEASONS } from '@bienestar/core/house/traits';
import { COMPARED_WITH, DAY_PARTS } from '@bienestar/core/house/ways';
import { LIMITS } from '../limits';
import { id, listOf, shape, share, some, text, limited } from './common';
import { finding } from './finding';
import { amount } from './shelf';

const words = text.min(1).optional();

const lasting = shape<Lasting>({
  amount: limited(LIMITS.lasting),
  upTo: limited(LIMITS.lasting)
    .greater(Joi.ref('amount'))
    .messages({ 'number.greater': 'From less to more: such as from 8 to 10 hours.' })
    .optional(),
  unit: Joi.valid('hours', 'days', 'weeks').required(),
});

/** What happens before and after a visit. */
export const around = shape<Around>({
  before: listOf(shape<Around['before'][number]>({ what: text, from: lasting }), 40),
  takeOff: shape<NonNullable<Around['takeOff']>>({ what: text, after: lasting }).optional(),
  avoid: listOf(shape<Around['avoid'][number]>({ what: text, for: lasting }), 40),
  expect: listOf(shape<Around['expect'][number]>({ what: text, when: text }), 40),
  call: listOf(text, 40),
  compares: some(
    shape<Compared>({
      what: text.min(1),
      beside: Joi.valid(...COMPARED_WITH).required(),
      after: lasting.optional(),
    }),
    40,
  ),
  home: some(
    shape<HomeUse>({
      materialId: id,
      amount,
      at: listOf(Joi.valid(...DAY_PARTS), DAY_PARTS.length)
        .min(1)
        .unique(),
      for: lasting,
      how: words,
    }),
    40,
  ),
  recommends: some(
    shape<Recommended>({
      materialId: id,
      finding: finding.optional(),
      takeUp: share,
    }),
    40,
  ).unique('materialId'),
  spacing: shape<NonNullable<Around['spacing']>>({
    leastDays: limited(LIMITS.spacingDays),
    mostDays: limited(LIMITS.spacingDays)
      .min(Joi.ref('leastDays'))
      .messages({ 'number.min': 'Not fewer days than at least.' })
      .optional(),
    notIn: some(Joi.valid(...SEASONS), SEASONS.length - 1).unique(),
    mostPerYear: limited(LIMITS.mostPerYear).optional(),
    visits: limited(LIMITS.spacingVisits).optional(),
    thenEveryDays: limited(LIMITS.thenEveryDays).optional(),
  }).optional(),
}).optional();

/** Cautions that a house adds, and usual ones that it takes off. */
export const cautions = shape<OwnCautions>({
  added: listOf(
    shape<OwnCautions['added'][number]>({
      level: Joi.valid('stop', 'refer', 'take-care').required(),
      text: text.min(1),
      why: text,
    }),
    60,
  ),
  removed: listOf(
    shape<OwnCautions['removed'][number]>({
      ruleId: id,
      reason: Joi.string().max(LONGEST_TEXT).pattern(/\S/, 'reason').required().messages({
        'string.empty': 'Taking a caution off needs its reason in writing.',
        'string.pattern.name': 'Taking a caution off needs its reason in writing.',
      }),
    }),
    60,
  ).unique('ruleId'),
}).optional();
