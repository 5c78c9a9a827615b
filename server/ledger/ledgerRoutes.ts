import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { LedgerPage } from '@bienestar/contract/api';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { answerWrite } from '../answers/answerWrite';
import { reading } from '../db/unitOfWork';
import { checkedInput } from '../aggregates/checkInput';
import { invalidInput, notFound } from '../http/problems';
import { enterEntry, holdForEntries, stockedMaterial, type EntryStores } from './enterEntry';
import { readStock } from './shelfReader';

const MOVEMENTS_ON_A_PAGE = 200;

/**
 * The routes of the ledger.
 * - `GET /` what is on hand of every material, lot by lot, first expired first.
 * - `GET /:materialId?before=` its movements, the newest first, 200 at a time, with their lots; 404.
 * - `POST /` an entry: a delivery, opening, use, discard, count or correction. 201 with the stock of
 *   the material and the movements made; 400 with faults, and nothing entered. An entry sent again by
 *   its id is answered 200 with what it did the first time.
 */
export function ledgerRoutes(stores: EntryStores, sequelize: Sequelize): Router {
  const { ledger } = stores;
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await reading(sequelize, (tx) => readStock(sequelize, ledger, tx)));
  });

  router.get('/:materialId', async (request, response) => {
    const { materialId } = request.params;
    const before = beforeFrom(request.query.before);
    const page = await reading(sequelize, async (tx): Promise<LedgerPage> => {
      if (!(await stockedMaterial(stores.materials, materialId, tx)))
        throw notFound('material in stock', materialId);
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
    await answerWrite(request, response, sequelize, async (tx) => {
      const held = await holdForEntries([entry], stores, tx);
      const { posted, isNew } = await enterEntry(entry, held, stores, tx);
      return { status: isNew ? 201 : 200, body: posted };
    });
  });

  return router;
}

function beforeFrom(text: unknown): number | undefined {
  if (text === undefined) return undefined;
  const before = typeof text === 'string' ? Number(text) : Number.NaN;
  if (Number.isSafeInteger(before) && before > 0) return before;
  throw invalidInput([{ pointer: '/before', code: 'number', message: 'This is not a page.' }]);
}
