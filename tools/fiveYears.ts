import { readFileSync } from 'node:fs';
import type { HouseArchive } from '../core/house/archive';
import { asOfNow } from '../core/house/archive';
import { daysAfter } from '../core/days/days';
import { toSecond } from '../core/days/instants';
import type { CountRound, Order, Treatment } from '../core/house/house';
import type { LogbookEntry } from '../core/house/logbook';
import type { JournalEntry } from '../core/house/journal';
import type { Lot, Movement } from '../core/house/stock';
import { readHouseFile } from '../contract/houseFile';
import { HOUSE_FILE_FORMAT, HOUSE_FILE_VERSION } from '../contract/schemas/houseFile';
import { HOUSE_LIST_NAMES, type HouseList } from '../contract/houseParts';
import { diceOf } from './rubbish/dice';

const DEMO = new URL('../demo/casa-cenera.house.json', import.meta.url);
const DAYS = 5 * 365;
const LINES_OF_A_LOT = 50;
/** As many as a place of the demo house has. */
const LINES_OF_A_ROUND = 6;
const ENTRIES_OF_A_VISIT = 8;

/** How much a house has behind it. */
export interface Years {
  readonly visits: number;
  readonly orders: number;
  readonly counts: number;
  readonly movements: number;
  readonly changes: number;
}

/** A busy house after five years. */
export const FIVE_YEARS: Years = {
  visits: 50_000,
  orders: 5_000,
  counts: 500,
  movements: 500_000,
  changes: 20_000,
};

/** The demo house of today. */
export function demoOfToday(now: Date): HouseArchive {
  const read = readHouseFile(readFileSync(DEMO, 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.faults.slice(0, 3)));
  return asOfNow(read.value, now);
}

/**
 * The demo house as a house file, with records of five years before those that it has. All that came is used
 * up again, so what stands on the shelf, what goes on and every figure are those of the demo house.
 * @param now when it is today
 */
export function* fiveYears(years: Years, now: Date): Generator<string> {
  const demo = demoOfToday(now);
  const before: { readonly [L in HouseList]?: () => Generator<object> } = {
    treatments: () => visits(demo, years.visits, now),
    logbook: () => logged(demo, years.visits, now),
    orders: () => orders(demo, years.orders, now),
    counts: () => counts(demo, years.counts, now),
    lots: () => lots(demo, years.movements, now),
    movements: () => movements(demo, years, now),
    journal: () => changes(demo, years.changes, now),
  };
  yield `{"format":${JSON.stringify(HOUSE_FILE_FORMAT)},"formatVersion":${HOUSE_FILE_VERSION},"settings":${JSON.stringify(demo.settings)}`;
  for (const list of HOUSE_LIST_NAMES) {
    yield `,\n"${list}":[`;
    let between = '';
    for (const row of before[list]?.() ?? []) {
      yield `${between}\n${JSON.stringify(row)}`;
      between = ',';
    }
    for (const row of demo[list]) {
      yield `${between}\n${JSON.stringify(row)}`;
      between = ',';
    }
    yield ']';
  }
  yield '}\n';
}

/** The moment of the nth of so many things over the years, all before the demo house begins. */
function momentOf(at: number, of: number, now: Date): string {
  const begins = now.getTime() - (DAYS + 250) * 86_400_000;
  return toSecond(new Date(begins + (at / of) * DAYS * 86_400_000));
}

function* visits({ services }: HouseArchive, most: number, now: Date): Generator<Treatment> {
  const dice = diceOf(3);
  for (let at = 0; at < most; at += 1) {
    yield {
      id: `years-visit-${at}` as Treatment['id'],
      serviceId: dice.oneOf(services).id,
      at: momentOf(at, most, now),
      visitKind: dice.chance(0.3) ? 'first' : 'returning',
      entryIds: Array.from(
        { length: ENTRIES_OF_A_VISIT },
        (_, entry) => `years-${at * ENTRIES_OF_A_VISIT + entry}` as Treatment['entryIds'][number],
      ),
    };
  }
}

/** How the visits of the years went: as those of the demo house did, one after the other. */
function* logged({ logbook }: HouseArchive, most: number, now: Date): Generator<LogbookEntry> {
  for (let at = 0; at < most; at += 1) {
    const like = logbook[at % logbook.length];
    if (!like) return;
    const { bookedAt: _, ...entry } = like;
    yield {
      ...entry,
      id: `years-visit-${at}` as LogbookEntry['id'],
      at: momentOf(at, most, now),
    };
  }
}

function* orders(demo: HouseArchive, most: number, now: Date): Generator<Order> {
  const [like] = demo.orders;
  if (!like) return;
  for (let at = 0; at < most; at += 1) {
    const day = momentOf(at, most, now).slice(0, 10);
    yield {
      ...like,
      id: `years-order-${at}` as Order['id'],
      name: `Before ${at}`,
      state: 'closed',
      writtenOn: day,
      sent: { on: day, by: 'print' },
      dueOn: daysAfter(day, 4),
      closedOn: daysAfter(day, 4),
      lines: like.lines.map((line, which) => ({
        ...line,
        received: line.received.map((receipt) => ({
          ...receipt,
          on: daysAfter(day, 4),
          entryId: `years-came-${at}-${which}` as typeof receipt.entryId,
        })),
      })),
    };
  }
}

function* counts(demo: HouseArchive, most: number, now: Date): Generator<CountRound> {
  const materials = stocked(demo);
  for (let at = 0; at < most; at += 1) {
    const moment = momentOf(at, most, now);
    yield {
      id: `years-count-${at}` as CountRound['id'],
      name: 'The whole shelf',
      startedOn: moment.slice(0, 10),
      endedOn: moment.slice(0, 10),
      blind: true,
      lines: Array.from({ length: LINES_OF_A_ROUND }, (_, line) => ({
        materialId: materials[(at + line) % materials.length]?.id ?? ('' as never),
        at: moment,
        entryId: `years-counted-${at}-${line}` as CountRound['lines'][number]['entryId'],
        found: 100,
        by: 'pieces',
      })),
    };
  }
}

function stocked({ materials }: HouseArchive) {
  return materials.filter((material) => material.kind !== 'linen');
}

/** Lots of the years: those of each material one after the other. */
function* lots(demo: HouseArchive, movementsInAll: number, now: Date): Generator<Lot> {
  const materials = stocked(demo);
  const most = Math.ceil(movementsInAll / LINES_OF_A_LOT);
  for (let at = 0; at < most; at += 1) {
    const material = materials[at % materials.length];
    if (!material) return;
    yield {
      id: `years-lot-${at}` as Lot['id'],
      materialId: material.id,
      code: `Y${at}`,
      packId: material.packs[0]?.id,
      content: 1_000,
      deliveredOn: momentOf(at, most, now).slice(0, 10),
      paidMinor: 1_000,
    };
  }
}

/** What came, was used and counted: each lot is used up before its end. */
function* movements(
  demo: HouseArchive,
  { movements: most, counts: rounds }: Years,
  now: Date,
): Generator<Movement> {
  const materials = stocked(demo);
  const lotsInAll = Math.ceil(most / LINES_OF_A_LOT);
  const found = roundsByLot(materials.length, lotsInAll, rounds);
  for (let lot = 0; lot < lotsInAll; lot += 1) {
    const material = materials[lot % materials.length];
    if (!material) return;
    const at = momentOf(lot, lotsInAll, now);
    const counted = found.get(lot) ?? [];
    const uses = LINES_OF_A_LOT - 1 - counted.length;
    const of = {
      materialId: material.id,
      lotId: `years-lot-${lot}` as Movement['lotId'],
      line: 0,
      at,
    };
    const entry = (id: string) => id as Movement['entryId'];
    yield { ...of, entryId: entry(`years-in-${lot}`), kind: 'delivery', quantity: uses };
    for (const id of counted) yield { ...of, entryId: entry(id), kind: 'count', quantity: 0 };
    for (let use = 0; use < uses; use += 1) {
      yield {
        ...of,
        entryId: entry(`years-${lot * LINES_OF_A_LOT + use}`),
        kind: 'use',
        quantity: -1,
      };
    }
  }
}

/** The entries of counts, by the lot that was there at the time. */
function roundsByLot(
  materials: number,
  lotsInAll: number,
  rounds: number,
): ReadonlyMap<number, readonly string[]> {
  const found = new Map<number, string[]>();
  for (let round = 0; round < rounds; round += 1) {
    for (let line = 0; line < LINES_OF_A_ROUND; line += 1) {
      const material = (round + line) % materials;
      const near = Math.floor((round / rounds) * (lotsInAll / materials)) * materials + material;
      const lot = Math.min(near, lotsInAll - materials + material);
      found.set(lot, [...(found.get(lot) ?? []), `years-counted-${round}-${line}`]);
    }
  }
  return found;
}

function* changes(demo: HouseArchive, most: number, now: Date): Generator<JournalEntry> {
  const materials = stocked(demo);
  for (let at = 0; at < most; at += 1) {
    const before = materials[at % materials.length];
    if (!before) return;
    const on = daysAfter(
      toSecond(now).slice(0, 10),
      -DAYS - 250 + Math.floor(at / materials.length),
    );
    yield { on, part: 'materials', id: before.id, before };
  }
}
