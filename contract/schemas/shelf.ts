import Joi from 'joi';
import type {
  Amount,
  Demand,
  LinenMaterial,
  Material,
  MaterialKind,
  Mix,
  MixPart,
  Pack,
  Source,
  StockOnHand,
  Supplier,
} from '@bienestar/core/house/house';
import type { Calibrated, Measures, NamedAmount } from '@bienestar/core/quantity/measures';
import {
  atLeastNothing,
  id,
  listOf,
  money,
  name,
  number,
  positive,
  shape,
  share,
  shareBelowOne,
  triple,
} from './common';

const leadTimeSd = number.max(Joi.ref('leadTimeDays')).min(0).messages({
  'number.max': 'The spread of the lead time cannot be longer than the lead time itself.',
});

export const supplier = shape<Supplier>({
  id,
  name,
  leadTimeDays: number.min(0).max(365),
  leadTimeSdDays: leadTimeSd,
  reviewDays: number.min(0).max(365),
});

const pack = shape<Pack>({
  containers: Joi.number().integer().min(1).max(10_000).required(),
  content: positive,
  priceMinor: money,
  discount: share,
  freightMinor: money,
  unrecoveredTaxMinor: money,
  residual: shareBelowOne,
});

const calibrated = shape<Calibrated>({
  usual: positive,
  spread: shareBelowOne.optional(),
}).optional();

const measures = shape<Measures>({
  density: number.greater(0).max(25).optional(),
  mlPerPump: calibrated,
  dropsPerMl: calibrated,
  mlPerDropper: calibrated,
  mlPerSpray: calibrated,
  named: listOf(
    shape<NamedAmount>({
      name,
      usual: positive,
      spread: shareBelowOne.optional(),
      unit: Joi.valid('ml', 'g').required(),
    }),
    20,
  )
    .unique('name')
    .optional(),
  handlingLoss: shareBelowOne.optional(),
});

const laundry = shape<LinenMaterial['laundry']>({
  washMinor: money,
  replacementMinor: money,
  washesInLife: Joi.number().integer().min(1).max(100_000).required(),
});

const shared = { id, name, measures };
const bought = { ...shared, supplierId: id, pack };
const unit = Joi.valid('ml', 'g', 'piece').required();
const kind = <K extends MaterialKind>(value: K): Joi.Schema => Joi.valid(value).required();

const BY_KIND = {
  'back-bar': shape({ ...bought, kind: kind('back-bar'), unit: Joi.valid('ml', 'g').required() }),
  'single-dose': shape({ ...bought, kind: kind('single-dose'), unit }),
  consumable: shape({ ...bought, kind: kind('consumable'), unit }),
  linen: shape({ ...shared, kind: kind('linen'), unit: Joi.valid('piece').required(), laundry }),
} satisfies Record<MaterialKind, Joi.ObjectSchema>;

export const material: Joi.Schema<Material> = byKey('kind', BY_KIND);

/** A union told apart by one key: the fault is reported for the member that the key names. */
function byKey(key: string, members: Record<string, Joi.ObjectSchema>): Joi.AlternativesSchema {
  const cases = Object.entries(members);
  return Joi.alternatives()
    .conditional(`.${key}`, {
      switch: cases.map(([value, then]) => ({ is: value, then })),
      otherwise: Joi.object({ [key]: Joi.valid(...cases.map(([value]) => value)).required() })
        .unknown()
        .required(),
    })
    .required();
}

const AMOUNT_BY_HOW = {
  measured: shape({
    how: Joi.valid('measured').required(),
    quantity: triple,
    unit: Joi.valid('ml', 'g', 'piece', 'us-fl-oz', 'tsp', 'tbsp', 'oz').required(),
  }),
  counted: shape({
    how: Joi.valid('counted').required(),
    quantity: triple,
    measure: Joi.valid('pump', 'drop', 'dropper', 'spray').required(),
  }),
  named: shape({ how: Joi.valid('named').required(), quantity: triple, name }),
  packs: shape({ how: Joi.valid('packs').required(), quantity: triple }),
  fingertip: shape({ how: Joi.valid('fingertip').required(), quantity: triple }),
  coat: shape({
    how: Joi.valid('coat').required(),
    coat: Joi.valid('thin', 'standard', 'generous').required(),
  }),
  'coat-weight': shape({ how: Joi.valid('coat-weight').required(), mgPerCm2: triple }),
} satisfies Record<Amount['how'], Joi.ObjectSchema>;

export const amount: Joi.Schema<Amount> = byKey('how', AMOUNT_BY_HOW);

export const source: Joi.Schema<Source> = byKey('kind', {
  material: shape({ kind: Joi.valid('material').required(), materialId: id }),
  mix: shape({ kind: Joi.valid('mix').required(), mixId: id }),
});

export const mix: Joi.ObjectSchema<Mix> = shape<Mix>({
  id,
  name,
  basis: Joi.valid('ml', 'g').required(),
  density: number.greater(0).max(25).optional(),
  bowlLoss: shareBelowOne,
  parts: listOf(
    shape<MixPart>({
      source,
      amount: byKey('how', { measured: AMOUNT_BY_HOW.measured, packs: AMOUNT_BY_HOW.packs }),
    }),
    40,
  ),
});

export const demand: Joi.ObjectSchema<Demand> = shape<Demand>({
  serviceId: id,
  visitsPerWeek: number.min(0).max(2000),
});

export const stockOnHand: Joi.ObjectSchema<StockOnHand> = shape<StockOnHand>({
  materialId: id,
  onHand: atLeastNothing.max(10_000_000),
});
