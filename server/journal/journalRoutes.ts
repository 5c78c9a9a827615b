import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { Journal } from '@bienestar/contract/api';
import { reading } from '../db/unitOfWork';
import type { Stores } from '../house/stores';

/**
 * The routes of the journal.
 * - `GET /` what was changed, as it was before, oldest first; every edition, since services may have been
 *   worked by one that none is worked by now; and what packs cost from day to day.
 */
export function journalRoutes(
  { journal, editions, prices }: Pick<Stores, 'journal' | 'editions' | 'prices'>,
  sequelize: Sequelize,
): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const answer = await reading(sequelize, async (tx): Promise<Journal> => ({
      entries: await journal.all(tx),
      editions: await editions.all(tx),
      prices: await prices.all(tx),
    }));
    response.json(answer);
  });
  return router;
}
