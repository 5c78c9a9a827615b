import Joi from 'joi';
import type { PurchaseTax } from '@bienestar/core/house/supplier';
import { LONGEST_NAME, LONGEST_TEXT } from '@bienestar/core/house/limits';
import { isDay } from '@bienestar/core/days/days';
import { LIMITS, type Limits } from '../limits';
import type { AnyId } from '@bienestar/core/house/ids';

/** Decimals that a quantity may have; the database keeps exactly as many. */
export const QUANTITY_DECIMALS = 6;

declare const leftOut: unique symbol;

/** What `.optional()` says to the compiler: this may be left out. */
interface MayBeLeftOut {
  readonly [leftOut]: true;
}

/* Joi does not tell in its types what it is told: whether a key may be left out, and which values are valid. */
declare module 'joi' {
  // oxlint-disable-next-line typescript/no-explicit-any -- as Joi declares it, so that both are one
  interface AnySchema<TSchema = any> {
    optional(): this & MayBeLeftOut;
  }
  interface Root {
    valid<V extends string | number | boolean>(...values: readonly V[]): AnySchema<V>;
  }
}

/** A value as it stands in JSON: an id is text, a list is a list. */
type Plain<V> = V extends AnyId ? string : V extends readonly (infer Item)[] ? Plain<Item>[] : V;

/** What checks values of that kind; all that a schema is besides does not matter here. */
interface Checks<V> {
  readonly validate: (value: unknown) => Joi.ValidationResult<V>;
}

/** A schema for each key: one that may be left out where the type leaves it out, and only there. */
type KeysOf<T> = {
  readonly [K in keyof T]-?: Checks<Plain<Exclude<T[K], undefined>>> &
    (Record<never, never> extends Pick<T, K> ? MayBeLeftOut : { readonly [leftOut]?: never });
};

/**
 * An object without unknown keys. A key that the type lacks or has besides, one that may be left out and is
 * needed or the other way round, and a value of another kind do not compile.
 */
export function shape<T>(keys: KeysOf<T>): Joi.ObjectSchema<T> {
  return Joi.object<T>(keys).required();
}

/** What only some cases need, as the schema itself says. */
export function neededAtTimes<S extends Joi.Schema>(schema: S): S & MayBeLeftOut {
  return schema as S & MayBeLeftOut;
}

/** A list of at most `most`; an item is needed only in so far as it is there. */
export function listOf<T>(item: Joi.Schema<T>, most: number): Joi.ArraySchema<T[]> {
  return Joi.array<T[]>().items(item.optional()).max(most).required();
}

/** A list that may be left out, but not be empty: nothing is said in one way only. */
export const some = <T>(item: Joi.Schema<T>, most: number): Joi.ArraySchema<T[]> & MayBeLeftOut =>
  listOf(item, most).min(1).optional();

export const id = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{1,64}$/, 'id')
  .required();
/** An id inside a protocol; those of steps that stand in a block begin with the line of the block. */
export const within = Joi.string()
  .pattern(/^[A-Za-z0-9_.-]{1,300}$/, 'id')
  .required();
export const name = Joi.string().max(LONGEST_NAME).pattern(/\S/, 'name').required();
export const text = Joi.string().allow('').max(LONGEST_TEXT).required();

/** A number as far as the database keeps it. */
export const number = Joi.number().precision(QUANTITY_DECIMALS).required();

/** A number within its limits. */
export function limited({ least, above, most, whole }: Limits): Joi.NumberSchema {
  let within = whole ? number.integer() : number;
  if (above !== undefined) within = within.greater(above);
  if (least !== undefined) within = within.min(least);
  return most === undefined ? within : within.max(most);
}

/** More than nothing of ml, g or pieces. */
export const positive = limited(LIMITS.quantity);
export const atLeastNothing = limited(LIMITS.quantityOrNone);

/** Money in whole minor units. */
export const money = limited(LIMITS.money);

/** A part of 1, ends included. */
export const share = number.min(0).max(1);
/** A part of 1 that cannot be all of it. */
export const shareBelowOne = number.min(0).less(1);
/** A part of 1 that cannot be nothing. */
export const shareAboveNothing = number.greater(0).max(1);

/** The employer's cost on top of pay, as a part of it. */
export const onCost = number.min(0).max(3);

export const purchaseTax = shape<PurchaseTax>({
  rate: share,
  included: Joi.boolean().required(),
  recovered: Joi.boolean().required(),
});

/** A date of the calendar, YYYY-MM-DD. */
export const day = Joi.string()
  .custom((value: string, helpers) =>
    isDay(value) ? value : helpers.message({ custom: 'Enter a date as YYYY-MM-DD.' }),
  )
  .required();

/** A moment, ISO 8601 in UTC to the second. */
export const instant = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}Z$/, 'moment')
  .custom((value: string, helpers) =>
    !isDay(value.slice(0, 10)) || Number.isNaN(Date.parse(value))
      ? helpers.message({ custom: 'This is not a moment of the calendar.' })
      : value,
  )
  .required();

const ZONED = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(?::\d{2}(?:\.\d{1,9})?)?(?:Z|[+-]\d{2}:\d{2})$/;
const EARLIEST = Date.UTC(1900, 0, 1);
const LATEST = Date.UTC(9999, 11, 31);

/** A moment as a person or a device says it: ISO 8601 with its zone, from 1900 to 9999. */
export const zonedMoment = Joi.string()
  .custom((value: string, helpers) => {
    const at = ZONED.test(value) ? Date.parse(value) : Number.NaN;
    return at >= EARLIEST && at <= LATEST
      ? value
      : helpers.message({
          custom: 'Say the moment as 2026-11-27T14:05:00Z, with its zone, between 1900 and 9999.',
        });
  })
  .required();

const inOrder = 'low, usual and high';

/** Low, usual and high in order; usual above 0. */
export const triple = shape<{ low: number; usual: number; high: number }>({
  low: atLeastNothing,
  usual: positive.min(Joi.ref('low')).messages({ 'number.min': `Put ${inOrder} in order.` }),
  high: positive.min(Joi.ref('usual')).messages({ 'number.min': `Put ${inOrder} in order.` }),
});

const minute = limited(LIMITS.minutes);

/** Least, usual and most in order. */
export const minutes = shape<{ least: number; usual: number; most: number }>({
  least: minute,
  usual: minute
    .min(Joi.ref('least'))
    .messages({ 'number.min': 'Put least, usual and most minutes in order.' }),
  most: minute
    .min(Joi.ref('usual'))
    .messages({ 'number.min': 'Put least, usual and most minutes in order.' }),
});
export const capMinutes = limited(LIMITS.capMinutes).optional();

/** A union told apart by one key: the fault is reported for the member that the key names. */
export function byKey(
  key: string,
  members: Record<string, Joi.ObjectSchema>,
): Joi.AlternativesSchema {
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
