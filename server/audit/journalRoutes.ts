import { Router } from 'express';
import type { Journal } from '@bienestar/contract/api';
import type { Door } from '../work/door';

/**
 * The routes of the journal.
 * - `GET /` what was changed, as it was before, oldest first; every edition, since services may have been
 *   worked by one that none is worked by now; and what packs cost from day to day.
 */
export function journalRoutes(door: Door): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const answer = await door.read(request, async ({ house }): Promise<Journal> => ({
      entries: await house.audit.journal(),
      editions: await house.editions.all(),
      prices: await house.prices.all(),
    }));
    response.json(answer);
  });
  return router;
}
