import { auditTrail, type AuditTrail, type Occasion } from '../audit/auditTrail';
import { bookingRepository, type BookingRepository } from '../bookings/bookingRepository';
import type { Session } from '../db/transactions';
import { editionRepository, type EditionRepository } from '../editions/editionRepository';
import { ledgerRepository, type LedgerRepository } from '../ledger/ledgerRepository';
import { keptReceipts } from '../orders/keptReceipts';
import { orderRepository, type OrderRepository } from '../orders/orderRepository';
import { keptPrices } from '../prices/keptPrices';
import { logbookRepository, type LogbookRepository } from '../logbook/logbookRepository';
import { priceRepository, type PriceRepository } from '../prices/priceRepository';
import { runRepository, type RunRepository } from '../runs/runRepository';
import { treatmentRepository, type TreatmentRepository } from '../treatments/treatmentRepository';
import { documentRepositories, type AggregateRepositories } from './documentRepositories';

/** Everything of a House, in one unit of work. */
export type Repositories = Omit<ReturnType<typeof documentRepositories>, 'orders'> & {
  readonly orders: OrderRepository;
  readonly editions: EditionRepository;
  readonly prices: PriceRepository;
  readonly ledger: LedgerRepository;
  readonly bookings: BookingRepository;
  readonly treatments: TreatmentRepository;
  readonly runs: RunRepository;
  readonly logbook: LogbookRepository;
  readonly audit: AuditTrail;
  /** the materials, whose prices are told by a price list and not by hand */
  readonly listedMaterials: AggregateRepositories['materials'];
  /** the orders as people write them: what came of one stays whatever they write */
  readonly writtenOrders: AggregateRepositories['orders'];
};

/** The repositories of the House in one database. */
export function repositoriesIn(session: Session, occasion: Occasion): Repositories {
  const audit = auditTrail(session, occasion);
  const documents = documentRepositories(session, audit);
  const prices = priceRepository(session);
  return {
    ...documents,
    materials: keptPrices(documents.materials, prices, 'hand', occasion),
    listedMaterials: keptPrices(documents.materials, prices, 'price-list', occasion),
    orders: orderRepository(session, documents.orders),
    writtenOrders: keptReceipts(documents.orders),
    editions: editionRepository(session, audit),
    prices,
    ledger: ledgerRepository(session, audit),
    bookings: bookingRepository(session, audit),
    treatments: treatmentRepository(session, audit, occasion),
    runs: runRepository(session, audit),
    logbook: logbookRepository(session, audit),
    audit,
  };
}
