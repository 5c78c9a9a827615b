/** What stands between whole and part of a number. */
export type DecimalMark = ',' | '.';

/** A number as a list writes it, or why it cannot be told. */
export type ListNumber =
  | { readonly is: 'number'; readonly value: number }
  | { readonly is: 'ambiguous' }
  | { readonly is: 'nothing' };

/** Leaves the number of a cell: without spaces, apostrophes and signs of money. */
function bareNumber(text: string): string {
  return text
    .replaceAll(/[\s\u00a0\u202f'’]/g, '')
    .replaceAll(/^[€$£]|[€$£]$/g, '')
    .replace('−', '-');
}

/**
 * Tells the decimal mark of a column from the cells that leave no doubt: both marks in one number, or
 * a single mark that is not followed by exactly three digits.
 * @returns nothing when no cell tells
 */
export function decimalMarkOf(cells: readonly string[]): DecimalMark | undefined {
  for (const cell of cells) {
    const bare = bareNumber(cell);
    const comma = bare.lastIndexOf(',');
    const point = bare.lastIndexOf('.');
    if (comma >= 0 && point >= 0) return comma > point ? ',' : '.';
    const mark = comma >= 0 ? ',' : '.';
    const parts = bare.split(mark);
    if (parts.length > 2) return mark === ',' ? '.' : ',';
    if (parts.length === 2 && parts[1]?.length !== 3) return mark;
  }
  return undefined;
}

/**
 * Reads a number with thousands separators, by the decimal mark of its column.
 * @returns ambiguous for the like of `1,234` where nothing tells which mark is the decimal one
 */
export function readListNumber(text: string, mark: DecimalMark | undefined): ListNumber {
  const bare = bareNumber(text);
  if (!/^-?\d[\d.,]*$|^-?[.,]\d+$/.test(bare)) return { is: 'nothing' };
  if (mark === undefined && /[.,]/.test(bare)) return { is: 'ambiguous' };
  const group = mark === ',' ? '.' : ',';
  const [whole = '', part, ...more] = bare.split(mark ?? '.');
  const groups = whole.replace('-', '').split(group);
  const grouped =
    groups.length === 1 ||
    groups.every((digits, at) => (at === 0 ? digits.length <= 3 : digits.length === 3));
  if (more.length > 0 || !grouped || part?.includes(group)) return { is: 'nothing' };
  const value = Number(`${whole.replaceAll(group, '')}${part === undefined ? '' : `.${part}`}`);
  return Number.isFinite(value) ? { is: 'number', value } : { is: 'nothing' };
}
