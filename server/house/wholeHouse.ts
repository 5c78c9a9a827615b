import type { Transaction } from 'sequelize';
import type { HouseSnapshot } from '@bienestar/contract/api';
import type { House } from '@bienestar/core/house/house';
import type { Store } from '../aggregates/store';
import type { Stores } from './stores';

/**
 * The whole House as it is at one moment.
 * @returns nothing when no house has been set up yet
 */
export async function readHouse(
  stores: Stores,
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
    protocols: await stores.protocols.all(tx),
    services: await stores.services.all(tx),
    demand: await stores.demand.all(tx),
    stock: await stores.stock.all(tx),
  };
}

/**
 * Puts `house` in the place of whatever is there. The new versions are above every old one, so that
 * nobody who still edits the old house overwrites the new one unasked.
 */
export async function replaceHouse(stores: Stores, house: House, tx: Transaction): Promise<void> {
  const version = newestVersion(await readHouse(stores, tx)) + 1;
  for (const store of [
    stores.demand,
    stores.stock,
    stores.services,
    stores.protocols,
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
  await insert(stores.protocols, house.protocols);
  await insert(stores.services, house.services);
  await insert(stores.demand, house.demand);
  await insert(stores.stock, house.stock);
}

function newestVersion(snapshot: HouseSnapshot | undefined): number {
  if (!snapshot) return 0;
  const { settings, ...lists } = snapshot;
  return Object.values(lists)
    .flat()
    .reduce((newest, { version }) => Math.max(newest, version), settings.version);
}
