import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { AggregateName, Aggregates } from '@bienestar/contract/api';
import { AGGREGATES } from '@bienestar/contract/rules';
import { answerWrite } from '../answers/answerWrite';
import { reading } from '../db/unitOfWork';
import { idTaken, inUse, invalidInput, notFound, staleWrite } from '../http/problems';
import { checkedInput, checkReferences, takeVersion, versionFrom } from './checkInput';
import type { Store } from '../documents/documentStore';

/**
 * The routes of one kind of aggregate. A body is the aggregate as in the house file; answers carry
 * its `version`.
 * - `GET /` all of them, in the order of the house.
 * - `GET /:id` one; 404.
 * - `POST /` a new one, 201; 400 with faults, 409 when the id is taken.
 * - `PUT /:id` with the `version` read, the new state; 400, 404, 409 with `current` and `yours`.
 * - `DELETE /:id?version=` 204; 404, 409 when it was changed or is used, with `usedBy`.
 */
export function aggregateRoutes<N extends AggregateName>(
  name: N,
  store: Store<Aggregates[N]>,
  sequelize: Sequelize,
): Router {
  type T = Aggregates[N];
  const { schema, noun, references, faults } = AGGREGATES[name];
  const router = Router();
  const check = (input: unknown): T => checkedInput<T>(schema, input, faults);

  router.get('/', async (_request, response) => {
    response.json(await reading(sequelize, (tx) => store.all(tx)));
  });

  router.get('/:id', async (request, response) => {
    const { id } = request.params;
    const found = await reading(sequelize, (tx) => store.find(id, tx));
    if (!found) throw notFound(noun, id);
    response.json(found);
  });

  router.post('/', async (request, response) => {
    const value = check(request.body);
    response.location(`${request.baseUrl}/${value.id}`);
    await answerWrite(request, response, sequelize, async (tx) => {
      if (await store.find(value.id, tx)) throw idTaken(noun, value.id);
      await checkReferences(sequelize, references(value), tx);
      await store.insert([value], 1, tx);
      return { status: 201, body: await store.find(value.id, tx) };
    });
  });

  router.put('/:id', async (request, response) => {
    const { id } = request.params;
    const { value: input, version } = takeVersion(request.body);
    const value = check(input);
    if (value.id !== id) {
      throw invalidInput([{ pointer: '/id', code: 'id', message: 'The id cannot be changed.' }]);
    }
    await answerWrite(request, response, sequelize, async (tx) => {
      await checkReferences(sequelize, references(value), tx);
      if (await store.replace(value, version, tx)) {
        return { status: 200, body: await store.find(id, tx) };
      }
      const current = await store.find(id, tx);
      if (!current) throw notFound(noun, id);
      throw staleWrite(noun, current, request.body);
    });
  });

  router.delete('/:id', async (request, response) => {
    const { id } = request.params;
    const version = versionFrom(request.query.version);
    await answerWrite(request, response, sequelize, async (tx) => {
      const uses = await store.usedBy(id, tx);
      if (uses.length > 0) throw inUse(noun, uses);
      if (await store.remove(id, version, tx)) return { status: 204 };
      const current = await store.find(id, tx);
      if (!current) throw notFound(noun, id);
      throw staleWrite(noun, current, null);
    });
  });

  return router;
}
