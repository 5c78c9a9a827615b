import { once } from 'node:events';
import { setImmediate as breathe } from 'node:timers/promises';
import { Router, type Response } from 'express';
import Papa from 'papaparse';
import { EXPORTS, withoutVersions, type ExportName } from '@bienestar/contract/api';
import { LIKE_A_FORMULA } from '@bienestar/contract/csv';
import { writeCalendar, type CalendarEvent } from '@bienestar/core/calendar/writeCalendar';
import { logbookRows } from '@bienestar/core/logbook/logbookRows';
import { minorPerMajor } from '@bienestar/contract/currency';
import { readHouse } from '../house/wholeHouse';
import { pagesOfHouse } from '../house/writeHouse';
import { notFound } from '../http/problems';
import { writeTo } from '../http/streamAnswer';
import { readStock } from '../ledger/shelfReader';
import { visitsOf } from './visitsOf';
import type { Cell, ExportList } from './exportList';
import { exportList, type ExportSource } from './exportLists';
import type { Door } from '../work/door';

/** A large list goes out as long as somebody reads it. */
const WRITTEN_WITHIN_MS = 30 * 60_000;
/** Rows of a workbook that are made before others have their turn. */
const ROWS_AT_ONCE = 50;

/**
 * The routes of lists for other programs.
 * - `GET /:list.csv` and `GET /:list.xlsx`, the list one of materials, packs, prices, ledger, stock,
 *   menu, logbook, steps; 404 for another. Text that a spreadsheet would take for a formula is marked as text.
 * - `GET /logbook.ics` the visits of the logbook as iCalendar (RFC 5545).
 */
export function exportRoutes(door: Door): Router {
  const router = Router();
  router.get('/logbook.ics', async (request, response) => {
    await door.read(
      request,
      async (unit) => {
        const snapshot = await readHouse(unit);
        if (!snapshot) throw notFound('house', 'yet');
        const rowOf = logbookRows(withoutVersions(snapshot));
        const events: CalendarEvent[] = [];
        for await (const { visit, takenBackAt } of visitsOf(pagesOfHouse(unit.house))) {
          if (takenBackAt !== undefined) continue;
          const { entry } = visit;
          const { service, room, person, guest, roomMinutes } = rowOf(visit);
          events.push({
            id: `${entry.id}@bienestar`,
            title: [service, guest].filter(Boolean).join(', '),
            at: entry.at,
            minutes: roomMinutes,
            place: room,
            words: [person, ...entry.notes].filter(Boolean).join('; '),
          });
        }
        response.attachment('logbook.ics');
        response.type('text/calendar; charset=utf-8').send(writeCalendar(events, unit.now));
      },
      WRITTEN_WITHIN_MS,
    );
  });

  router.get('/:file', async (request, response) => {
    const [, name, format] = /^([a-z]+)\.(csv|xlsx)$/.exec(request.params.file) ?? [];
    if (!isExport(name)) throw notFound('list', request.params.file);
    await door.read(
      request,
      async (unit) => {
        const { house: kept, now } = unit;
        const settings = await kept.settings.find();
        if (!settings) throw notFound('house', 'yet');
        const source: ExportSource = {
          ...pagesOfHouse(kept),
          shelf: {
            settings,
            suppliers: await kept.suppliers.all(),
            materials: await kept.materials.all(),
          },
          stock: () => readStock(kept.ledger),
          house: async () => {
            const snapshot = await readHouse(unit);
            if (!snapshot) throw notFound('house', 'yet');
            return withoutVersions(snapshot);
          },
        };
        const list = exportList(name, source, minorPerMajor(settings.currency), now);
        response.attachment(request.params.file);
        if (format === 'csv') await sendCsv(response, list);
        else await sendXlsx(response, name, list);
      },
      WRITTEN_WITHIN_MS,
    );
  });
  return router;
}

function isExport(name: string | undefined): name is ExportName {
  return EXPORTS.some((each) => each === name);
}

/** With a byte order mark, without which spreadsheets take UTF-8 for something else. */
async function sendCsv(response: Response, { headings, pages }: ExportList): Promise<void> {
  const write = writeTo(response.type('text/csv; charset=utf-8'));
  const linesOf = (rows: readonly (readonly Cell[])[]): string =>
    `${Papa.unparse(rows as Cell[][], { escapeFormulae: LIKE_A_FORMULA, newline: '\r\n' })}\r\n`;
  await write(`\ufeff${linesOf([headings])}`);
  for await (const rows of pages) if (rows.length > 0) await write(linesOf(rows));
  response.end();
}

/** As a workbook that is written while it is made: no list is held whole, and others have their turn. */
async function sendXlsx(
  response: Response,
  name: string,
  { headings, pages }: ExportList,
): Promise<void> {
  /* Of the time in which a server starts it would be a quarter. */
  const { default: ExcelJS } = await import('exceljs');
  const book = new ExcelJS.stream.xlsx.WorkbookWriter({ stream: response, useStyles: true });
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
  const top = sheet.addRow(headings);
  top.font = { bold: true };
  top.commit();
  let made = 0;
  for await (const rows of pages) {
    for (const row of rows) {
      sheet.addRow(row.map((cell) => cell ?? null)).commit();
      made += 1;
      if (made % ROWS_AT_ONCE === 0) await breathe();
    }
    if (response.closed) throw new Error('The reader left.');
    if (response.writableNeedDrain) await once(response, 'drain');
  }
  sheet.commit();
  await book.commit();
}
