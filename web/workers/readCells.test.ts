import ExcelJS from 'exceljs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { readCells } from './readCells';

const never = (): void => undefined;
const text = (content: string): Promise<Awaited<ReturnType<typeof readCells>>> =>
  readCells({ is: 'text', name: 'list', text: content }, never);
const file = (bytes: Uint8Array | ArrayBuffer, name = 'list.csv') =>
  readCells({ is: 'file', name, bytes: new Uint8Array(bytes).buffer }, never);

describe('the cells of a list', () => {
  it.each([
    ['commas', 'a,b\n1,"2,5"'],
    ['semicolons', 'a;b\n1;"2,5"'],
    ['tabs, as pasted from a spreadsheet', 'a\tb\n1\t2,5'],
    ['Windows line ends and a byte order mark', '\ufeffa;b\r\n1;2,5\r\n'],
  ])('are read with %s', async (_, content) => {
    const { rows, faults } = await text(content);
    expect(faults).toEqual([]);
    expect(rows.slice(0, 2)).toEqual([
      ['a', 'b'],
      ['1', '2,5'],
    ]);
  });

  it('come out as they were written, whatever is in them', async () => {
    const cell = fc.string({ maxLength: 12 }).map((each) => each.replaceAll(/[\r\n\ufeff]/g, ''));
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(cell, { minLength: 3, maxLength: 3 }), { minLength: 1, maxLength: 8 }),
        async (rows) => {
          const table = [['code', 'name', 'price'], ...rows];
          const read = await text(Papa.unparse(table, { newline: '\n' }));
          expect(read.rows).toEqual(table);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('of an open quotation mark are a fault with its row', async () => {
    const { faults } = await text('a,b\n"1,2\n3,4');
    expect(faults[0]?.message).toContain('never closed');
  });

  it('are read from UTF-16, and what is neither encoding leaves its marks', async () => {
    const utf16 = Buffer.from('\ufeffa;b\n1;é', 'utf16le');
    expect((await file(utf16)).rows[1]).toEqual(['1', 'é']);
    expect((await file(Buffer.from('a;b\n1;é', 'latin1'))).rows[1]?.[1]).toContain('\ufffd');
  });

  it('of what is no list are refused in a sentence', async () => {
    const refusals = await Promise.all([
      file(Uint8Array.from([1, 0, 2, 0]), 'photo.png'),
      file(Uint8Array.from([0x50, 0x4b, 0x03, 0x04, 9, 9]), 'broken.xlsx'),
      file(new Uint8Array(21 * 1024 * 1024), 'huge.csv'),
      text('a\n'.repeat(50_001)),
    ]);
    expect(refusals.map(({ faults }) => faults[0]?.message)).toEqual([
      'photo.png is neither CSV nor an XLSX workbook.',
      'broken.xlsx is not a workbook that can be read.',
      'huge.csv is larger than the 20 MB that a list may have.',
      'A list may have at most 50000 rows; this one has 50002.',
    ]);
  });

  it('of a workbook are text; formulas keep their sign, merged cells are faults', async () => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('prices');
    sheet.addRows([
      ['code', 'name', 'price', 'from'],
      ['N-1', { richText: [{ text: 'Clay ' }, { text: 'black' }] }, 12.5, new Date('2026-03-01')],
      [
        'N-2',
        { text: 'Milk', hyperlink: 'http://elsewhere.example' },
        { formula: '1+1', result: 2 },
      ],
      ['N-3', 'x', true],
    ]);
    sheet.mergeCells('A3:A4');
    const { rows, faults } = await file(await book.xlsx.writeBuffer(), 'prices.xlsx');
    expect(rows.slice(0, 3)).toEqual([
      ['code', 'name', 'price', 'from'],
      ['N-1', 'Clay black', '12.5', '2026-03-01'],
      ['N-2', 'Milk', '=formula'],
    ]);
    expect(faults).toMatchObject([{ row: 4, column: 'code' }]);
  });
});
