import { Router } from 'express';
import { QueryTypes, type Sequelize } from 'sequelize';
import { hasRoom } from '../db/room';
import { reading } from '../db/transactions';
import type { Health } from '@bienestar/contract/api';

const ANSWERS_WITHIN_MS = 2_000;

/**
 * - `GET /` whether the app and its database answer, and whether the disk is full: 200
 *   `{ status, database, disk? }`, also while the database is away, so that a watcher can tell them apart.
 */
export function healthRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const isUp = await reading(
      sequelize,
      ({ transaction }) => sequelize.query('SELECT 1', { type: QueryTypes.SELECT, transaction }),
      ANSWERS_WITHIN_MS,
    ).then(
      () => true,
      () => false,
    );
    const isFull = !hasRoom(sequelize);
    const health: Health = {
      status: isUp && !isFull ? 'ok' : 'degraded',
      database: isUp ? 'up' : 'away',
      ...(isFull && { disk: 'full' }),
    };
    response.json(health);
  });
  return router;
}
