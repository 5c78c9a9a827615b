import type { MaterialId } from '@bienestar/core/house/ids';
import type { MaterialStock } from '@bienestar/core/house/stock';
import { stockFrom } from '@bienestar/core/stock/ledger';
import type { LedgerRepository } from './ledgerRepository';

/** What the ledger leaves on the shelf: of every material that is kept in stock. */
export async function readStock(ledger: LedgerRepository): Promise<MaterialStock[]> {
  const ids = await ledger.stockedMaterials();
  const balances = await ledger.balances();
  const lots = await ledger.lots([...new Set(balances.map(({ lotId }) => lotId))]);
  return stockFrom(ids, lots, balances);
}

/** What the ledger leaves of one material. */
export async function readStockOf(
  ledger: LedgerRepository,
  materialId: MaterialId,
): Promise<MaterialStock> {
  const balances = await ledger.balances(materialId);
  const lots = await ledger.lots([...new Set(balances.map(({ lotId }) => lotId))]);
  return stockFrom([materialId], lots, balances)[0] ?? { materialId, lots: [] };
}
