import Joi from 'joi';
import { LIMITS } from '../limits';
import {
  TRIED_SETTINGS,
  type Change,
  type ChangeKind,
  type AdoptedChanges,
  type Scenario,
} from '@bienestar/core/house/scenario';
import { PHASES } from '@bienestar/core/house/actions';
import {
  byKey,
  day,
  id,
  listOf,
  money,
  name,
  number,
  shape,
  shareBelowOne,
  some,
  text,
  limited,
} from './common';
import { ROOM_KINDS } from '@bienestar/core/house/house';
import type { Weekday } from '@bienestar/core/days/days';
import { spans } from './hours';
import { swapAmount } from './shelf';

const MOST_CHANGES = 20_000;
const LARGEST_FIGURE = 1_000_000_000;
/** From nothing left to ten times as much. */
const byShare = number.greater(-1).max(9);

type Of<K extends ChangeKind> = Extract<Change, { kind: K }>;
const weekday = Joi.valid<Weekday>(1, 2, 3, 4, 5, 6, 7).required();
const kind = <K extends ChangeKind>(of: K) => Joi.valid(of).required();

const change = byKey('kind', {
  setting: shape<Of<'setting'>>({
    id,
    kind: kind('setting'),
    setting: Joi.valid(...TRIED_SETTINGS).required(),
    to: number.min(0).max(LARGEST_FIGURE),
  }),
  charge: shape<Of<'charge'>>({
    id,
    kind: kind('charge'),
    to: Joi.valid('attended', 'slot').required(),
  }),
  pay: shape<Of<'pay'>>({ id, kind: kind('pay'), personId: id.optional(), byShare }),
  supplier: shape<Of<'supplier'>>({ id, kind: kind('supplier'), supplierId: id, byShare }),
  'pack-price': shape<Of<'pack-price'>>({
    id,
    kind: kind('pack-price'),
    materialId: id,
    packId: id,
    priceMinor: money,
    discount: shareBelowOne.optional(),
    freightMinor: money.optional(),
  }),
  pack: shape<Of<'pack'>>({ id, kind: kind('pack'), materialId: id, packId: id }),
  swap: shape<Of<'swap'>>({
    id,
    kind: kind('swap'),
    from: id,
    to: id,
    amount: swapAmount,
    protocolId: id.optional(),
  }),
  minutes: shape<Of<'minutes'>>({
    id,
    kind: kind('minutes'),
    phase: Joi.valid(...PHASES).required(),
    byMinutes: limited(LIMITS.byMinutes),
    protocolId: id.optional(),
  }),
  edition: shape<Of<'edition'>>({
    id,
    kind: kind('edition'),
    serviceId: id,
    edition: Joi.number().integer().min(1).max(100_000).optional(),
  }),
  price: shape<Of<'price'>>({ id, kind: kind('price'), serviceId: id, grossMinor: money.min(1) }),
  visits: shape<Of<'visits'>>({
    id,
    kind: kind('visits'),
    serviceId: id,
    visitsPerWeek: limited(LIMITS.visitsPerWeek),
  }),
  'work-hours': shape<Of<'work-hours'>>({
    id,
    kind: kind('work-hours'),
    personId: id,
    weekday,
    spans,
  }),
  'open-hours': shape<Of<'open-hours'>>({ id, kind: kind('open-hours'), weekday, spans }),
  hire: shape<Of<'hire'>>({ id, kind: kind('hire'), likeId: id, newId: id, name }),
  room: shape<Of<'room'>>({
    id,
    kind: kind('room'),
    newId: id,
    name,
    roomKind: Joi.valid(...ROOM_KINDS).required(),
  }),
  'device-count': shape<Of<'device-count'>>({
    id,
    kind: kind('device-count'),
    deviceId: id,
    count: limited(LIMITS.deviceCount),
  }),
});

/** A scenario; what it changes need not be in the house any more. */
export const scenario: Joi.ObjectSchema<Scenario> = shape<Scenario>({
  id,
  name,
  note: text.min(1).optional(),
  changes: listOf(change, MOST_CHANGES).unique('id'),
  adopted: some(
    shape<AdoptedChanges>({ on: day, changes: listOf(change, MOST_CHANGES).unique('id') }),
    MOST_CHANGES,
  ),
});
