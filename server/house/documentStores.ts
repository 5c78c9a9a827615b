import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { AggregateName, Aggregates, Lines, Use, Versioned } from '@bienestar/contract/api';
import { AGGREGATES } from '@bienestar/contract/rules';
import type { Order } from '@bienestar/core/house/house';
import { SETTINGS_ID } from '@bienestar/core/house/journal';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { receivedPacks } from '@bienestar/core/restock/orderProgress';
import { documentStore, type DocumentKind, type Store } from '../documents/documentStore';
import { usersOf } from '../documents/uses';

/** The stores of the aggregates, by name. */
export type AggregateStores = { readonly [K in AggregateName]: Store<Aggregates[K]> };

/** Reads and writes the house settings, of which there is one. */
export interface SettingsStore {
  readonly find: (tx: Transaction) => Promise<Versioned<HouseSettings> | undefined>;
  readonly insert: (settings: HouseSettings, version: number, tx: Transaction) => Promise<void>;
  /** false when another version is there */
  readonly replace: (settings: HouseSettings, version: number, tx: Transaction) => Promise<boolean>;
}

/**
 * What of a House is kept as documents. A new kind of thing is a line here, its rules in the contract, and a
 * migration that makes its table and its columns in `uses`.
 */
export function documentStores(sequelize: Sequelize): AggregateStores & {
  readonly [K in keyof Lines]: Store<Lines[K]>;
} & {
  readonly settings: SettingsStore;
} {
  const kept = <N extends AggregateName>(
    name: N,
    kind: Pick<DocumentKind<Aggregates[N]>, 'table' | 'user' | 'usedBy'>,
  ): Store<Aggregates[N]> =>
    documentStore<Aggregates[N]>(sequelize, {
      idOf: ({ id }) => id,
      nameOf: ({ name: called }) => called,
      references: AGGREGATES[name].references,
      ...kind,
    });
  const by = (kind: Parameters<typeof usersOf>[1]) => usersOf(sequelize, kind);
  const all =
    (...found: readonly ((id: string, tx: Transaction) => Promise<Use[]>)[]) =>
    async (id: string, tx: Transaction): Promise<Use[]> =>
      (await Promise.all(found.map((find) => find(id, tx)))).flat();
  const orders: Store<Order> = kept('orders', {
    table: 'orders',
    user: 'byOrderId',
    usedBy: async (id, tx) => {
      const order = await orders.find(id, tx);
      const came = order?.lines.some((line) => receivedPacks(line) > 0) ?? false;
      return order && came ? [{ kind: 'delivery', id, name: `what came of ${order.name}` }] : [];
    },
  });
  const settings = documentStore<HouseSettings>(sequelize, {
    table: 'settings',
    idOf: () => SETTINGS_ID,
    nameOf: ({ name }) => name,
  });
  return {
    settings: {
      find: (tx) => settings.find(SETTINGS_ID, tx),
      insert: (value, version, tx) => settings.insert([value], version, tx),
      replace: (value, version, tx) => settings.replace(value, version, tx),
    },
    rooms: kept('rooms', { table: 'rooms' }),
    people: kept('people', { table: 'people', usedBy: by('person') }),
    suppliers: kept('suppliers', { table: 'suppliers', usedBy: by('supplier') }),
    materials: kept('materials', {
      table: 'materials',
      user: 'byMaterialId',
      usedBy: all(by('material'), inLedger(sequelize)),
    }),
    mixes: kept('mixes', { table: 'mixes', user: 'byMixId', usedBy: by('mix') }),
    devices: kept('devices', { table: 'devices', user: 'byDeviceId', usedBy: by('device') }),
    blocks: kept('blocks', { table: 'blocks', user: 'byBlockId', usedBy: by('block') }),
    protocols: kept('protocols', {
      table: 'protocols',
      user: 'byProtocolId',
      usedBy: all(by('protocol'), published(sequelize)),
    }),
    services: kept('services', { table: 'services', user: 'byServiceId', usedBy: by('service') }),
    demand: documentStore<Lines['demand']>(sequelize, {
      table: 'demand',
      idOf: ({ serviceId }) => serviceId,
      nameOf: () => '',
    }),
    offers: kept('offers', { table: 'offers', user: 'byOfferId', usedBy: by('offer') }),
    menus: kept('menus', { table: 'menus', user: 'byMenuId' }),
    scenarios: kept('scenarios', { table: 'scenarios' }),
    soldCourses: kept('soldCourses', { table: 'sold_courses', user: 'bySoldCourseId' }),
    orders,
    counts: kept('counts', { table: 'counts' }),
  };
}

/** A material of which something was entered stays: the ledger is never rewritten. */
function inLedger(sequelize: Sequelize): (id: string, tx: Transaction) => Promise<Use[]> {
  return (id, transaction) =>
    sequelize.query<Use>(
      `SELECT 'ledger' AS kind, m.id, CONCAT('entries of ', m.name) AS name FROM materials m
         WHERE m.id = :id AND EXISTS (SELECT 1 FROM movements v WHERE v.material_id = m.id)`,
      { type: QueryTypes.SELECT, replacements: { id }, transaction },
    );
}

/** A protocol that was published stays: what was performed and priced names its editions. */
function published(sequelize: Sequelize): (id: string, tx: Transaction) => Promise<Use[]> {
  return (id, transaction) =>
    sequelize.query<Use>(
      `SELECT 'published edition' AS kind, protocol_id AS id, CONCAT('edition ', number) AS name
         FROM editions WHERE protocol_id = :id ORDER BY number`,
      { type: QueryTypes.SELECT, replacements: { id }, transaction },
    );
}
