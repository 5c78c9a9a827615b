import { Router } from 'express';
import { SCHEMAS } from '@bienestar/contract/rules';
import { checkedInput, takeVersion } from '../aggregates/checkInput';
import { notFound, staleWrite } from '../http/problems';
import type { Door } from '../work/door';

/**
 * The routes of the house settings.
 * - `GET /` the settings with their `version`; 404 before a house is set up.
 * - `PUT /` with the `version` read, the new settings; 400 with faults, 409 with both sides.
 */
export function settingsRoutes(door: Door): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    const found = await door.read(request, ({ house }) => house.settings.find());
    if (!found) throw notFound('house', 'settings');
    response.json(found);
  });

  router.put('/', async (request, response) => {
    const { value: input, version } = takeVersion(request.body);
    const value = checkedInput(SCHEMAS.settings, input);
    await door.write(request, response, async (unit) => {
      const { settings } = unit.house;
      if (await settings.replace(value, version)) {
        return { status: 200, body: await settings.find() };
      }
      throw staleWrite('house', await settings.find(), request.body);
    });
  });

  return router;
}
