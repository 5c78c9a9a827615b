import type { Sequelize, Transaction } from 'sequelize';
import type { HouseSnapshot } from '@bienestar/contract/api';
import type { GrowingList, HeldHouse } from '@bienestar/contract/houseParts';
import { AGGREGATE_NAMES } from '@bienestar/contract/rules';
import type { HouseArchive } from '@bienestar/core/house/archive';
import { readStock } from '../ledger/shelfReader';
import type { Stores } from './stores';

/**
 * The whole House as it is at one moment.
 * @returns nothing when no house has been set up yet
 */
export async function readHouse(
  stores: Stores,
  sequelize: Sequelize,
  tx: Transaction,
): Promise<HouseSnapshot | undefined> {
  const settings = await stores.settings.find(tx);
  if (!settings) return undefined;
  return {
    settings,
    rooms: await stores.rooms.all(tx),
    people: await stores.people.all(tx),
    suppliers: await stores.suppliers.all(tx),
    materials: await stores.materials.all(tx),
    mixes: await stores.mixes.all(tx),
    devices: await stores.devices.all(tx),
    blocks: await stores.blocks.all(tx),
    protocols: await stores.protocols.all(tx),
    editions: await stores.editions.inUse(tx),
    editionHeads: await stores.editions.heads(tx),
    services: await stores.services.all(tx),
    demand: await stores.demand.all(tx),
    offers: await stores.offers.all(tx),
    menus: await stores.menus.all(tx),
    scenarios: await stores.scenarios.all(tx),
    bookings: await stores.bookings.all(tx),
    treatments: await stores.treatments.recent(tx),
    soldCourses: await stores.soldCourses.all(tx),
    orders: await stores.orders.all(tx),
    counts: await stores.counts.all(tx),
    stock: await readStock(sequelize, stores.ledger, tx),
  };
}

/**
 * Puts what is held whole of a house into a database that has none.
 * @param version of everything in it
 */
export async function fillHouse(
  stores: Stores,
  house: HeldHouse,
  version: number,
  tx: Transaction,
): Promise<void> {
  await stores.settings.insert(house.settings, version, tx);
  await stores.rooms.insert(house.rooms, version, tx);
  await stores.people.insert(house.people, version, tx);
  await stores.suppliers.insert(house.suppliers, version, tx);
  await stores.materials.insert(house.materials, version, tx);
  await stores.mixes.insert(house.mixes, version, tx);
  await stores.devices.insert(house.devices, version, tx);
  await stores.blocks.insert(house.blocks, version, tx);
  await stores.protocols.insert(house.protocols, version, tx);
  await stores.editions.insert(house.editions, tx);
  await stores.services.insert(house.services, version, tx);
  await stores.demand.insert(house.demand, version, tx);
  await stores.offers.insert(house.offers, version, tx);
  await stores.menus.insert(house.menus, version, tx);
  await stores.scenarios.insert(house.scenarios, version, tx);
  await stores.soldCourses.insert(house.soldCourses, version, tx);
  await stores.orders.insert(house.orders, version, tx);
  await stores.counts.insert(house.counts, version, tx);
}

/** How rows of what grows are put into a database, list by list. */
export function fillRows(stores: Stores): {
  readonly [L in GrowingList]: (rows: HouseArchive[L], tx: Transaction) => Promise<void>;
} {
  return {
    bookings: stores.bookings.insert,
    treatments: stores.treatments.insert,
    prices: stores.prices.insert,
    lots: stores.ledger.loadLots,
    movements: stores.ledger.loadMovements,
    journal: stores.journal.insert,
  };
}

/** The newest version of anything in the house; 0 where there is none. */
export async function newestVersion(stores: Stores, tx: Transaction): Promise<number> {
  const settings = await stores.settings.find(tx);
  let newest = settings?.version ?? 0;
  for (const name of [...AGGREGATE_NAMES, 'demand'] as const) {
    for (const { version } of await stores[name].all(tx)) newest = Math.max(newest, version);
  }
  return newest;
}
