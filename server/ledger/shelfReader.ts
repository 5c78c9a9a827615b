import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { asId, type MaterialId } from '@bienestar/core/house/ids';
import { stockFrom } from '@bienestar/core/stock/ledger';
import type { MaterialStock } from '@bienestar/core/house/stock';
import type { LedgerStore } from './ledgerStore';

/** What the ledger leaves on the shelf: of every material that is kept in stock. */
export async function readStock(
  sequelize: Sequelize,
  ledger: LedgerStore,
  tx: Transaction,
): Promise<MaterialStock[]> {
  const rows = await sequelize.query<{ readonly id: string }>(
    "SELECT id FROM materials WHERE JSON_VALUE(body, '$.kind') <> 'linen' ORDER BY ordinal",
    { type: QueryTypes.SELECT, transaction: tx },
  );
  const balances = await ledger.balances(tx);
  const lots = await ledger.lots([...new Set(balances.map(({ lotId }) => lotId))], tx);
  return stockFrom(
    rows.map(({ id }) => asId<MaterialId>(id)),
    lots,
    balances,
  );
}

/** What the ledger leaves of one material. */
export async function readStockOf(
  ledger: LedgerStore,
  materialId: MaterialId,
  tx: Transaction,
): Promise<MaterialStock> {
  const balances = await ledger.balances(tx, materialId);
  const lots = await ledger.lots([...new Set(balances.map(({ lotId }) => lotId))], tx);
  return stockFrom([materialId], lots, balances)[0] ?? { materialId, lots: [] };
}
