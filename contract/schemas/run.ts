import Joi from 'joi';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { RESPONSES, type Response } from '@bienestar/core/house/question';
import {
  INCIDENT_DEEDS,
  INCIDENT_SIGNS,
  PUT_AWAY_WHYS,
  type Run,
  type RunLogEntry,
} from '@bienestar/core/house/run';
import { ZONE_IDS } from '@bienestar/core/zone/zoneOrder';
import { LIMITS } from '../limits';
import {
  byKey,
  day,
  id,
  instant,
  limited,
  listOf,
  name,
  number,
  shape,
  text,
  within,
} from './common';
import { protocol } from './protocol';
import { shownFor } from './work';

/** A run as it begins. */
export const run: Joi.ObjectSchema<Run> = shape<Run>({
  id,
  serviceId: id,
  protocolId: id,
  protocol,
  visitKind: Joi.valid('first', 'returning').required(),
  slotMinutes: limited(LIMITS.runSlotMinutes),
  at: instant,
  performedBy: id.optional(),
  roomId: id.optional(),
  bookingId: Joi.string().max(64).optional(),
  soldCourseId: id.optional(),
  client: shownFor,
  seenOn: Joi.object<NonNullable<Run['seenOn']>>()
    .pattern(Joi.string().max(80), listOf(Joi.valid(...ZONE_IDS), ZONE_IDS.length))
    .max(200)
    .optional(),
  decided: Joi.object<NonNullable<Run['decided']>>().pattern(within, within).max(200).optional(),
  guest: name.optional(),
});

/** A moment to the millisecond: contact times are counted from it. */
const moment = Joi.string()
  .pattern(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/, 'moment')
  .required();
const base = { id, runId: id, at: moment, by: id.optional() };
const act = Joi.string()
  .pattern(/^[A-Za-z0-9_./-]{1,400}$/, 'act')
  .required();
const key = Joi.string().min(1).max(900).required();
const words = Joi.string().max(LONGEST_NOTE).pattern(/\S/, 'words').required();
const kind = <K extends RunLogEntry['kind']>(value: K): Joi.AnySchema<K> =>
  Joi.valid(value).required();
type Of<K extends RunLogEntry['kind']> = Extract<RunLogEntry, { kind: K }>;

/** Something that happened in a run. */
export const runEvent: Joi.Schema<RunLogEntry> = byKey('kind', {
  began: shape<Of<'began'>>({ ...base, kind: kind('began'), on: id.optional() }),
  led: shape<Of<'led'>>({ ...base, kind: kind('led'), on: id }),
  readied: shape<Of<'readied'>>({
    ...base,
    kind: kind('readied'),
    thing: key,
    isReady: Joi.boolean().required(),
  }),
  done: shape<Of<'done'>>({ ...base, kind: kind('done'), act }),
  undone: shape<Of<'undone'>>({ ...base, kind: kind('undone'), act }),
  'left-out': shape<Of<'left-out'>>({ ...base, kind: kind('left-out'), act }),
  'taken-in': shape<Of<'taken-in'>>({ ...base, kind: kind('taken-in'), act }),
  answered: shape<Of<'answered'>>({
    ...base,
    kind: kind('answered'),
    act,
    question: key,
    answer: Joi.alternatives<number | string>(number, text.max(LONGEST_NOTE)).required(),
    response: Joi.valid(...(Object.keys(RESPONSES) as Response[])).optional(),
    reason: text.max(LONGEST_NOTE).optional(),
  }),
  took: shape<Of<'took'>>({
    ...base,
    kind: kind('took'),
    act,
    draw: key,
    quantity: limited(LIMITS.runTook),
    by: Joi.valid('weighed').optional(),
  }),
  'on-scale': shape<Of<'on-scale'>>({
    ...base,
    kind: kind('on-scale'),
    act,
    draw: key,
    grams: limited(LIMITS.runTook),
  }),
  instead: shape<Of<'instead'>>({ ...base, kind: kind('instead'), act, draw: key, materialId: id }),
  set: shape<Of<'set'>>({ ...base, kind: kind('set'), act, setting: key, value: number }),
  shortened: shape<Of<'shortened'>>({ ...base, kind: kind('shortened'), act }),
  passed: shape<Of<'passed'>>({
    ...base,
    kind: kind('passed'),
    act,
    setting: key,
    passes: limited(LIMITS.passesGone),
  }),
  moved: shape<Of<'moved'>>({ ...base, kind: kind('moved'), act }),
  again: shape<Of<'again'>>({ ...base, kind: kind('again'), act }),
  decided: shape<Of<'decided'>>({
    ...base,
    kind: kind('decided'),
    choice: within,
    option: within,
  }),
  noted: shape<Of<'noted'>>({ ...base, kind: kind('noted'), words }),
  sold: shape<Of<'sold'>>({
    ...base,
    kind: kind('sold'),
    materialId: id,
    quantity: limited(LIMITS.soldPacks),
  }),
  incident: shape<Of<'incident'>>({
    ...base,
    kind: kind('incident'),
    seen: listOf(Joi.valid(...INCIDENT_SIGNS), INCIDENT_SIGNS.length).unique(),
    done: listOf(Joi.valid(...INCIDENT_DEEDS), INCIDENT_DEEDS.length).unique(),
    words: text,
    followUpOn: day.optional(),
  }),
  'followed-up': shape<Of<'followed-up'>>({
    ...base,
    kind: kind('followed-up'),
    incident: id,
    words: text,
  }),
  off: shape<Of<'off'>>({ ...base, kind: kind('off') }),
  stopped: shape<Of<'stopped'>>({ ...base, kind: kind('stopped'), why: text.max(LONGEST_NOTE) }),
  'took-off': shape<Of<'took-off'>>({ ...base, kind: kind('took-off') }),
  ended: shape<Of<'ended'>>({ ...base, kind: kind('ended') }),
  entered: shape<Of<'entered'>>({ ...base, kind: kind('entered') }),
  'put-away': shape<Of<'put-away'>>({
    ...base,
    kind: kind('put-away'),
    why: Joi.valid(...PUT_AWAY_WHYS).optional(),
  }),
});
