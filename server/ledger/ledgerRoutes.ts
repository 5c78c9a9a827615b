import { Router } from 'express';
import type { Sequelize, Transaction } from 'sequelize';
import type { LedgerPage, Posted } from '@bienestar/contract/api';
import { SCHEMAS } from '@bienestar/contract/rules';
import { problemFaults } from '@bienestar/contract/problemFaults';
import type { BoughtMaterial, Material } from '@bienestar/core/house/house';
import { asId, type MaterialId } from '@bienestar/core/house/ids';
import { postEntry } from '@bienestar/core/stock/post';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { checkedInput } from '../aggregates/checkInput';
import type { Store } from '../aggregates/store';
import { idTaken, invalidInput, notFound } from '../http/problems';
import type { LedgerStore } from './ledgerStore';
import { readStock, readStockOf } from './shelfReader';

const MOVEMENTS_ON_A_PAGE = 200;

/**
 * The routes of the ledger.
 * - `GET /` what is on hand of every material, lot by lot, first expired first.
 * - `GET /:materialId?before=` its movements, the newest first, 200 at a time, with their lots; 404.
 * - `POST /` an entry: a delivery, opening, use, discard, count or correction. 201 with the stock of
 *   the material and the movements made; 400 with faults, and nothing entered. An entry sent again by
 *   its id is answered 200 with what it did the first time.
 */
export function ledgerRoutes(
  ledger: LedgerStore,
  materials: Store<Material>,
  sequelize: Sequelize,
): Router {
  const router = Router();

  const stocked = async (id: string, tx: Transaction): Promise<BoughtMaterial | undefined> => {
    const found = await materials.find(id, tx);
    return found && found.kind !== 'linen' ? found : undefined;
  };

  router.get('/', async (_request, response) => {
    response.json(await sequelize.transaction((tx) => readStock(sequelize, ledger, tx)));
  });

  router.get('/:materialId', async (request, response) => {
    const { materialId } = request.params;
    const before = beforeFrom(request.query.before);
    const page = await sequelize.transaction(async (tx): Promise<LedgerPage> => {
      if (!(await stocked(materialId, tx))) throw notFound('material in stock', materialId);
      const entered = await ledger.page(materialId, before, MOVEMENTS_ON_A_PAGE, tx);
      const lots = await ledger.lots([...new Set(entered.map((each) => each.movement.lotId))], tx);
      const last = entered.length === MOVEMENTS_ON_A_PAGE ? entered.at(-1) : undefined;
      return {
        movements: entered.map((each) => each.movement),
        lots,
        ...(last && { next: last.ordinal }),
      };
    });
    response.json(page);
  });

  router.post('/', async (request, response) => {
    const entry = checkedInput<StockEntry>(SCHEMAS.stockEntry, request.body);
    const { posted, isNew } = await sequelize.transaction((tx) => enter(entry, tx));
    response.status(isNew ? 201 : 200).json(posted);
  });

  async function enter(
    entry: StockEntry,
    tx: Transaction,
  ): Promise<{ readonly posted: Posted; readonly isNew: boolean }> {
    await ledger.hold(entry.materialId, tx);
    const material = await stocked(entry.materialId, tx);
    if (!material) throw notFound('material in stock', entry.materialId);
    const earlier = await ledger.entry(entry.id, tx);
    const id = asId<MaterialId>(entry.materialId);
    if (earlier.length > 0) {
      if (earlier.some((movement) => movement.materialId !== id)) throw idTaken('entry', entry.id);
      return {
        posted: { stock: await readStockOf(ledger, id, tx), movements: earlier },
        isNew: false,
      };
    }
    if (entry.kind === 'delivery' && (await ledger.lots([entry.lotId], tx)).length > 0) {
      throw idTaken('lot', entry.lotId);
    }
    const corrects = entry.kind === 'correction' ? entry.corrects : undefined;
    const corrected = corrects === undefined ? [] : await ledger.entry(corrects, tx);
    const posting = postEntry(entry, {
      material,
      stock: await readStockOf(ledger, id, tx),
      now: new Date(),
      corrected: corrected.filter((movement) => movement.materialId === id),
      alreadyCorrected: corrects !== undefined && (await ledger.isCorrected(corrects, tx)),
    });
    if (!posting.ok) throw invalidInput(problemFaults(posting.problems));
    const { lot, movements } = posting.value;
    await ledger.append(lot ? [lot] : [], movements, tx);
    return { posted: { stock: await readStockOf(ledger, id, tx), movements }, isNew: true };
  }

  return router;
}

function beforeFrom(text: unknown): number | undefined {
  if (text === undefined) return undefined;
  const before = typeof text === 'string' ? Number(text) : Number.NaN;
  if (Number.isSafeInteger(before) && before > 0) return before;
  throw invalidInput([{ pointer: '/before', code: 'number', message: 'This is not a page.' }]);
}
