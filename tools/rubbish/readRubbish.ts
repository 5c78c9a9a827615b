import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { readList } from '../../core/priceLists/readList';
import { matchColumns } from '../../core/priceLists/listColumns';
import { readCalendar } from '../../core/calendar/readCalendar';
import { calendarOn } from '../../standins/bookings/calendar';
import { readCells } from '../../web/workers/readCells';
import { diceOf, type Dice } from './dice';
import { mutatedBytes } from './mutate';

/** Of a machine that does other things besides. */
const SLOWEST_MS = 8_000;

/** What came of reading rubbish. */
export interface ReadFound {
  readonly read: number;
  readonly faults: readonly string[];
  readonly slowestMs: number;
}

const HEADINGS = ['article', 'name', 'pack', 'content', 'unit', 'price', 'discount %'];
const RULES = [
  'FREQ=DAILY',
  'FREQ=SECONDLY',
  'FREQ=WEEKLY;BYDAY=MO,FR;INTERVAL=2',
  'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=MONTHLY;BYDAY=-1SU',
  'FREQ=YEARLY;BYWEEKNO=53',
  'FREQ=DAILY;COUNT=999999999',
  'FREQ=HOURLY;BYHOUR=25',
  'FREQ=YEARLY;INTERVAL=9999999',
];

/**
 * Reads mutated calendars, price lists and workbooks: each is read, or refused in words at its row, within
 * moments.
 */
export async function readRubbish(seed: number, files: number): Promise<ReadFound> {
  const dice = diceOf(seed);
  const faults: string[] = [];
  let slowestMs = 0;
  const workbook = await workbookOf(dice);
  const csv = Buffer.from(Papa.unparse(rowsOf(dice)));
  for (let at = 0; at < files; at += 1) {
    const began = performance.now();
    const kind = dice.oneOf(['calendar', 'csv', 'workbook'] as const);
    const bytes = mutatedBytes(
      kind === 'calendar' ? Buffer.from(calendarWith(dice)) : kind === 'csv' ? csv : workbook,
      dice,
    );
    try {
      if (kind === 'calendar') readCalendar(bytes.toString('utf8'), '2026-11-27', 'Europe/Madrid');
      else await readAsList(bytes);
    } catch (error) {
      faults.push(`${kind} ${at}: ${error instanceof Error ? error.stack : String(error)}`);
    }
    const ms = performance.now() - began;
    slowestMs = Math.max(slowestMs, ms);
    if (ms > SLOWEST_MS) faults.push(`${kind} ${at} took ${ms.toFixed(0)} ms`);
  }
  return { read: files, faults, slowestMs };
}

async function readAsList(bytes: Buffer): Promise<void> {
  const file = new Uint8Array(bytes).buffer;
  const cells = await readCells({ is: 'file', name: 'list', bytes: file }, () => undefined);
  const match = matchColumns(cells.rows[0] ?? []);
  readList(cells.rows, match, { currency: 'EUR', minorPerMajor: 100 });
}

function calendarWith(dice: Dice): string {
  const events = Array.from({ length: 1 + dice.below(120) }, (_, at) =>
    [
      'BEGIN:VEVENT',
      `UID:r${at}`,
      `DTSTART:${dice.oneOf(['20261126T100000Z', '00010101T000000Z', '99991231T235959Z', '20200101T100000'])}`,
      dice.oneOf(['DURATION:PT1H', 'DURATION:P99999W', 'DTEND:20261126T110000Z', 'DURATION:-PT5M']),
      `RRULE:${dice.oneOf(RULES)}`,
      'SUMMARY:Clay',
      'END:VEVENT',
    ].join('\r\n'),
  );
  const calendar = calendarOn(new Date('2026-11-27T08:00:00Z'));
  return calendar.replace('END:VCALENDAR', `${events.join('\r\n')}\r\nEND:VCALENDAR`);
}

function rowsOf(dice: Dice): string[][] {
  return [
    HEADINGS,
    ...Array.from({ length: 60 }, (_, at) => [
      `A${at}`,
      dice.oneOf(['Aloe gel', '=1+1', 'é\n=2', '']),
      '1',
      String(dice.below(900)),
      dice.oneOf(['ml', 'kg', 'pieces', '?']),
      dice.oneOf(['12,50', '1.234', '1,234', '-5', 'NaN', '1e99']),
      dice.oneOf(['', '5', '101']),
    ]),
  ];
}

async function workbookOf(dice: Dice): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  book.addWorksheet('list').addRows(rowsOf(dice));
  return Buffer.from(await book.xlsx.writeBuffer());
}
