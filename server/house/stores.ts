import type { Sequelize } from 'sequelize';
import type { Aggregates, AggregateName, Lines } from '@bienestar/contract/api';
import type { Store } from '../aggregates/store';
import { blockStore } from '../blocks/blockStore';
import { bookingStore, type BookingStore } from '../bookings/bookingStore';
import { countStore } from '../counts/countStore';
import { deviceStore } from '../devices/deviceStore';
import { editionStore, type EditionStore } from '../editions/editionStore';
import { ledgerStore, type LedgerStore } from '../ledger/ledgerStore';
import { demandStore } from '../lines/lineStores';
import { journalStore, type JournalStore } from '../journal/journalStore';
import { materialStore } from '../materials/materialStore';
import { menuStore } from '../menus/menuStore';
import { mixStore } from '../mixes/mixStore';
import { offerStore } from '../offers/offerStore';
import { orderStore } from '../orders/orderStore';
import { personStore } from '../people/personStore';
import { priceStore, type PriceStore } from '../prices/priceStore';
import { protocolStore } from '../protocols/protocolStore';
import { roomStore } from '../rooms/roomStore';
import { scenarioStore } from '../scenarios/scenarioStore';
import { serviceStore } from '../services/serviceStore';
import { settingsStore, type SettingsStore } from '../settings/settingsStore';
import { soldCourseStore } from '../soldCourses/soldCourseStore';
import { supplierStore } from '../suppliers/supplierStore';
import { treatmentStore, type TreatmentStore } from '../treatments/treatmentStore';

/** The stores of the aggregates, by name. */
export type AggregateStores = { readonly [K in AggregateName]: Store<Aggregates[K]> };

/** Every store of a House. */
export type Stores = AggregateStores & {
  readonly [K in keyof Lines]: Store<Lines[K]>;
} & {
  readonly settings: SettingsStore;
  readonly editions: EditionStore;
  readonly prices: PriceStore;
  readonly ledger: LedgerStore;
  readonly journal: JournalStore;
  readonly bookings: BookingStore;
  readonly treatments: TreatmentStore;
};

/** The stores of the House in one database. */
export function storesOf(sequelize: Sequelize): Stores {
  return {
    settings: settingsStore(sequelize),
    rooms: roomStore(sequelize),
    people: personStore(sequelize),
    suppliers: supplierStore(sequelize),
    materials: materialStore(sequelize),
    mixes: mixStore(sequelize),
    devices: deviceStore(sequelize),
    blocks: blockStore(sequelize),
    protocols: protocolStore(sequelize),
    editions: editionStore(sequelize),
    services: serviceStore(sequelize),
    demand: demandStore(sequelize),
    prices: priceStore(sequelize),
    ledger: ledgerStore(sequelize),
    offers: offerStore(sequelize),
    menus: menuStore(sequelize),
    scenarios: scenarioStore(sequelize),
    soldCourses: soldCourseStore(sequelize),
    orders: orderStore(sequelize),
    counts: countStore(sequelize),
    bookings: bookingStore(sequelize),
    treatments: treatmentStore(sequelize),
    journal: journalStore(sequelize),
  };
}
