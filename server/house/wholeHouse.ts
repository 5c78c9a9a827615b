import type { Sequelize, Transaction } from 'sequelize';
import { withoutVersions, type HouseSnapshot } from '@bienestar/contract/api';
import { AGGREGATE_NAMES } from '@bienestar/contract/rules';
import type { HouseArchive } from '@bienestar/core/house/archive';
import type { Store } from '../aggregates/store';
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

/** The House with its memory, as the house file has it; nothing when none has been set up yet. */
export async function readArchive(
  stores: Stores,
  sequelize: Sequelize,
  tx: Transaction,
): Promise<HouseArchive | undefined> {
  const snapshot = await readHouse(stores, sequelize, tx);
  if (!snapshot) return undefined;
  const { stock: _stock, ...house } = withoutVersions(snapshot);
  return {
    ...house,
    editions: await stores.editions.all(tx),
    treatments: await stores.treatments.all(tx),
    prices: await stores.prices.all(tx),
    lots: await stores.ledger.allLots(tx),
    movements: await stores.ledger.allMovements(tx),
    journal: await stores.journal.all(tx),
  };
}

/**
 * Puts `house` in the place of whatever is there. The new versions are above every old one, so that
 * nobody who still edits the old house overwrites the new one unasked.
 */
export async function replaceHouse(
  stores: Stores,
  house: HouseArchive,
  tx: Transaction,
): Promise<void> {
  const version = (await newestVersion(stores, tx)) + 1;
  await stores.ledger.removeAll(tx);
  await stores.journal.removeAll(tx);
  await stores.prices.removeAll(tx);
  await stores.demand.removeAll(tx);
  await stores.treatments.removeAll(tx);
  for (const store of [stores.counts, stores.orders, stores.soldCourses]) {
    await store.removeAll(tx);
  }
  for (const store of [stores.scenarios, stores.menus, stores.offers]) await store.removeAll(tx);
  await stores.services.removeAll(tx);
  await stores.editions.removeAll(tx);
  for (const store of [
    stores.protocols,
    stores.blocks,
    stores.devices,
    stores.mixes,
    stores.materials,
    stores.suppliers,
    stores.people,
    stores.rooms,
  ]) {
    await store.removeAll(tx);
  }
  const insert = <T extends object>(store: Store<T>, values: readonly T[]): Promise<void> =>
    store.insert(values, version, tx);
  await stores.settings.reset(house.settings, version, tx);
  await insert(stores.rooms, house.rooms);
  await insert(stores.people, house.people);
  await insert(stores.suppliers, house.suppliers);
  await insert(stores.materials, house.materials);
  await insert(stores.mixes, house.mixes);
  await insert(stores.devices, house.devices);
  await insert(stores.blocks, house.blocks);
  await insert(stores.protocols, house.protocols);
  await stores.editions.insert(house.editions, tx);
  await insert(stores.services, house.services);
  await insert(stores.demand, house.demand);
  await insert(stores.offers, house.offers);
  await insert(stores.menus, house.menus);
  await insert(stores.scenarios, house.scenarios);
  await insert(stores.soldCourses, house.soldCourses);
  await insert(stores.orders, house.orders);
  await insert(stores.counts, house.counts);
  await stores.bookings.replaceAll(house.bookings, tx);
  await stores.treatments.insert(house.treatments, tx);
  await stores.journal.insert(house.journal, tx);
  await stores.prices.insert(house.prices, tx);
  await stores.ledger.append(house.lots, house.movements, tx);
}

async function newestVersion(stores: Stores, tx: Transaction): Promise<number> {
  const settings = await stores.settings.find(tx);
  let newest = settings?.version ?? 0;
  for (const name of [...AGGREGATE_NAMES, 'demand'] as const) {
    for (const { version } of await stores[name].all(tx)) newest = Math.max(newest, version);
  }
  return newest;
}
