import type { Sequelize } from 'sequelize';
import { bookingStore, type BookingStore } from '../bookings/bookingStore';
import { editionStore, type EditionStore } from '../editions/editionStore';
import { journalStore, type JournalStore } from '../journal/journalStore';
import { ledgerStore, type LedgerStore } from '../ledger/ledgerStore';
import { priceStore, type PriceStore } from '../prices/priceStore';
import { treatmentStore, type TreatmentStore } from '../treatments/treatmentStore';
import { documentStores } from './documentStores';

/** Every store of a House. */
export type Stores = ReturnType<typeof documentStores> & {
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
    ...documentStores(sequelize),
    editions: editionStore(sequelize),
    prices: priceStore(sequelize),
    ledger: ledgerStore(sequelize),
    bookings: bookingStore(sequelize),
    treatments: treatmentStore(sequelize),
    journal: journalStore(sequelize),
  };
}
