import { typedNumber, type DecimalMark } from '@bienestar/core/quantity/typedNumber';
import { number } from './figures';

/** What stands between whole and part of a number here. */
export function decimalMark(): DecimalMark {
  return number(0.5).includes(',') ? ',' : '.';
}

/**
 * Reads a number as people type it: decimal comma or point, thousands in groups ("1 234,5", "1.234,5", "1,234.5"),
 * parts of one ("1/4", "1 1/2", "½"). What can be a thousand or more than one, such as "1,800", is what the way
 * of writing numbers here says.
 * @returns nothing for what is not a number
 */
export function parseDecimal(text: string, mark = decimalMark()): number | undefined {
  const read = typedNumber(text, mark);
  return read?.is === 'number' ? read.value : undefined;
}
