import ExcelJS from 'exceljs';
import { Router } from 'express';
import Papa from 'papaparse';
import type { Sequelize } from 'sequelize';
import { EXPORTS, type ExportName } from '@bienestar/contract/api';
import { minorPerMajor } from '@bienestar/contract/currency';
import { reading } from '../db/unitOfWork';
import type { Stores } from '../house/stores';
import { readArchive } from '../house/wholeHouse';
import { notFound } from '../http/problems';
import { exportList, type ExportList } from './exportLists';

/**
 * The routes of lists for other programs.
 * - `GET /:list.csv` and `GET /:list.xlsx`, the list one of materials, packs, prices, ledger, stock,
 *   menu; 404 for another. Text that a spreadsheet would take for a formula is marked as text.
 */
export function exportRoutes(stores: Stores, sequelize: Sequelize): Router {
  const router = Router();
  router.get('/:file', async (request, response) => {
    const [, name, format] = /^([a-z]+)\.(csv|xlsx)$/.exec(request.params.file) ?? [];
    if (!isExport(name)) throw notFound('list', request.params.file);
    const archive = await reading(sequelize, (tx) => readArchive(stores, sequelize, tx));
    if (!archive) throw notFound('house', 'yet');
    const { currency } = archive.settings;
    const list = exportList(name, archive, minorPerMajor(currency), new Date());
    response.attachment(request.params.file);
    if (format === 'csv') response.type('text/csv; charset=utf-8').send(csvOf(list));
    else response.send(Buffer.from(await xlsxOf(name, list)));
  });
  return router;
}

function isExport(name: string | undefined): name is ExportName {
  return EXPORTS.some((each) => each === name);
}

/** With a byte order mark, without which spreadsheets take UTF-8 for something else. */
function csvOf({ headings, rows }: ExportList): string {
  const table = { fields: [...headings], data: rows.map((row) => [...row]) };
  return `\ufeff${Papa.unparse(table, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}

async function xlsxOf(name: string, { headings, rows }: ExportList): Promise<ArrayBuffer> {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet(name);
  sheet.addRow(headings);
  sheet.getRow(1).font = { bold: true };
  for (const row of rows) sheet.addRow(row.map((cell) => cell ?? null));
  sheet.views = [{ state: 'frozen', ySplit: 1 }];
  return book.xlsx.writeBuffer();
}
