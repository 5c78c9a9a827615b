import { QueryTypes } from 'sequelize';
import { ENDED_AT_HAND, type HouseSnapshot } from '@bienestar/contract/api';
import type { GrowingList, HeldHouse } from '@bienestar/contract/houseParts';
import { daysAfter, startOfDay, todayOf } from '@bienestar/core/days/days';
import type { HouseArchive } from '@bienestar/core/house/archive';
import { lastCounted } from '@bienestar/core/house/visitLog';
import { VERSIONED_TABLES } from '../db/tables';
import type { Session } from '../db/transactions';
import { readStock } from '../ledger/shelfReader';
import type { UnitOfWork } from '../work/unitOfWork';
import { LOOKS_BACK_DAYS, recordWindow } from './records';
import type { Repositories } from './repositories';

/** Rounds of counting that tell when something was counted last. */
const ROUNDS_LOOKED_AT = 24;

/**
 * The whole House as it is at one moment: the model, and of records what goes on. What has ended is read in
 * pages by itself, so this is no longer after years.
 * @returns nothing when no house has been set up yet
 */
export async function readHouse(unit: UnitOfWork): Promise<HouseSnapshot | undefined> {
  const { house: kept, timeZone } = unit;
  const settings = await kept.settings.find();
  if (!settings) return undefined;
  const today = todayOf(unit);
  const looksBack = Math.max(LOOKS_BACK_DAYS, settings.restock.logDays);
  const lastRounds = await kept.counts.page(ROUNDS_LOOKED_AT, undefined, { isOpen: false });
  return {
    settings,
    rooms: await kept.rooms.all(),
    people: await kept.people.all(),
    suppliers: await kept.suppliers.all(),
    materials: await kept.materials.all(),
    mixes: await kept.mixes.all(),
    devices: await kept.devices.all(),
    blocks: await kept.blocks.all(),
    protocols: await kept.protocols.all(),
    editions: await kept.editions.inUse(),
    editionHeads: await kept.editions.heads(),
    services: await kept.services.all(),
    demand: await kept.demand.all(),
    offers: await kept.offers.all(),
    menus: await kept.menus.all(),
    scenarios: await kept.scenarios.all(),
    bookings: await kept.bookings.from(startOfDay(daysAfter(today, -LOOKS_BACK_DAYS), timeZone)),
    log: await kept.treatments.log(daysAfter(today, -looksBack)),
    placed: await kept.placed.where((await recordWindow('placed', unit)).open),
    soldCourses: await kept.soldCourses.where((await recordWindow('soldCourses', unit)).open),
    orders: [
      ...(await kept.orders.page(ENDED_AT_HAND, undefined, { isOpen: false })).things.reverse(),
      ...(await kept.orders.where({ isOpen: true })),
    ],
    counts: [
      ...lastRounds.things.slice(0, ENDED_AT_HAND).reverse(),
      ...(await kept.counts.where({ isOpen: true })),
    ],
    countedOn: lastCounted(lastRounds.things, timeZone),
    stock: await readStock(kept.ledger),
  };
}

/**
 * Puts what is held whole of a house into a database that has none, after the rows of what grows.
 * @param version of everything in it
 */
export async function fillHouse(
  into: Repositories,
  house: HeldHouse,
  version: number,
): Promise<void> {
  await into.settings.load(house.settings, version);
  await into.rooms.load(house.rooms, version);
  await into.people.load(house.people, version);
  await into.suppliers.load(house.suppliers, version);
  await into.materials.load(house.materials, version);
  await into.mixes.load(house.mixes, version);
  await into.devices.load(house.devices, version);
  await into.blocks.load(house.blocks, version);
  await into.protocols.load(house.protocols, version);
  await into.editions.load(house.editions);
  await into.services.load(house.services, version);
  await into.demand.load(house.demand, version);
  await into.offers.load(house.offers, version);
  await into.menus.load(house.menus, version);
  await into.scenarios.load(house.scenarios, version);
  await into.placed.load(house.placed, version);
  await into.soldCourses.load(house.soldCourses, version);
  await into.orders.load(house.orders, version);
  await into.counts.load(house.counts, version);
  await into.ledger.balance();
}

/** How rows of what grows are put into a database, list by list. */
export function fillRows(into: Repositories): {
  readonly [L in GrowingList]: (rows: HouseArchive[L]) => Promise<void>;
} {
  return {
    bookings: into.bookings.load,
    treatments: into.treatments.load,
    runs: into.runs.load,
    runEvents: into.runs.loadEvents,
    logbookPlans: into.logbook.loadPlans,
    logbook: into.logbook.load,
    prices: into.prices.load,
    lots: into.ledger.loadLots,
    movements: into.ledger.loadMovements,
    journal: into.audit.loadJournal,
  };
}

/** Versions that the house in use may still reach while another is made beside it. */
const VERSIONS_APART = 1_000;

/**
 * The version of everything in a house that takes the place of this one: above every version here, so that
 * nobody who still edits this one overwrites the other unasked.
 */
export async function versionAbove({ sequelize, transaction }: Session): Promise<number> {
  const each = VERSIONED_TABLES.map((table) => `SELECT MAX(version) AS version FROM \`${table}\``);
  const [found] = await sequelize.query<{ readonly version: number | null }>(
    `SELECT MAX(version) AS version FROM (${each.join(' UNION ALL ')}) AS of_each`,
    { type: QueryTypes.SELECT, transaction },
  );
  const newest = found?.version ?? 0;
  return newest === 0 ? 1 : newest + VERSIONS_APART;
}
