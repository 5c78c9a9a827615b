import type { House } from '@bienestar/core/house/house';
import type { LogbookVisit } from '@bienestar/core/house/logbook';
import { logbookRows, type LogbookRow } from '@bienestar/core/logbook/logbookRows';
import type { ExportList, Rows } from './exportList';
import { visitsOf, type LogbookSource } from './visitsOf';

/** What lists of visits are made from. */
interface VisitSource extends LogbookSource {
  readonly house: () => Promise<House>;
}

/** The visits of the logbook, a row each. */
export function visitList(
  source: VisitSource,
  currency: string,
  cents: (minor: number) => number,
): ExportList {
  return {
    headings: [
      'visit id',
      'when (UTC)',
      'day',
      'service',
      'guest',
      'by',
      'room',
      'slot (min)',
      'took (min)',
      'other than planned',
      'stopped at',
      'notes',
      `cost expected (${currency})`,
      `cost came to (${currency})`,
      'corrected',
      'taken back',
    ],
    pages: visitPages(source, (visit, row) => [
      [
        visit.entry.id,
        visit.entry.at,
        row.day,
        row.service,
        row.guest,
        row.person,
        row.room,
        row.slotMinutes,
        row.roomMinutes,
        row.deviations.join(', '),
        visit.entry.stopped,
        visit.entry.notes.join('; '),
        visit.entry.cost && cents(visit.entry.cost.expected.usual),
        visit.entry.cost && cents(visit.entry.cost.came),
        row.isCorrected ? 'yes' : 'no',
        row.isTakenBack ? 'yes' : 'no',
      ],
    ]),
  };
}

/** The minutes of every step of every visit, a row each. */
export function stepList(source: VisitSource): ExportList {
  return {
    headings: [
      'visit id',
      'when (UTC)',
      'service',
      'by',
      'step',
      'layer',
      'least (min)',
      'usual (min)',
      'most (min)',
      'took (min)',
    ],
    pages: visitPages(source, ({ plan, entry }, { service, person }) =>
      plan.acts.map(({ name: step, layer, minutes }, at) => [
        entry.id,
        entry.at,
        service,
        person,
        step,
        layer,
        minutes.least,
        minutes.usual,
        minutes.most,
        entry.minutes[at] ?? undefined,
      ]),
    ),
  };
}

/** The visits of the logbook, each with what it was to be: a row of each, or several. */
async function* visitPages(
  source: VisitSource,
  rowsOf: (visit: LogbookVisit, row: LogbookRow) => Rows,
): AsyncGenerator<Rows> {
  const rowOf = logbookRows(await source.house());
  for await (const { visit, takenBackAt } of visitsOf(source))
    yield rowsOf(visit, rowOf(visit, takenBackAt));
}
