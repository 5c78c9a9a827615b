import {
  decimalMarkOf,
  readListNumber,
  type DecimalMark,
  type ListNumber,
} from '../priceLists/listNumber';
import { plainHeading } from '../priceLists/listColumns';
import { packFromText } from './packText';

/** What pasted rows can become. */
export const PASTED_KINDS = ['materials', 'services', 'people', 'visits'] as const;
export type PastedKind = (typeof PASTED_KINDS)[number];

/** What a column can hold. */
export type PastedField =
  | 'name'
  | 'pack'
  | 'price'
  | 'supplier'
  | 'kind'
  | 'minutes'
  | 'role'
  | 'pay'
  | 'visits';

/** The columns of each kind, in the order in which they are asked for, those that are needed in front. */
export const FIELDS_OF: Readonly<
  Record<
    PastedKind,
    { readonly needed: readonly PastedField[]; readonly also: readonly PastedField[] }
  >
> = {
  materials: { needed: ['name', 'price'], also: ['pack', 'supplier', 'kind'] },
  services: { needed: ['name', 'minutes', 'price'], also: [] },
  people: { needed: ['name', 'pay'], also: ['role'] },
  visits: { needed: ['name', 'visits'], also: [] },
};

/* Headings as people write them, without accents. */
const HEADINGS: Readonly<Record<PastedField, readonly string[]>> = {
  name: [
    'name',
    'product',
    'material',
    'item',
    'description',
    'service',
    'treatment',
    'therapist',
    'person',
    'nombre',
    'producto',
    'servicio',
    'descripcion',
    'tratamiento',
  ],
  pack: [
    'pack',
    'packing',
    'size',
    'content',
    'contents',
    'volume',
    'quantity',
    'format',
    'formato',
    'contenido',
    'envase',
  ],
  price: ['price', 'cost', 'net price', 'pack price', 'precio', 'coste', 'pvp', 'eur', '€'],
  supplier: ['supplier', 'vendor', 'bought from', 'from', 'proveedor'],
  kind: ['kind', 'type', 'category', 'tipo', 'categoria'],
  minutes: ['minutes', 'min', 'duration', 'time', 'length', 'duracion', 'minutos'],
  role: ['role', 'position', 'job', 'puesto', 'funcion'],
  pay: [
    'pay',
    'hourly pay',
    'wage',
    'rate',
    'per hour',
    'salary',
    '€/h',
    'eur/h',
    'sueldo',
    'por hora',
  ],
  visits: [
    'visits',
    'visits a week',
    'per week',
    'a week',
    'week',
    'planned',
    'visitas',
    'por semana',
  ],
};

/** The column of each field, by its number. */
export type PastedColumns = Readonly<Partial<Record<PastedField, number>>>;

/** How pasted rows are laid out. */
export interface PastedLayout {
  readonly columns: PastedColumns;
  /** the first row has no headings: it is a row like the others */
  readonly begins: 0 | 1;
}

/** What a row says, as it was typed; empty where it says nothing. */
export interface PastedRow {
  /** of the pasted text, the first being 1 */
  readonly row: number;
  readonly said: Readonly<Record<PastedField, string>>;
}

/**
 * Finds out which column holds what: by headings, or without them by what stands in the cells.
 * @param rows cells as text
 */
export function layoutOf(rows: readonly (readonly string[])[], kind: PastedKind): PastedLayout {
  const { needed, also } = FIELDS_OF[kind];
  const fields = [...needed, ...also];
  const headings = (rows[0] ?? []).map(plainHeading);
  const named: Partial<Record<PastedField, number>> = {};
  for (const field of fields) {
    const at = headings.findIndex((heading) => HEADINGS[field].includes(heading));
    if (at !== -1 && !Object.values(named).includes(at)) named[field] = at;
  }
  /* A row with a number in it is no headings, whatever its words are. */
  const isHeadings = Object.keys(named).length > 0 && !(rows[0] ?? []).some(isNumber);
  if (isHeadings) return { columns: named, begins: 1 };
  return { columns: byContent(rows, fields), begins: 0 };
}

/** Without headings: the first words are names, what reads as a pack is one, numbers follow their order. */
function byContent(
  rows: readonly (readonly string[])[],
  fields: readonly PastedField[],
): PastedColumns {
  const width = Math.max(0, ...rows.map((row) => row.length));
  const columns: Partial<Record<PastedField, number>> = {};
  const numbers = fields.filter((field) => NUMBERS.has(field));
  for (let at = 0; at < width; at += 1) {
    const cells = rows.map((row) => (row[at] ?? '').trim()).filter((cell) => cell !== '');
    const share = (is: (cell: string) => boolean): number =>
      cells.length === 0 ? 0 : cells.filter(is).length / cells.length;
    const isPack = (cell: string): boolean => packFromText(cell) !== undefined;
    const [next] = numbers;
    if (
      fields.includes('pack') &&
      columns.pack === undefined &&
      share(isPack) > HALF &&
      share(isNumber) < HALF
    )
      columns.pack = at;
    else if (next !== undefined && share(isNumber) > HALF) {
      columns[next] = at;
      numbers.shift();
    } else if (columns.name === undefined && share((cell) => /\p{L}/u.test(cell)) > HALF)
      columns.name = at;
    else if (cells.length > 0) {
      const other = OTHER_WORDS.find(
        (field) => fields.includes(field) && columns[field] === undefined,
      );
      if (other !== undefined) columns[other] = at;
    }
  }
  return columns;
}

const HALF = 0.5;
/** What words besides a name are. */
const OTHER_WORDS = ['supplier', 'role'] as const;
const NUMBERS: ReadonlySet<PastedField> = new Set(['minutes', 'price', 'pay', 'visits']);

/** What may stand behind a number: a currency, by the hour, minutes. */
const BEHIND = /\s*(?:[A-Z]{3}|[€$£])?\s*(?:\/\s*h|min(?:utes)?|')?\.?$/i;

/** A number of a cell, with what may stand around it. */
export function readAmount(text: string, mark: DecimalMark): ListNumber {
  return readListNumber(text.replace(BEHIND, ''), mark);
}

function isNumber(cell: string): boolean {
  return (['.', ','] as const).some((mark) => readAmount(cell, mark).is === 'number');
}

/** The rows that say anything, by their columns. */
export function rowsBy(
  rows: readonly (readonly string[])[],
  { columns, begins }: PastedLayout,
): PastedRow[] {
  return rows.flatMap((cells, at): PastedRow[] => {
    if (at < begins || cells.every((cell) => cell.trim() === '')) return [];
    const of = (field: PastedField): string => {
      const column = columns[field];
      return column === undefined ? '' : (cells[column] ?? '').trim();
    };
    const said = Object.fromEntries(
      (Object.keys(HEADINGS) as PastedField[]).map((field) => [field, of(field)]),
    ) as Record<PastedField, string>;
    return [{ row: at + 1, said }];
  });
}

/**
 * The decimal mark of a field's cells; the one of the house where none of them tells.
 * @param usual how the house writes numbers
 */
export function markOf(
  rows: readonly PastedRow[],
  field: PastedField,
  usual: DecimalMark,
): DecimalMark {
  return decimalMarkOf(rows.map(({ said }) => said[field])) ?? usual;
}
