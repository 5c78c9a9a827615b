import Joi from 'joi';
import { LIMITS } from '../limits';
import { SKIN_TYPES, type SkinType } from '@bienestar/core/house/traits';
import type {
  Booking,
  BookingName,
  CountedLine,
  CountRound,
  LinenLoop,
  MaterialRestock,
  Order,
  PlacedVisit,
  OrderLine,
  OrderReason,
  Receipt,
  SoldCourse,
  Treatment,
} from '@bienestar/core/house/house';
import {
  ORDER_STATES,
  REVIEWS,
  SENT_BY,
  SO_MANY_BECAUSE,
  type ClientMix,
  type RestockSettings,
} from '@bienestar/core/house/restock';
import type { Receiving, ReceivedLine } from '@bienestar/core/restock/receiveOrder';
import {
  atLeastNothing,
  byKey,
  day,
  id,
  instant,
  listOf,
  money,
  name,
  number,
  share,
  shape,
  some,
  text,
  limited,
} from './common';

const MONTHS = 12;
const SUMS_TO_ONE = 1e-6;
const MOST_LINES = 2_000;

export const months = listOf(limited(LIMITS.monthFactor), MONTHS)
  .length(MONTHS)
  .messages({ 'array.length': 'Say a factor for each of the twelve months.' });
export const trendPerYear = number.min(-0.95).max(5);
export const serviceLevel = number.min(0.5).max(0.999);

const skinTypes = shape<Record<SkinType, number>>(
  Object.fromEntries(SKIN_TYPES.map((type) => [type, share])) as Record<SkinType, Joi.Schema>,
).custom((value: Record<SkinType, number>, helpers) => {
  const sum = SKIN_TYPES.reduce((total, type) => total + value[type], 0);
  return Math.abs(sum - 1) < SUMS_TO_ONE
    ? value
    : helpers.message({ custom: 'The shares of the skin types must add up to 100 %.' });
});

const clientMix = shape<ClientMix>({
  firstVisits: share,
  evenings: share,
  skinTypes,
  smallBuilds: share,
  largeBuilds: share,
}).custom((value: ClientMix, helpers) =>
  value.smallBuilds + value.largeBuilds <= 1 + SUMS_TO_ONE
    ? value
    : helpers.message({ custom: 'Small and large builds together cannot be more than 100 %.' }),
);

const weight = limited(LIMITS.blendWeight);

export const restockSettings = shape<RestockSettings>({
  orderCostMinor: money,
  holdingRate: number.greater(0).max(5).messages({
    'number.greater':
      'Keeping stock must cost something, or all of a year would be ordered at once.',
  }),
  blend: shape<RestockSettings['blend']>({ plan: weight, bookings: weight, log: weight }),
  bookingDays: limited(LIMITS.bookingDays),
  logDays: limited(LIMITS.logDays),
  months,
  trend: shape<NonNullable<RestockSettings['trend']>>({
    perYear: trendPerYear,
    since: day,
  }).optional(),
  courses: Joi.valid('within-plan', 'besides-plan').required(),
  clientMix: clientMix.optional(),
  countEveryDays: limited(LIMITS.countEveryDays),
  bookingNames: listOf(
    shape<BookingName>({ title: name, serviceId: id.allow(null) }),
    5_000,
  ).unique('title'),
});

export const materialRestock = shape<MaterialRestock>({
  serviceLevel: serviceLevel.optional(),
  review: Joi.valid(...REVIEWS).optional(),
  levels: shape<NonNullable<MaterialRestock['levels']>>({
    minimum: atLeastNothing,
    maximum: atLeastNothing
      .greater(Joi.ref('minimum'))
      .messages({ 'number.greater': 'The maximum must be above the minimum.' }),
  }).optional(),
});

export const linenLoop = shape<LinenLoop>({
  pieces: limited(LIMITS.linenPieces),
  washDays: limited(LIMITS.linenDays),
  safetyDays: limited(LIMITS.linenDays),
});

export const booking: Joi.ObjectSchema<Booking> = shape<Booking>({
  id: Joi.string().max(64).required(),
  title: name,
  at: instant,
  minutes: limited(LIMITS.minutes),
});

const MOST_ADD_ONS = 10;

export const placedVisit: Joi.ObjectSchema<PlacedVisit> = shape<PlacedVisit>({
  id,
  name,
  serviceId: id,
  at: instant,
  roomId: id.optional(),
  therapistId: id.optional(),
  assistantId: id.optional(),
  bookingId: Joi.string().max(64).optional(),
  bookedAt: instant.optional(),
  soldCourseId: id.optional(),
  addOnIds: some(id, MOST_ADD_ONS).unique(),
});

const visitKind = Joi.valid('first', 'returning').required();

export const treatment: Joi.ObjectSchema<Treatment> = shape<Treatment>({
  id,
  serviceId: id,
  at: instant,
  visitKind,
  bookingId: Joi.string().max(64).optional(),
  soldCourseId: id.optional(),
  entryIds: listOf(id, 500),
  takenBackAt: instant.optional(),
});

export const soldCourse: Joi.ObjectSchema<SoldCourse> = shape<SoldCourse>({
  id,
  name,
  offerId: id,
  soldOn: day,
  taken: limited(LIMITS.taken),
});

const packs = limited(LIMITS.orderedPacks).messages({
  'number.min': 'Order at least one pack, or take the line out.',
});
const kind = (value: string): Joi.Schema => Joi.valid(value).required();

const reason = byKey('kind', {
  'at-point': shape<Extract<OrderReason, { kind: 'at-point' }>>({
    kind: kind('at-point'),
    position: number,
    point: number,
  }),
  promised: shape<Extract<OrderReason, { kind: 'promised' }>>({
    kind: kind('promised'),
    promised: number,
  }),
  soon: shape<Extract<OrderReason, { kind: 'soon' }>>({ kind: kind('soon'), days: number }),
  'least-order': shape({ kind: kind('least-order') }),
  lasts: shape<Extract<OrderReason, { kind: 'lasts' }>>({
    kind: kind('lasts'),
    weeks: number,
    by: Joi.valid(...SO_MANY_BECAUSE).required(),
  }),
  'too-many': shape<Extract<OrderReason, { kind: 'too-many' }>>({
    kind: kind('too-many'),
    packs,
    by: Joi.valid(...SO_MANY_BECAUSE).required(),
  }),
  'by-hand': shape({ kind: kind('by-hand') }),
});

const receipt = shape<Receipt>({
  entryId: id,
  lotId: id,
  on: day,
  packId: id,
  packs,
  paidMinor: money.optional(),
  takenBack: Joi.valid(true).optional(),
});

const orderLine = shape<OrderLine>({
  id,
  materialId: id,
  packId: id,
  packs,
  priceMinor: money,
  why: listOf(reason, 10),
  confirmed: shape<NonNullable<OrderLine['confirmed']>>({
    packs: limited(LIMITS.packsOrNone),
    packId: id.optional(),
    words: text.min(1).max(300).optional(),
  }).optional(),
  received: listOf(receipt, 200),
  refused: limited(LIMITS.packsOrNone),
});

export const order: Joi.ObjectSchema<Order> = shape<Order>({
  id,
  name,
  supplierId: id,
  state: Joi.valid(...ORDER_STATES).required(),
  writtenOn: day,
  sent: shape<NonNullable<Order['sent']>>({
    on: day,
    by: Joi.valid(...SENT_BY).required(),
  }).optional(),
  dueOn: day.optional(),
  reference: name.optional(),
  lines: listOf(orderLine, MOST_LINES).unique('id'),
  note: text.min(1).optional(),
  closedOn: day.optional(),
});

export const countedLine = shape<CountedLine>({
  materialId: id,
  at: instant,
  entryId: id,
  found: limited(LIMITS.counted),
  by: Joi.valid('pieces', 'scale').required(),
});

export const countRound: Joi.ObjectSchema<CountRound> = shape<CountRound>({
  id,
  name,
  startedOn: day,
  place: name.optional(),
  blind: Joi.boolean().required(),
  lines: listOf(countedLine, 20_000).unique('entryId'),
  endedOn: day.optional(),
});

/** What came, line by line, as it is checked at the door; core says in words what does not fit. */
export const receiving: Joi.ObjectSchema<Receiving> = shape<Receiving>({
  on: day,
  lines: listOf(
    shape<ReceivedLine>({
      lineId: id,
      entryId: id,
      lotId: id,
      packId: id,
      packs: number.min(0).max(LIMITS.packsOrNone.most),
      code: Joi.string().allow('').max(60).required(),
      expiresOn: Joi.string().max(20).optional(),
      paidMinor: money.optional(),
      refused: number.min(0).max(LIMITS.packsOrNone.most),
      tooMany: Joi.valid('keep').optional(),
    }),
    MOST_LINES,
  ).min(1),
  rest: Joi.valid('awaited', 'given-up').required(),
});
