import { createHash } from 'node:crypto';
import type { Versioned } from '@bienestar/contract/api';
import type { Posted } from '@bienestar/contract/happened';
import { problemFaults } from '@bienestar/contract/problemFaults';
import type { BoughtMaterial, Material, Order } from '@bienestar/core/house/house';
import { asId, type EntryId, type MaterialId } from '@bienestar/core/house/ids';
import { withoutReceipt } from '@bienestar/core/restock/receiveOrder';
import { balancesOf, stockFrom } from '@bienestar/core/stock/ledger';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { postEntry } from '@bienestar/core/stock/post';
import type { MaterialStock } from '@bienestar/core/house/stock';
import type { Repository } from '../documents/documentRepository';
import { idTaken, invalidInput, notFound } from '../http/problems';
import type { HeldMaterials, LedgerRepository } from './ledgerRepository';
import type { OrderRepository } from '../orders/orderRepository';
import { readStockOf } from './shelfReader';
import type { UnitOfWork } from '../work/unitOfWork';

/** What an entry did, and whether it was new. */
export interface EnteredEntry {
  readonly posted: Posted;
  readonly isNew: boolean;
}

/** The material of an id, where it is kept in stock. */
export async function stockedMaterial(
  materials: Repository<Material>,
  id: string,
): Promise<BoughtMaterial | undefined> {
  const found = await materials.find(id);
  return found && found.kind !== 'linen' ? found : undefined;
}

/**
 * The door to the ledger: holds all that these entries touch, in one order, before anything is read. What
 * is read after it stays true until the unit of work ends. Orders go before materials: receiving holds an
 * order, too, and then what came.
 */
export async function holdForEntries(
  entries: readonly StockEntry[],
  { house: { ledger, orders } }: UnitOfWork,
): Promise<HeldMaterials> {
  const takenBack = entries.flatMap((entry) =>
    entry.kind === 'correction' ? [entry.corrects] : [],
  );
  if (takenBack.length > 0) {
    const due = await orders.receivedBy(takenBack);
    for (const id of due.toSorted()) await orders.hold(id);
  }
  return ledger.hold(entries.map(({ materialId }) => materialId));
}

/**
 * Enters something into the ledger, in the unit of work: an entry sent again does nothing, a
 * delivery that is taken back is due again in its order.
 * @param held what `holdForEntries` holds for it
 * @throws refusals 400 with faults, 404, 409
 */
export async function enterEntry(
  entry: StockEntry,
  held: HeldMaterials,
  { house: { ledger, materials, orders }, now, timeZone }: UnitOfWork,
): Promise<EnteredEntry> {
  const material = await stockedMaterial(materials, entry.materialId);
  if (!material) throw notFound('material in stock', entry.materialId);
  const earlier = await ledger.entry(entry.id);
  const id = asId<MaterialId>(entry.materialId);
  if (earlier.length > 0) {
    if (earlier.some((movement) => movement.materialId !== id)) throw idTaken('entry', entry.id);
    return {
      posted: { stock: await readStockOf(ledger, id), movements: earlier },
      isNew: false,
    };
  }
  if (entry.kind === 'delivery' && (await ledger.lots([entry.lotId])).length > 0) {
    throw idTaken('lot', entry.lotId);
  }
  const corrects = entry.kind === 'correction' ? entry.corrects : undefined;
  const corrected = corrects === undefined ? [] : await ledger.entry(corrects);
  const before = await readStockOf(ledger, id);
  const posting = postEntry(entry, {
    material,
    stock: before,
    now,
    timeZone,
    ...(isCount(entry) && { then: await stockAt(ledger, id, entry.at, before) }),
    corrected: corrected.filter((movement) => movement.materialId === id),
    alreadyCorrected: corrects !== undefined && (await ledger.isCorrected(corrects)),
  });
  if (!posting.ok) throw invalidInput(problemFaults(posting.problems));
  const { lot, movements } = posting.value;
  await ledger.append(lot, movements, held);
  const isDelivery = corrected.some(({ kind }) => kind === 'delivery');
  const order = isDelivery ? await dueAgain(asId(corrects ?? ''), orders) : undefined;
  const stock = await readStockOf(ledger, id);
  return { posted: { stock, movements, ...(order && { order }) }, isNew: true };
}

/** The order of a delivery that was taken back, of which it is due again. */
async function dueAgain(
  delivery: EntryId,
  orders: OrderRepository,
): Promise<Versioned<Order> | undefined> {
  for (const orderId of await orders.receivedBy([delivery])) {
    const order = await orders.find(orderId);
    if (!order) continue;
    const { version, ...plain } = order;
    const changed = withoutReceipt(plain, delivery);
    if (!changed) continue;
    await orders.replace(changed, version);
    return orders.find(orderId);
  }
  return undefined;
}

function isCount({ kind }: StockEntry): boolean {
  return kind === 'count' || kind === 'total-count';
}

/** What was there at the moment of a count: without what happened since. */
async function stockAt(
  ledger: LedgerRepository,
  id: MaterialId,
  at: string | undefined,
  now: MaterialStock,
): Promise<MaterialStock> {
  const since = at === undefined ? [] : await ledger.after(id, at);
  if (since.length === 0) return now;
  const undone = since.map((movement) => ({ ...movement, quantity: -movement.quantity }));
  const balances = balancesOf([
    ...(await ledger.balances(id)).map(({ lotId, containerId, quantity, firstAt }, line) => ({
      entryId: asId<StockEntry['id']>('then'),
      line,
      kind: 'count' as const,
      at: firstAt,
      materialId: id,
      lotId,
      ...(containerId && { containerId }),
      quantity,
    })),
    ...undone,
  ]);
  const lots = await ledger.lots([...new Set(balances.map(({ lotId }) => lotId))]);
  return stockFrom([id], lots, balances)[0] ?? { materialId: id, lots: [] };
}

/** The same id for the same counter-entry, however long the ids are that it is made of. */
export function entryIdFor(text: string): string {
  return createHash('sha256').update(text).digest('base64url').slice(0, 32);
}
