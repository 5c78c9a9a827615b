import { Router } from 'express';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { Health } from '@bienestar/contract/api';

/**
 * - `GET /` whether the app and its database answer: 200 `{ status, database }`, also while the
 *   database is away, so that a watcher can tell the two apart.
 */
export function healthRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const health: Health = await sequelize.query('SELECT 1', { type: QueryTypes.SELECT }).then(
      () => ({ status: 'ok', database: 'up' }),
      () => ({ status: 'degraded', database: 'away' }),
    );
    response.json(health);
  });
  return router;
}
