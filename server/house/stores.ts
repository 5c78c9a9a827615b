import type { Sequelize } from 'sequelize';
import type { Aggregates, AggregateName, Lines } from '@bienestar/contract/api';
import type { Store } from '../aggregates/store';
import { demandStore, stockStore } from '../lines/lineStores';
import { materialStore } from '../materials/materialStore';
import { mixStore } from '../mixes/mixStore';
import { personStore } from '../people/personStore';
import { protocolStore } from '../protocols/protocolStore';
import { roomStore } from '../rooms/roomStore';
import { serviceStore } from '../services/serviceStore';
import { settingsStore, type SettingsStore } from '../settings/settingsStore';
import { supplierStore } from '../suppliers/supplierStore';

/** The stores of the aggregates, by name. */
export type AggregateStores = { readonly [K in AggregateName]: Store<Aggregates[K]> };

/** Every store of a House. */
export type Stores = AggregateStores & {
  readonly [K in keyof Lines]: Store<Lines[K]>;
} & { readonly settings: SettingsStore };

/** The stores of the House in one database. */
export function storesOf(sequelize: Sequelize): Stores {
  return {
    settings: settingsStore(sequelize),
    rooms: roomStore(sequelize),
    people: personStore(sequelize),
    suppliers: supplierStore(sequelize),
    materials: materialStore(sequelize),
    mixes: mixStore(sequelize),
    protocols: protocolStore(sequelize),
    services: serviceStore(sequelize),
    demand: demandStore(sequelize),
    stock: stockStore(sequelize),
  };
}
