import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { SCHEMAS } from '@bienestar/contract/rules';
import { answerWrite } from '../answers/answerWrite';
import { reading } from '../db/unitOfWork';
import { checkedInput, takeVersion } from '../aggregates/checkInput';
import { notFound, staleWrite } from '../http/problems';
import type { SettingsStore } from '../house/documentStores';

/**
 * The routes of the house settings.
 * - `GET /` the settings with their `version`; 404 before a house is set up.
 * - `PUT /` with the `version` read, the new settings; 400 with faults, 409 with both sides.
 */
export function settingsRoutes(store: SettingsStore, sequelize: Sequelize): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const found = await reading(sequelize, (tx) => store.find(tx));
    if (!found) throw notFound('house', 'settings');
    response.json(found);
  });

  router.put('/', async (request, response) => {
    const { value: input, version } = takeVersion(request.body);
    const value = checkedInput(SCHEMAS.settings, input);
    await answerWrite(request, response, sequelize, async (tx) => {
      if (await store.replace(value, version, tx)) {
        return { status: 200, body: await store.find(tx) };
      }
      throw staleWrite('house', await store.find(tx), request.body);
    });
  });

  return router;
}
