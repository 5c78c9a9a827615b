import { dayOf, daysAfter } from '../days/days';
import { stockedIds, type HouseArchive } from '../house/archive';
import type { House } from '../house/house';
import { lastCounted, visitLogOf } from '../house/visitLog';
import { balancesOf, stockFrom } from './ledger';

/** The House of an archive: its ledger added up to what is on the shelf, its visits to a log. */
export function houseOf(archive: HouseArchive): House {
  const {
    prices: _prices,
    journal: _journal,
    runs: _runs,
    runEvents: _runEvents,
    logbookPlans: _logbookPlans,
    logbook: _logbook,
    lots,
    movements,
    treatments,
    ...house
  } = archive;
  const first = treatments.reduce(
    (least, { at }) => (at < least ? at : least),
    '9999-01-01T00:00:00Z',
  );
  const { timeZone } = house.settings;
  const since = daysAfter(dayOf(new Date(first), timeZone), -1);
  const log = visitLogOf(treatments, since, timeZone);
  const book = new Set<string>([...house.bookings, ...house.placed].map(({ id }) => id));
  return {
    ...house,
    log: { ...log, entered: log.entered.filter((id) => book.has(id)) },
    countedOn: lastCounted(house.counts, timeZone),
    stock: stockFrom(stockedIds(house.materials), lots, balancesOf(movements)),
  };
}
