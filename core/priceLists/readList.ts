import { LARGEST_CONTENT, LARGEST_MINOR, LONGEST_NAME } from '../house/limits';
import type { ListField } from '../house/supplier';
import type { BaseUnit } from '../quantity/unit';
import { decimalMarkOf, readListNumber, type DecimalMark } from './listNumber';
import { NEEDED_FIELDS, type ColumnMatch } from './listColumns';

/** One row of a price list, understood. Money in minor units. */
export interface Article {
  /** of the list, the heading being row 1 */
  readonly row: number;
  readonly code: string;
  readonly name: string;
  readonly containers?: number;
  /** of one container, in `unit` */
  readonly content?: number;
  readonly unit?: BaseUnit;
  readonly priceMinor: number;
  readonly discount?: number;
  readonly freightMinor?: number;
  readonly leastPacks?: number;
}

/** Something in a list that cannot be taken, by row and column as a person counts them. */
export interface ListFault {
  readonly row: number;
  /** the heading of the column; none where the row as a whole is meant */
  readonly column?: string;
  readonly message: string;
}

/** How the numbers of the house look. */
export interface ListTerms {
  /** ISO 4217 */
  readonly currency: string;
  readonly minorPerMajor: number;
  /** what the person chose where the list does not tell */
  readonly decimalMark?: DecimalMark;
}

/** A list as read: nothing of it may be applied while there are faults. */
export interface ReadList {
  readonly articles: readonly Article[];
  readonly faults: readonly ListFault[];
}

/** What a written unit is in a unit of the shelf, and how many of it. */
export const LIST_UNITS: Readonly<Record<string, readonly [BaseUnit, number]>> = {
  ml: ['ml', 1],
  cl: ['ml', 10],
  l: ['ml', 1000],
  lt: ['ml', 1000],
  'fl oz': ['ml', 29.5735295625],
  g: ['g', 1],
  gr: ['g', 1],
  kg: ['g', 1000],
  oz: ['g', 28.349523125],
  piece: ['piece', 1],
  pieces: ['piece', 1],
  pcs: ['piece', 1],
  pc: ['piece', 1],
  ea: ['piece', 1],
  ud: ['piece', 1],
  uds: ['piece', 1],
  st: ['piece', 1],
};
const CURRENCY_SIGNS: Readonly<Record<string, string>> = { '€': 'EUR', $: 'USD', '£': 'GBP' };
const KEPT = 1e6;

/**
 * Reads the rows of a price list. Every cell that cannot be taken is a fault with its row and column;
 * empty rows are passed over; a code that comes twice, another currency, a formula, text in a wrong
 * encoding are faults.
 * @param rows cells as text, the headings in front
 */
export function readList(
  rows: readonly (readonly string[])[],
  match: ColumnMatch,
  terms: ListTerms,
): ReadList {
  const headings = rows[0] ?? [];
  const faults: ListFault[] = [];
  for (const field of NEEDED_FIELDS) {
    if (match[field] === undefined) {
      faults.push({ row: 1, message: `Say which column holds the ${FIELD_WORDS[field]}.` });
    }
  }
  if (faults.length > 0) return { articles: [], faults };
  const marks = marksOf(rows, match, terms.decimalMark);
  const seen = new Map<string, number>();
  const articles: Article[] = [];
  for (const [at, cells] of rows.entries()) {
    if (at === 0 || cells.every((cell) => cell.trim() === '')) continue;
    const row = at + 1;
    const reader = rowReader(row, cells, headings, match, marks, faults);
    const before = faults.length;
    const code = reader.text('code');
    if (code === '') reader.fault('code', 'The article number is missing.');
    const name = reader.text('name');
    const earlier = seen.get(code);
    if (code !== '' && earlier !== undefined) {
      reader.fault('code', `Article ${code} is already in row ${earlier}: leave one of them out.`);
    }
    seen.set(code, row);
    reader.checkCurrency(terms.currency);
    const priceMinor = reader.money('price', terms.minorPerMajor);
    if (priceMinor === undefined && reader.isEmpty('price')) {
      reader.fault('price', 'The price is missing.');
    }
    const unit = reader.unit();
    const containers = reader.whole('containers');
    const content = reader.more('content');
    const discount = reader.percent('discount');
    const freightMinor = reader.money('freight', terms.minorPerMajor);
    const leastPacks = reader.whole('leastPacks');
    if (faults.length > before || priceMinor === undefined) continue;
    articles.push({
      row,
      code,
      name,
      priceMinor,
      ...(containers !== undefined && { containers }),
      ...(content !== undefined && {
        content: Math.round(content * (unit?.[1] ?? 1) * KEPT) / KEPT,
      }),
      ...(unit && { unit: unit[0] }),
      ...(discount !== undefined && { discount }),
      ...(freightMinor !== undefined && { freightMinor }),
      ...(leastPacks !== undefined && { leastPacks }),
    });
  }
  if (articles.length === 0 && faults.length === 0) {
    faults.push({ row: 1, message: 'There is no row with an article below the headings.' });
  }
  return { articles, faults };
}

/** What a field is called when something is wrong with it. */
export const FIELD_WORDS: Readonly<Record<ListField, string>> = {
  code: 'article number',
  name: 'name',
  containers: 'containers in the pack',
  content: 'content of one container',
  unit: 'unit',
  price: 'price',
  currency: 'currency',
  discount: 'discount',
  freight: 'freight',
  leastPacks: 'least order',
};

const NUMBER_FIELDS = [
  'containers',
  'content',
  'price',
  'discount',
  'freight',
  'leastPacks',
] as const;
type NumberField = (typeof NUMBER_FIELDS)[number];
type Marks = Readonly<Partial<Record<NumberField, DecimalMark>>>;

function marksOf(
  rows: readonly (readonly string[])[],
  match: ColumnMatch,
  chosen: DecimalMark | undefined,
): Marks {
  const marks: Partial<Record<NumberField, DecimalMark>> = {};
  for (const field of NUMBER_FIELDS) {
    const column = match[field];
    if (column === undefined) continue;
    const mark = chosen ?? decimalMarkOf(rows.slice(1).map((cells) => cells[column] ?? ''));
    if (mark) marks[field] = mark;
  }
  /* One list is written one way: what one column tells holds for the others. */
  const told = Object.values(marks)[0];
  return told === undefined
    ? marks
    : Object.fromEntries(NUMBER_FIELDS.map((field) => [field, marks[field] ?? told]));
}

function rowReader(
  row: number,
  cells: readonly string[],
  headings: readonly string[],
  match: ColumnMatch,
  marks: Marks,
  faults: ListFault[],
) {
  const fault = (field: ListField, message: string): void => {
    const column = match[field];
    faults.push({
      row,
      ...(column !== undefined && { column: headings[column] ?? `column ${column + 1}` }),
      message,
    });
  };
  const raw = (field: ListField): string => {
    const column = match[field];
    return column === undefined ? '' : (cells[column] ?? '').trim();
  };
  const text = (field: ListField): string => {
    const found = raw(field);
    if (/^[=@]/.test(found) || /^[+-](?![\d.,\s])/.test(found)) {
      fault(field, 'This cell holds a formula; only plain text and numbers are taken.');
    } else if (found.includes('\ufffd')) {
      fault(field, 'This text was saved in another encoding: save the list as UTF-8.');
    } else if (found.length > LONGEST_NAME) {
      fault(field, `At most ${LONGEST_NAME} characters are taken.`);
    }
    return found;
  };
  const number = (field: NumberField): number | undefined => {
    const found = raw(field);
    if (found === '') return undefined;
    if (/^[=@]/.test(found)) {
      fault(field, 'This cell holds a formula; only plain numbers are taken.');
      return undefined;
    }
    const read = readListNumber(found.replace(/%$/, ''), marks[field]);
    switch (read.is) {
      case 'number':
        return read.value;
      case 'ambiguous':
        fault(
          field,
          `“${found}” may be read in two ways: say which mark this list uses for decimals.`,
        );
        return undefined;
      case 'nothing':
        fault(field, `“${found}” is not a number.`);
        return undefined;
    }
  };
  return {
    fault,
    text,
    isEmpty: (field: ListField): boolean => raw(field) === '',
    money: (field: 'price' | 'freight', minorPerMajor: number): number | undefined => {
      const value = number(field);
      if (value === undefined) return undefined;
      const minor = Math.round(value * minorPerMajor);
      if (value < 0 || minor > LARGEST_MINOR) {
        fault(field, 'A price must be from 0 to ten million.');
        return undefined;
      }
      if (Math.abs(minor - value * minorPerMajor) > 1e-6) {
        fault(field, 'This has more decimals than there are cents.');
        return undefined;
      }
      return minor;
    },
    whole: (field: 'containers' | 'leastPacks'): number | undefined => {
      const value = number(field);
      if (value === undefined) return undefined;
      if (Number.isInteger(value) && value >= 1 && value <= 10_000) return value;
      fault(field, 'A whole number from 1 to 10 000 is needed.');
      return undefined;
    },
    more: (field: 'content'): number | undefined => {
      const value = number(field);
      if (value === undefined) return undefined;
      if (value > 0 && value <= LARGEST_CONTENT) return value;
      fault(field, 'A pack must hold more than 0.');
      return undefined;
    },
    percent: (field: 'discount'): number | undefined => {
      const value = number(field);
      if (value === undefined) return undefined;
      if (value >= 0 && value <= 100) return Math.round((value / 100) * KEPT) / KEPT;
      fault(field, 'A discount is from 0 to 100 %.');
      return undefined;
    },
    unit: (): readonly [BaseUnit, number] | undefined => {
      const found = raw('unit').toLowerCase().replaceAll('.', '');
      if (found === '') return undefined;
      const known = Object.hasOwn(LIST_UNITS, found) ? LIST_UNITS[found] : undefined;
      if (!known) fault('unit', `“${raw('unit')}” is not known here: use ml, l, g, kg or pcs.`);
      return known;
    },
    checkCurrency: (currency: string): void => {
      const stated = raw('currency').toUpperCase();
      const sign = /[€$£]/.exec(raw('price'))?.[0];
      const found =
        stated === '' ? sign && CURRENCY_SIGNS[sign] : (CURRENCY_SIGNS[stated] ?? stated);
      if (found !== undefined && found !== currency) {
        fault(
          stated === '' ? 'price' : 'currency',
          `This price is in ${found}; the house counts in ${currency}.`,
        );
      }
    },
  };
}
