import { Router } from 'express';
import type { LedgerPage } from '@bienestar/contract/happened';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { beforeFrom, checkedInput } from '../aggregates/checkInput';
import { notFound } from '../http/problems';
import { enterEntry, holdForEntries, stockedMaterial } from './enterEntry';
import { readStock } from './shelfReader';
import type { Door } from '../work/door';

const MOVEMENTS_ON_A_PAGE = 40;

/**
 * The routes of the ledger.
 * - `GET /` what is on hand of every material, lot by lot, first expired first.
 * - `GET /:materialId?before=` its movements, the newest first, 40 at a time, with their lots; 404.
 * - `POST /` an entry: a delivery, opening, use, discard, count or correction. 201 with the stock of
 *   the material and the movements made; 400 with faults, and nothing entered. An entry sent again by
 *   its id is answered 200 with what it did the first time.
 */
export function ledgerRoutes(door: Door): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    response.json(await door.read(request, ({ house }) => readStock(house.ledger)));
  });

  router.get('/:materialId', async (request, response) => {
    const { materialId } = request.params;
    const before = beforeFrom(request.query.before);
    const page = await door.read(request, async ({ house }): Promise<LedgerPage> => {
      const { ledger } = house;
      if (!(await stockedMaterial(house.materials, materialId)))
        throw notFound('material in stock', materialId);
      const entered = await ledger.page(materialId, before, MOVEMENTS_ON_A_PAGE);
      const lots = await ledger.lots([...new Set(entered.map((each) => each.movement.lotId))]);
      const last = entered.length === MOVEMENTS_ON_A_PAGE ? entered.at(-1) : undefined;
      return {
        movements: entered.map((each) => each.movement),
        lots,
        takenBack: await ledger.takenBack([
          ...new Set(entered.map(({ movement }) => movement.entryId)),
        ]),
        ...(last && { next: last.ordinal }),
      };
    });
    response.json(page);
  });

  router.post('/', async (request, response) => {
    const entry = checkedInput<StockEntry>(SCHEMAS.stockEntry, request.body);
    await door.write(request, response, async (unit) => {
      const held = await holdForEntries([entry], unit);
      const { posted, isNew } = await enterEntry(entry, held, unit);
      return { status: isNew ? 201 : 200, body: posted };
    });
  });

  return router;
}
