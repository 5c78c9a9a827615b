import Joi from 'joi';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import { questions } from './question';
import { technique } from './technique';
import { LIMITS } from '../limits';
import { SETTING_KINDS } from '@bienestar/core/house/device';
import type { Edition } from '@bienestar/core/house/edition';
import type {
  Block,
  BlockUse,
  Choice,
  ChoiceOption,
  DeviceWork,
  Dose,
  InOption,
  LayerGroup,
  Moment,
  Line,
  OtherLayers,
  Otherwise,
  Protocol,
  Removal,
  RunningAt,
  Step,
  TestSpot,
  VisitKind,
  ZoneSetting,
} from '@bienestar/core/house/house';
import { finding } from './finding';
import { CHOOSING_BY, DOSE_INTO, REMOVALS, TOOLS } from '@bienestar/core/house/ways';
import { ACTIONS, PHASES } from '@bienestar/core/house/actions';
import { CHOOSING_VALUES } from '@bienestar/core/protocol/choosingValues';
import { ZONE_IDS } from '@bienestar/core/zone/zoneOrder';
import type { Publishing } from '../api';
import {
  atLeastNothing,
  capMinutes,
  day,
  id,
  instant,
  listOf,
  minutes,
  name,
  number,
  shape,
  some,
  text,
  limited,
  within,
} from './common';
import { around, cautions } from './around';
import { amount, mix, source } from './shelf';

const LARGEST_PROTOCOL = 400;
const MOST_NUMBERS = 1_000_000;

const words = text.min(1).optional();
const role = Joi.valid('therapist', 'assistant').required();
const zones = listOf(Joi.valid(...ZONE_IDS), ZONE_IDS.length).unique();
const someZones = some(Joi.valid(...ZONE_IDS), ZONE_IDS.length).unique();

const inOption = shape<InOption>({ choiceId: within, optionId: within });
const MOST_JOINED = 12;
const hanging = { option: inOption.optional(), also: some(inOption, MOST_JOINED) };
const forSome = { ...hanging, option: inOption };

const dose = shape<Dose>({
  id: within,
  source,
  amount,
  opening: Joi.valid('fresh', 'left-over-first').required(),
  over: Joi.valid('all-layers').optional(),
  into: Joi.valid(...DOSE_INTO).optional(),
  again: Joi.valid(true).optional(),
  ...hanging,
});

const removal = shape<Removal>({
  how: Joi.valid(...REMOVALS).required(),
  taking: shape<NonNullable<Removal['taking']>>({
    materialId: id,
    pieces: limited(LIMITS.removalPieces),
    again: Joi.valid(true).optional(),
  }).optional(),
  waterMl: atLeastNothing.optional(),
}).optional();

const settingValues = listOf(
  shape<ZoneSetting['values'][number]>({
    kind: Joi.valid(...SETTING_KINDS).required(),
    value: number.min(-MOST_NUMBERS).max(MOST_NUMBERS),
    upTo: number
      .greater(Joi.ref('value'))
      .max(MOST_NUMBERS)
      .messages({ 'number.greater': 'From less to more: such as 0.5 to 0.8.' })
      .optional(),
  }),
  SETTING_KINDS.length,
).unique('kind');

const device = shape<DeviceWork>({
  deviceId: id,
  settings: listOf(
    shape<ZoneSetting>({
      zones,
      values: settingValues,
      passes: limited(LIMITS.passes).optional(),
      share: shape<NonNullable<ZoneSetting['share']>>({
        of: Joi.valid(...ZONE_IDS).required(),
        part: number.greater(0).max(10),
      }).optional(),
    }),
    40,
  ),
}).optional();

const placed = {
  id: within,
  stretch: Joi.valid('set-up', 'visit', 'reset').required(),
  name,
  meanwhileOf: within.optional(),
  layerGroupId: within.optional(),
  inLayers: Joi.valid('first', 'last', 'all-but-last').optional(),
  ...hanging,
};

/** What may be otherwise for some, as it stands for everybody. */
const varying = {
  until: words,
  capMinutes: Joi.when('until', {
    is: Joi.exist(),
    then: capMinutes.required().messages({
      'any.required': 'An endpoint needs a cap: the longest it is waited for.',
    }),
    otherwise: capMinutes,
  }).optional(),
  capSince: Joi.valid('first-touch').optional(),
  lightly: someZones,
  more: someZones,
  last: someZones,
  never: someZones,
  tools: some(Joi.valid(...TOOLS), TOOLS.length).unique(),
  technique: technique.optional(),
  device,
  running: some(id, 10).unique(),
  runningAt: some(shape<RunningAt>({ deviceId: id, values: settingValues.min(1) }), 10).unique(
    'deviceId',
  ),
  removal,
  gloves: Joi.valid('plain', 'sterile').optional(),
};
const hands = Joi.valid('hands-on', 'watching', 'free');

const otherwise = some(
  shape<Otherwise>({
    ...forSome,
    says: shape<Otherwise['says']>({
      ...varying,
      minutes: minutes.optional(),
      hands: hands.optional(),
      zones: someZones,
    }).min(1),
  }),
  40,
);

const step = shape<Step>({
  ...placed,
  ...varying,
  phase: Joi.valid(...PHASES).optional(),
  action: Joi.valid(...ACTIONS).optional(),
  by: role,
  hands: hands.required(),
  minutes,
  zones,
  doses: listOf(dose, 40).unique('id'),
  covers: Joi.valid(true).optional(),
  makes: some(id, 10).unique(),
  holdsMinutes: limited(LIMITS.holdsMinutes).optional(),
  optional: shape<NonNullable<Step['optional']>>({
    usually: Joi.valid('done', 'left-out').required(),
    if: text,
  }).optional(),
  offers: some(id, 20).unique(),
  asks: questions.optional(),
  moments: some(shape<Moment>({ atMinute: limited(LIMITS.minutes), what: text.min(1) }), 40),
  say: words,
  why: words,
  watch: words,
  note: text.optional(),
  otherwise,
});

const blockUse = shape<BlockUse>({ ...placed, blockId: id });

const line: Joi.Schema = Joi.alternatives<Line>()
  .conditional('.blockId', { is: Joi.exist(), then: blockUse, otherwise: step })
  .required();

const layers = limited(LIMITS.layers);

const layerGroup = shape<LayerGroup>({
  id: within,
  name,
  layers: shape<Record<VisitKind, number>>({ first: layers, returning: layers }),
  between: shape<NonNullable<LayerGroup['between']>>({ wait: minutes }).optional(),
  asks: questions.optional(),
  halves: Joi.valid(true).optional(),
  testSpot: shape<TestSpot>({ zones, minutes, wait: minutes, watch: text }).optional(),
  otherwise: some(
    shape<OtherLayers>({
      ...forSome,
      layers: shape<Record<VisitKind, number>>({ first: layers, returning: layers }),
    }),
    40,
  ),
});

const choice = shape<Choice>({
  id: within,
  name,
  by: Joi.valid(...CHOOSING_BY).required(),
  take: Joi.valid('first', 'each').required(),
  options: listOf(
    shape<ChoiceOption>({
      id: within,
      name,
      for: listOf(Joi.string(), 20)
        .unique()
        .when('....by', {
          switch: CHOOSING_BY.map((by) => ({
            is: by,
            then: Joi.array().items(
              by === 'condition' ? finding : Joi.valid(...CHOOSING_VALUES[by]),
            ),
          })),
        }),
      where: someZones,
    }),
    40,
  ).unique('id'),
  noneIsFine: Joi.valid(true).optional(),
});

const writing = {
  steps: listOf(line, LARGEST_PROTOCOL).unique('id'),
  layerGroups: listOf(layerGroup, 60).unique('id'),
  choices: listOf(choice, 60).unique('id'),
};

const about = { summary: text, goal: text.min(1).optional(), archivedOn: day.optional() };

export const block: Joi.ObjectSchema<Block> = shape<Block>({ id, name, ...about, ...writing });

export const protocol: Joi.ObjectSchema<Protocol> = shape<Protocol>({
  id,
  name,
  ...about,
  ...writing,
  cautions,
  meantFor: words,
  licence: words,
  around,
  painRelief: Joi.valid('none', 'numbing', 'cooling').optional(),
});

export const edition: Joi.ObjectSchema<Edition> = shape<Edition>({
  protocolId: id,
  number: Joi.number().integer().min(1).max(100_000).required(),
  publishedAt: instant,
  note: text.min(1),
  protocol,
  mixes: listOf(mix, 200).unique('id'),
});

export const publishing: Joi.ObjectSchema<Publishing> = shape<Publishing>({
  protocolId: id,
  version: Joi.number().integer().min(0).required(),
  note: Joi.string().max(LONGEST_TEXT).pattern(/\S/, 'note').required().messages({
    'string.empty': 'Say in a few words what is new in this edition.',
    'string.pattern.name': 'Say in a few words what is new in this edition.',
  }),
});
