import { unversioned, withoutVersions } from '@bienestar/contract/api';
import {
  HOUSE_LIST_NAMES,
  isGrowing,
  type GrowingList,
  type HouseList,
} from '@bienestar/contract/houseParts';
import { isPlainText, plainText } from '@bienestar/contract/plainInput';
import { HOUSE_FILE_FORMAT, HOUSE_FILE_VERSION } from '@bienestar/contract/schemas/houseFile';
import type { HouseArchive } from '@bienestar/core/house/archive';
import type { House } from '@bienestar/core/house/house';
import { readHouse } from './wholeHouse';
import type { UnitOfWork } from '../work/unitOfWork';
import type { Repositories } from './repositories';

/** Takes the next part of a text; waits where whoever reads it is slower. */
export type Write = (text: string) => Promise<void>;

/**
 * Writes the house file, a line a thing, list by list, so that a house of any size goes out without being
 * held whole. All of it is of one moment when the transaction is.
 * @returns the house, so far as it is held whole; nothing when none has been set up yet
 */
export async function writeHouse(unit: UnitOfWork, write: Write): Promise<House | undefined> {
  const { house: kept } = unit;
  const snapshot = await readHouse(unit);
  if (!snapshot) return undefined;
  const house = withoutVersions(snapshot);
  const growing = pagesOfHouse(kept);
  await write(
    `{\n"format": ${asLine(HOUSE_FILE_FORMAT)},\n"formatVersion": ${HOUSE_FILE_VERSION},\n"settings": ${asLine(house.settings)}`,
  );
  for (const list of HOUSE_LIST_NAMES) {
    await write(`,\n"${list}": [`);
    let isFirst = true;
    const pages = isGrowing(list)
      ? growing[list]()
      : isKeptInPart(list)
        ? onePage(wholeList(kept, list))
        : [house[list]];
    for await (const rows of pages) {
      if (rows.length === 0) continue;
      await write(`${isFirst ? '' : ','}\n${rows.map(asLine).join(',\n')}`);
      isFirst = false;
    }
    await write(isFirst ? ']' : '\n]');
  }
  await write('\n}\n');
  return house;
}

/** What grows with the years, page by page. */
export function pagesOfHouse(kept: Repositories): {
  readonly [L in GrowingList]: () => AsyncIterable<HouseArchive[L]>;
} {
  return {
    bookings: () => onePage(kept.bookings.all()),
    treatments: () => kept.treatments.pages(),
    runs: () => kept.runs.pages(),
    runEvents: () => kept.runs.eventPages(),
    logbookPlans: () => kept.logbook.planPages(),
    logbook: () => kept.logbook.pages(),
    prices: () => onePage(kept.prices.all()),
    lots: () => kept.ledger.lotPages(),
    movements: () => kept.ledger.movementPages(),
    journal: () => kept.audit.journalPages(),
  };
}

/** The lists of which a House has only what goes on. */
const IN_PART = ['editions', 'placed', 'soldCourses', 'orders', 'counts'] as const;
type InPart = (typeof IN_PART)[number];

function isKeptInPart(list: HouseList): list is InPart {
  return (IN_PART as readonly HouseList[]).includes(list);
}

async function wholeList(kept: Repositories, list: InPart): Promise<readonly object[]> {
  if (list === 'editions') return kept.editions.all();
  return (await kept[list].all()).map((each) => unversioned<object>(each));
}

async function* onePage<T>(rows: Promise<T>): AsyncGenerator<T> {
  yield await rows;
}

/* How JSON says half a character or a control character. */
const ESCAPED = /\\u(?:d[89a-f]|00[01]|007f)/i;

/** A thing as one line of JSON. What was kept of text before such was refused goes out without it. */
function asLine(value: unknown): string {
  const line = JSON.stringify(value);
  return ESCAPED.test(line) || !isPlainText(line) ? JSON.stringify(value, plainly) : line;
}

function plainly(_key: string, value: unknown): unknown {
  return typeof value === 'string' ? plainText(value) : value;
}
