import type Joi from 'joi';
import { LIMIT_WORDS } from './limits';

/** One fault of an input, at a JSON pointer (RFC 6901) into it. */
export interface Fault {
  readonly pointer: string;
  readonly code: string;
  readonly message: string;
}

/** An input as its type, or everything that is wrong with it. */
export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly faults: readonly Fault[] };

const MOST_FAULTS = 50;

const MESSAGES = {
  'any.required': 'This is needed.',
  'any.only': 'Choose one of: {#valids}.',
  'any.ref': 'Does not fit the figure beside it.',
  'array.base': 'This must be a list.',
  'array.max': 'At most {#limit} are possible here.',
  'array.min': 'At least {#limit} is needed here.',
  'array.unique': 'This is there twice.',
  'number.base': 'Enter a number.',
  'number.unsafe': 'This number is too large.',
  'number.infinity': 'Enter a number.',
  'number.precision': 'At most {#limit} decimals are kept.',
  ...LIMIT_WORDS,
  'number.less': 'Must be less than {#limit}.',
  'object.base': 'This part is missing or is not an object.',
  'object.unknown': 'This is not known here.',
  'string.base': 'Enter text.',
  'string.empty': 'This is needed.',
  'string.max': 'At most {#limit} characters.',
  'string.pattern.name': 'Enter a valid {#name}.',
  'string.pattern.base': 'This does not have the right form.',
} as const;

/**
 * Checks an input against its schema, strictly: a number in quotes is not a number, and an unknown
 * key is a fault.
 * @returns the value, or its faults (at most 50) with their places
 */
export function checkAgainst<T>(schema: Joi.Schema<T>, input: unknown): Checked<T> {
  const result = strictly(schema).validate(input);
  const { error } = result;
  if (!error) return { ok: true, value: result.value };
  return {
    ok: false,
    faults: error.details.slice(0, MOST_FAULTS).map((detail) => ({
      pointer: pointerTo(detail.path),
      code: detail.type,
      message: detail.message,
    })),
  };
}

/** Messages are prepared once a schema, not once an input. */
const strict = new WeakMap<Joi.Schema, Joi.Schema>();

function strictly<T>(schema: Joi.Schema<T>): Joi.Schema<T> {
  const known = strict.get(schema) as Joi.Schema<T> | undefined;
  if (known) return known;
  const made = schema.prefs({
    abortEarly: false,
    convert: false,
    errors: { label: false, wrap: { label: false, array: false, string: false } },
    messages: MESSAGES,
  });
  strict.set(schema, made);
  return made;
}

/** The JSON pointer of a path. */
export function pointerTo(path: readonly (string | number)[]): string {
  return path
    .map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`)
    .join('');
}
