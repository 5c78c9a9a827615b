import { Router } from 'express';
import { isRecord, type AggregateName, type Aggregates } from '@bienestar/contract/api';
import { AGGREGATES } from '@bienestar/contract/rules';
import { writingOfVersion7 } from '@bienestar/contract/upgrade';
import { idTaken, inUse, invalidInput, notFound, staleWrite } from '../http/problems';
import { beforeFrom, checkedInput, checkReferences, takeVersion, versionFrom } from './checkInput';
import type { Repository } from '../documents/documentRepository';
import type { Repositories } from '../house/repositories';
import { recordWindow } from '../house/records';
import type { Door } from '../work/door';

const RECORDS_ON_A_PAGE = 20;

/** A browser may still hold a draft in the words of an earlier version: nothing of it is lost. */
function inWordsOfNow(input: unknown): unknown {
  return typeof input === 'object' && input !== null && !Array.isArray(input)
    ? writingOfVersion7(input as Record<string, unknown>)
    : input;
}

function isWritten(name: AggregateName): boolean {
  return name === 'protocols' || name === 'blocks';
}

/**
 * The routes of one kind of aggregate. A body is the aggregate as in the house file; answers carry
 * its `version`.
 * - `GET /` all of them, in the order of the house. Of records, `GET /?ended&before=` what has ended, in pages
 *   of 20, the newest first; `next` is where the next page begins.
 * - `GET /:id` one; 404.
 * - `POST /` a new one, 201; 400 with faults, 409 when the id is taken.
 * - `PUT /:id` with the `version` read, the new state; 400, 404, 409 with `current` and `yours`.
 * - `DELETE /:id?version=` 204; 404, 409 when it was changed or is used, with `usedBy`.
 */
export function aggregateRoutes<N extends AggregateName>(name: N, door: Door): Router {
  type T = Aggregates[N];
  const { schema, noun, references, faults } = AGGREGATES[name];
  const router = Router();
  const repositoryIn = (house: Repositories): Repository<T> =>
    (name === 'orders' ? house.writtenOrders : house[name]) as unknown as Repository<T>;
  const check = (input: unknown): T =>
    checkedInput<T>(schema, isWritten(name) ? inWordsOfNow(input) : input, faults);

  router.get('/', async (request, response) => {
    if (isRecord(name) && request.query.ended !== undefined) {
      const before = beforeFrom(request.query.before);
      const page = await door.read(request, async (unit) => {
        const { ended } = await recordWindow(name, unit);
        return repositoryIn(unit.house).page(RECORDS_ON_A_PAGE, before, ended);
      });
      response.json(page);
      return;
    }
    response.json(await door.read(request, ({ house }) => repositoryIn(house).all()));
  });

  router.get('/:id', async (request, response) => {
    const { id } = request.params;
    const found = await door.read(request, ({ house }) => repositoryIn(house).find(id));
    if (!found) throw notFound(noun, id);
    response.json(found);
  });

  router.post('/', async (request, response) => {
    const value = check(request.body);
    response.location(`${request.baseUrl}/${value.id}`);
    await door.write(request, response, async (unit) => {
      const store = repositoryIn(unit.house);
      if (await store.find(value.id)) throw idTaken(noun, value.id);
      await checkReferences(unit, references(value));
      await store.insert(value);
      return { status: 201, body: await store.find(value.id) };
    });
  });

  router.put('/:id', async (request, response) => {
    const { id } = request.params;
    const { value: input, version } = takeVersion(request.body);
    const value = check(input);
    if (value.id !== id) {
      throw invalidInput([{ pointer: '/id', code: 'id', message: 'The id cannot be changed.' }]);
    }
    await door.write(request, response, async (unit) => {
      const store = repositoryIn(unit.house);
      await checkReferences(unit, references(value));
      if (await store.replace(value, version)) {
        return { status: 200, body: await store.find(id) };
      }
      const current = await store.find(id);
      if (!current) throw notFound(noun, id);
      throw staleWrite(noun, current, request.body);
    });
  });

  router.delete('/:id', async (request, response) => {
    const { id } = request.params;
    const version = versionFrom(request.query.version);
    await door.write(request, response, async (unit) => {
      const store = repositoryIn(unit.house);
      const uses = await store.usedBy(id);
      if (uses.length > 0) throw inUse(noun, uses);
      if (await store.remove(id, version)) return { status: 204 };
      const current = await store.find(id);
      if (!current) throw notFound(noun, id);
      throw staleWrite(noun, current, null);
    });
  });

  return router;
}
