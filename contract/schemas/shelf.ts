import type { ClosedTime } from '@bienestar/core/house/supplier';
import Joi from 'joi';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { LIMITS } from '../limits';
import { PROTECTS, STOP_FOR, WARNINGS, type CareFacts } from '@bienestar/core/house/careFacts';
import { KEEPS_UNITS } from '@bienestar/core/house/material';
import type { SwapAmount } from '@bienestar/core/house/scenario';
import type {
  Amount,
  ConsumableMaterial,
  Demand,
  DiscountBreak,
  Keeps,
  KitPart,
  LinenMaterial,
  Material,
  MaterialKind,
  Mix,
  MixPart,
  MixRecipe,
  Pack,
  RatioAmount,
  Source,
  Supplier,
} from '@bienestar/core/house/house';
import { finding } from './finding';
import { SKIN_TYPES } from '@bienestar/core/house/traits';
import { LIST_FIELDS } from '@bienestar/core/priceLists/listColumns';
import type {
  Calibrated,
  CoatWeight,
  Measures,
  NamedAmount,
} from '@bienestar/core/quantity/measures';
import {
  byKey,
  day,
  id,
  listOf,
  money,
  name,
  number,
  positive,
  purchaseTax,
  shape,
  share,
  shareBelowOne,
  text,
  triple,
  some,
  limited,
} from './common';
import { linenLoop, materialRestock, months, trendPerYear } from './restock';

const leadTime = limited(LIMITS.leadTimeDays);
const leadTimeSd = number.max(Joi.ref('leadTimeDays')).min(0).messages({
  'number.max': 'The spread of the lead time cannot be longer than the lead time itself.',
});
const count = limited(LIMITS.pieces);
const column = name.optional();
export const supplier = shape<Supplier>({
  id,
  name,
  leadTimeDays: leadTime,
  leadTimeSdDays: leadTimeSd,
  reviewDays: leadTime,
  deliveryDays: some(Joi.valid(1, 2, 3, 4, 5, 6, 7), 7).unique(),
  closed: some(
    shape<ClosedTime>({
      from: day,
      to: day.custom((to: string, helpers) => {
        const { from } = (helpers.state.ancestors as readonly { from?: unknown }[])[0] ?? {};
        return typeof from === 'string' && to < from
          ? helpers.message({ custom: 'It opens again after it closes: put the days in order.' })
          : to;
      }),
    }),
    40,
  ),
  leastOrderMinor: money.optional(),
  feed: Joi.string()
    .pattern(/^[a-z0-9][a-z0-9-]{0,39}$/, 'name of letters, figures and hyphens')
    .optional(),
  season: Joi.string().max(LONGEST_NOTE).pattern(/\S/, 'words').optional(),
  purchaseTax: purchaseTax.optional(),
  columns: shape<NonNullable<Supplier['columns']>>(
    Object.fromEntries(LIST_FIELDS.map((field) => [field, column])) as Record<
      (typeof LIST_FIELDS)[number],
      typeof column
    >,
  ).optional(),
});

const pack = shape<Pack>({
  id,
  supplierId: id,
  code: name.optional(),
  containers: count.required(),
  content: positive,
  priceMinor: money,
  discount: share,
  breaks: some(
    shape<DiscountBreak>({ fromPacks: limited(LIMITS.breakFromPacks), discount: share }),
    10,
  ).unique('fromPacks'),
  freightMinor: money,
  unrecoveredTaxMinor: money,
  residual: shareBelowOne,
  tareG: limited(LIMITS.tareG).optional(),
  leastPacks: count.optional(),
  leadTimeDays: leadTime.optional(),
  leadTimeSdDays: leadTime.optional(),
}).custom((value: Pack, helpers) => {
  const { leadTimeDays, leadTimeSdDays } = value;
  if (leadTimeSdDays === undefined) return value;
  if (leadTimeDays === undefined) {
    return helpers.message({ custom: 'Give the lead time of the pack before its spread.' });
  }
  return leadTimeSdDays <= leadTimeDays
    ? value
    : helpers.message({
        custom: 'The spread of the lead time cannot be longer than the lead time itself.',
      });
});

const calibrated = shape<Calibrated>({
  usual: positive,
  spread: shareBelowOne.optional(),
});

/** An amount by a name of the house. */
export const namedAmount: Joi.ObjectSchema<NamedAmount> = shape<NamedAmount>({
  name,
  usual: positive,
  spread: shareBelowOne.optional(),
  unit: Joi.valid('ml', 'g').required(),
});

const measures = shape<Measures>({
  density: limited(LIMITS.density).optional(),
  densitySpread: shareBelowOne.optional(),
  mlPerPump: calibrated.optional(),
  dropsPerMl: calibrated.optional(),
  mlPerDropper: calibrated.optional(),
  mlPerSpray: calibrated.optional(),
  mlPerSpatula: calibrated.optional(),
  named: some(namedAmount, 20).unique('name'),
  coats: some(
    shape<CoatWeight>({ name, usual: positive, spread: shareBelowOne.optional() }),
    20,
  ).unique('name'),
  handlingLoss: shareBelowOne.optional(),
});

const care = shape<CareFacts>({
  strengthPercent: limited(LIMITS.strengthPercent).optional(),
  ph: limited(LIMITS.ph).optional(),
  warnings: some(Joi.valid(...WARNINGS), WARNINGS.length).unique(),
  allergens: some(name, 60).unique(),
  stopFor: some(Joi.valid(...STOP_FOR), STOP_FOR.length).unique(),
  protects: some(Joi.valid(...PROTECTS), PROTECTS.length).unique(),
  storage: text.min(1).optional(),
  sheet: text.min(1).optional(),
  patchTest: shape<NonNullable<CareFacts['patchTest']>>({
    hoursBefore: limited(LIMITS.patchTestHours),
    advice: text.min(1).optional(),
  }).optional(),
}).optional();

const laundry = shape<LinenMaterial['laundry']>({
  washMinor: money,
  replacementMinor: money,
  washesInLife: limited(LIMITS.washesInLife),
});

const keeps = shape<Keeps>({
  amount: limited(LIMITS.keeps),
  unit: Joi.valid(...KEEPS_UNITS).required(),
});

const shared = { id, name, measures, care, keptAt: name.optional(), archivedOn: day.optional() };
const packs = (of: Joi.Schema = pack): Joi.ArraySchema => listOf(of, 60).min(1).unique('id');
const preferredPackId = id.custom((value: string, helpers) => {
  const [material] = helpers.state.ancestors as readonly { packs?: unknown }[];
  const of: unknown = material?.packs;
  const known = Array.isArray(of) && of.some((each: { id?: unknown } | null) => each?.id === value);
  return known ? value : helpers.message({ custom: 'Choose one of the packs of the material.' });
});
const bought = {
  ...shared,
  packs: packs(),
  preferredPackId,
  sealedDays: limited(LIMITS.sealedDays).optional(),
  restock: materialRestock.optional(),
};
const unit = Joi.valid('ml', 'g', 'piece').required();
const kind = <K extends MaterialKind>(value: K): Joi.AnySchema<K> => Joi.valid(value).required();
const handUnit = Joi.valid('ml', 'g').required();

type MaterialOf<K extends MaterialKind> = Extract<Material, { readonly kind: K }>;

const BY_KIND = {
  'back-bar': shape<MaterialOf<'back-bar'>>({
    ...bought,
    kind: kind('back-bar'),
    unit: handUnit,
    openLife: keeps.optional(),
  }),
  'single-dose': shape<MaterialOf<'single-dose'>>({ ...bought, kind: kind('single-dose'), unit }),
  consumable: shape<MaterialOf<'consumable'>>({
    ...bought,
    kind: kind('consumable'),
    unit,
    countedPer: Joi.valid('client', 'person').required(),
    gloves: shape<NonNullable<ConsumableMaterial['gloves']>>({
      kind: Joi.valid('plain', 'sterile').required(),
      perPair: Joi.valid(1, 2).required(),
    }).optional(),
  }),
  'device-part': shape<MaterialOf<'device-part'>>({
    ...bought,
    kind: kind('device-part'),
    unit: Joi.valid('piece').required(),
    sterility: Joi.valid('sterile', 'clean').required(),
  }),
  fresh: shape<MaterialOf<'fresh'>>({
    ...bought,
    packs: packs(
      pack.keys({
        content: Joi.valid(1).required().messages({
          'any.only': 'Fresh goods are bought by the piece: the yield says what a piece gives.',
        }),
      }),
    ),
    kind: kind('fresh'),
    unit: handUnit,
    yieldPerPiece: calibrated,
    keeps,
    openLife: keeps,
  }),
  retail: shape<MaterialOf<'retail'>>({
    ...bought,
    kind: kind('retail'),
    unit,
    retailPriceMinor: money.optional(),
  }),
  kit: shape<MaterialOf<'kit'>>({
    ...bought,
    kind: kind('kit'),
    unit: Joi.valid('piece').required(),
    parts: listOf(
      shape<KitPart>({ id, name, amount: limited(LIMITS.quantity), unit, measures }),
      40,
    ).unique('id'),
    forVisits: limited(LIMITS.kitVisits).optional(),
    leftOver: Joi.valid('lost', 'goes-home').required(),
  }),
  linen: shape<MaterialOf<'linen'>>({
    ...shared,
    kind: kind('linen'),
    unit: Joi.valid('piece').required(),
    laundry,
    loop: linenLoop.optional(),
  }),
} satisfies Record<MaterialKind, Joi.ObjectSchema>;

export const material: Joi.Schema<Material> = byKey('kind', BY_KIND);

const AMOUNT_BY_HOW = {
  measured: shape({
    how: Joi.valid('measured').required(),
    quantity: triple,
    unit: Joi.valid('ml', 'g', 'piece', 'us-fl-oz', 'tsp', 'tbsp', 'oz').required(),
  }),
  counted: shape({
    how: Joi.valid('counted').required(),
    quantity: triple,
    measure: Joi.valid('pump', 'drop', 'dropper', 'spray', 'spatula').required(),
  }),
  named: shape({ how: Joi.valid('named').required(), quantity: triple, name }),
  packs: shape({ how: Joi.valid('packs').required(), quantity: triple }),
  batches: shape({ how: Joi.valid('batches').required(), quantity: triple }),
  fingertip: shape({ how: Joi.valid('fingertip').required(), quantity: triple }),
  all: shape({ how: Joi.valid('all').required() }),
  rest: shape({ how: Joi.valid('rest').required() }),
  coat: shape({
    how: Joi.valid('coat').required(),
    coat: name,
  }),
  'coat-weight': shape({ how: Joi.valid('coat-weight').required(), mgPerCm2: triple }),
} satisfies Record<Amount['how'], Joi.ObjectSchema>;

export const amount: Joi.Schema<Amount> = byKey('how', AMOUNT_BY_HOW);

/** An amount that a recipe may say as well as a dose. */
export const swapAmount: Joi.Schema<SwapAmount> = byKey('how', {
  measured: AMOUNT_BY_HOW.measured,
  packs: AMOUNT_BY_HOW.packs,
});

export const source: Joi.Schema<Source> = byKey('kind', {
  material: shape<Extract<Source, { kind: 'material' }>>({
    kind: Joi.valid('material').required(),
    materialId: id,
    part: id.optional(),
  }),
  mix: shape({ kind: Joi.valid('mix').required(), mixId: id }),
});

const mixParts = listOf(
  shape<MixPart>({
    source,
    amount: byKey('how', {
      measured: AMOUNT_BY_HOW.measured,
      packs: AMOUNT_BY_HOW.packs,
      counted: AMOUNT_BY_HOW.counted,
      named: AMOUNT_BY_HOW.named,
      ratio: shape<RatioAmount>({
        how: Joi.valid('ratio').required(),
        parts: triple,
        unit: handUnit,
      }),
    }),
    toTexture: text.optional(),
  }),
  40,
);

const mixMinutes = limited(LIMITS.mixMinutes);

export const mix: Joi.ObjectSchema<Mix> = shape<Mix>({
  id,
  name,
  basis: handUnit,
  density: limited(LIMITS.density).optional(),
  bowlLoss: shareBelowOne,
  parts: mixParts,
  recipes: some(
    shape<MixRecipe>({
      name,
      skinTypes: listOf(Joi.valid(...SKIN_TYPES), SKIN_TYPES.length).unique(),
      findings: some(finding, 80).unique(),
      parts: mixParts,
    }),
    12,
  ),
  made: Joi.valid('ahead', 'just-in-time').required(),
  wholeBatches: Joi.valid(true).optional(),
  mixingMinutes: mixMinutes,
  standingMinutes: mixMinutes,
  workingLifeMinutes: limited(LIMITS.workingLifeMinutes).optional(),
  warm: Joi.valid('warmed', 'kept-cold').optional(),
  method: text.min(1).optional(),
  archivedOn: day.optional(),
});

export const demand: Joi.ObjectSchema<Demand> = shape<Demand>({
  serviceId: id,
  visitsPerWeek: limited(LIMITS.visitsPerWeek),
  months: months.optional(),
  trendPerYear: trendPerYear.optional(),
  leastPerWeek: limited(LIMITS.visitsPerWeek).optional(),
  mostPerWeek: limited(LIMITS.visitsPerWeek).optional(),
});
