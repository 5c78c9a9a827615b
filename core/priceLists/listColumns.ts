import type { ListField } from '../house/supplier';

/** The fields that a price list may have, in the order in which they are asked for. */
export const LIST_FIELDS: readonly ListField[] = [
  'code',
  'name',
  'containers',
  'content',
  'unit',
  'price',
  'currency',
  'discount',
  'freight',
  'leastPacks',
];

/** Without these no row can be taken. */
export const NEEDED_FIELDS: readonly ListField[] = ['code', 'price'];

/** The column of each field, by its number. */
export type ColumnMatch = Readonly<Partial<Record<ListField, number>>>;

/* Headings as lists have them, in the languages of our suppliers, without accents. */
const HEADINGS: Readonly<Record<ListField, readonly string[]>> = {
  code: [
    'code',
    'article',
    'article no',
    'art no',
    'item',
    'sku',
    'ref',
    'reference',
    'referencia',
    'codigo',
    'articulo',
    'artikel',
    'artikelnummer',
    'number',
  ],
  name: [
    'name',
    'description',
    'product',
    'descripcion',
    'producto',
    'nombre',
    'bezeichnung',
    'title',
  ],
  containers: [
    'containers',
    'pieces',
    'units',
    'qty',
    'quantity',
    'per box',
    'in pack',
    'unidades',
    'cantidad',
    'stuck',
    'anzahl',
    'pack of',
  ],
  content: [
    'content',
    'contents',
    'size',
    'volume',
    'net',
    'net content',
    'contenido',
    'inhalt',
    'fill',
  ],
  unit: ['unit', 'measure', 'unidad', 'einheit', 'uom'],
  price: ['price', 'net price', 'unit price', 'cost', 'precio', 'preis', 'list price'],
  currency: ['currency', 'moneda', 'wahrung', 'cur'],
  discount: ['discount', 'rebate', 'descuento', 'rabatt', 'discount %'],
  freight: ['freight', 'shipping', 'delivery', 'portes', 'fracht', 'transport'],
  leastPacks: ['least order', 'minimum', 'min order', 'moq', 'least', 'minimo', 'mindestmenge'],
};

/**
 * Matches the columns of a list to fields: as they were matched last time, then by their headings.
 * @param headings of the first row
 * @param remembered the headings that this supplier's lists used
 */
export function matchColumns(
  headings: readonly string[],
  remembered: Readonly<Partial<Record<ListField, string>>> = {},
): ColumnMatch {
  const plain = headings.map(plainHeading);
  const match: Partial<Record<ListField, number>> = {};
  const taken = new Set<number>();
  const take = (field: ListField, column: number): void => {
    if (column < 0 || taken.has(column) || match[field] !== undefined) return;
    match[field] = column;
    taken.add(column);
  };
  for (const field of LIST_FIELDS) {
    const before = remembered[field];
    if (before !== undefined) take(field, plain.indexOf(plainHeading(before)));
  }
  for (const field of LIST_FIELDS) {
    take(
      field,
      plain.findIndex((heading) => HEADINGS[field].includes(heading)),
    );
  }
  return match;
}

/** The headings of a match, to be remembered for the next list. */
export function headingsOf(
  match: ColumnMatch,
  headings: readonly string[],
): Partial<Record<ListField, string>> {
  const named: Partial<Record<ListField, string>> = {};
  for (const field of LIST_FIELDS) {
    const column = match[field];
    const heading = column === undefined ? undefined : headings[column];
    if (heading !== undefined && heading.trim() !== '') named[field] = heading.trim();
  }
  return named;
}

/** A heading as headings are compared: without accents, capitals and points. */
export function plainHeading(text: string): string {
  return text
    .normalize('NFD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/[._:]/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();
}
