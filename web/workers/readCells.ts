import type { CellValue } from 'exceljs';
import type { ListFault } from '@bienestar/core/priceLists/readList';

/** Where a list comes from: text that was fetched or pasted, or the bytes of a file. */
export type ListInput =
  | { readonly is: 'text'; readonly name: string; readonly text: string }
  | { readonly is: 'file'; readonly name: string; readonly bytes: ArrayBuffer };

/** The cells of a list as text, and what is wrong with it before it is understood. */
export interface ListCells {
  readonly rows: readonly (readonly string[])[];
  readonly faults: readonly ListFault[];
}

/** How far the reading is, from 0 to 1. */
export type OnProgress = (share: number) => void;

export const LARGEST_LIST = 20 * 1024 * 1024;
const MOST_ROWS = 50_000;
const MOST_COLUMNS = 60;
/** The beginning of a ZIP archive, which a workbook is. */
const ZIP = [0x50, 0x4b, 0x03, 0x04];

/** Reads the cells of a price list: CSV with any delimiter, pasted cells, or the first sheet of a workbook. */
export async function readCells(input: ListInput, onProgress: OnProgress): Promise<ListCells> {
  if (input.is === 'text') return readText(input.text, onProgress);
  const { bytes, name } = input;
  if (bytes.byteLength > LARGEST_LIST) {
    return refused(`${name} is larger than the 20 MB that a list may have.`);
  }
  const head = new Uint8Array(bytes, 0, Math.min(4, bytes.byteLength));
  if (ZIP.every((byte, at) => head[at] === byte)) return readWorkbook(bytes, name, onProgress);
  if (head.includes(0) && !(head[0] === 0xff && head[1] === 0xfe)) {
    return refused(`${name} is neither CSV nor an XLSX workbook.`);
  }
  return readText(decode(bytes), onProgress);
}

/** UTF-8, or UTF-16 where its mark says so; what is neither leaves marks that are found as faults. */
function decode(bytes: ArrayBuffer): string {
  const head = new Uint8Array(bytes, 0, Math.min(2, bytes.byteLength));
  const utf16 = head[0] === 0xff && head[1] === 0xfe;
  return new TextDecoder(utf16 ? 'utf-16le' : 'utf-8').decode(bytes);
}

async function readText(text: string, onProgress: OnProgress): Promise<ListCells> {
  const { default: Papa } = await import('papaparse');
  const bare = text.replace(/^\ufeff/, '');
  const { data, errors } = Papa.parse<string[]>(bare, { delimiter: delimiterOf(bare) });
  onProgress(0.9);
  const broken = errors.filter(({ type }) => type === 'Quotes');
  const faults = broken.map(({ row = 0 }): ListFault => ({
    row: row + 1,
    message: 'A quotation mark is opened here and never closed.',
  }));
  return limited(data, faults);
}

const DELIMITERS = ['\t', ';', '|', ','] as const;

/**
 * What stands between the cells: told by the headings, which unlike prices hold no decimal commas; a
 * tab before a semicolon before a comma where the headings hold several.
 */
function delimiterOf(text: string): string {
  const headings = (text.split('\n', 1)[0] ?? '').replaceAll(/"[^"]*"/g, '');
  return DELIMITERS.find((each) => headings.includes(each)) ?? ',';
}

async function readWorkbook(
  bytes: ArrayBuffer,
  name: string,
  onProgress: OnProgress,
): Promise<ListCells> {
  const { default: ExcelJS } = await import('exceljs');
  onProgress(0.2);
  const book = new ExcelJS.Workbook();
  try {
    await book.xlsx.load(bytes);
  } catch {
    return refused(`${name} is not a workbook that can be read.`);
  }
  onProgress(0.7);
  const sheet = book.worksheets[0];
  if (!sheet) return refused(`${name} has no sheet.`);
  const rows: string[][] = [];
  const faults: ListFault[] = [];
  const headings: string[] = [];
  sheet.eachRow({ includeEmpty: true }, (row, number) => {
    const cells: string[] = [];
    row.eachCell({ includeEmpty: true }, (cell, column) => {
      if (column > MOST_COLUMNS) return;
      if (cell.isMerged && cell.master.address !== cell.address) {
        faults.push({
          row: number,
          column: headings[column - 1] || `column ${column}`,
          message: 'This cell is merged with others: split it, so that each row stands alone.',
        });
      }
      cells[column - 1] = textOf(cell.value);
    });
    if (number === 1) headings.push(...cells);
    rows[number - 1] = Array.from(cells, (cell: string | undefined) => cell ?? '');
  });
  return limited(
    Array.from(rows, (row: string[] | undefined) => row ?? []),
    faults,
  );
}

/** A cell as a person reads it; a formula keeps its sign, so that it is found out. */
function textOf(value: CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value !== 'object') return String(value);
  if ('formula' in value || 'sharedFormula' in value) return '=formula';
  if ('richText' in value) return value.richText.map(({ text }) => text).join('');
  return 'text' in value ? value.text : '';
}

function limited(rows: readonly (readonly string[])[], faults: readonly ListFault[]): ListCells {
  if (rows.length > MOST_ROWS) {
    return refused(`A list may have at most ${MOST_ROWS} rows; this one has ${rows.length}.`);
  }
  return { rows: rows.map((row) => row.slice(0, MOST_COLUMNS)), faults };
}

function refused(message: string): ListCells {
  return { rows: [], faults: [{ row: 1, message }] };
}
