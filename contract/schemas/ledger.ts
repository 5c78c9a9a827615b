import Joi from 'joi';
import type { PricePoint } from '@bienestar/core/house/pricePoint';
import type {
  CorrectionEntry,
  CountEntry,
  DeliveryEntry,
  DiscardEntry,
  OpeningEntry,
  StockEntry,
  TotalCountEntry,
  UseEntry,
} from '@bienestar/core/stock/entries';
import { LARGEST_QUANTITY, LONGEST_LOT_CODE, LONGEST_NOTE } from '@bienestar/core/house/limits';
import {
  DISCARD_REASONS,
  MOVEMENT_KINDS,
  type Lot,
  type Movement,
} from '@bienestar/core/house/stock';
import { LIMITS } from '../limits';
import {
  byKey,
  day,
  id,
  instant,
  limited,
  listOf,
  money,
  number,
  shape,
  share,
  text,
  zonedMoment,
} from './common';

const note = text.max(LONGEST_NOTE).optional();
/** What the person typed: post() in core says in words what does not fit. */
const anyDay = Joi.string().max(20).required();
const quantity = number.min(-LARGEST_QUANTITY).max(LARGEST_QUANTITY);
const lotCode = Joi.string().allow('').max(LONGEST_LOT_CODE).required();

export const lot: Joi.ObjectSchema<Lot> = shape<Lot>({
  id,
  materialId: id,
  code: lotCode,
  packId: id.optional(),
  content: limited(LIMITS.usedUp),
  deliveredOn: day,
  expiresOn: day.optional(),
  paidMinor: money.optional(),
});

export const movement: Joi.ObjectSchema<Movement> = shape<Movement>({
  entryId: id,
  line: Joi.number().integer().min(0).max(10_000).required(),
  kind: Joi.valid(...MOVEMENT_KINDS).required(),
  at: instant,
  materialId: id,
  lotId: id,
  containerId: id.optional(),
  quantity,
  reason: Joi.valid(...DISCARD_REASONS).optional(),
  corrects: id.optional(),
  note,
});

export const pricePoint: Joi.ObjectSchema<PricePoint> = shape<PricePoint>({
  materialId: id,
  packId: id,
  on: day,
  priceMinor: money,
  discount: share,
  freightMinor: money,
  from: Joi.valid('hand', 'price-list', 'opening').required(),
});

/** Shorter than other ids: the containers that an entry opens are named after it. */
const entryId = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{1,56}$/)
  .messages({ 'string.pattern.base': 'The id of an entry has up to 56 letters, digits, - and _.' })
  .required();

const base = { id: entryId, materialId: id, at: zonedMoment.optional(), note };
const kind = (value: StockEntry['kind']): Joi.Schema => Joi.valid(value).required();
const held = { lotId: id, containerId: id.optional(), quantity };

/** What a person enters into the ledger. */
export const stockEntry: Joi.Schema<StockEntry> = byKey('kind', {
  delivery: shape<DeliveryEntry>({
    ...base,
    kind: kind('delivery'),
    lotId: id,
    packId: id,
    packs: number,
    code: lotCode,
    deliveredOn: anyDay,
    expiresOn: anyDay.optional(),
    paidMinor: money.optional(),
  }),
  opening: shape<OpeningEntry>({ ...base, kind: kind('opening'), lotId: id.optional() }),
  use: shape<UseEntry>({
    ...base,
    kind: kind('use'),
    ...held,
    lotId: id.optional(),
  }),
  discard: shape<DiscardEntry>({
    ...base,
    kind: kind('discard'),
    ...held,
    reason: Joi.valid(...DISCARD_REASONS).required(),
  }),
  count: shape<CountEntry>({
    ...base,
    kind: kind('count'),
    found: listOf(shape<CountEntry['found'][number]>(held), 500),
  }),
  'total-count': shape<TotalCountEntry>({
    ...base,
    kind: kind('total-count'),
    quantity,
    lotId: id,
  }),
  correction: shape<CorrectionEntry>({
    ...base,
    kind: kind('correction'),
    corrects: id,
    note: text.max(LONGEST_NOTE),
  }),
});
