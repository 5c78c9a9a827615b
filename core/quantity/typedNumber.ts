import { fractionOf } from './fraction';

/** The sign between whole and parts, where a house has said which it writes. */
export type DecimalMark = '.' | ',';

/** A number as it was typed; two where it can be either. */
export type TypedNumber =
  | { readonly is: 'number'; readonly value: number }
  | { readonly is: 'either'; readonly thousands: number; readonly decimal: number };

const SPACES = /[\s\u00a0\u202f]+/gu;
const GROUPED_BY_SPACE = /^\d{1,3}(?:[ '’]\d{3})+(?=$|[.,])/u;
/** One sign with three figures behind it: 1,800 may be a thousand and more, or less than two. */
const DOUBTFUL = /^([1-9]\d{0,2})([.,])(\d{3})$/u;

/**
 * Reads a number as people write it: `2,5`, `1 800`, `1'800`, `1.800,50`, `1/4`, `1 1/2`, `½`.
 * @param typed without its unit
 * @param mark the decimal mark of the house, which decides what `1,800` is
 * @returns nothing when it is no number; both readings when it can be either
 * @example
 * typedNumber('1.800,50') // { is: 'number', value: 1800.5 }
 * typedNumber('1,800') // { is: 'either', thousands: 1800, decimal: 1.8 }
 * typedNumber('1,800', ',') // { is: 'number', value: 1.8 }
 * typedNumber('1 1/2') // { is: 'number', value: 1.5 }
 */
export function typedNumber(typed: string, mark?: DecimalMark): TypedNumber | undefined {
  const text = typed.trim().replace(SPACES, ' ').replace(/^[−–]/u, '-');
  const sign = text.startsWith('-') ? -1 : 1;
  const bare = text.replace(/^[+-] ?/u, '');
  const part = fractionOf(bare);
  /* As it is kept: a third has no end. */
  if (part !== undefined) return { is: 'number', value: sign * Number(part.toFixed(6)) };
  const grouped = GROUPED_BY_SPACE.exec(bare);
  const digits = grouped ? grouped[0].replace(/[ '’]/gu, '') + bare.slice(grouped[0].length) : bare;
  const doubt = grouped ? null : DOUBTFUL.exec(digits);
  if (doubt) {
    const [, whole = '', by, parts = ''] = doubt;
    const thousands = sign * Number(whole + parts);
    const decimal = sign * Number(`${whole}.${parts}`);
    if (mark === undefined) return { is: 'either', thousands, decimal };
    return { is: 'number', value: by === mark ? decimal : thousands };
  }
  const plain = withPoint(digits);
  return plain === undefined ? undefined : { is: 'number', value: sign * Number(plain) };
}

/** Digits with a point for the decimal mark and nothing between thousands; nothing when they are no number. */
function withPoint(digits: string): string | undefined {
  if (/^(?:\d+|\d*[.,]\d+|\d+[.,])$/u.test(digits)) {
    const plain = digits.replace(',', '.').replace(/\.$/u, '');
    return plain.startsWith('.') ? `0${plain}` : plain;
  }
  /* One sign between thousands, the other before the parts; or thousands alone, several times. */
  const both = /^(\d{1,3}(?:([.,])\d{3})(?:\2\d{3})*)([.,])(\d+)$/u.exec(digits);
  if (both && both[2] !== both[3]) {
    return `${(both[1] ?? '').replace(/[.,]/gu, '')}.${both[4] ?? ''}`;
  }
  return /^\d{1,3}([.,])\d{3}(?:\1\d{3})+$/u.test(digits)
    ? digits.replace(/[.,]/gu, '')
    : undefined;
}
