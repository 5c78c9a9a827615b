import { Router } from 'express';
import type { Door } from '../work/door';

const MOST_ROWS = 200;

/**
 * The routes of the audit trail. It is added to and never changed.
 * - `GET /:part/:id` the newest writes of a thing, at most 200, the newest first; none is an empty list.
 */
export function auditRoutes(door: Door): Router {
  const router = Router();
  router.get('/:part/:id', async (request, response) => {
    const { part, id } = request.params;
    response.json(await door.read(request, ({ house }) => house.audit.of(part, id, MOST_ROWS)));
  });
  return router;
}
